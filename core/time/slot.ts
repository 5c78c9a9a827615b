import { quantileMinutes, type Distribution } from './distribution';

/** Minutes that pass the grid by less than this do not take another step of it. */
const SAME = 1e-9;

/**
 * A time rounded up to the house's grid: the slot from the room time, the minutes told to the guest
 * from the visit time.
 * @param quantile the share of visits that must fit, house setting (0.9)
 * @param gridMinutes house setting (5), above 0
 * @see T5
 */
export function slotMinutes(time: Distribution, quantile: number, gridMinutes: number): number {
  return upToGrid(quantileMinutes(time, quantile), gridMinutes);
}

/** The next minute of the grid at or after `minutes`. */
export function upToGrid(minutes: number, gridMinutes: number): number {
  return Math.ceil(minutes / gridMinutes - SAME) * gridMinutes;
}
