import { without } from './pickZones';
import { leavesOf, type ZoneId } from './zones';

/** Where a step is really worked: its zones without those where it never is. */
export function workedZones({
  zones,
  never = [],
}: {
  readonly zones: readonly ZoneId[];
  readonly never?: readonly ZoneId[];
}): readonly ZoneId[] {
  return never.length === 0 ? zones : without(zones, never.flatMap(leavesOf));
}
