import { ROOM_KINDS, type Role } from '../house/house';
import type { PersonId, ServiceId } from '../house/ids';
import type { Span } from '../house/hours';
import { handsFor, rosteredIn, useOf, type Capacity, type WeekOfHouse } from './capacity';
import type { VisitNeed } from './needs';
import { loadOfPeople } from './peopleLoad';
import {
  byHour,
  firstOut,
  thereIn,
  zeros,
  type Placed,
  type Pool,
  type PoolLoad,
} from './poolLoad';
import { isWithin } from './spans';
import type { Rhythm } from './weekVisits';

const HOURS = 24;
const DAYS = 7;
const START_EVERY = 15;
/** A towel is taken at a minute: any length of time that is not nothing. */
const AT_ONCE = 1;
/** Of more sets of people than this only each alone and all together are looked at. */
const MOST_SETS = 10;
const MOST_POOLS = 4;

/** What a week of visits takes of the house. */
export interface WeekLoad {
  readonly visits: number;
  /** what gives out first stands first */
  readonly pools: readonly PoolLoad[];
  /** each person, if the work is spread as evenly as those who may do it allow */
  readonly people: readonly PoolLoad[];
  /** visits for which nobody is there, no room is open or the day is too short, by service */
  readonly nowhere: readonly { readonly need: VisitNeed; readonly visits: number }[];
}

/**
 * What the visits of a week take of rooms, hands, devices and linen, by weekday and hour, and what gives out first:
 * visits come by the rhythm of the book, at times when somebody who may perform them is there and the house is open
 * until their slot ends. People who may do different things count together: what only they can do must fit into
 * their hours.
 * @see W1 C8
 */
export function weekLoad(
  week: WeekOfHouse,
  visits: ReadonlyMap<ServiceId, number>,
  rhythm: Rhythm,
): WeekLoad {
  const planned = week.needs.flatMap((need) => {
    const often = visits.get(need.service.id) ?? 0;
    return often > 0 ? [{ need, visits: often }] : [];
  });
  const spread = planned.map(({ need, visits: often }) => ({
    need,
    visits: often,
    placed: spreadOver(need, often, week, rhythm),
  }));
  const placed = spread.flatMap((each) => each.placed);
  /* What is worked within another visit is no visit of its own. */
  const all = planned.reduce((sum, each) => (each.need.isAddOn ? sum : sum + each.visits), 0);
  const pools = poolsOf(
    week,
    planned.map(({ need }) => need),
  ).map((pool) => loadOfPool(pool, placed, week, all));
  return {
    visits: all,
    pools: pools.toSorted((a, b) => (a.carries ?? Infinity) - (b.carries ?? Infinity)),
    people: loadOfPeople(week, placed, all),
    nowhere: spread.flatMap((each) =>
      each.placed.length === 0 ? [{ need: each.need, visits: each.visits }] : [],
    ),
  };
}

/** The visits of a service over the quarters of an hour of a week in which they may begin. */
function spreadOver(
  need: VisitNeed,
  visits: number,
  { days, capacities }: WeekOfHouse,
  rhythm: Rhythm,
): Placed[] {
  const people = capacities.filter(
    ({ resource }) => resource.kind === 'person' && need.therapistIds.includes(resource.personId),
  );
  const hasRoom =
    need.isAddOn ||
    capacities.some(
      ({ resource }) => resource.kind === 'room' && resource.roomKind === need.roomKind,
    );
  if (!hasRoom) return [];
  const needsHands = need.hands.therapist.length > 0;
  const starts: { day: number; starts: number; weight: number }[] = [];
  days.forEach(({ spans }, day) => {
    for (const open of spans) {
      for (let at = open.from; at + need.slotMinutes <= open.to; at += START_EVERY) {
        const working = { from: at, to: at + need.slotMinutes };
        const isThere =
          !needsHands || people.some(({ spans: of }) => isWithin(working, of[day] ?? []));
        const weight = rhythm[day]?.[Math.floor(at / 60)] ?? 0;
        if (isThere && weight > 0) starts.push({ day, starts: at, weight });
      }
    }
  });
  const sum = starts.reduce((all, { weight }) => all + weight, 0);
  return starts.map(({ weight, ...at }) => ({ need, ...at, visits: (visits * weight) / sum }));
}

interface PoolOf {
  readonly pool: Pool;
  readonly of: readonly Omit<Capacity, 'resource'>[];
  /** what of a visit falls to it: stretches of time, or pieces at a minute */
  readonly takes: (need: VisitNeed) => readonly Taken[];
}

/** Something taken while it lasts; `pieces` where it is not time that is taken. */
interface Taken extends Span {
  readonly pieces?: number;
}

