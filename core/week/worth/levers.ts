import type { Device, House, Material, Person, RoomKind } from '../../house/house';
import type { Span } from '../../house/hours';
import { asId, type PersonId, type ServiceId } from '../../house/ids';
import { payOf } from '../../cost/therapistRate';
import { capacityOf, type WeekOfHouse } from '../capacity';
import type { LinearSolver } from './linear';
import type { VisitNeed } from '../needs';
import { openWeek } from '../openTimes';
import { rosterOf, withDay, workOn } from '../roster';
import { weekMix, type Bounds, type WeekMix } from './weekMix';

/** Something that would give the week more to work with. */
export type LeverKind =
  /** on a day counted from Monday, with the hours that there would be then */
  | {
      readonly kind: 'hour-more';
      readonly person: Person;
      readonly day: number;
      readonly spans: readonly Span[];
    }
  | {
      readonly kind: 'longer-day';
      readonly day: number;
      readonly spans: readonly Span[];
      readonly stay: readonly { readonly person: Person; readonly spans: readonly Span[] }[];
    }
  | { readonly kind: 'hire'; readonly like: Person }
  | { readonly kind: 'device'; readonly device: Device }
  | { readonly kind: 'room'; readonly roomKind: RoomKind }
  | { readonly kind: 'linen'; readonly material: Material; readonly pieces: number }
  | { readonly kind: 'shorter-slots'; readonly minutes: number };

/** What a lever would bring in a week, beside what it costs. Minor units. */
export interface Lever {
  readonly lever: LeverKind;
  readonly gainPerWeek: number;
  readonly costPerWeek: number;
  /** what it takes to have it, once */
  readonly onceMinor?: number;
  /** weeks until that is paid; nothing where it never is */
  readonly weeksToPay?: number | null;
}

const HOUR = 60;
const SHORTER_MINUTES = 5;
const WEEKS_A_YEAR = 52;
const MONTHS_A_YEAR = 12;

/**
 * What else the week could have, what that would bring by the best mix with it, and what it costs: an hour more of
 * each person on the day on which it is worth most, a day an hour longer for everybody, another person with the hours
 * of one, another device, a fifth more of linen, another room at the mean rent of those there are, five minutes less of
 * every slot.
 * @param mix the best without any of it
 * @returns what leaves most first; what brings nothing is left out
 * @see W1 C3 C4 C5
 */
export function leversOf(
  house: House,
  week: WeekOfHouse,
  bounds: ReadonlyMap<ServiceId, Bounds>,
  visits: ReadonlyMap<ServiceId, number>,
  mix: WeekMix,
  solve: LinearSolver,
): readonly Lever[] {
  const gainOf = (changed: House, needs: readonly VisitNeed[] = week.needs): number => {
    const capacity = capacityOf(changed, week.monday);
    if (!capacity.ok) return 0;
    const tried = weekMix({ ...capacity.value, needs }, bounds, visits, solve, 'parts');
    return tried.ok ? Math.max(0, tried.value.contribution - mix.contribution) : 0;
  };
  const levers = [
    ...house.people.flatMap((person) => hourMore(person, house, week, mix, gainOf)),
    ...longerDays(house, week, gainOf),
    ...house.people.flatMap((person) => hired(person, house, week, gainOf)),
    ...house.devices.flatMap((device) => anotherDevice(device, house, gainOf)),
    ...house.materials.flatMap((material) => moreLinen(material, house, gainOf)),
    ...anotherRoom(house, week, gainOf),
    shorterSlots(house, week, gainOf),
  ];
  return levers
    .filter(({ gainPerWeek }) => gainPerWeek > 1)
    .toSorted((a, b) => b.gainPerWeek - b.costPerWeek - (a.gainPerWeek - a.costPerWeek));
}

type GainOf = (changed: House, needs?: readonly VisitNeed[]) => number;

function hourMore(
  person: Person,
  house: House,
  { days }: WeekOfHouse,
  mix: WeekMix,
  gainOf: GainOf,
): Lever[] {
  const line = mix.limits.find(
    ({ capacity: { resource } }) => resource.kind === 'person' && resource.personId === person.id,
  );
  if (!line) return [];
  const worth = line.worth.map((each, day) => ((days[day]?.spans.length ?? 0) > 0 ? each : 0));
  const day = worth.indexOf(Math.max(...worth));
  const open = days[day];
  if (!open || (worth[day] ?? 0) <= 0) return [];
  const later = anHourMore(workOn(person, open.day).spans, open.spans);
  if (!later) return [];
  const people = house.people.map((each) =>
    each.id === person.id ? withDay(each, open.day, later) : each,
  );
  return [
    {
      lever: { kind: 'hour-more', person, day, spans: later },
      gainPerWeek: gainOf({ ...house, people }),
      costPerWeek: hourlyCost(person, house),
    },
  ];
}

/** Spans with an hour more at their end or their beginning, inside the open time where it can be. */
function anHourMore(spans: readonly Span[], open: readonly Span[]): readonly Span[] | undefined {
  const last = spans.at(-1);
  const first = spans[0];
  const [opens, closes] = [open[0]?.from ?? 0, open.at(-1)?.to ?? 0];
  if (!first || !last)
    return opens < closes ? [{ from: opens, to: Math.min(closes, opens + HOUR) }] : undefined;
  if (last.to + HOUR <= closes) return [...spans.slice(0, -1), { ...last, to: last.to + HOUR }];
  if (first.from - HOUR >= opens) return [{ ...first, from: first.from - HOUR }, ...spans.slice(1)];
  return undefined;
}

