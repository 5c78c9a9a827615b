import type { Minutes } from '../house/protocol';

/**
 * Minutes made longer or shorter by hand: least, usual and most move alike, and none goes below 0.
 * @param by minutes, below 0 for shorter
 */
export function stretchedMinutes({ least, usual, most }: Minutes, by: number): Minutes {
  const moved = (minutes: number): number => Math.max(0, Math.round((minutes + by) * 10) / 10);
  return { least: moved(least), usual: moved(usual), most: moved(most) };
}
