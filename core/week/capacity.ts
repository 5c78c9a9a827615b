import type { HouseFigures } from '../figures/houseFigures';
import {
  ROOM_KINDS,
  type Device,
  type House,
  type Material,
  type Person,
  type Role,
  type RoomKind,
} from '../house/house';
import { USUAL_WEEK, type Span, type WeekSettings } from '../house/hours';
import type { DeviceId, MaterialId, PersonId } from '../house/ids';
import { collect, failWith, fail, ok, type Outcome } from '../problem/problem';
import { openWeek, type OpenDay } from './openTimes';
import { bookableOn } from './roster';
import { spanMinutes } from './spans';
import { needsOf, type VisitNeed } from './needs';

/** Something of the house that visits take up. */
export type Resource =
  | { readonly kind: 'room'; readonly roomKind: RoomKind }
  | { readonly kind: 'person'; readonly personId: PersonId; readonly role: Role }
  | { readonly kind: 'device'; readonly deviceId: DeviceId }
  | { readonly kind: 'linen'; readonly materialId: MaterialId };

/** A resource by its name, as a key. */
export function resourceKey(resource: Resource): string {
  switch (resource.kind) {
    case 'room':
      return `room/${resource.roomKind}`;
    case 'person':
      return `person/${resource.personId}`;
    case 'device':
      return `device/${resource.deviceId}`;
    case 'linen':
      return `linen/${resource.materialId}`;
  }
}

/** How much there is of something on each day of a week, Monday first: minutes, of linen pieces. */
export interface Capacity {
  readonly resource: Resource;
  readonly name: string;
  /** when it is there, and how many at once */
  readonly spans: readonly (readonly Span[])[];
  readonly atOnce: number;
  /** of that, what visits can fill */
  readonly perDay: readonly number[];
}

/** A week of the house: when it is open, and what there is of everything. */
export interface WeekCapacity {
  readonly monday: string;
  readonly days: readonly OpenDay[];
  readonly capacities: readonly Capacity[];
  readonly warmers: readonly Warmer[];
}

/** Hot towels that are ready in a day, pieces: as often as those that are kept ready can be heated anew. */
export interface Warmer extends Omit<Capacity, 'resource'> {
  readonly deviceId: DeviceId;
}

/** How a house plans its weeks. */
export function weekSettingsOf({ settings }: Pick<House, 'settings'>): WeekSettings {
  return settings.week ?? USUAL_WEEK;
}

const DAYS = 7;

/**
 * What there is in a week: rooms by kind and devices in the open time that visits can fill, each person in the
 * bookable share of the hours on the roster, linen as far as it comes back from the laundry.
 * @param monday ISO date
 * @returns problems where nobody has said when the house is open, or nobody is on the roster
 * @see W1 C3 S7
 */
export function capacityOf(
  house: Pick<House, 'settings' | 'rooms' | 'people' | 'devices' | 'materials'>,
  monday: string,
): Outcome<WeekCapacity> {
  const open = openWeek(monday, house.settings);
  const rostered = house.people.filter(({ hours }) => hours !== undefined);
  const hands: Outcome<null> =
    rostered.length > 0
      ? ok(null)
      : fail(
          'roster-missing',
          'Nobody is on the roster yet: say who works when, so that hands can be counted.',
          { settings: true, field: 'hours' },
        );
  if (!open.ok || !hands.ok) {
    const missing = collect<unknown>([open, hands]);
    return failWith(missing.ok ? [] : missing.problems);
  }
  const days = open.value;
  return ok({
    monday,
    days,
    capacities: [
      ...ROOM_KINDS.flatMap((kind) => roomsOf(kind, house, days)),
      ...rostered.map((person) => handsOf(person, house, days)),
      ...house.devices.map((device) => deviceOf(device, house, days)),
      ...house.materials.flatMap(linenOf),
    ],
    warmers: house.devices.flatMap((device) => warmerOf(device, days)),
  });
}

