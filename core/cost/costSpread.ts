import { exactly, scaleTriple, sumTriples, type Triple } from '../quantity/triple';
import { meanMinutes, quantileMinutes } from '../time/distribution';
import type { Schedule } from '../time/schedule';
import type { TherapistCharge } from '../house/settings';
import { MATERIAL_COST_PARTS, type ServiceCost } from './serviceCost';

/** Nine visits in ten are longer than the short one, and one in ten is longer than the long one. */
const SHORT = 0.1;
const LONG = 0.9;

/** What a visit costs when little goes and it is short, usually, and when much goes and it is long. */
export interface CostSpread {
  /** from the shelf, by the spread of the amounts; and devices */
  readonly things: Triple;
  /** by the length of the visit; the same throughout where the whole slot is charged */
  readonly hands: Triple;
  /** the slot is kept, however long the visit takes */
  readonly room: Triple;
  readonly full: Triple;
  readonly minutes: Triple;
}

/**
 * Low, usual and high cost of a visit: low and high amounts together with a visit as short or as long as one
 * in ten. Hands are charged for the share of the usual time that the visit takes.
 * @see C3 C4 C7 T5
 */
export function costSpread(
  cost: ServiceCost,
  { roomTime }: Pick<Schedule, 'roomTime'>,
  charge: TherapistCharge,
): CostSpread {
  const mean = meanMinutes(roomTime);
  const minutes: Triple = {
    low: quantileMinutes(roomTime, SHORT),
    usual: mean,
    high: quantileMinutes(roomTime, LONG),
  };
  const things = sumTriples([...MATERIAL_COST_PARTS.map((part) => cost[part]), cost.devices]);
  const hands =
    charge === 'slot' || mean === 0
      ? exactly(cost.therapist.usual)
      : scaleTriple(minutes, cost.therapist.usual / mean);
  const room = exactly(cost.room.usual);
  return { things, hands, room, full: sumTriples([things, hands, room]), minutes };
}
