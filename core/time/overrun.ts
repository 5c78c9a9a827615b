import { CELLS_PER_MINUTE, type Distribution } from './distribution';

/**
 * What of a time does not fit into `free` minutes: nothing as often as it fits, the rest of it otherwise.
 * @see T2 P8
 */
export function overrun({ first, chances }: Distribution, free: number): Distribution {
  const from = first - Math.round(Math.max(0, free) * CELLS_PER_MINUTE);
  if (from >= 0) return { first: from, chances };
  const fitting = Math.min(-from, chances.length - 1);
  const over = Float64Array.from(chances.subarray(fitting));
  for (let at = 0; at < fitting; at += 1) over[0] = (over[0] ?? 0) + (chances[at] ?? 0);
  return { first: 0, chances: over };
}