function roomsOf(
  roomKind: RoomKind,
  house: Pick<House, 'settings' | 'rooms'>,
  days: readonly OpenDay[],
): Capacity[] {
  const rooms = house.rooms.filter(({ kind }) => kind === roomKind);
  const { roomShare } = weekSettingsOf(house);
  return rooms.length === 0
    ? []
    : [
        {
          resource: { kind: 'room', roomKind },
          name: rooms.map(({ name }) => name).join(', '),
          spans: days.map(({ spans }) => spans),
          atOnce: rooms.length,
          perDay: days.map(({ spans }) => spanMinutes(spans) * rooms.length * roomShare),
        },
      ];
}

function handsOf(
  person: Person,
  { settings }: Pick<House, 'settings'>,
  days: readonly OpenDay[],
): Capacity {
  const spans = days.map(({ day, spans: open }) => bookableOn(person, day, open));
  return {
    resource: { kind: 'person', personId: person.id, role: person.role },
    name: person.name,
    spans,
    atOnce: 1,
    perDay: spans.map((each) => spanMinutes(each) * settings.bookableShare),
  };
}

function deviceOf(
  { id, name, count }: Device,
  house: Pick<House, 'settings'>,
  days: readonly OpenDay[],
): Capacity {
  const { roomShare } = weekSettingsOf(house);
  return {
    resource: { kind: 'device', deviceId: id },
    name,
    spans: days.map(({ spans }) => spans),
    atOnce: count,
    perDay: days.map(({ spans }) => spanMinutes(spans) * count * roomShare),
  };
}

function warmerOf({ id, name, count, heats }: Device, days: readonly OpenDay[]): Warmer[] {
  if (!heats) return [];
  const perMinute = heats.pieces / heats.minutes;
  return [
    {
      deviceId: id,
      name,
      spans: days.map(({ spans }) => spans),
      atOnce: perMinute * count,
      perDay: days.map(({ spans }) => spanMinutes(spans) * perMinute * count),
    },
  ];
}

/** Pieces that can be used on a day, day after day: all of them, over the days until one is back. @see S7 */
function linenOf(material: Material): Capacity[] {
  if (material.kind !== 'linen' || !material.loop) return [];
  const { pieces, washDays } = material.loop;
  const perDay = pieces / Math.max(1, washDays);
  return [
    {
      resource: { kind: 'linen', materialId: material.id },
      name: material.name,
      spans: [],
      atOnce: pieces,
      perDay: Array.from({ length: DAYS }, () => perDay),
    },
  ];
}

/** What one visit takes of a resource that is no person: minutes, of linen pieces. */
export function useOf(need: VisitNeed, resource: Exclude<Resource, { kind: 'person' }>): number {
  switch (resource.kind) {
    case 'room':
      return need.roomKind === resource.roomKind && !need.isAddOn ? need.slotMinutes : 0;
    case 'device':
      return spanMinutes(need.devices.get(resource.deviceId) ?? []);
    case 'linen':
      return need.linen.get(resource.materialId) ?? 0;
  }
}

/** Who of those that may is on the roster: a therapist does the work of an assistant, too, where it is needed. */
export function handsFor(
  need: VisitNeed,
  role: Role,
  rostered: ReadonlySet<PersonId>,
): readonly PersonId[] {
  const all =
    role === 'therapist' ? need.therapistIds : [...need.assistantIds, ...need.therapistIds];
  return all.filter((id) => rostered.has(id)).toSorted();
}

/** The people on the roster of a week. */
export function rosteredIn({
  capacities,
}: Pick<WeekCapacity, 'capacities'>): ReadonlySet<PersonId> {
  return new Set(
    capacities.flatMap(({ resource }) => (resource.kind === 'person' ? [resource.personId] : [])),
  );
}

/** A house, what its visits take, and what there is in a week. */
export interface WeekOfHouse extends WeekCapacity {
  readonly needs: readonly VisitNeed[];
}

/** A week of a house with what its visits take. @returns problems as `capacityOf` */
export function weekOfHouse(
  house: House,
  figures: HouseFigures,
  monday: string,
): Outcome<WeekOfHouse> {
  const capacity = capacityOf(house, monday);
  return capacity.ok ? ok({ ...capacity.value, needs: needsOf(house, figures) }) : capacity;
}
