import type { HouseSnapshot, Versioned } from '@bienestar/contract/api';
import type { Part } from '../api';
import { editedThing, targetOf, type QueuedWrite } from './queuedWrite';
import { rebase } from './rebase';

/** Whether a write is still to be done as it is. */
function isUnderWay({ state }: QueuedWrite): boolean {
  return state.is === 'waiting' || state.is === 'sent';
}

/**
 * The House as it will be when these writes are done, as far as it can be known before: fields, counted
 * lines, visits. What they do to the stock only the ledger can tell.
 */
export function withWrites(house: HouseSnapshot, writes: readonly QueuedWrite[]): HouseSnapshot {
  return writes.filter(isUnderWay).reduce(withWrite, house);
}

function withWrite(house: HouseSnapshot, { change }: QueuedWrite): HouseSnapshot {
  switch (change.kind) {
    case 'edit': {
      const { part, base, mine } = change;
      const edited = (now: object): Versioned<object> =>
        rebase<object>(base, mine, now).value as Versioned<object>;
      return withThing(house, part, targetOf(change), edited);
    }
    case 'count': {
      const { roundId, line } = change;
      const counts = house.counts.map((round) =>
        round.id === roundId && !round.lines.some(({ entryId }) => entryId === line.entryId)
          ? {
              ...round,
              lines: [
                ...round.lines.filter(({ materialId }) => materialId !== line.materialId),
                line,
              ],
            }
          : round,
      );
      return { ...house, counts };
    }
    case 'visit': {
      const { bookingId } = change.treatment;
      if (bookingId === undefined || house.log.entered.includes(bookingId)) return house;
      return { ...house, log: { ...house.log, entered: [...house.log.entered, bookingId] } };
    }
    case 'draft':
    case 'entry':
    case 'receipt':
    case 'run':
    case 'run-events':
      return house;
  }
}

function withThing(
  house: HouseSnapshot,
  part: Part,
  target: string,
  make: (now: object) => Versioned<object>,
): HouseSnapshot {
  if (part === 'settings') {
    return { ...house, settings: make(house.settings) as HouseSnapshot['settings'] };
  }
  const list: readonly Versioned<object>[] = house[part];
  const at = list.findIndex((each) => editedThing(part, each) === target);
  const there = list[at];
  return there ? { ...house, [part]: list.with(at, make(there)) } : house;
}
