import { fail, ok, type Outcome } from '../../problem/problem';
import type { Column, LinearSolution, LinearSolver, Row } from './linear';

/** Minutes of hands that a visit needs, and the limits of those who may give them. */
export interface MixHands {
  readonly minutes: number;
  /** places of limits: anybody of these, or several of them by turns */
  readonly by: readonly number[];
}

/** A service that a mix of visits is made of. */
export interface MixService {
  /** what one visit adds, in minor units */
  readonly contribution: number;
  /** visits a week */
  readonly least: number;
  readonly most: number;
  /** places of limits, and what one visit takes of each */
  readonly uses: readonly (readonly [limit: number, amount: number])[];
  readonly hands: readonly MixHands[];
}

/** How much there is of something on each day; or in the whole week, wherever it falls. */
export type MixLimit = { readonly perDay: readonly number[] } | { readonly perWeek: number };

/** Which visits a week should hold. */
export interface MixProblem {
  readonly days: number;
  readonly services: readonly MixService[];
  readonly limits: readonly MixLimit[];
}

/** How much of a limit is used on each day, and what one more of it would bring then; one figure for a whole week. */
export interface LimitWorth {
  readonly used: readonly number[];
  /** minor units for one more minute, or piece */
  readonly worth: readonly number[];
}

/** The visits that bring most. */
export interface MenuMix {
  /** minor units a week */
  readonly contribution: number;
  /** no mix can bring more; of whole visits the best was not proved where this is more */
  readonly atMost: number;
  /** a week, by service */
  readonly visits: readonly number[];
  readonly limits: readonly LimitWorth[];
  /** what one more booking of each service is worth; below 0 where the least that is kept costs */
  readonly bookingWorth: readonly number[];
}

const MOST = Number.POSITIVE_INFINITY;

/** Where in a programme what stands. */
interface Layout {
  readonly columns: Column[];
  readonly rows: Row[];
  /** by service and day */
  readonly visits: number[][];
  /** the row of each service's week */
  readonly weeks: number[];
  /** rows by limit, one for each day or one for the week */
  readonly limits: number[][];
}

/**
 * The mix of visits that brings most within all limits: a linear programme. Visits are divided over the days; minutes
 * of hands go to anybody who may, so that who can do much is kept for it. Exact: the worth of a limit is its dual
 * value, the worth of a booking the reduced cost of the service.
 * @param whole visits of a week as whole figures, bounds to the next outside; what limits are worth is as without
 * @returns a problem when the least that is asked for does not fit (`shortOf` tells of what), or nothing limits
 * @see W1
 */
export function menuMix(
  problem: MixProblem,
  solve: LinearSolver,
  whole: 'whole' | 'parts' = 'parts',
): Outcome<MenuMix> {
  const layout = layOut(problem, 'parts');
  const found = solve(layout);
  if (typeof found === 'string') return unsolved(found);
  const parts = mixOf(problem, layout, found);
  if (whole === 'parts') return ok(parts);
  const inWhole = layOut(problem, 'whole');
  const start = roundedDown(problem, inWhole, layout, found.values);
  const rounded = solve({ ...inWhole, ...(start && { start }) });
  if (typeof rounded === 'string') return unsolved(rounded);
  const mix = mixOf(problem, inWhole, rounded);
  return ok({
    ...mix,
    visits: mix.visits.map(Math.round),
    limits: mix.limits.map(({ used }, at) => ({ used, worth: parts.limits[at]?.worth ?? [] })),
    bookingWorth: parts.bookingWorth,
  });
}

function unsolved(why: 'infeasible' | 'unbounded' | 'gave-up'): Outcome<never> {
  if (why === 'infeasible') {
    return fail(
      'demand-beyond-limit',
      'The visits that are kept in any case do not all fit into the week.',
      { field: 'leastPerWeek' },
    );
  }
  return fail(
    'week-unsolved',
    why === 'unbounded'
      ? 'Nothing limits this week: say how many guests ask for each service at the most.'
      : 'No mix of whole visits was found in time: look at it in parts of visits.',
    {},
  );
}

