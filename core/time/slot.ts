import { CELLS_PER_MINUTE, quantileCell, type Distribution } from './distribution';

/**
 * A time rounded up to the house's grid: the slot from the room time, the minutes told to the guest
 * from the visit time.
 * @param quantile the share of visits that must fit, house setting (0.9)
 * @param gridMinutes house setting (5)
 * @see T5
 */
export function slotMinutes(time: Distribution, quantile: number, gridMinutes: number): number {
  const gridCells = Math.max(1, Math.round(gridMinutes * CELLS_PER_MINUTE));
  return (Math.ceil(quantileCell(time, quantile) / gridCells) * gridCells) / CELLS_PER_MINUTE;
}
