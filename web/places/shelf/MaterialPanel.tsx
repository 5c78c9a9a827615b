import { Trash2 } from 'lucide-react';
import { explainUnitCost } from '@bienestar/core/explain/explainUnitCost';
import type { LinenMaterial, Material, Pack } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { unitMoney } from '../../format/figures';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { MoneyField } from '../../parts/MoneyField';
import { NumberField } from '../../parts/NumberField';
import { PercentField } from '../../parts/PercentField';
import { Problems } from '../../parts/Problems';
import { TextField } from '../../parts/TextField';
import { WorkedFigure } from '../../parts/working/WorkedFigure';
import { useFigures, useHouse, useSnapshot } from '../../store/house';
import { useAddAndRemove, useChange, type ChangePart } from '../../store/useEditPart';
import { KIND_WORDS } from './materialWords';
import { MeasuresEditor } from './MeasuresEditor';
import { placesOfUse } from './placesOfUse';
import { UsedIn } from './UsedIn';

interface MaterialPanelProps {
  readonly id: string | undefined;
  readonly onGone: () => void;
}

/** One material in hand: every field saves as it is left. */
export function MaterialPanel({ id, onGone }: MaterialPanelProps) {
  const house = useHouse();
  const material = useSnapshot().materials.find((each) => each.id === id);
  const cost = useFigures().materials.get(asId(id ?? ''))?.unitCost;
  const change = useChange('materials', material);
  const { remove, busy } = useAddAndRemove('materials');
  if (!material) {
    return (
      <p className="px-6 py-8 font-serif text-lg text-ink-soft">
        {id === undefined
          ? 'Choose a material to see how it is bought, measured and used.'
          : 'This is no longer on the shelf.'}
      </p>
    );
  }
  const { currency } = house.settings;
  return (
    <div key={material.id} className="flex flex-col gap-4 px-5 py-6">
      <div>
        <p className="text-sm text-palm">{KIND_WORDS[material.kind].one}</p>
        <h2 className="text-2xl break-words">{material.name}</h2>
        {cost?.ok && (
          <p className="mt-1">
            <WorkedFigure
              label="True cost"
              text={unitMoney(cost.value, currency)}
              className="font-serif text-xl"
              working={() => explainUnitCost(material, cost.value)}
            />{' '}
            <span className="text-sm text-ink-soft">per {material.unit}, all in</span>
          </p>
        )}
      </div>
      {cost && !cost.ok && <Problems problems={cost.problems} />}
      <TextField
        label="Name"
        needed
        commitOn="leaving"
        value={material.name}
        onCommit={(name) => change({ name })}
      />
      {material.kind === 'linen' ? (
        <LaundryFields laundry={material.laundry} change={change} />
      ) : (
        <PackFields material={material} change={change} />
      )}
      {material.kind !== 'linen' && material.unit !== 'piece' && (
        <MeasuresEditor material={material} change={change} />
      )}
      <UsedIn places={placesOfUse(house, { kind: 'material', id: material.id })} />
      <Button
        weight="remove"
        className="self-start"
        disabled={busy}
        onClick={() => void remove(material).then((gone) => gone && onGone())}
      >
        <Trash2 aria-hidden size={16} /> Take it off the shelf
      </Button>
    </div>
  );
}

type Change = ChangePart<Material>;

function PackFields({
  material,
  change,
}: {
  readonly material: Exclude<Material, LinenMaterial>;
  readonly change: Change;
}) {
  const house = useHouse();
  const { pack, unit } = material;
  const put = (changes: Partial<Pack>) => change({ pack: { ...pack, ...changes } });
  const shared = { commitOn: 'leaving' } as const;
  return (
    <>
      <Choice
        label="Supplier"
        value={material.supplierId}
        options={house.suppliers.map((supplier) => ({
          value: supplier.id,
          label: supplier.name,
        }))}
        onChoose={(supplierId) => void change({ supplierId: asId(supplierId) })}
      />
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          {...shared}
          label={material.kind === 'single-dose' ? 'Doses in the pack' : 'Containers in the pack'}
          value={pack.containers}
          check={(count) =>
            Number.isInteger(count) && count >= 1 ? undefined : 'A whole number, at least 1.'
          }
          onCommit={(containers) => put({ containers })}
        />
        <NumberField
          {...shared}
          label={material.kind === 'single-dose' ? 'In one dose' : 'In one container'}
          unit={unit}
          value={pack.content}
          check={(content) => (content > 0 ? undefined : 'Must be more than 0.')}
          onCommit={(content) => put({ content })}
        />
        <MoneyField
          {...shared}
          label="Pack price"
          value={pack.priceMinor}
          onCommit={(priceMinor) => put({ priceMinor })}
        />
        <PercentField
          {...shared}
          label="Discount"
          value={pack.discount}
          onCommit={(discount) => put({ discount })}
        />
        <MoneyField
          {...shared}
          label="Freight share"
          value={pack.freightMinor}
          onCommit={(freightMinor) => put({ freightMinor })}
        />
        <MoneyField
          {...shared}
          label="Tax not recovered"
          value={pack.unrecoveredTaxMinor}
          onCommit={(unrecoveredTaxMinor) => put({ unrecoveredTaxMinor })}
        />
        {material.kind !== 'consumable' && (
          <PercentField
            {...shared}
            label="Stays in the pack"
            to={0.99}
            value={pack.residual}
            onCommit={(residual) => put({ residual })}
          />
        )}
      </div>
    </>
  );
}

function LaundryFields({
  laundry,
  change,
}: {
  readonly laundry: LinenMaterial['laundry'];
  readonly change: Change;
}) {
  const put = (changes: Partial<LinenMaterial['laundry']>) =>
    change({ laundry: { ...laundry, ...changes } });
  return (
    <div className="grid grid-cols-2 gap-3">
      <MoneyField
        commitOn="leaving"
        label="One wash"
        value={laundry.washMinor}
        onCommit={(washMinor) => put({ washMinor })}
      />
      <MoneyField
        commitOn="leaving"
        label="A new piece"
        value={laundry.replacementMinor}
        onCommit={(replacementMinor) => put({ replacementMinor })}
      />
      <NumberField
        commitOn="leaving"
        label="Washes in its life"
        value={laundry.washesInLife}
        check={(washes) =>
          Number.isInteger(washes) && washes >= 1 ? undefined : 'A whole number, at least 1.'
        }
        onCommit={(washesInLife) => put({ washesInLife })}
      />
    </div>
  );
}
