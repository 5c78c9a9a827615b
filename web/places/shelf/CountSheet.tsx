import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import type { ContainerId, LotId } from '@bienestar/core/house/ids';
import { lotOnHand } from '@bienestar/core/house/stock';
import type { ShelfState } from '@bienestar/core/stock/shelfLife';
import { weighedQuantity } from '@bienestar/core/stock/weighed';
import { FormFault } from '../../parts/FormFault';
import { amount, dayText } from '../../format/figures';
import { NumberField } from '../../parts/NumberField';
import { Segments } from '../../parts/Segments';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { newLotId, type Entered } from '../../store/useEnter';
import { EntrySheet } from './EntrySheet';
import { ScaleReading } from './ScaleReading';

interface CountSheetProps {
  readonly material: BoughtMaterial;
  readonly state: ShelfState;
  readonly open: boolean;
  readonly onClose: () => void;
  /** what the ledger says is not shown */
  readonly blind?: boolean;
  readonly send?: (entry: StockEntry) => Promise<Entered>;
}

type Way = 'each' | 'total';

interface Spot {
  readonly key: string;
  readonly lotId: LotId;
  readonly containerId?: ContainerId;
  readonly label: string;
  readonly held: number;
  /** one container and no more, so that it can stand on the scale */
  readonly isOne: boolean;
  /** of the empty container, where it is known */
  readonly tareG: number | undefined;
}

/** A count of what is there: lot by lot, by weight on the scale, or all in one figure. */
export function CountSheet(props: CountSheetProps) {
  const { material, state, open, onClose, blind = false, send } = props;
  const told = (held: number): string | undefined =>
    blind ? undefined : `The ledger says ${amount(held, material.unit)}.`;
  const spots = spotsOf(material, state);
  const [way, setWay] = useState<Way>('each');
  const [found, setFound] = useState<Readonly<Record<string, number>>>({});
  const [total, setTotal] = useState<number>();
  const [lotId, setLotId] = useState(newLotId);
  const counted = spots.filter(({ key }) => found[key] !== undefined);
  const byEach = way === 'each' && spots.length > 0;
  const weighable = material.unit !== 'piece';
  const unit = material.unit === 'piece' ? 'pcs' : material.unit;
  const done = (): void => {
    setFound({});
    setTotal(undefined);
    setLotId(newLotId());
    onClose();
  };
  return (
    <EntrySheet
      open={open}
      onClose={onClose}
      name={material.name}
      title={`Count: ${material.name}`}
      description="Only what you fill in is counted; the difference goes into the ledger."
      action="Enter the count"
      make={(id) => {
        if (byEach) {
          return counted.length === 0
            ? 'Count at least one of them.'
            : {
                kind: 'count',
                id,
                materialId: material.id,
                found: counted.map(({ key, lotId: of, containerId }) => ({
                  lotId: of,
                  ...(containerId && { containerId }),
                  quantity: found[key] ?? 0,
                })),
              };
        }
        return total === undefined
          ? 'Enter what is there.'
          : { kind: 'total-count', id, materialId: material.id, quantity: total, lotId };
      }}
      onEntered={done}
      send={send}
    >
      {spots.length > 0 && (
        <Segments<Way>
          label="How"
          value={way}
          options={[
            { value: 'each', label: 'lot by lot' },
            { value: 'total', label: 'all together' },
          ]}
          onChoose={setWay}
        />
      )}
      {byEach ? (
        <ul className="flex flex-col gap-3">
          {spots.map((spot) => (
            <li key={spot.key} className="flex flex-col gap-2 border-b border-line pb-3">
              <NumberField
                label={spot.label}
                unit={unit}
                hint={told(spot.held)}
                value={found[spot.key]}
                check={within(LIMITS.counted)}
                onCommit={(value) => setFound({ ...found, [spot.key]: value })}
                onClear={() => {
                  const { [spot.key]: _gone, ...rest } = found;
                  setFound(rest);
                }}
              />
              {weighable && spot.isOne && (
                <ByWeight
                  material={material}
                  spot={spot}
                  onWeighed={(value) => setFound({ ...found, [spot.key]: value })}
                />
              )}
            </li>
          ))}
        </ul>
      ) : (
        <NumberField
          label="Everything that is there"
          unit={unit}
          hint={told(state.onHand)}
          value={total}
          check={within(LIMITS.counted)}
          onCommit={setTotal}
          onClear={() => setTotal(undefined)}
        />
      )}
    </EntrySheet>
  );
}

interface ByWeightProps {
  readonly material: BoughtMaterial;
  readonly spot: Spot;
  readonly onWeighed: (quantity: number) => void;
}

function ByWeight({ material, spot, onWeighed }: ByWeightProps) {
  const [weighing, setWeighing] = useState(false);
  const [tareG, setTareG] = useState(spot.tareG);
  const [fault, setFault] = useState<string>();
  if (!weighing) {
    return (
      <button
        type="button"
        className="self-start text-sm text-palm underline underline-offset-4"
        onClick={() => setWeighing(true)}
      >
        Weigh it instead
      </button>
    );
  }
  const take = (grossG: number): void => {
    if (tareG === undefined) {
      setFault('Enter what the empty container weighs first.');
      return;
    }
    const thing = { name: material.name, density: material.measures.density };
    const where = { materialId: material.id };
    const weighed = weighedQuantity({ grossG, tareG }, material.unit, thing, where);
    setFault(weighed.ok ? undefined : weighed.problems[0]?.message);
    if (weighed.ok) onWeighed(weighed.value);
  };
  return (
    <div className="flex flex-col gap-2 border-l-2 border-line pl-3">
      <NumberField
        className="w-48"
        label="Empty container with lid"
        unit="g"
        value={tareG}
        check={within(LIMITS.tareG)}
        onCommit={setTareG}
        onClear={() => setTareG(undefined)}
      />
      <ScaleReading action="Take this weight" onTake={take} />
      <FormFault fault={fault} />
    </div>
  );
}

function spotsOf(material: BoughtMaterial, state: ShelfState): Spot[] {
  const tareOf = new Map(material.packs.map((pack) => [pack.id, pack.tareG]));
  return state.lots.flatMap(({ lot, sealed }): Spot[] => {
    const name = lot.code === '' ? `lot of ${dayText(lot.deliveredOn)}` : `lot ${lot.code}`;
    const tareG = lot.packId && tareOf.get(lot.packId);
    return [
      ...lot.open.map((container, at) => ({
        key: container.id,
        lotId: lot.id,
        containerId: container.id,
        label: `Open${lot.open.length > 1 ? ` (${at + 1})` : ''}, ${name}`,
        held: container.remaining,
        isOne: true,
        tareG,
      })),
      ...(sealed > 0 || lotOnHand(lot) === 0
        ? [
            {
              key: lot.id,
              lotId: lot.id,
              label: `Sealed, ${name}`,
              held: sealed,
              isOne: sealed <= lot.content,
              tareG,
            },
          ]
        : []),
    ];
  });
}
