import { openLifeOf, heldPack } from '../house/packs';
import type { ContainerId, LotId } from '../house/ids';
import { ok, type Outcome } from '../problem/problem';
import { isDay, todayOf } from '../days/days';
import type { DeliveryEntry, DiscardEntry, OpeningEntry, StockEntry, UseEntry } from './entries';
import { postCount, postTotalCount } from './postCount';
import { postCorrection } from './postCorrection';
import {
  beforeDelivery,
  containerOf,
  heldIn,
  holdsOne,
  isOver,
  moves,
  no,
  opened,
  short,
  unknownContainer,
  unknownLot,
  type Books,
  type Draft,
  type Posting,
} from './posting';
import { shelfState } from './shelfLife';
import { LARGEST_QUANTITY } from '../house/limits';
import { asKept, type Lot } from '../house/stock';

/** A clock in another room may be a little ahead. */
const CLOCK_TOLERANCE_MS = 5 * 60_000;
/** Lines of one entry. */
const MOST_MOVEMENTS = 10_000;

/**
 * The movements that an entry makes, or why it cannot be: nothing goes below zero, nothing comes from
 * the future, nothing leaves a lot that is not there. The caller holds the material still meanwhile.
 * @returns what to add to the ledger; problems name the field
 * @see S5 for the order in which lots are used
 */
export function postEntry(entry: StockEntry, books: Books): Outcome<Posting> {
  const at = entry.at ?? books.now.toISOString();
  const instant = Date.parse(at);
  if (Number.isNaN(instant)) return no('not-a-moment', entry, 'at', 'This is not a date and time.');
  if (instant > books.now.getTime() + CLOCK_TOLERANCE_MS) {
    return no('in-the-future', entry, 'at', 'This has not happened yet: choose a time up to now.');
  }
  switch (entry.kind) {
    case 'delivery':
      return postDelivery(entry, books, at);
    case 'opening':
      return postOpening(entry, books, at);
    case 'use':
      return postUse(entry, books, at);
    case 'discard':
      return postDiscard(entry, books, at);
    case 'count':
      return postCount(entry, books, at);
    case 'total-count':
      return postTotalCount(entry, books, at);
    case 'correction':
      return postCorrection(entry, books, at);
  }
}

function postDelivery(entry: DeliveryEntry, books: Books, at: string): Outcome<Posting> {
  const { material } = books;
  const pack = material.packs.find((each) => each.id === entry.packId);
  if (!pack) {
    return no('pack-missing', entry, 'packId', `${material.name} has no such pack.`);
  }
  if (!(Number.isInteger(entry.packs) && entry.packs > 0)) {
    return no('packs-not-whole', entry, 'packs', 'At least one whole pack must have come.');
  }
  if (!isDay(entry.deliveredOn)) {
    return no('not-a-day', entry, 'deliveredOn', 'Enter the day of the delivery.');
  }
  if (entry.deliveredOn > todayOf(books)) {
    return no(
      'in-the-future',
      entry,
      'deliveredOn',
      'A delivery cannot lie in the future: enter the day on which it came.',
    );
  }
  if (entry.expiresOn !== undefined && !isDay(entry.expiresOn)) {
    return no('not-a-day', entry, 'expiresOn', 'Enter the day until which it keeps.');
  }
  if (entry.expiresOn !== undefined && entry.expiresOn < entry.deliveredOn) {
    return no(
      'expired-on-arrival',
      entry,
      'expiresOn',
      'It would have expired before it came: check both dates, and send it back if they are right.',
    );
  }
  const { content, containers } = heldPack(material, pack);
  const lot: Lot = {
    id: entry.lotId,
    materialId: material.id,
    code: entry.code,
    packId: pack.id,
    content: asKept(content),
    deliveredOn: entry.deliveredOn,
    ...(entry.expiresOn !== undefined && { expiresOn: entry.expiresOn }),
    ...(entry.paidMinor !== undefined && { paidMinor: entry.paidMinor }),
  };
  const quantity = asKept(asKept(content) * containers * entry.packs);
  if (quantity > LARGEST_QUANTITY) {
    return no(
      'too-much',
      entry,
      'packs',
      'That is more than can be kept of anything: check the packs.',
    );
  }
  return ok({ lot, movements: moves(entry, at, [{ lotId: lot.id, quantity }]) });
}

