import type { BoughtMaterial } from '../house/house';
import { asId, type ContainerId } from '../house/ids';
import { fail, type CodeAbout, type Outcome } from '../problem/problem';
import { dayOf, type HouseClock } from '../days/days';
import { toSecond } from '../days/instants';
import type { StockEntry } from './entries';
import {
  asKept,
  type Lot,
  type LotOnHand,
  type MaterialStock,
  type Movement,
} from '../house/stock';

/** What an entry adds to the ledger. */
export interface Posting {
  /** a lot that comes with the entry */
  readonly lot?: Lot;
  readonly movements: readonly Movement[];
}

/** What an entry is posted against. */
export interface Books extends HouseClock {
  readonly material: BoughtMaterial;
  readonly stock: MaterialStock;
  /** of a count: what was there when it was looked at; as it is now unless given */
  readonly then?: MaterialStock;
  /** of a correction: the movements of the entry that it takes back */
  readonly corrected?: readonly Movement[];
  /** of a correction: the entry is already taken back */
  readonly alreadyCorrected?: boolean;
}

/** A movement before its entry gives it an id and a moment. */
export type Draft = Pick<Movement, 'lotId' | 'containerId' | 'quantity'> &
  Partial<Pick<Movement, 'kind' | 'reason' | 'corrects'>>;

/** The two sides of opening: out of what is sealed, into the container. */
export function opened(lot: LotOnHand, containerId: ContainerId, content = lot.content): Draft[] {
  return [
    { kind: 'opening', lotId: lot.id, quantity: -content },
    { kind: 'opening', lotId: lot.id, containerId, quantity: content },
  ];
}

/** The movements of an entry, numbered, at one moment to the second. */
export function moves(entry: StockEntry, at: string, drafts: readonly Draft[]): Movement[] {
  const kind = entry.kind === 'total-count' ? 'count' : entry.kind;
  const second = toSecond(at);
  return drafts.map((draft, line) => ({
    entryId: entry.id,
    line,
    kind,
    at: second,
    materialId: entry.materialId,
    ...draft,
    ...(entry.note !== undefined && entry.note !== '' && { note: entry.note }),
  }));
}

/** The id of the n-th container that an entry opens. */
export function containerOf(entry: StockEntry, number: number): ContainerId {
  return asId(`${entry.id}-${number}`);
}

/** What a container holds, or what is sealed; nothing for a container that is not open. */
export function heldIn(lot: LotOnHand, containerId: ContainerId | undefined): number | undefined {
  if (containerId === undefined) return lot.sealed;
  return lot.open.find((container) => container.id === containerId)?.remaining;
}

/** True when something is left to be opened: a whole container, or one that was started before it was entered. */
export function holdsOne(lot: LotOnHand): boolean {
  return lot.sealed > 0;
}

/** True when a lot is past its date. */
export function isOver(lot: Lot, today: string): boolean {
  return lot.expiresOn !== undefined && lot.expiresOn < today;
}

/** Refuses what would have happened before the lot came. */
export function beforeDelivery(
  entry: StockEntry,
  at: string,
  lot: Lot,
  { timeZone }: HouseClock,
): Outcome<never> | undefined {
  return dayOf(new Date(at), timeZone) < lot.deliveredOn
    ? no(
        'before-delivery',
        entry,
        'at',
        `The lot came on ${lot.deliveredOn}: this cannot be before.`,
      )
    : undefined;
}

/** Refuses to take more than there is. */
export function short(
  entry: StockEntry,
  { name, unit }: BoughtMaterial,
  held: number,
): Outcome<never> {
  return no(
    'stock-short',
    entry,
    'quantity',
    `Only ${asKept(held)} ${unit === 'piece' ? 'pieces' : unit} of ${name} are there: count the shelf if there is more.`,
  );
}

/** Refuses a lot that holds nothing. */
export function unknownLot(entry: StockEntry, { name }: BoughtMaterial): Outcome<never> {
  return no(
    'lot-unknown',
    entry,
    'lotId',
    `This lot of ${name} is used up or was never delivered.`,
  );
}

/** Refuses a container that is not open. */
export function unknownContainer(entry: StockEntry, { name }: BoughtMaterial): Outcome<never> {
  return no(
    'container-unknown',
    entry,
    'containerId',
    `This container of ${name} is empty or not open.`,
  );
}

/** Refuses an entry at one of its fields. */
export function no(
  code: CodeAbout<'materialId' | 'field'>,
  entry: StockEntry,
  field: string,
  message: string,
): Outcome<never> {
  return fail(code, message, { materialId: entry.materialId, field });
}
