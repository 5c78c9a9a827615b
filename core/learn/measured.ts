import type { LogbookVisit } from '../house/logbook';
import type { TreatmentId } from '../house/ids';
import { byPerson, type Difference, type Point } from './cause';
import type { LessonCause, LessonPoint, Measured } from './lesson';

/** A picture shows so many of the newest values. */
const MOST_POINTS = 200;

/** A difference with the visits that it is told by. */
export function measuredOf(
  { cause, points: own, mean, low, high, errors, firstOutside }: Difference,
  all: readonly Point[],
  visits: readonly LogbookVisit[],
): Measured {
  const counted = new Set(own);
  const idOf = (visit: number): TreatmentId | undefined => visits[visit]?.entry.id;
  const points = all.slice(-MOST_POINTS).flatMap((point): LessonPoint[] => {
    const entry = visits[point.visit]?.entry;
    if (!entry) return [];
    const { value, by } = point;
    const counts = counted.has(point);
    return [{ visit: entry.id, at: entry.at, value, ...(by && { by }), counts }];
  });
  const outside = firstOutside === undefined ? undefined : idOf(firstOutside);
  return {
    cause: causeIn(cause, visits),
    n: own.length,
    mean,
    low,
    high,
    errors,
    ...(outside && { firstOutside: outside }),
    points,
    people: byPerson(all),
  };
}

function causeIn(cause: Difference['cause'], visits: readonly LogbookVisit[]): LessonCause {
  if (cause.is !== 'since') return cause;
  const entry = visits[cause.visit]?.entry;
  return entry ? { is: 'since', visit: entry.id, at: entry.at } : { is: 'everybody' };
}
