import { LIMITS, within } from '@bienestar/contract/limits';
import type { FreshMaterial, Material } from '@bienestar/core/house/house';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import type { ChangePart } from '../../store/useEditPart';

interface YieldFieldsProps {
  readonly material: FreshMaterial;
  readonly change: ChangePart<Material>;
}

/** What one piece of a fresh ingredient gives. */
export function YieldFields({ material, change }: YieldFieldsProps) {
  const { yieldPerPiece, unit } = material;
  const put = (changes: Partial<FreshMaterial['yieldPerPiece']>) =>
    change((latest) =>
      latest.kind === 'fresh' ? { yieldPerPiece: { ...latest.yieldPerPiece, ...changes } } : {},
    );
  return (
    <div className="grid grid-cols-2 gap-3">
      <NumberField
        commitOn="leaving"
        label="One piece gives"
        unit={unit}
        value={yieldPerPiece.usual}
        check={within(LIMITS.quantity)}
        onCommit={(usual) => put({ usual })}
      />
      <PercentField
        commitOn="leaving"
        label="give or take, one piece"
        to={0.99}
        value={yieldPerPiece.spread}
        onCommit={(spread) => put({ spread })}
        onClear={() => void put({ spread: undefined })}
      />
    </div>
  );
}