function layOut({ days, services, limits }: MixProblem, whole: 'whole' | 'parts'): Layout {
  const columns: Column[] = [];
  const rows: Row[] = [];
  const add = (column: Column): number => columns.push(column) - 1;
  const inLimit = limits.map((limit) =>
    'perDay' in limit ? limit.perDay.map((): [number, number][] => []) : [[]],
  );
  const countIn = (limit: number, day: number, column: number, amount: number): void => {
    const perDay = inLimit[limit];
    perDay?.[perDay.length === 1 ? 0 : day]?.push([column, amount]);
  };
  const visits = services.map(({ contribution }) =>
    Array.from({ length: days }, () => add({ gain: contribution, least: 0, most: MOST })),
  );
  services.forEach(({ uses }, service) => {
    for (const [limit, amount] of uses) {
      visits[service]?.forEach((column, day) => countIn(limit, day, column, amount));
    }
  });
  for (const { by, parts } of handsTogether(services, visits)) {
    for (let day = 0; day < days; day += 1) {
      const needed = parts[day] ?? [];
      const [only, ...others] = by;
      if (only !== undefined && others.length === 0) {
        for (const [column, minutes] of needed) countIn(only, day, column, minutes);
        continue;
      }
      const given = by.map((limit): [number, number] => {
        const column = add({ gain: 0, least: 0, most: MOST });
        countIn(limit, day, column, 1);
        return [column, -1];
      });
      rows.push({ least: -MOST, most: 0, parts: [...needed, ...given] });
    }
  }
  const limitRows = limits.map((limit, at) => {
    const most = 'perDay' in limit ? limit.perDay : [limit.perWeek];
    return most.map((each, day) => {
      rows.push({ least: -MOST, most: each, parts: inLimit[at]?.[day] ?? [] });
      return rows.length - 1;
    });
  });
  const weeks = services.map(({ least, most }, service) => {
    const all = (visits[service] ?? []).map((column): [number, number] => [column, 1]);
    if (whole === 'whole') {
      const week = add({
        gain: 0,
        /* Half a visit a week is one every other week: in a whole week it is none or one. */
        least: Math.floor(least + 1e-9),
        most: Math.ceil(most - 1e-9),
        whole: true,
      });
      rows.push({ least: 0, most: 0, parts: [...all, [week, -1]] });
    } else rows.push({ least, most, parts: all });
    return rows.length - 1;
  });
  return { columns, rows, visits, weeks, limits: limitRows };
}

/** The minutes of hands of all services, by those who may give them; on each day the columns that need them. */
function handsTogether(
  services: readonly MixService[],
  visits: readonly (readonly number[])[],
): { readonly by: readonly number[]; readonly parts: [number, number][][] }[] {
  const groups = new Map<string, { by: readonly number[]; parts: [number, number][][] }>();
  services.forEach(({ hands }, service) => {
    for (const { by, minutes } of hands) {
      const key = by.toSorted((a, b) => a - b).join();
      const group = groups.get(key) ?? { by, parts: [] };
      groups.set(key, group);
      visits[service]?.forEach((column, day) => (group.parts[day] ??= []).push([column, minutes]));
    }
  });
  return [...groups.values()];
}

/**
 * The best in parts of visits, each service with the whole visits of it: that fits wherever it leaves the least that
 * is kept.
 */
function roundedDown(
  { services }: MixProblem,
  inWhole: Layout,
  inParts: Layout,
  values: Float64Array,
): Float64Array | undefined {
  const start = new Float64Array(inWhole.columns.length);
  /* Hands stand behind the visits, and the whole weeks behind those. */
  start.set(values);
  const kept = services.map((_, service) => {
    const columns = inParts.visits[service] ?? [];
    const sum = columns.reduce((all, column) => all + (values[column] ?? 0), 0);
    const whole = Math.floor(sum + 1e-9);
    for (const column of columns) {
      start[column] = sum > 0 ? ((values[column] ?? 0) * whole) / sum : 0;
    }
    start[inParts.columns.length + service] = whole;
    return whole;
  });
  const fits = services.every(
    ({ least }, service) => (kept[service] ?? 0) >= Math.floor(least + 1e-9),
  );
  return fits ? start : undefined;
}

function mixOf(
  { limits }: MixProblem,
  layout: Layout,
  { values, rowDuals, gain, atMost }: LinearSolution,
): MenuMix {
  const sumOf = (row: number): number =>
    (layout.rows[row]?.parts ?? []).reduce(
      (sum, [column, factor]) => sum + (values[column] ?? 0) * factor,
      0,
    );
  return {
    contribution: gain,
    atMost,
    visits: layout.visits.map((columns) =>
      columns.reduce((sum, column) => sum + (values[column] ?? 0), 0),
    ),
    limits: limits.map((_, at) => {
      const rows = layout.limits[at] ?? [];
      return { used: rows.map(sumOf), worth: rows.map((row) => rowDuals[row] ?? 0) };
    }),
    bookingWorth: layout.weeks.map((row) => rowDuals[row] ?? 0),
  };
}

/** How much is missing of a limit for the visits that are kept in any case. */
export interface Shortage {
  readonly limit: number;
  /** minutes, or pieces, a week */
  readonly amount: number;
}

/**
 * Of what, and how much, there is too little for the least that is asked for: the fewest minutes by which limits
 * would have to be wider for all of it to fit.
 * @returns none where it fits
 * @see W1
 */
export function shortOf(problem: MixProblem, solve: LinearSolver): readonly Shortage[] {
  const layout = layOut(
    {
      ...problem,
      services: problem.services.map((each) => ({ ...each, contribution: 0 })),
    },
    'parts',
  );
  const columns = [...layout.columns];
  const rows = [...layout.rows];
  const wider = layout.limits.map((limitRows) =>
    limitRows.map((row) => {
      columns.push({ gain: -1, least: 0, most: MOST });
      const before = rows[row];
      if (before) rows[row] = { ...before, parts: [...before.parts, [columns.length - 1, -1]] };
      return columns.length - 1;
    }),
  );
  const found = solve({ columns, rows });
  if (typeof found === 'string') return [];
  return wider.flatMap((perDay, limit): Shortage[] => {
    const amount = perDay.reduce((sum, column) => sum + (found.values[column] ?? 0), 0);
    return amount > 1e-6 ? [{ limit, amount }] : [];
  });
}
