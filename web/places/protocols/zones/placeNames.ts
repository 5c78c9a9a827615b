import { PLACE_NAME, ZONE_SETS, type ZoneSet } from '@bienestar/core/zone/zoneSets';
import { ZONE_IDS } from '@bienestar/core/zone/zoneOrder';
import { zoneName } from '@bienestar/core/zone/zoneNames';

/** Why a place of the house cannot be called so; nothing where it can. */
export function clashOfPlace(name: string, others: readonly ZoneSet[]): string | undefined {
  if (name !== '' && !PLACE_NAME.test(name))
    return 'A place is called by letters, figures, spaces and hyphens.';
  const wanted = name.trim().toLocaleLowerCase();
  const taken = [...ZONE_IDS.map(zoneName), ...ZONE_SETS.map((set) => set.name)];
  const own = others.map((each) => each.name.toLocaleLowerCase());
  return taken.includes(wanted) || own.includes(wanted)
    ? 'A place is called that already.'
    : undefined;
}
