import type { RoomKind } from '../house/house';
import type { DeviceId, MaterialId, PersonId } from '../house/ids';
import type { Span } from '../house/hours';
import type { Capacity } from './capacity';
import type { VisitNeed } from './needs';
import { sharedMinutes } from './spans';

const HOURS = 24;

/** What visits share: rooms of a kind, people who may do the same, devices of a kind, linen. */
export type Pool =
  | { readonly kind: 'room'; readonly roomKind: RoomKind }
  | { readonly kind: 'hands'; readonly personIds: readonly PersonId[] }
  | { readonly kind: 'person'; readonly personId: PersonId }
  | { readonly kind: 'device'; readonly deviceId: DeviceId }
  | { readonly kind: 'hot-towels'; readonly deviceId: DeviceId }
  | { readonly kind: 'linen'; readonly materialId: MaterialId };

/** How much of something a week takes. Minutes, of linen and hot towels pieces; days are Monday first. */
export interface PoolLoad {
  readonly pool: Pool;
  /** whose names they are */
  readonly names: readonly string[];
  readonly load: readonly number[];
  /** of what there is, what visits can fill */
  readonly capacity: readonly number[];
  /** by day and hour; nothing for linen */
  readonly hours?: readonly (readonly HourLoad[])[];
  /** the visits a week that it carries when they come as these do; nothing where none need it */
  readonly carries: number | null;
  /** the day on which it gives out first, counted from Monday */
  readonly firstDay: number;
}

/** One hour of a day: what is there, and what is taken of it. Minutes, of hot towels pieces. */
export interface HourLoad {
  readonly there: number;
  readonly taken: number;
}

/** Visits of a service that begin at a minute of a day of the week. */
export interface Placed {
  readonly need: VisitNeed;
  readonly day: number;
  readonly starts: number;
  readonly visits: number;
}

/** A day of something: what is taken, what can be filled, the share of it, and what is still free. */
export interface DayLoad {
  readonly taken: number;
  readonly there: number;
  /** nothing where nothing is there */
  readonly share: number | null;
  readonly free: number;
}

/** Something day by day. */
export function daysOfLoad({
  load,
  capacity,
}: Pick<PoolLoad, 'load' | 'capacity'>): readonly DayLoad[] {
  return load.map((taken, day) => {
    const there = capacity[day] ?? 0;
    return { taken, there, share: there > 0 ? taken / there : null, free: there - taken };
  });
}

/** What is free of something in a week. Minutes, of linen pieces; below 0 where more is taken than there is. */
export function freeOf({ load, capacity }: Pick<PoolLoad, 'load' | 'capacity'>): number {
  return capacity.reduce((sum, each, day) => sum + each - (load[day] ?? 0), 0);
}

/** An hour of a day. */
export function hourOf(hour: number): Span {
  return { from: hour * 60, to: hour * 60 + 60 };
}

/** The hours of a day that a stretch of it lies in, with its minutes in each. */
export function* byHour(span: Span): Generator<readonly [hour: number, minutes: number]> {
  for (let hour = Math.floor(span.from / 60); hour * 60 < span.to && hour < HOURS; hour += 1)
    yield [hour, sharedMinutes(span, hourOf(hour))];
}

/** How much of something is there in an hour of a day, counted from Monday. Minutes, of hot towels pieces. */
export function thereIn(
  of: readonly Omit<Capacity, 'resource'>[],
  day: number,
  hour: number,
): number {
  const span = hourOf(hour);
  return of.reduce(
    (sum, { spans, atOnce }) =>
      sum +
      atOnce * (spans[day] ?? []).reduce((each, other) => each + sharedMinutes(span, other), 0),
    0,
  );
}

/** On which day something gives out first, and how many visits a week it carries until then. */
export function firstOut(
  load: readonly number[],
  capacity: readonly number[],
  visits: number,
): Pick<PoolLoad, 'carries' | 'firstDay'> {
  let carries: number | null = null;
  let firstDay = 0;
  load.forEach((taken, day) => {
    if (taken <= 0) return;
    const fits = (visits * (capacity[day] ?? 0)) / taken;
    if (carries === null || fits < carries) [carries, firstDay] = [fits, day];
  });
  return { carries, firstDay };
}

/** Nothing, so many times. */
export function zeros(length: number): number[] {
  return Array.from({ length }, () => 0);
}
