import { leavesOf, type LeafZone, type ZoneId } from './zones';

/** Where a step is really worked, in the finest zones: each once, without those where it never is. */
export function workedLeaves({
  zones,
  never = [],
}: {
  readonly zones: readonly ZoneId[];
  readonly never?: readonly ZoneId[];
}): readonly LeafZone[] {
  const gone = new Set(never.flatMap(leavesOf));
  return [...new Set(zones.flatMap(leavesOf))].filter((leaf) => !gone.has(leaf));
}
