import { toSecond } from '@bienestar/core/days/instants';

/**
 * A moment as the database keeps it, in UTC to the second. In a statement of our own a `Date` would be
 * written by the clock of the machine.
 */
export function keptMoment(at: Date | string): string {
  return toSecond(at).replace('T', ' ').replace('Z', '');
}
