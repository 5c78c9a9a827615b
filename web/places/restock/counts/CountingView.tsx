import { useState } from 'react';
import { LIMITS, within } from '@bienestar/contract/limits';
import type { Versioned } from '@bienestar/contract/api';
import type { BoughtMaterial, CountedLine, CountRound } from '@bienestar/core/house/house';
import { foundInAll, materialsOfRound } from '@bienestar/core/restock/countReview';
import type { CountEntry, StockEntry, TotalCountEntry } from '@bienestar/core/stock/entries';
import type { ShelfState } from '@bienestar/core/stock/shelfLife';
import { amount, counted } from '../../../format/figures';
import { Button } from '../../../parts/Button';
import { NumberField } from '../../../parts/NumberField';
import { useHouse } from '../../../store/house';
import { useRestock } from '../../../store/restock';
import { useHouseClock } from '../../../store/clock';
import { shelfStates } from '../../../store/shelf';
import { outbox } from '../../../store/store';
import { entered, newEntryId, newLotId, type Entered } from '../../../store/useEnter';
import { useAddAndRemove, useChange } from '../../../store/useEditPart';
import { CountSheet } from '../../shelf/CountSheet';
import { packWords } from '../../shelf/materialWords';
import { toSecond } from '@bienestar/core/days/instants';

/** A count that is going on: along the shelf, one material after the other. */
export function CountingView({ round }: { readonly round: Versioned<CountRound> }) {
  const house = useHouse();
  const { today } = useRestock();
  const states = shelfStates(house, useHouseClock());
  const change = useChange('counts', round);
  const { remove } = useAddAndRemove('counts');
  const enter = useCounted(round);
  const [byLot, setByLot] = useState<BoughtMaterial>();
  const materials = materialsOfRound(round, house);
  const done = new Map(round.lines.map((line) => [line.materialId, line]));
  const left = materials.filter(({ id }) => !done.has(id)).length;
  const state = byLot && states.get(byLot.id);
  return (
    <div className="flex flex-col gap-3">
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-0 flex-1">
          <h2 className="text-2xl">{round.name}</h2>
          <p className="text-sm text-ink-soft" role="status">
            {left === 0
              ? 'Everything is counted.'
              : `${counted(left, 'material')} of ${materials.length} to count.`}
          </p>
        </div>
        <div className="flex flex-wrap gap-2 print:hidden">
          <Button onClick={() => window.print()}>Print the list</Button>
          {round.lines.length === 0 && (
            <Button weight="remove" onClick={() => void remove(round)}>
              Leave it
            </Button>
          )}
          <Button
            weight="main"
            disabled={round.lines.length === 0}
            onClick={() => void change({ endedOn: today })}
          >
            End and see the differences
          </Button>
        </div>
      </div>
      <ul>
        {materials.map((material) => (
          <CountLine
            key={material.id}
            material={material}
            state={states.get(material.id)}
            blind={round.blind}
            line={done.get(material.id)}
            onCount={(quantity) =>
              enter(material, {
                kind: 'total-count',
                id: newEntryId(),
                materialId: material.id,
                quantity,
                lotId: newLotId(),
              })
            }
            onByLot={() => setByLot(material)}
          />
        ))}
      </ul>
      {byLot && state && (
        <CountSheet
          material={byLot}
          state={state}
          open
          blind={round.blind}
          onClose={() => setByLot(undefined)}
          send={(entry) => enter(byLot, entry)}
        />
      )}
    </div>
  );
}

/** Enters a count into the ledger and the round at once. */
function useCounted(
  round: CountRound,
): (material: BoughtMaterial, entry: StockEntry) => Promise<Entered> {
  const house = useHouse();
  return async (material, given) => {
    if (!isCount(given)) return { ok: false, message: 'This is no count.', faults: [] };
    const { entry, line } = counted(material, given);
    const change = { kind: 'count', roundId: round.id, line, entry } as const;
    return entered(await outbox.put(change, material.name).tried);
  };

  function counted(
    material: BoughtMaterial,
    given: CountEntry | TotalCountEntry,
  ): { readonly entry: CountEntry | TotalCountEntry; readonly line: CountedLine } {
    const at = toSecond(new Date());
    const entry = { ...given, at, note: round.name };
    const stock = house.stock.find((line) => line.materialId === material.id) ?? { lots: [] };
    const line: CountedLine = {
      materialId: material.id,
      at,
      entryId: entry.id,
      found: foundInAll(entry, stock),
      by: entry.kind === 'count' && material.unit !== 'piece' ? 'scale' : 'pieces',
    };
    return { entry, line };
  }
}

function isCount(entry: StockEntry): entry is CountEntry | TotalCountEntry {
  return entry.kind === 'count' || entry.kind === 'total-count';
}

interface CountLineProps {
  readonly material: BoughtMaterial;
  readonly state: ShelfState | undefined;
  readonly blind: boolean;
  readonly line: CountedLine | undefined;
  readonly onCount: (quantity: number) => Promise<Entered>;
  readonly onByLot: () => void;
}

function CountLine({ material, state, blind, line, onCount, onByLot }: CountLineProps) {
  const { currency } = useHouse().settings;
  const pieces = material.unit === 'piece';
  const unit = pieces ? 'pcs' : material.unit;
  const byLotWords = pieces ? 'lot by lot' : 'lot by lot, or weigh';
  return (
    <li className="flex min-h-14 flex-wrap items-center gap-x-3 border-b border-line py-1.5 sm:flex-nowrap sm:gap-x-4">
      <span aria-hidden className={`w-5 text-center ${line ? 'text-palm' : 'text-ink-soft'}`}>
        {line ? '✓' : '○'}
      </span>
      <p className="min-w-0 flex-1 max-sm:basis-4/5">
        <span className="font-semibold">{material.name}</span>
        <span className="block text-sm text-ink-soft">
          {packWords(material, currency)}
          {!blind && state && `; ${amount(state.onHand, material.unit)} by the ledger`}
        </span>
      </p>
      {line && (
        <span className="text-sm text-ink-soft">{amount(line.found, material.unit)} found</span>
      )}
      <button
        type="button"
        className="min-h-11 text-sm text-palm max-sm:ml-8 max-sm:flex-1 max-sm:text-left underline underline-offset-4 print:hidden"
        aria-label={`${byLotWords}: ${material.name}`}
        onClick={onByLot}
      >
        {byLotWords}
      </button>
      <NumberField
        className="w-36 print:border print:border-line-strong"
        label={`Found of ${material.name}`}
        labelHidden
        unit={unit}
        commitOn="leaving"
        value={line?.found}
        onClear="needed"
        check={within(LIMITS.counted)}
        onCommit={async (quantity) => {
          const entered = await onCount(quantity);
          return entered.ok ? undefined : entered.message;
        }}
      />
    </li>
  );
}
