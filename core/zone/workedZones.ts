import { leavesOf, type ZoneId } from './zones';

/** Where a step is really worked: its zones without those where it never is. */
export function workedZones({
  zones,
  never = [],
}: {
  readonly zones: readonly ZoneId[];
  readonly never?: readonly ZoneId[];
}): readonly ZoneId[] {
  if (never.length === 0) return zones;
  const left = new Set<ZoneId>(never.flatMap(leavesOf));
  return zones.flatMap((zone): readonly ZoneId[] => {
    const leaves = leavesOf(zone);
    return leaves.some((leaf) => left.has(leaf))
      ? leaves.filter((leaf) => !left.has(leaf))
      : [zone];
  });
}
