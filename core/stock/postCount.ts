import { preferredPack } from '../house/packs';
import { ok, type Outcome } from '../problem/problem';
import { dayOf } from '../days/days';
import type { CountEntry, TotalCountEntry } from './entries';
import {
  heldIn,
  moves,
  no,
  unknownContainer,
  unknownLot,
  type Books,
  type Draft,
  type Posting,
} from './posting';
import { shelfState } from './shelfLife';
import { asKept, onHandOf, sumExactly, type Lot } from '../house/stock';

/** A count of containers: each difference between what was found and what was there. */
export function postCount(
  entry: CountEntry,
  { material, stock, then = stock }: Books,
  at: string,
): Outcome<Posting> {
  const drafts: Draft[] = [];
  const seen = new Set<string>();
  for (const { lotId, containerId, quantity } of entry.found) {
    const lot = then.lots.find((each) => each.id === lotId);
    if (!lot) return unknownLot(entry, material);
    const held = heldIn(lot, containerId);
    if (held === undefined) return unknownContainer(entry, material);
    if (!(quantity >= 0)) {
      return no('count-below-nothing', entry, 'found', 'A count cannot be below 0.');
    }
    const key = `${lotId}/${containerId ?? ''}`;
    if (seen.has(key)) {
      return no('counted-twice', entry, 'found', 'The same container is counted twice.');
    }
    seen.add(key);
    drafts.push({ lotId, ...(containerId && { containerId }), quantity: asKept(quantity - held) });
  }
  if (drafts.length === 0) return no('nothing-counted', entry, 'found', 'Nothing was counted.');
  const since = takenSince(entry, drafts, stock);
  if (since) return since;
  return ok({ movements: moves(entry, at, drafts) });
}

/** Refuses a count that leaves less than nothing, because some was taken since. */
function takenSince(
  entry: CountEntry,
  drafts: readonly Draft[],
  stock: Books['stock'],
): Outcome<never> | undefined {
  const gone = drafts.some(({ lotId, containerId, quantity }) => {
    const lot = stock.lots.find((each) => each.id === lotId);
    const held = (lot && heldIn(lot, containerId)) ?? 0;
    return quantity < 0 && sumExactly([held, quantity]) < 0;
  });
  return gone ? no('taken-since', entry, 'found', TAKEN_SINCE) : undefined;
}

/** The parts of a stock of which the ledger says that less than nothing is there. */
export function belowNothing({ lots }: Books['stock']): readonly Draft[] {
  return lots.flatMap((lot): Draft[] => [
    ...(lot.sealed < 0 ? [{ lotId: lot.id, quantity: lot.sealed }] : []),
    ...lot.open.flatMap(({ id, remaining }) =>
      remaining < 0 ? [{ lotId: lot.id, containerId: id, quantity: remaining }] : [],
    ),
  ]);
}

const TAKEN_SINCE = 'Since it was counted more was taken than the count found: count it once more.';

/**
 * A count of all there is of a material: what is missing goes from what would be used first, what is
 * more lies in the newest lot, or in a new one where there is none. A lot of which the ledger says that
 * less than nothing is there is set to nothing first.
 * @see S5
 */
export function postTotalCount(entry: TotalCountEntry, books: Books, at: string): Outcome<Posting> {
  const { material, stock, then = stock, timeZone } = books;
  if (!(entry.quantity >= 0)) {
    return no('count-below-nothing', entry, 'quantity', 'A count cannot be below 0.');
  }
  const drafts: Draft[] = belowNothing(stock).map(({ quantity, ...part }) => ({
    ...part,
    quantity: -quantity,
  }));
  const difference = sumExactly([
    entry.quantity,
    -onHandOf(then),
    ...drafts.map(({ quantity }) => -quantity),
  ]);
  const { open } = shelfState(material, stock, books);
  if (difference >= 0) {
    const newest = stock.lots.at(-1);
    if (newest) {
      return ok({
        movements: moves(entry, at, [...drafts, { lotId: newest.id, quantity: difference }]),
      });
    }
    const { id, content } = preferredPack(material);
    const lot: Lot = {
      id: entry.lotId,
      materialId: material.id,
      code: '',
      packId: id,
      content: asKept(content),
      deliveredOn: dayOf(new Date(at), timeZone),
    };
    return ok({ lot, movements: moves(entry, at, [{ lotId: lot.id, quantity: difference }]) });
  }
  let missing = -difference;
  const parts = [
    ...open.map(({ lot, containerId, remaining }) => ({
      lotId: lot.id,
      containerId,
      held: remaining,
    })),
    ...stock.lots.map((lot) => ({ lotId: lot.id, containerId: undefined, held: lot.sealed })),
  ];
  for (const { lotId, containerId, held } of parts) {
    const quantity = Math.min(missing, held);
    if (quantity <= 0) continue;
    drafts.push({ lotId, ...(containerId && { containerId }), quantity: -quantity });
    missing = asKept(missing - quantity);
  }
  if (missing > 0) return no('taken-since', entry, 'quantity', TAKEN_SINCE);
  return ok({ movements: moves(entry, at, drafts) });
}
