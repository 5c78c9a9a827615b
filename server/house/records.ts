import { Op, type WhereOptions } from 'sequelize';
import type { RecordName } from '@bienestar/contract/api';
import { daysAfter, todayOf, type HouseClock } from '@bienestar/core/days/days';
import type { UnitOfWork } from '../work/unitOfWork';

/** Days back that figures look at the book, at visits and at sold courses; more where the house says so. */
export const LOOKS_BACK_DAYS = 200;

/** What of a kind of record has ended, and what goes on: by the columns that it is kept with. */
interface RecordWindow {
  readonly ended: WhereOptions;
  readonly open: WhereOptions;
}

const BY_STATE: RecordWindow = { ended: { isOpen: false }, open: { isOpen: true } };

/**
 * The windows by which records are read. A sold course may promise something as long as any course of the
 * house is valid.
 */
export async function recordWindow(
  name: RecordName,
  { house, ...clock }: Pick<UnitOfWork, 'house' | keyof HouseClock>,
): Promise<RecordWindow> {
  if (name === 'orders' || name === 'counts') return BY_STATE;
  if (name === 'placed') return began(daysAfter(todayOf(clock), -LOOKS_BACK_DAYS));
  const valid = (await house.offers.all()).map((offer) =>
    offer.kind === 'course' ? offer.validDays : 0,
  );
  const since = daysAfter(todayOf(clock), -Math.max(LOOKS_BACK_DAYS, ...valid));
  return began(since);
}

/** Of what has a day, what lies before it and the rest. */
function began(since: string): RecordWindow {
  return { ended: { beganOn: { [Op.lt]: since } }, open: { beganOn: { [Op.gte]: since } } };
}