function postOpening(entry: OpeningEntry, books: Books, at: string): Outcome<Posting> {
  const { material, stock } = books;
  const today = todayOf(books);
  const lot =
    entry.lotId === undefined
      ? (stock.lots.find((each) => holdsOne(each) && !isOver(each, today)) ??
        stock.lots.find(holdsOne))
      : stock.lots.find((each) => each.id === entry.lotId);
  if (entry.lotId !== undefined && !lot) return unknownLot(entry, material);
  if (!lot || !holdsOne(lot)) {
    return no(
      'nothing-sealed',
      entry,
      'lotId',
      `There is no sealed container of ${material.name}${lot ? ' in this lot' : ''} left to open. Count what is there first.`,
    );
  }
  const early = beforeDelivery(entry, at, lot, books);
  if (early) return early;
  return ok({
    movements: moves(
      entry,
      at,
      opened(lot, containerOf(entry, 1), Math.min(lot.content, lot.sealed)),
    ),
  });
}

function postUse(entry: UseEntry, books: Books, at: string): Outcome<Posting> {
  const { material, stock } = books;
  if (!(entry.quantity > 0)) {
    return no('quantity-missing', entry, 'quantity', 'Enter how much was used, more than 0.');
  }
  if (entry.lotId !== undefined) {
    return takeFrom(entry, entry.lotId, entry.containerId, entry.quantity, books, at);
  }
  const { open, onHand } = shelfState(material, stock, books);
  if (onHand < entry.quantity) return short(entry, material, onHand);
  const drafts: Draft[] = [];
  let left = asKept(entry.quantity);
  const take = (lotId: LotId, containerId: ContainerId | undefined, most: number): void => {
    const quantity = Math.min(left, most);
    if (quantity <= 0) return;
    drafts.push({ lotId, ...(containerId && { containerId }), quantity: -quantity });
    left = asKept(left - quantity);
  };
  /* What is still good goes first; what is over only when nothing else is left, since it was used. */
  const good = open.filter(({ daysLeft }) => daysLeft === undefined || daysLeft >= 0);
  for (const { lot, containerId, remaining } of good) take(lot.id, containerId, remaining);
  const today = todayOf(books);
  const sealedInOrder = [
    ...stock.lots.filter((lot) => !isOver(lot, today)),
    ...stock.lots.filter((lot) => isOver(lot, today)),
  ];
  let number = 0;
  for (const lot of sealedInOrder) {
    if (openLifeOf(material) === undefined) {
      take(lot.id, undefined, lot.sealed);
      continue;
    }
    for (
      let rest = lot.sealed;
      rest > 0 && left > 0 && drafts.length <= MOST_MOVEMENTS;
      rest = asKept(rest - lot.content)
    ) {
      const content = Math.min(lot.content, rest);
      number += 1;
      const container = containerOf(entry, number);
      drafts.push(...opened(lot, container, content));
      take(lot.id, container, content);
    }
  }
  for (const { lot, containerId, remaining } of open.filter((each) => !good.includes(each))) {
    take(lot.id, containerId, remaining);
  }
  if (drafts.length > MOST_MOVEMENTS) {
    return no(
      'too-many-openings',
      entry,
      'quantity',
      `That would open ${number} containers at once: enter it in parts.`,
    );
  }
  return ok({ movements: moves(entry, at, drafts) });
}

function postDiscard(entry: DiscardEntry, books: Books, at: string): Outcome<Posting> {
  if (!(entry.quantity > 0)) {
    return no('quantity-missing', entry, 'quantity', 'Enter how much is thrown away, more than 0.');
  }
  if (entry.reason === 'other' && (entry.note ?? '').trim() === '') {
    return no('reason-missing', entry, 'note', 'Say in a word why it is thrown away.');
  }
  return takeFrom(entry, entry.lotId, entry.containerId, entry.quantity, books, at);
}

function takeFrom(
  entry: UseEntry | DiscardEntry,
  lotId: LotId,
  containerId: ContainerId | undefined,
  quantity: number,
  books: Books,
  at: string,
): Outcome<Posting> {
  const { material, stock } = books;
  const lot = stock.lots.find((each) => each.id === lotId);
  if (!lot) return unknownLot(entry, material);
  const early = beforeDelivery(entry, at, lot, books);
  if (early) return early;
  const held = heldIn(lot, containerId);
  if (held === undefined) return unknownContainer(entry, material);
  if (held < quantity) return short(entry, material, held);
  return ok({
    movements: moves(entry, at, [
      {
        lotId,
        ...(containerId && { containerId }),
        quantity: -asKept(quantity),
        ...(entry.kind === 'discard' && { reason: entry.reason }),
      },
    ]),
  });
}
