import { notBelowNothing, type Distribution } from './distribution';

/**
 * What of a time does not fit into `free` minutes: nothing as often as it fits, the rest of it otherwise.
 * @see T2 P8
 */
export function overrun(time: Distribution, free: number): Distribution {
  const less = Math.max(0, free);
  const over = notBelowNothing({ ...time, shift: time.shift - less, mean: time.mean - less });
  /* The grid is coarse: what does not fit is not more than all of it, nor less than what is surely over. */
  return { ...over, mean: Math.min(time.mean, Math.max(over.mean, time.mean - less, 0)) };
}
