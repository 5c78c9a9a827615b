import { LIMITS, outside, within } from '@bienestar/contract/limits';
import type { BoughtMaterial, MaterialRestock } from '@bienestar/core/house/house';
import type { Review } from '@bienestar/core/house/restock';
import type { Restocking } from '@bienestar/core/restock/restocking';
import { NumberField } from '../../../parts/NumberField';
import { PercentField } from '../../../parts/PercentField';
import { Segments } from '../../../parts/Segments';
import { TextField } from '../../../parts/TextField';
import { useSnapshot } from '../../../store/house';
import { useChange } from '../../../store/useEditPart';

interface LevelFieldsProps {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
}

type How = Review | 'by-hand';

/** How one material is restocked, where it is not as the house does. */
export function LevelFields({ material, restocking }: LevelFieldsProps) {
  const kept = useSnapshot().materials.find(({ id }) => id === material.id);
  const change = useChange('materials', kept);
  const own = material.restock ?? {};
  const put = (changes: Partial<MaterialRestock>): Promise<string | undefined> =>
    change((latest) => {
      if (latest.kind === 'linen') return {};
      const next: Readonly<Record<string, unknown>> = { ...latest.restock, ...changes };
      const said = Object.values(next).some((value) => value !== undefined);
      return { restock: said ? next : undefined };
    });
  const how: How = own.levels ? 'by-hand' : restocking.school;
  const unit = material.unit === 'piece' ? 'pcs' : material.unit;
  const choose = (next: How): void => {
    if (next === 'by-hand') {
      const minimum = round(restocking.orderAt);
      const maximum = round(restocking.orderAt + restocking.orderSize.amount);
      void put({ levels: { minimum, maximum } });
    } else void put({ levels: undefined, review: next });
  };
  const { levels } = own;
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Segments<How>
        label="Ordered"
        value={how}
        options={[
          { value: 'any-day', label: 'any day' },
          { value: 'delivery-day', label: 'on delivery days' },
          { value: 'by-hand', label: 'by hand' },
        ]}
        onChoose={choose}
      />
      {levels ? (
        <>
          <NumberField
            className="w-28"
            label="Minimum"
            unit={unit}
            commitOn="leaving"
            value={levels.minimum}
            check={(minimum) =>
              outside(LIMITS.quantityOrNone, minimum) ??
              (minimum < levels.maximum ? undefined : 'Must be below the maximum.')
            }
            onCommit={(minimum) => put({ levels: { ...levels, minimum } })}
          />
          <NumberField
            className="w-28"
            label="Maximum"
            unit={unit}
            commitOn="leaving"
            value={levels.maximum}
            check={(maximum) =>
              outside(LIMITS.quantityOrNone, maximum) ??
              (maximum > levels.minimum ? undefined : 'Must be above the minimum.')
            }
            onCommit={(maximum) => put({ levels: { ...levels, maximum } })}
          />
        </>
      ) : (
        <PercentField
          className="w-32"
          label="Own service level"
          hint="of orders, in time"
          from={0.5}
          to={0.999}
          commitOn="leaving"
          value={own.serviceLevel}
          onCommit={(serviceLevel) => put({ serviceLevel })}
          onClear={() => void put({ serviceLevel: undefined })}
        />
      )}
      <NumberField
        className="w-28"
        label="Keeps closed"
        unit="days"
        commitOn="leaving"
        value={material.sealedDays}
        check={within(LIMITS.sealedDays)}
        onCommit={(sealedDays) => change({ sealedDays })}
        onClear={() => void change({ sealedDays: undefined })}
      />
      <TextField
        className="w-36"
        label="Stands at"
        commitOn="leaving"
        value={material.keptAt ?? ''}
        onCommit={(keptAt) => change({ keptAt: keptAt.trim() === '' ? undefined : keptAt.trim() })}
      />
    </div>
  );
}

/** As the database keeps it. */
function round(value: number): number {
  return Math.round(value * 100) / 100;
}