function hourlyCost(person: Person, { settings }: House): number {
  const { hourlyMinor, onCost } = payOf(person, settings);
  return hourlyMinor * (1 + onCost);
}

/** Each open day an hour longer, with everybody who works until its end. */
function longerDays(house: House, { monday, days }: WeekOfHouse, gainOf: GainOf): Lever[] {
  const { openHours } = house.settings;
  if (!openHours || !openWeek(monday, house.settings).ok) return [];
  return days.flatMap(({ day, spans }, at): Lever[] => {
    const last = spans.at(-1);
    if (!last || last.to + HOUR > 24 * HOUR) return [];
    const longer = [...spans.slice(0, -1), { ...last, to: last.to + HOUR }];
    const stay = house.people.flatMap((person) => {
      const work = workOn(person, day).spans;
      const end = work.at(-1);
      return end?.to === last.to
        ? [{ person, spans: [...work.slice(0, -1), { ...end, to: end.to + HOUR }] }]
        : [];
    });
    const otherwise = [
      ...(openHours.otherwise ?? []),
      { from: day, to: day, name: 'longer', spans: longer },
    ];
    const people = house.people.map((person) => {
      const stays = stay.find((each) => each.person === person);
      return stays ? withDay(person, day, stays.spans) : person;
    });
    const settings = { ...house.settings, openHours: { ...openHours, otherwise } };
    return [
      {
        lever: { kind: 'longer-day', day: at, spans: longer, stay },
        gainPerWeek: gainOf({ ...house, settings, people }),
        costPerWeek: stay.reduce((sum, { person }) => sum + hourlyCost(person, house), 0),
      },
    ];
  });
}

/** Another person who may do the same, with the same hours and pay. */
function hired(like: Person, house: House, week: WeekOfHouse, gainOf: GainOf): Lever[] {
  const line = rosterOf(house, week.monday).lines.find(({ person }) => person.id === like.id);
  if (!line || line.minutes === 0) return [];
  const id = asId<PersonId>(`like-${like.id}`);
  const also = (ids: readonly PersonId[]): readonly PersonId[] =>
    ids.includes(like.id) ? [...ids, id] : ids;
  const needs = week.needs.map((need) => ({
    ...need,
    therapistIds: also(need.therapistIds),
    assistantIds: also(need.assistantIds),
  }));
  return [
    {
      lever: { kind: 'hire', like },
      gainPerWeek: gainOf({ ...house, people: [...house.people, { ...like, id }] }, needs),
      costPerWeek: line.fixedPay + line.variablePay,
    },
  ];
}

function anotherDevice(device: Device, house: House, gainOf: GainOf): Lever[] {
  const devices = house.devices.map((each) =>
    each === device ? { ...each, count: each.count + 1 } : each,
  );
  const gainPerWeek = gainOf({ ...house, devices });
  const { economics } = device;
  const costPerWeek = (economics?.servicePerYearMinor ?? 0) / WEEKS_A_YEAR;
  const leaves = gainPerWeek - costPerWeek;
  return [
    {
      lever: { kind: 'device', device },
      gainPerWeek,
      costPerWeek,
      ...(economics && {
        onceMinor: economics.priceMinor,
        weeksToPay: leaves > 0 ? economics.priceMinor / leaves : null,
      }),
    },
  ];
}

/** A fifth more pieces of linen; what is worn out is in what each wash costs. @see C6 */
function moreLinen(material: Material, house: House, gainOf: GainOf): Lever[] {
  if (material.kind !== 'linen' || !material.loop) return [];
  const pieces = Math.max(1, Math.ceil(material.loop.pieces / 5));
  const loop = { ...material.loop, pieces: material.loop.pieces + pieces };
  const materials = house.materials.map((each) =>
    each === material ? { ...material, loop } : each,
  );
  const gainPerWeek = gainOf({ ...house, materials });
  const onceMinor = pieces * material.laundry.replacementMinor;
  return [
    {
      lever: { kind: 'linen', material, pieces },
      gainPerWeek,
      costPerWeek: 0,
      onceMinor,
      weeksToPay: gainPerWeek > 0 ? onceMinor / gainPerWeek : null,
    },
  ];
}

function anotherRoom(house: House, { capacities }: WeekOfHouse, gainOf: GainOf): Lever[] {
  const { roomCost } = house.settings;
  return capacities.flatMap(({ resource }): Lever[] => {
    if (resource.kind !== 'room') return [];
    const { roomKind } = resource;
    const room = {
      id: asId<House['rooms'][number]['id']>('another-room'),
      name: '',
      kind: roomKind,
    };
    const rent = roomCost.fixedPerMonthMinor / Math.max(1, house.rooms.length);
    return [
      {
        lever: { kind: 'room', roomKind },
        gainPerWeek: gainOf({ ...house, rooms: [...house.rooms, room] }),
        costPerWeek: (rent * MONTHS_A_YEAR) / WEEKS_A_YEAR,
      },
    ];
  });
}

function shorterSlots(house: House, week: WeekOfHouse, gainOf: GainOf): Lever {
  const needs = week.needs.map((need) => ({
    ...need,
    slotMinutes: Math.max(0, need.slotMinutes - SHORTER_MINUTES),
  }));
  return {
    lever: { kind: 'shorter-slots', minutes: SHORTER_MINUTES },
    gainPerWeek: gainOf(house, needs),
    costPerWeek: 0,
  };
}
