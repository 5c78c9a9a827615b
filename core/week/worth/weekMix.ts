import type { House, Role } from '../../house/house';
import type { ServiceId } from '../../house/ids';
import { failWith, ok, type Outcome, type Problem } from '../../problem/problem';
import {
  handsFor,
  resourceKey,
  rosteredIn,
  useOf,
  type Capacity,
  type WeekOfHouse,
} from '../capacity';
import type { LinearSolver } from './linear';
import { menuMix, shortOf, type MixHands, type MixProblem } from './menuMix';
import { attendedMinutes, type VisitNeed } from '../needs';

/** The visits a week between which a service is held. */
export interface Bounds {
  readonly least: number;
  readonly most: number;
  /** nobody has said them: half of what is planned, and half as much again */
  readonly assumed: boolean;
}

const ASSUMED_LEAST = 0.5;
const ASSUMED_MOST = 1.5;

/**
 * Between how many visits a week each service is held: as the house says, else about what is planned.
 * @param visits a week by service, as planned
 * @see W1
 */
export function boundsOf(
  { demand, services }: Pick<House, 'demand' | 'services'>,
  visits: ReadonlyMap<ServiceId, number>,
): ReadonlyMap<ServiceId, Bounds> {
  const lines = new Map(demand.map((line) => [line.serviceId, line]));
  return new Map(
    services.map(({ id }) => {
      const { leastPerWeek, mostPerWeek } = lines.get(id) ?? {};
      const planned = visits.get(id) ?? 0;
      const least = leastPerWeek ?? Math.min(planned * ASSUMED_LEAST, mostPerWeek ?? Infinity);
      const most = mostPerWeek ?? Math.max(planned * ASSUMED_MOST, leastPerWeek ?? 0);
      const assumed = leastPerWeek === undefined && mostPerWeek === undefined;
      return [id, { least, most, assumed }];
    }),
  );
}

/** What a service comes to in the best mix. Visits a week, minor units. */
export interface MixLine {
  readonly need: VisitNeed;
  readonly bounds: Bounds;
  readonly planned: number;
  readonly best: number;
  /** what one more booking is worth where guests ask for no more; below 0 where the least that is kept costs */
  readonly bookingWorth: number;
  /** what its minutes earn elsewhere, by the limits that they come from; the dearest first */
  readonly costsElsewhere: readonly { readonly capacity: Capacity; readonly minor: number }[];
}

/** What an hour of something is worth on each day; one figure for what is counted over the week. */
export interface LimitLine {
  readonly capacity: Capacity;
  readonly used: readonly number[];
  /** minor units for one more minute, or piece of linen */
  readonly worth: readonly number[];
}

/** The mix of visits that brings most in a week, beside the plan. */
export interface WeekMix {
  readonly lines: readonly MixLine[];
  readonly limits: readonly LimitLine[];
  /** minor units a week */
  readonly contribution: number;
  readonly planned: number;
  /** than the plan would; below 0 where the plan does not fit */
  readonly more: number;
  /** above `contribution` where the best of whole visits was not proved */
  readonly atMost: number;
}

interface Stated {
  readonly needs: readonly VisitNeed[];
  readonly capacities: readonly Capacity[];
  readonly problem: MixProblem;
}

/**
 * The mix of visits that brings most within a week of the house, and what each limit is worth.
 * @param visits a week by service, as planned
 * @param whole in whole visits
 * @returns problems where a service that is kept has no room or nobody on the roster, least is above most, or the
 *   least does not fit: of which limit there is too little, and by how much
 * @see W1
 */
export function weekMix(
  week: WeekOfHouse,
  bounds: ReadonlyMap<ServiceId, Bounds>,
  visits: ReadonlyMap<ServiceId, number>,
  solve: LinearSolver,
  whole: 'whole' | 'parts',
): Outcome<WeekMix> {
  const stated = statedOf(week, bounds);
  if (!stated.ok) return stated;
  const { needs, capacities, problem } = stated.value;
  const found = menuMix(problem, solve, whole);
  if (!found.ok) {
    const short = shortOf(problem, solve);
    return short.length > 0 ? failWith(short.map((each) => tooLittle(each, capacities))) : found;
  }
  const mix = found.value;
  const limits = capacities.map((capacity, at): LimitLine => ({
    capacity,
    used: mix.limits[at]?.used ?? [],
    worth: (mix.limits[at]?.worth ?? []).map(nothingBelow),
  }));
  const lines = needs.map((need, at): MixLine => ({
    need,
    bounds: bounds.get(need.service.id) ?? { least: 0, most: 0, assumed: true },
    planned: visits.get(need.service.id) ?? 0,
    best: mix.visits[at] ?? 0,
    bookingWorth: mix.bookingWorth[at] ?? 0,
    costsElsewhere: costsElsewhere(problem, at, limits),
  }));
  const planned = lines.reduce((sum, line) => sum + line.planned * line.need.contribution, 0);
  return ok({
    lines,
    limits,
    contribution: mix.contribution,
    planned,
    more: mix.contribution - planned,
    atMost: mix.atMost,
  });
}

/** What a solver leaves of nothing. */
function nothingBelow(worth: number): number {
  return Math.abs(worth) < 1e-9 ? 0 : worth;
}

