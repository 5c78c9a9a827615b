import type { PersonId } from '../house/ids';
import type { LogbookVisit } from '../house/logbook';
import type { SkinType } from '../house/traits';
import type { VisitKind } from '../house/ways';
import { driftOf, sigmaOf } from './drift';
import { meanOf, spreadOf, weightOfLog } from './towards';
import { Z_95 } from './wilson';

/** A value of one visit. */
export interface Point {
  /** the place of its visit in the log */
  readonly visit: number;
  /** as it came out, in minutes or as a share of what was planned */
  readonly value: number;
  readonly by?: PersonId;
  readonly visitKind?: VisitKind;
  readonly skinType?: SkinType;
}

/** A kind of guest: by the visit or by the skin. */
export type GuestKind =
  | { readonly by: 'visit'; readonly value: VisitKind }
  | { readonly by: 'skin'; readonly value: SkinType };

/** What one person's visits come to. */
export interface PersonPart {
  readonly personId: PersonId;
  readonly n: number;
  readonly mean: number;
  /** pulled towards the house by the number of visits @see L1 */
  readonly pulled: number;
}

/** To what a difference goes back, as far as the log can tell. */
export type Cause =
  | { readonly is: 'everybody' }
  /** one person's visits differ, and those of others do not */
  | { readonly is: 'person'; readonly personId: PersonId }
  /** those of one kind of guest differ, and those of others do not */
  | { readonly is: 'kind'; readonly kind: GuestKind }
  /** from one visit on, whoever does it */
  | { readonly is: 'since'; readonly visit: number };

/** A difference from what is written that is no chance. */
export interface Difference {
  readonly cause: Cause;
  /** the values that it is told by: those of the person, or since the visit */
  readonly points: readonly Point[];
  readonly mean: number;
  /** of the mean, 95 % */
  readonly low: number;
  readonly high: number;
  /** how many standard errors it is away */
  readonly errors: number;
  /** the first visit that L4 finds outside; none where it never is */
  readonly firstOutside?: number;
}

/** So many standard errors are no chance, where one is looked at; and where the largest of many is. */
const NO_CHANCE = 3.5;
const NO_CHANCE_OF_MANY = 4.5;
/** Fewer values say nothing. */
const FEWEST = 6;
/** What the others differ by is nothing beside what the one differs by. */
const NOTHING_BESIDE = 0.4;

/**
 * Whether values differ from what is written by more than chance, and whose they are: of one person, of one kind of
 * guest, since a visit, or everybody's.
 * @param points in the order of visits
 * @param written what is expected
 * @param least how far single values lie apart at the least
 * @returns nothing where chance explains it
 * @see L1 L4
 */
export function differenceOf(
  points: readonly Point[],
  written: number,
  least: number,
): Difference | undefined {
  if (points.length < FEWEST) return undefined;
  const values = points.map(({ value }) => value);
  /* A few values may lie near each other by chance: they are no surer than all of them are. */
  const sigma = sigmaOf(values, least);
  const first = driftOf(values, written, sigma).findIndex(({ isOutside }) => isOutside);
  const told = (cause: Cause, own: readonly Point[]): Difference => {
    const { mean, error } = centreOf(own, sigma);
    return {
      cause,
      points: own,
      mean,
      low: mean - Z_95 * error,
      high: mean + Z_95 * error,
      errors: Math.abs(mean - written) / error,
      ...(first !== -1 && { firstOutside: points[first]?.visit }),
    };
  };
  const away = (own: readonly Point[]): number => errorsAway(own, written, sigma);
  const group = oddGroup(points, written, sigma);
  const since = turningPoint(points, written, sigma);
  if (group && (!since || group.errors >= since.errors) && away(group.points) >= NO_CHANCE)
    return told(group.cause, group.points);
  if (since) {
    const own = points.slice(since.at);
    const visit = own[0]?.visit ?? 0;
    if (away(own) >= NO_CHANCE) return told({ is: 'since', visit }, own);
  }
  return away(points) >= NO_CHANCE ? told({ is: 'everybody' }, points) : undefined;
}

function centreOf(
  points: readonly Point[],
  sigma: number,
): { readonly mean: number; readonly spread: number; readonly error: number } {
  const values = points.map(({ value }) => value);
  const spread = Math.max(sigma, spreadOf(values));
  return { mean: meanOf(values), spread, error: spread / Math.sqrt(Math.max(1, values.length)) };
}

function errorsAway(points: readonly Point[], written: number, sigma: number): number {
  const { mean, error } = centreOf(points, sigma);
  return Math.abs(mean - written) / error;
}

/** How many standard errors two groups lie apart. */
function errorsApart(a: readonly Point[], b: readonly Point[], sigma: number): number {
  const one = centreOf(a, sigma);
  const other = centreOf(b, sigma);
  return Math.abs(one.mean - other.mean) / Math.hypot(one.error, other.error);
}

/** Whether a group is as it is written beside how far another is from that. */
function isAsWritten(
  these: readonly Point[],
  beside: readonly Point[],
  written: number,
  sigma: number,
): boolean {
  const off = Math.abs(centreOf(these, sigma).mean - written);
  return off <= NOTHING_BESIDE * Math.abs(centreOf(beside, sigma).mean - written);
}

