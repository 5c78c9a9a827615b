import { useState } from 'react';
import type { LedgerPage } from '@bienestar/contract/happened';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import type { EntryId, LotId } from '@bienestar/core/house/ids';
import { sumExactly, type Lot, type Movement } from '@bienestar/core/house/stock';
import { LONGEST_NOTE } from '@bienestar/core/house/limits';
import { amount, momentText, number } from '../../format/figures';
import { Button } from '../../parts/Button';
import { TextField } from '../../parts/TextField';
import { useLedgerQuery } from '../../store/api';
import { EntrySheet } from './EntrySheet';
import { useHouse } from '../../store/house';
import { useTimeZone } from '../../store/clock';
import { MOVEMENT_WORDS, REASON_WORDS } from './materialWords';

const SHOWN_AT_FIRST = 12;

/** One entry with all that it moved. */
interface Entry {
  readonly id: EntryId;
  readonly first: Movement;
  readonly quantity: number;
  readonly lots: readonly LotId[];
  readonly takenBack: boolean;
}

/** What happened to a material, the newest first. Nothing is changed; a mistake is taken back. */
export function History({ material }: { readonly material: BoughtMaterial }) {
  const [before, setBefore] = useState<number>();
  const [shown, setShown] = useState(SHOWN_AT_FIRST);
  const [back, setBack] = useState<Entry>();
  const { data: page, isError } = useLedgerQuery({ materialId: material.id, before });
  if (isError) return <p className="text-sm text-clay">▲ The history cannot be read just now.</p>;
  if (!page) return <p className="text-sm text-ink-soft">Reading the history …</p>;
  const entries = entriesOf(page);
  const lots = new Map(page.lots.map((lot) => [lot.id, lot]));
  const older = page.next;
  return (
    <section aria-labelledby="history-title">
      <h3 id="history-title" className="text-lg">
        History
      </h3>
      {entries.length === 0 && (
        <p className="text-sm text-ink-soft">Nothing has come in yet: enter the first delivery.</p>
      )}
      <ul className="text-sm">
        {entries.slice(0, shown).map((entry) => (
          <EntryLine
            key={entry.id}
            entry={entry}
            unit={material.unit}
            lots={lots}
            onTakeBack={() => setBack(entry)}
          />
        ))}
      </ul>
      <div className="mt-2 flex gap-2">
        {entries.length > shown && (
          <Button weight="quiet" onClick={() => setShown(entries.length)}>
            Show {number(entries.length - shown)} more
          </Button>
        )}
        {older !== undefined && shown >= entries.length && (
          <Button weight="quiet" onClick={() => setBefore(older)}>
            Earlier
          </Button>
        )}
        {before !== undefined && (
          <Button weight="quiet" onClick={() => setBefore(undefined)}>
            Back to the newest
          </Button>
        )}
      </div>
      {back && <TakeBack material={material} entry={back} onClose={() => setBack(undefined)} />}
    </section>
  );
}

interface EntryLineProps {
  readonly entry: Entry;
  readonly unit: string;
  readonly lots: ReadonlyMap<LotId, Lot>;
  readonly onTakeBack: () => void;
}

function EntryLine({ entry, unit, lots, onTakeBack }: EntryLineProps) {
  const { first, quantity, takenBack } = entry;
  const codes = entry.lots.flatMap((id) => lots.get(id)?.code || []);
  const timeZone = useTimeZone();
  const sign = quantity > 0 ? '+' : '−';
  return (
    <li className="flex items-baseline gap-2 border-b border-line py-1.5">
      <span className="w-26 shrink-0 text-ink-soft">{momentText(first.at, timeZone)}</span>
      <span className={`min-w-0 flex-1 ${takenBack ? 'line-through' : ''}`}>
        {MOVEMENT_WORDS[first.kind]}
        {first.reason && `: ${REASON_WORDS[first.reason]}`}
        {codes.length > 0 && <span className="text-ink-soft"> · {codes.join(', ')}</span>}
        {first.note !== undefined && (
          <span className="block text-ink-soft italic">{first.note}</span>
        )}
      </span>
      <span className="whitespace-nowrap">
        {quantity === 0 ? '–' : `${sign}${amount(Math.abs(quantity), unit)}`}
      </span>
      {first.kind !== 'correction' && !takenBack && (
        <button
          type="button"
          onClick={onTakeBack}
          aria-label={`Take back: ${MOVEMENT_WORDS[first.kind]} ${momentText(first.at, timeZone)}`}
          className="text-palm underline decoration-dotted underline-offset-4"
        >
          take back
        </button>
      )}
    </li>
  );
}

interface TakeBackProps {
  readonly material: BoughtMaterial;
  readonly entry: Entry;
  readonly onClose: () => void;
}

function TakeBack({ material, entry, onClose }: TakeBackProps) {
  const [note, setNote] = useState('');
  const { orders } = useHouse();
  const order = orders.find(({ lines }) =>
    lines.some(({ received }) => received.some(({ entryId }) => entryId === entry.id)),
  );
  const due = order ? ` What came is due again on order ${order.name}.` : '';
  return (
    <EntrySheet
      open
      onClose={onClose}
      name={material.name}
      title={`Take back: ${MOVEMENT_WORDS[entry.first.kind]}`}
      description={`Its opposite is entered; both stay in the history.${due}`}
      action="Take it back"
      make={(id) => ({
        kind: 'correction',
        id,
        materialId: material.id,
        corrects: entry.id,
        note,
      })}
    >
      <TextField label="Why" value={note} longest={LONGEST_NOTE} onCommit={setNote} />
    </EntrySheet>
  );
}

function entriesOf({ movements, takenBack }: LedgerPage): Entry[] {
  const corrected = new Set(takenBack);
  const byEntry = new Map<EntryId, Movement[]>();
  for (const movement of movements) {
    const known = byEntry.get(movement.entryId);
    if (known) known.push(movement);
    else byEntry.set(movement.entryId, [movement]);
  }
  return [...byEntry].flatMap(([id, of]): Entry[] => {
    /* A use that had to open a container tells of the use. */
    const first = of.find(({ kind }) => kind !== 'opening') ?? of[0];
    return first
      ? [
          {
            id,
            first,
            quantity: sumExactly(of.map(({ quantity }) => quantity)),
            lots: [...new Set(of.map(({ lotId }) => lotId))],
            takenBack: corrected.has(id),
          },
        ]
      : [];
  });
}