function statedOf(week: WeekOfHouse, bounds: ReadonlyMap<ServiceId, Bounds>): Outcome<Stated> {
  const { capacities } = week;
  const rostered = rosteredIn(week);
  const placeOf = new Map(capacities.map(({ resource }, at) => [resourceKey(resource), at]));
  const problems: Problem[] = [];
  const services = week.needs.map((need) => {
    const { service } = need;
    const held = bounds.get(service.id) ?? { least: 0, most: 0, assumed: true };
    const where = { serviceId: service.id, field: 'leastPerWeek' };
    if (held.least > held.most) {
      problems.push({
        code: 'demand-not-in-order',
        message: `${service.name}: the least visits a week must not be more than the most.`,
        where,
      });
    }
    const people = (role: Role): readonly number[] =>
      handsFor(need, role, rostered).flatMap((id) => placeOf.get(`person/${id}`) ?? []);
    const hands = (['therapist', 'assistant'] as const).flatMap((role): MixHands[] => {
      const minutes = attendedMinutes(need, role);
      return minutes > 0 ? [{ minutes, by: people(role) }] : [];
    });
    const isHeld = held.least > 0;
    const roomless = !need.isAddOn && !placeOf.has(`room/${need.roomKind}`);
    if (roomless && isHeld) {
      problems.push({
        code: 'room-kind-missing',
        message: `${service.name} takes a ${need.roomKind} room, and the house has none.`,
        where: { serviceId: service.id, field: 'roomKind' },
      });
    }
    const handless = hands.some(({ by }) => by.length === 0);
    if (handless && isHeld) {
      problems.push({
        code: 'nobody-on-roster',
        message: `Nobody who may perform ${service.name} is on the roster of this week.`,
        where: { serviceId: service.id, field: 'therapistIds' },
      });
    }
    const uses = capacities.flatMap(({ resource }, at): (readonly [number, number])[] => {
      if (resource.kind === 'person') return [];
      const amount = useOf(need, resource);
      return amount > 0 ? [[at, amount]] : [];
    });
    const most = roomless || handless ? 0 : Math.max(held.most, held.least);
    return {
      contribution: need.contribution,
      least: Math.min(held.least, most),
      most,
      uses,
      hands: hands.filter(({ by }) => by.length > 0),
    };
  });
  if (problems.length > 0) return failWith(problems);
  return ok({
    needs: week.needs,
    capacities,
    problem: {
      days: week.days.length,
      services,
      limits: capacities.map(({ resource, perDay }) =>
        /* Linen goes round: what is not used on one day is there on the next. */
        resource.kind === 'linen'
          ? { perWeek: perDay.reduce((sum, each) => sum + each, 0) }
          : { perDay },
      ),
    },
  });
}

function tooLittle(
  { limit, amount }: { readonly limit: number; readonly amount: number },
  capacities: readonly Capacity[],
): Problem {
  const capacity = capacities[limit];
  const what =
    capacity?.resource.kind === 'linen'
      ? `${Math.ceil(amount)} pieces`
      : `${Math.ceil(amount)} minutes`;
  return {
    code: 'demand-beyond-limit',
    message: `The visits that are kept in any case do not fit into the week: ${capacity?.name ?? 'something'} would need ${what} more. Keep fewer, or make room for them.`,
    where: { field: 'leastPerWeek' },
  };
}

/** What the minutes of one visit would earn elsewhere: at the least that any of its people, on any day, is worth. */
function costsElsewhere(
  { services }: MixProblem,
  at: number,
  limits: readonly LimitLine[],
): MixLine['costsElsewhere'] {
  const service = services[at];
  if (!service) return [];
  const days = Math.max(1, ...limits.map(({ worth }) => worth.length));
  const ways = Array.from({ length: days }, (_, day) => costsOn(day, service, limits));
  const sums = ways.map((costs) => costs.reduce((sum, { minor }) => sum + minor, 0));
  const cheapest = ways[sums.indexOf(Math.min(...sums))] ?? [];
  const together = new Map<Capacity, number>();
  for (const { capacity, minor } of cheapest) {
    if (minor > 0) together.set(capacity, (together.get(capacity) ?? 0) + minor);
  }
  return [...together]
    .map(([capacity, minor]) => ({ capacity, minor }))
    .toSorted((a, b) => b.minor - a.minor);
}

function costsOn(
  day: number,
  { uses, hands }: MixProblem['services'][number],
  limits: readonly LimitLine[],
): { readonly capacity: Capacity; readonly minor: number }[] {
  const worthOf = (limit: number): number => {
    const worth = limits[limit]?.worth ?? [];
    return worth[worth.length === 1 ? 0 : day] ?? 0;
  };
  const cost = (limit: number, minor: number) => {
    const capacity = limits[limit]?.capacity;
    return capacity ? [{ capacity, minor }] : [];
  };
  return [
    ...uses.flatMap(([limit, amount]) => cost(limit, amount * worthOf(limit))),
    ...hands.flatMap(({ by, minutes }) => {
      const cheapest = by.toSorted((a, b) => worthOf(a) - worthOf(b))[0];
      return cheapest === undefined ? [] : cost(cheapest, minutes * worthOf(cheapest));
    }),
  ];
}
