import type { LogbookVisit } from '../house/logbook';
import { isWithinSlot, usedBeside, lateMinutes } from '../logbook/cameOut';
import { tappedThrough } from '../logbook/tappedThrough';
import { meanOf, quantileOf } from './towards';
import { seenShare, type SeenShare } from './wilson';

/** How well the figures of a house foresee its visits. */
export interface Foresight {
  readonly visits: number;
  /** ended within their slot, beside what was promised on average */
  readonly inSlot: SeenShare;
  readonly promised: number;
  /** used of each material what it was to use, from low to high; of those in which an amount was told */
  readonly withinAmounts: SeenShare;
  /** cost what they were to cost, from low to high; of those whose cost is known */
  readonly withinCost: SeenShare;
  /** visits by where in its forecast each fell, from the shortest tenth to the longest */
  readonly tenths: readonly number[];
  /** whether the tenths are as even as chance makes them */
  readonly isFlat: boolean;
  /** minutes after the book had them, of those that the book had; nothing without one */
  readonly late?: {
    readonly of: number;
    readonly mean: number;
    /** nine in ten were late by less */
    readonly mostly: number;
    readonly moreThanFive: SeenShare;
  };
}

const TENTHS = 10;
/** Chi-squared of nine degrees of freedom is above this by chance in one of a hundred. */
const UNEVEN = 21.666;
const LATE_MINUTES = 5;
const MOSTLY = 0.9;
/** An amount that is said without a range has this much of one, as a share: nobody pours to the drop. */
const POURED = 0.1;

/**
 * How well figures foresaw: of the last visits, how many ended in their slot, used and cost what they were to, and
 * where in its forecast each fell.
 * @param visits the last that are looked at, in any order; those that were stopped or tapped through are left out
 * @see L3 R2
 */
export function foresightOf(visits: readonly LogbookVisit[]): Foresight {
  const whole = visits.filter(
    (visit) => visit.entry.stopped === undefined && !tappedThrough(visit).isAll,
  );
  const tenths = Array.from({ length: TENTHS }, () => 0);
  for (const { entry } of whole) {
    const at = Math.min(TENTHS - 1, Math.max(0, Math.floor(entry.fell * TENTHS)));
    tenths[at] = (tenths[at] ?? 0) + 1;
  }
  const told = whole.filter(({ entry }) => entry.told.length > 0);
  const costed = whole.filter(({ entry }) => entry.cost !== undefined);
  const hits = (all: readonly LogbookVisit[], is: (visit: LogbookVisit) => boolean): SeenShare =>
    seenShare(all.filter(is).length, all.length);
  const late = whole.flatMap(({ entry }) => lateMinutes(entry) ?? []).toSorted((a, b) => a - b);
  return {
    visits: whole.length,
    inSlot: hits(whole, isWithinSlot),
    promised: meanOf(whole.map(({ plan }) => plan.promised)),
    withinAmounts: hits(told, isWithinAmounts),
    withinCost: hits(costed, ({ entry: { cost } }) =>
      cost ? cost.came >= cost.expected.low && cost.came <= cost.expected.high : false,
    ),
    tenths,
    isFlat: unevenness(tenths) <= UNEVEN,
    ...(late.length > 0 && {
      late: {
        of: late.length,
        mean: meanOf(late),
        mostly: quantileOf(late, MOSTLY),
        moreThanFive: seenShare(late.filter((each) => each > LATE_MINUTES).length, late.length),
      },
    }),
  };
}

function isWithinAmounts(visit: LogbookVisit): boolean {
  return usedBeside(visit).every(
    ({ quantity, low, usual, high, isTold }) =>
      !isTold ||
      (quantity >= Math.min(low, usual * (1 - POURED)) &&
        quantity <= Math.max(high, usual * (1 + POURED))),
  );
}

/** How far counts are from being all the same: chi-squared. */
function unevenness(counts: readonly number[]): number {
  const all = counts.reduce((sum, each) => sum + each, 0);
  if (all === 0) return 0;
  const even = all / counts.length;
  return counts.reduce((sum, each) => sum + (each - even) ** 2 / even, 0);
}
