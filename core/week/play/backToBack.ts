import {
  chanceBeyond,
  inSequence,
  meanMinutes,
  mixed,
  NO_TIME,
  notBelowNothing,
  pointAt,
  trimmed,
  type Distribution,
} from '../../time/distribution';

/** How late a visit of a row begins. Minutes. */
export interface Late {
  readonly mean: number;
  /** the chance that it begins later than so many minutes */
  readonly chanceLate: number;
}

/** Visits of one room, one after the other without a gap. */
export interface BackToBack {
  /** of each visit, the first is on time */
  readonly late: readonly Late[];
  /** the chance that the last leaves its room later than its slot ends */
  readonly chanceAfterEnd: number;
}

/**
 * How late visits begin that follow one another in a room: the next is late by what the one before was late and took
 * longer than its slot, and never early (Lindley, 1952). Exact on the grid; each visit goes at a pace of its own.
 * @param visits room time and slot of each, in order
 * @param lateMinutes so many minutes count as late
 * @see W3
 */
export function backToBack(
  visits: readonly { readonly roomTime: Distribution; readonly slotMinutes: number }[],
  lateMinutes: number,
): BackToBack {
  let late: Distribution = NO_TIME;
  let over: Distribution = NO_TIME;
  const begins: Late[] = [];
  const times = new Map<Distribution, Distribution>();
  for (const { roomTime, slotMinutes } of visits) {
    begins.push({ mean: meanMinutes(late), chanceLate: chanceBeyond(late, lateMinutes) });
    const time = times.get(roomTime) ?? trimmed(mixed(roomTime));
    times.set(roomTime, time);
    over = inSequence(inSequence(late, time), pointAt(-slotMinutes));
    late = trimmed(notBelowNothing(over));
  }
  return { late: begins, chanceAfterEnd: visits.length === 0 ? 0 : chanceBeyond(over, 0) };
}
