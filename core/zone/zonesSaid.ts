import { leavesOf, type ZoneId } from './zones';
import { zoneName } from './zoneNames';
import type { ZoneSet } from './zoneSets';

/**
 * Zones by their names, in their order; those that follow one another as in a place of the house by its name.
 * @param own places that go by a name of the house
 * @example zonesSaid(['nose', 'chin'], [{ name: 'centre', zones: ['nose', 'chin'] }]) // ['centre']
 */
export function zonesSaid(zones: readonly ZoneId[], own: readonly ZoneSet[] = []): string[] {
  const found: string[] = [];
  for (let at = 0; at < zones.length;) {
    const rest = zones.slice(at);
    const place = own
      .flatMap((each) => {
        const taken = takenBy(each, rest);
        return taken === undefined ? [] : [{ name: each.name, taken }];
      })
      .sort((a, b) => b.taken - a.taken)[0];
    const [zone] = rest;
    if (zone === undefined) break;
    found.push(place?.name ?? zoneName(zone));
    at += place?.taken ?? 1;
  }
  return found;
}

/** How many of the first zones are a place, however they are put together; nothing where they are not. */
function takenBy({ zones }: ZoneSet, from: readonly ZoneId[]): number | undefined {
  const wanted = zones.flatMap(leavesOf);
  const leaves: ZoneId[] = [];
  for (const [at, zone] of from.entries()) {
    leaves.push(...leavesOf(zone));
    if (leaves.length >= wanted.length) {
      const is =
        leaves.length === wanted.length && leaves.every((leaf, nth) => leaf === wanted[nth]);
      return is ? at + 1 : undefined;
    }
  }
  return undefined;
}