interface Group {
  readonly cause: Cause;
  readonly points: readonly Point[];
}

/** The people and kinds of guests among values, each with its own. */
function groupsIn(points: readonly Point[]): Group[] {
  const groups = new Map<string, { cause: Cause; points: Point[] }>();
  const put = (key: string, cause: Cause, point: Point): void => {
    const own = groups.get(key) ?? { cause, points: [] };
    groups.set(key, own);
    own.points.push(point);
  };
  for (const point of points) {
    const { by, visitKind, skinType } = point;
    if (by) put(`person/${by}`, { is: 'person', personId: by }, point);
    if (visitKind)
      put(`visit/${visitKind}`, { is: 'kind', kind: { by: 'visit', value: visitKind } }, point);
    if (skinType)
      put(`skin/${skinType}`, { is: 'kind', kind: { by: 'skin', value: skinType } }, point);
  }
  return [...groups.values()];
}

/** Whose visits differ while those of all others do not: of a person, or of a kind of guest. */
function oddGroup(
  points: readonly Point[],
  written: number,
  sigma: number,
): (Group & { readonly errors: number }) | undefined {
  const odd = groupsIn(points).flatMap((group) => {
    const own = new Set(group.points);
    const rest = points.filter((point) => !own.has(point));
    if (own.size < FEWEST || rest.length < FEWEST) return [];
    if (!isAsWritten(rest, group.points, written, sigma)) return [];
    return [{ ...group, errors: errorsApart(group.points, rest, sigma) }];
  });
  const [most] = odd.toSorted((a, b) => b.errors - a.errors);
  return most && most.errors >= NO_CHANCE ? most : undefined;
}

/** From which value on they differ while those before do not. */
function turningPoint(
  points: readonly Point[],
  written: number,
  sigma: number,
): { readonly at: number; readonly errors: number } | undefined {
  const upTo = runningSums(points, written);
  const all = upTo.length - 1;
  let best: { readonly at: number; readonly errors: number } | undefined;
  for (const at of splitsOf(points)) {
    const before = partOf(upTo, 0, at, sigma);
    const after = partOf(upTo, at, all, sigma);
    const errors = Math.abs(after.off - before.off) / Math.hypot(before.error, after.error);
    if (errors > (best?.errors ?? NO_CHANCE_OF_MANY)) best = { at, errors };
  }
  if (!best) return undefined;
  const before = partOf(upTo, 0, best.at, sigma);
  const after = partOf(upTo, best.at, all, sigma);
  return Math.abs(before.off) <= NOTHING_BESIDE * Math.abs(after.off) ? best : undefined;
}

interface Sums {
  readonly sum: number;
  readonly squares: number;
}

/** Sums from the first value on, so that any part of a long log is known at once. */
function runningSums(points: readonly Point[], written: number): readonly Sums[] {
  let [sum, squares] = [0, 0];
  const upTo: Sums[] = [{ sum, squares }];
  for (const { value } of points) {
    sum += value - written;
    squares += (value - written) ** 2;
    upTo.push({ sum, squares });
  }
  return upTo;
}

/** By how much a part of the values is off what is written, and the standard error of that. */
function partOf(
  upTo: readonly Sums[],
  from: number,
  until: number,
  sigma: number,
): { readonly off: number; readonly error: number } {
  const n = until - from;
  const sum = (upTo[until]?.sum ?? 0) - (upTo[from]?.sum ?? 0);
  const squares = (upTo[until]?.squares ?? 0) - (upTo[from]?.squares ?? 0);
  const spread = Math.sqrt(Math.max(0, (squares - (sum * sum) / n) / Math.max(1, n - 1)));
  return { off: sum / n, error: Math.max(sigma, spread) / Math.sqrt(n) };
}

/** In a long log one looks at so many places at the most. */
const MOST_SPLITS = 200;

function splitsOf({ length }: readonly Point[]): readonly number[] {
  const count = length - 2 * FEWEST + 1;
  if (count <= 0) return [];
  const every = Math.ceil(count / MOST_SPLITS);
  return Array.from({ length: Math.ceil(count / every) }, (_, at) => FEWEST + at * every);
}

/** What the visits of each person come to, each pulled towards the house; those with most visits first. */
export function byPerson(points: readonly Point[]): PersonPart[] {
  const house = meanOf(points.map(({ value }) => value));
  const people = new Map<PersonId, number[]>();
  for (const { by, value } of points) {
    if (by === undefined) continue;
    const own = people.get(by) ?? [];
    own.push(value);
    people.set(by, own);
  }
  return [...people]
    .map(([personId, values]): PersonPart => {
      const mean = meanOf(values);
      const pulled = house + weightOfLog(values.length) * (mean - house);
      return { personId, n: values.length, mean, pulled };
    })
    .toSorted((a, b) => b.n - a.n);
}

/** Of whom a visit was: who performed it, and what the guest is like. */
export function whoseOf({ plan, entry }: LogbookVisit): Omit<Point, 'visit' | 'value'> {
  const { performedBy: by, client } = entry;
  const skinType = client?.skinType;
  return { ...(by && { by }), visitKind: plan.visitKind, ...(skinType && { skinType }) };
}
