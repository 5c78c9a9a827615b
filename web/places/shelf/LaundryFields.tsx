import { LIMITS, within } from '@bienestar/contract/limits';
import type { LinenMaterial, Material } from '@bienestar/core/house/house';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import type { ChangePart } from '../../store/useEditPart';

interface LaundryFieldsProps {
  readonly laundry: LinenMaterial['laundry'];
  readonly change: ChangePart<Material>;
}

/** What a round through the laundry costs, and how many rounds a piece lasts. */
export function LaundryFields({ laundry, change }: LaundryFieldsProps) {
  const put = (changes: Partial<LinenMaterial['laundry']>) =>
    change((latest) =>
      latest.kind === 'linen' ? { laundry: { ...latest.laundry, ...changes } } : {},
    );
  return (
    <div className="grid grid-cols-2 gap-3">
      <MoneyField
        commitOn="leaving"
        label="One wash"
        hint="washed, dried and folded, of one piece"
        value={laundry.washMinor}
        onCommit={(washMinor) => put({ washMinor })}
      />
      <MoneyField
        commitOn="leaving"
        label="A new piece"
        hint="what replaces it"
        value={laundry.replacementMinor}
        onCommit={(replacementMinor) => put({ replacementMinor })}
      />
      <NumberField
        commitOn="leaving"
        label="Washes in its life"
        hint="begin with 100"
        value={laundry.washesInLife}
        check={within(LIMITS.washesInLife)}
        onCommit={(washesInLife) => put({ washesInLife })}
      />
    </div>
  );
}
