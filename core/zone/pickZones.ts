import { leavesOf, type LeafZone, type ZoneId } from './zones';
import { REGIONS } from './zoneOrder';

/** Whether a zone without parts lies in what is chosen. */
export function isChosen(zones: readonly ZoneId[], leaf: LeafZone): boolean {
  return zones.some((zone) => leavesOf(zone).includes(leaf));
}

/** How much of a zone lies in what is chosen. */
export function chosenOf(zones: readonly ZoneId[], zone: ZoneId): 'all' | 'part' | 'none' {
  const chosen = new Set(zones.flatMap(leavesOf));
  const leaves = leavesOf(zone);
  const count = leaves.filter((leaf) => chosen.has(leaf)).length;
  return count === 0 ? 'none' : count === leaves.length ? 'all' : 'part';
}

/**
 * Chooses or leaves out a zone, with all its parts. What is chosen stays in the order in which it was
 * chosen; parts that follow one another as they do in a zone become that zone, and a zone its other parts when one
 * is left out.
 */
export function toggleZone(zones: readonly ZoneId[], zone: ZoneId): ZoneId[] {
  const isAll = chosenOf(zones, zone) === 'all';
  const kept = without(zones, leavesOf(zone));
  return inWholes(isAll ? kept : [...kept, zone]);
}

/** Puts a set of zones in, or leaves all of it out where all is chosen. */
export function toggleZones(zones: readonly ZoneId[], set: readonly ZoneId[]): ZoneId[] {
  const all = set.every((zone) => chosenOf(zones, zone) === 'all');
  return set
    .filter((zone) => all || chosenOf(zones, zone) !== 'all')
    .reduce<ZoneId[]>((so, zone) => toggleZone(so, zone), [...zones]);
}

/** Zones without some of their parts; a zone that loses none stays as it is. */
export function without(zones: readonly ZoneId[], leaves: readonly LeafZone[]): ZoneId[] {
  const gone = new Set(leaves);
  return zones.flatMap((zone): readonly ZoneId[] => {
    const own = leavesOf(zone);
    if (!own.some((leaf) => gone.has(leaf))) return [zone];
    return inWholes(own.filter((leaf) => !gone.has(leaf)));
  });
}

/**
 * The same skin in the same order, in the largest zones: left before right, as the body is told, is no order of its
 * own, and right before left is.
 */
export function inWholes(zones: readonly ZoneId[]): ZoneId[] {
  const leaves = zones.flatMap(leavesOf);
  /* From the end: the fewest wholes that the rest can be put together into, of as few the largest first. */
  const fewest: { readonly count: number; readonly next: ZoneId }[] = [];
  for (let at = leaves.length - 1; at >= 0; at -= 1) {
    const first = leaves[at];
    if (first === undefined) continue;
    const begun = [...(BEGUN_BY.get(first) ?? []), first];
    for (const next of begun) {
      const of = leavesOf(next);
      if (!of.every((leaf, nth) => leaves[at + nth] === leaf)) continue;
      const count = 1 + (fewest[at + of.length]?.count ?? 0);
      if (count < (fewest[at]?.count ?? Infinity)) fewest[at] = { count, next };
    }
  }
  const found: ZoneId[] = [];
  for (let at = 0; at < leaves.length;) {
    const next = fewest[at]?.next;
    if (next === undefined) break;
    found.push(next);
    at += leavesOf(next).length;
  }
  return found;
}

/** The regions that begin with each finest part, the largest first. */
const BEGUN_BY: ReadonlyMap<ZoneId, readonly ZoneId[]> = new Map(
  REGIONS.flatMap((region) => leavesOf(region).slice(0, 1)).map((first) => [
    first,
    REGIONS.filter((region) => leavesOf(region)[0] === first),
  ]),
);
