import type { House, RoomKind } from '@bienestar/core/house/house';
import type { Capacity } from '@bienestar/core/week/capacity';
import type { PoolLoad } from '@bienestar/core/week/poolLoad';
import type { VisitSource } from '@bienestar/core/week/weekVisits';
import { localeNow } from '../../format/locale';
import { number, weekdayName } from '../../format/figures';

export const SOURCE_WORDS: Record<VisitSource, string> = {
  plan: 'as planned',
  book: 'in the book',
  courses: 'of courses sold',
  log: 'as lately',
};

export const ROOM_KIND_WORDS: Record<RoomKind, string> = { dry: 'dry room', wet: 'wet room' };

/** The names of a pool, as one reads them. */
export function poolName({ pool, names }: PoolLoad, { people }: Pick<House, 'people'>): string {
  if (pool.kind === 'room') return `Rooms, ${pool.roomKind}`;
  if (pool.kind === 'hot-towels') return 'Hot towels';
  if (pool.kind !== 'hands') return names.join(', ');
  return pool.personIds.length === people.filter(({ hours: has }) => has).length
    ? 'All hands'
    : listed(names);
}

/** What a pool is made of, under its name. */
export function poolNote({ pool, names }: PoolLoad, { people }: Pick<House, 'people'>): string {
  const rostered = people.filter(({ hours: has }) => has).length;
  switch (pool.kind) {
    case 'room':
      return names.join(', ');
    case 'hands':
      return names.length === rostered ? 'on the roster' : 'what only they may do';
    case 'person':
      return people.find(({ id }) => id === pool.personId)?.role ?? '';
    case 'device':
      return 'device';
    case 'hot-towels':
      return names.join(', ');
    case 'linen':
      return 'pieces, and back from the laundry';
  }
}

/** What is counted of a pool. */
export function poolUnit({ pool }: Pick<PoolLoad, 'pool'>): 'min' | 'pieces' {
  return pool.kind === 'linen' || pool.kind === 'hot-towels' ? 'pieces' : 'min';
}

/** What a limit of the mix is called. */
export function capacityName({ resource, name }: Capacity): string {
  return resource.kind === 'room' ? `${ROOM_KIND_WORDS[resource.roomKind]} (${name})` : name;
}

/** Names in a row: Ione, Mateo and Nerea. */
export function listed(names: readonly string[]): string {
  return new Intl.ListFormat(localeNow(), { type: 'conjunction' }).format(names);
}

/** A time of a day by the clock: 14:05. @param minute of the day */
export function clock(minute: number): string {
  const whole = Math.round(minute);
  const hour = Math.floor(whole / 60);
  return `${hour}:${String(whole - hour * 60).padStart(2, '0')}`;
}

/** Minutes as hours where there are many: 7.5 h. */
export function hours(minutes: number): string {
  return `${number(minutes / 60, 1)} h`;
}

/** A weekday counted from Monday. @param day 0 to 6 */
export function dayName(day: number): string {
  return weekdayName(day + 1, 'long');
}
