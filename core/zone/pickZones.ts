import { leavesOf, REGIONS, type LeafZone, type ZoneId } from './zones';

/** Whether a zone without parts lies in what is chosen. */
export function isChosen(zones: readonly ZoneId[], leaf: LeafZone): boolean {
  return zones.some((zone) => leavesOf(zone).includes(leaf));
}

/**
 * Chooses or leaves out a zone, with all its parts. What is chosen stays in the order in which it was
 * chosen; the parts of a region become the region when all of them are chosen, and a region its parts
 * when one is left out.
 */
export function toggleZone(zones: readonly ZoneId[], zone: ZoneId): ZoneId[] {
  const leaves = leavesOf(zone);
  if (leaves.every((leaf) => isChosen(zones, leaf))) {
    return zones.flatMap((each): readonly ZoneId[] => {
      const of = leavesOf(each);
      return of.some((leaf) => leaves.includes(leaf))
        ? of.filter((leaf) => !leaves.includes(leaf))
        : [each];
    });
  }
  const kept = zones.filter((each) => !leavesOf(each).some((leaf) => leaves.includes(leaf)));
  return joined([...kept, zone]);
}

/** Puts a set of zones in, or leaves all of it out where all is chosen. */
export function toggleZones(zones: readonly ZoneId[], set: readonly ZoneId[]): ZoneId[] {
  const all = set.every((zone) => leavesOf(zone).every((leaf) => isChosen(zones, leaf)));
  return set
    .filter((zone) => all || !leavesOf(zone).every((leaf) => isChosen(zones, leaf)))
    .reduce<ZoneId[]>((so, zone) => toggleZone(so, zone), [...zones]);
}

/** Regions in the place of the first of their parts, where all parts are named. */
function joined(zones: readonly ZoneId[]): ZoneId[] {
  return REGIONS.reduce<ZoneId[]>(
    (so, region) => {
      const parts: readonly ZoneId[] = leavesOf(region);
      if (!parts.every((part) => so.includes(part))) return so;
      const first = so.findIndex((zone) => parts.includes(zone));
      return so.flatMap((zone, at) =>
        at === first ? [region] : parts.includes(zone) ? [] : [zone],
      );
    },
    [...zones],
  );
}
