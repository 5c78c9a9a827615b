import type { BoughtMaterial } from '../house/house';
import type { ContainerId } from '../house/ids';
import { daysOf, openLifeOf } from '../house/packs';
import { daysBetween, endOfDay, hoursBetween, todayOf, type HouseClock } from '../days/days';
import { lotOnHand, sumExactly, type LotOnHand, type MaterialStock } from '../house/stock';

/** Days before its date from which something counts as expiring soon. */
export const SOON_DAYS = 14;

/** An open container and how long it is good. */
export interface OpenState {
  readonly lot: LotOnHand;
  readonly containerId: ContainerId;
  readonly openedAt: string;
  readonly remaining: number;
  /** nothing when neither the lot nor the opening sets an end */
  readonly goodUntil?: Date;
  /** below 0 once it is over; with decimals, since fresh goods keep for hours */
  readonly daysLeft?: number;
}

/** A lot and how long it is good, closed. */
export interface LotState {
  readonly lot: LotOnHand;
  readonly sealed: number;
  /** sealed containers; not whole where something was taken without opening one */
  readonly containers: number;
  /** below 0 once it is over */
  readonly daysLeft?: number;
}

/** What is left of a material, as one wants to know it at the shelf. */
export interface ShelfState {
  readonly onHand: number;
  /** without what is past its date or its open life */
  readonly usable: number;
  readonly sealedContainers: number;
  readonly lots: readonly LotState[];
  /** the one to use first in front */
  readonly open: readonly OpenState[];
  /** good now, and over within so many days, in the material's unit */
  readonly expiringSoon: number;
  /** past its date or open too long */
  readonly over: number;
  /** days until the first of what is still good is over */
  readonly firstEndsInDays?: number;
}

/**
 * What is sealed, open with days left, expiring soon and over. An open container is good for its open
 * life (PAO) from its opening, and no longer than its lot.
 * @see C2 S5
 */
export function shelfState(
  material: BoughtMaterial,
  { lots }: Pick<MaterialStock, 'lots'>,
  clock: HouseClock,
  soonDays = SOON_DAYS,
): ShelfState {
  const { now, timeZone } = clock;
  const today = todayOf(clock);
  const lotStates = lots.map((lot): LotState => ({
    lot,
    sealed: lot.sealed,
    containers: lot.sealed / lot.content,
    ...(lot.expiresOn !== undefined && { daysLeft: daysBetween(today, lot.expiresOn) }),
  }));
  const open = lots
    .flatMap((lot) =>
      lot.open.map(({ id, openedAt, remaining }): OpenState => {
        const goodUntil = goodUntilOf(material, lot, openedAt, timeZone);
        return {
          lot,
          containerId: id,
          openedAt,
          remaining,
          ...(goodUntil && { goodUntil, daysLeft: hoursBetween(now, goodUntil) / 24 }),
        };
      }),
    )
    .sort((a, b) => endOf(a) - endOf(b) || (a.openedAt < b.openedAt ? -1 : 1));
  const parts = [
    ...lotStates.map(({ sealed, daysLeft }) => ({ quantity: sealed, daysLeft })),
    ...open.map(({ remaining, daysLeft }) => ({ quantity: remaining, daysLeft })),
  ];
  const sumWhere = (is: (daysLeft: number) => boolean): number =>
    sumExactly(
      parts.flatMap(({ quantity, daysLeft }) =>
        daysLeft !== undefined && is(daysLeft) ? [quantity] : [],
      ),
    );
  const onHand = sumExactly(lots.map(lotOnHand));
  const over = sumWhere((left) => left < 0);
  const ends = parts.flatMap(({ quantity, daysLeft }) =>
    daysLeft !== undefined && daysLeft >= 0 && quantity > 0 ? [daysLeft] : [],
  );
  return {
    onHand,
    usable: sumExactly([onHand, -over]),
    sealedContainers: lotStates.reduce((sum, { containers }) => sum + containers, 0),
    lots: lotStates,
    open,
    expiringSoon: sumWhere((left) => left >= 0 && left <= soonDays),
    over,
    ...(ends.length > 0 && { firstEndsInDays: Math.min(...ends) }),
  };
}

/** The last moment at which an open container is good, by clocks of a time zone, if anything sets one. */
export function goodUntilOf(
  material: BoughtMaterial,
  lot: Pick<LotOnHand, 'expiresOn'>,
  openedAt: string,
  timeZone: string,
): Date | undefined {
  const life = openLifeOf(material);
  const byOpening = life && new Date(Date.parse(openedAt) + daysOf(life) * 86_400_000);
  const byLot = lot.expiresOn === undefined ? undefined : endOfDay(lot.expiresOn, timeZone);
  if (byOpening && byLot) return byOpening < byLot ? byOpening : byLot;
  return byOpening ?? byLot;
}

function endOf({ goodUntil }: OpenState): number {
  return goodUntil?.getTime() ?? Number.MAX_SAFE_INTEGER;
}