function poolsOf(week: WeekOfHouse, needs: readonly VisitNeed[]): readonly PoolOf[] {
  const { capacities } = week;
  return [
    ...ROOM_KINDS.flatMap((roomKind): PoolOf[] => {
      const of = capacities.filter(
        ({ resource }) => resource.kind === 'room' && resource.roomKind === roomKind,
      );
      const takes = (need: VisitNeed): readonly Span[] =>
        need.roomKind === roomKind && !need.isAddOn ? [{ from: 0, to: need.slotMinutes }] : [];
      return of.length > 0 ? [{ pool: { kind: 'room', roomKind }, of, takes }] : [];
    }),
    ...handsPools(week, needs),
    ...week.warmers.map((capacity): PoolOf => ({
      pool: { kind: 'hot-towels', deviceId: capacity.deviceId },
      of: [capacity],
      takes: ({ hotTowels }) =>
        hotTowels.map(({ at, pieces }) => ({ from: at, to: at + AT_ONCE, pieces })),
    })),
    ...capacities.flatMap((capacity): PoolOf[] => {
      const { resource } = capacity;
      if (resource.kind === 'device') {
        const { deviceId } = resource;
        return [
          {
            pool: { kind: 'device', deviceId },
            of: [capacity],
            takes: ({ devices }) => devices.get(deviceId) ?? [],
          },
        ];
      }
      return resource.kind === 'linen'
        ? [
            {
              pool: { kind: 'linen', materialId: resource.materialId },
              of: [capacity],
              takes: () => [],
            },
          ]
        : [];
    }),
  ];
}

const ROLES: readonly Role[] = ['therapist', 'assistant'];

/** People who alone may do some of the work: every set of those that services name, and joined ones. */
function handsPools(week: WeekOfHouse, needs: readonly VisitNeed[]): PoolOf[] {
  const rostered = rosteredIn(week);
  const named = needs.flatMap((need) =>
    ROLES.flatMap((role) => (need.hands[role].length > 0 ? [handsFor(need, role, rostered)] : [])),
  );
  const single = distinct(named.filter((ids) => ids.length > 0));
  let unions = single;
  if (single.length <= MOST_SETS) {
    for (const one of single) {
      const more = unions.map((other) => [...new Set([...other, ...one])].toSorted());
      unions = distinct([...unions, ...more]);
    }
  } else unions = distinct([...single, [...new Set(single.flat())].toSorted()]);
  return unions.map((personIds) => {
    const inPool = new Set(personIds);
    return {
      pool: { kind: 'hands', personIds },
      of: week.capacities.filter(
        ({ resource }) => resource.kind === 'person' && inPool.has(resource.personId),
      ),
      takes: (need) =>
        ROLES.flatMap((role) =>
          handsFor(need, role, rostered).every((id) => inPool.has(id)) ? need.hands[role] : [],
        ),
    };
  });
}

function distinct(sets: readonly (readonly PersonId[])[]): readonly (readonly PersonId[])[] {
  return [...new Map(sets.map((ids) => [ids.join(), ids])).values()];
}

function loadOfPool(
  { pool, of, takes }: PoolOf,
  placed: readonly Placed[],
  week: WeekOfHouse,
  all: number,
): PoolLoad {
  const load = zeros(DAYS);
  const hours = Array.from({ length: DAYS }, () => zeros(HOURS));
  for (const { need, day, starts, visits } of placed) {
    if (pool.kind === 'linen') {
      load[day] = (load[day] ?? 0) + visits * useOf(need, pool);
      continue;
    }
    for (const { from, to, pieces } of takes(need)) {
      const perMinute = pieces === undefined ? 1 : pieces / (to - from);
      load[day] = (load[day] ?? 0) + visits * (to - from) * perMinute;
      const ofDay = hours[day];
      if (!ofDay) continue;
      for (const [hour, minutes] of byHour({ from: starts + from, to: starts + to }))
        ofDay[hour] = (ofDay[hour] ?? 0) + visits * minutes * perMinute;
    }
  }
  const capacity = load.map((_, day) => of.reduce((sum, each) => sum + (each.perDay[day] ?? 0), 0));
  const { carries, firstDay } = firstOut(load, capacity, all);
  return {
    pool,
    names: of.map(({ name }) => name),
    load,
    capacity,
    ...(pool.kind !== 'linen' && {
      hours: week.days.map((_, day) =>
        (hours[day] ?? []).map((taken, hour) => ({ there: thereIn(of, day, hour), taken })),
      ),
    }),
    carries,
    firstDay,
  };
}

/** The pools that are worth a look: of hands those that give out first, and all of them together. */
export function poolsToShow({ pools }: Pick<WeekLoad, 'pools'>): readonly PoolLoad[] {
  const hands = pools.filter(({ pool }) => pool.kind === 'hands');
  const all = hands.toSorted((a, b) => b.names.length - a.names.length)[0];
  const shown = new Set(hands.slice(0, MOST_POOLS));
  if (all) shown.add(all);
  return pools.filter((each) => each.pool.kind !== 'hands' || shown.has(each));
}
