import type { House, Person, Role } from '../../house/house';
import type { Span } from '../../house/hours';
import type { PersonId, RoomId, ServiceId } from '../../house/ids';
import { weekSettingsOf } from '../capacity';
import { thereOn } from './conflicts';
import { isSkipped, type DayVisit } from './dayVisits';
import { handsIn, type VisitNeed } from '../needs';
import { guestKey, restMissed } from './guestRests';
import { countOf, occupiedBy, ofDay, slotOf, tooMany, type Occupied, type Taken } from './occupied';
import { openOn } from '../openTimes';
import { isWithin, sharedMinutes, without } from '../spans';
import { needOtherwise } from '../workedOtherwise';
import { servedBy, type Ready } from './sharedWork';
import type { DaysOfHouse } from './daysOfHouse';

/** Why a place is a good one, or what it leaves. */
export type FitReason =
  | { readonly kind: 'fills-gap' }
  | { readonly kind: 'right-after'; readonly visit: DayVisit }
  | { readonly kind: 'right-before'; readonly visit: DayVisit }
  | { readonly kind: 'staggered'; readonly visit: DayVisit }
  | { readonly kind: 'room-free-all-day' }
  /** made ready by another visit */
  | { readonly kind: 'spared'; readonly name: string; readonly minutes: number }
  | { readonly kind: 'wastes'; readonly minutes: number };

/** A place for a visit. Minutes of the day. */
export interface Fit {
  /** ISO date */
  readonly day: string;
  readonly starts: number;
  readonly roomId?: RoomId;
  readonly therapistId?: PersonId;
  readonly assistantId?: PersonId;
  readonly reasons: readonly FitReason[];
  /** minutes of its room beside it that are too short for any visit */
  readonly wasted: number;
  /** the longest time that its room is still free in one piece */
  readonly longestLeft: number;
}

/** A day and the visits that stand in it. */
export interface DayWithVisits {
  /** ISO date */
  readonly day: string;
  readonly visits: readonly DayVisit[];
  /** what they make ready for others; nothing where that is left aside */
  readonly ready?: readonly Ready[];
}

/** What of all places is asked for. */
export interface FitQuery {
  readonly personId?: PersonId;
  readonly roomId?: RoomId;
  /** minutes of the day within which it begins */
  readonly between?: Span;
  /** the minute of the day at which it begins, also beside the grid */
  readonly at?: number;
  /** for whom, whose rests are kept and who is nowhere twice; and the visit that is moved */
  readonly guest?: { readonly name: string; readonly key: string };
  /** worked within it */
  readonly addOnIds?: readonly ServiceId[];
}

/**
 * Where a visit fits on days: in a room of its kind, with somebody who may and is there and whose hands are free when
 * they are needed, also between the stretches of another visit, and a device for it. Places that leave least time
 * that is good for nothing come first (beside it is left less than the shortest visit of the menu), then those that
 * leave the longest time in one piece, then the earliest. Where others have made something ready, it takes less.
 * @see M3 W2
 */
export function whereFits(
  need: VisitNeed,
  days: readonly DayWithVisits[],
  of: DaysOfHouse,
  query: FitQuery = {},
): readonly Fit[] {
  const shortestSlot = shortestSlotOf(of.needs);
  return days
    .flatMap((day) => fitsOn(need, day, of, shortestSlot, query))
    .toSorted(
      (a, b) =>
        a.wasted - b.wasted ||
        b.longestLeft - a.longestLeft ||
        (a.day === b.day ? a.starts - b.starts : a.day < b.day ? -1 : 1),
    );
}

function fitsOn(
  alone: VisitNeed,
  { day, visits, ready = [] }: DayWithVisits,
  { house, figures, needs }: DaysOfHouse,
  shortestSlot: number,
  query: FitQuery,
): Fit[] {
  const { settings } = house;
  if (!settings.openHours) return [];
  const { addOnIds, guest } = query;
  const busy = guest ? visits.filter((each) => isOf(each, guest)).map(slotOf) : [];
  const asWritten = addOnIds ? needOtherwise(alone, { addOnIds }, house, figures) : alone;
  if (guest && restMissed({ ...guest, need: asWritten }, day, house, needs)) return [];
  const open = openOn(day, settings.openHours).spans;
  const occupied = occupiedBy(visits);
  const rooms = asWritten.isAddOn
    ? [undefined]
    : house.rooms.filter(
        ({ id, kind }) => kind === asWritten.roomKind && (!query.roomId || query.roomId === id),
      );
  const therapists = house.people.filter(
    ({ id }) => asWritten.therapistIds.includes(id) && (!query.personId || query.personId === id),
  );
  const assistants = house.people.filter(({ id }) => asWritten.assistantIds.includes(id));
  const there = new Map(
    [...therapists, ...assistants].map((person) => [person.id, thereOn(person, day, house)]),
  );
  const grid = settings.slotGridMinutes;
  const fits: Fit[] = [];
  for (const room of rooms) {
    const taken = room ? (occupied.rooms.get(room.id) ?? []) : [];
    const free = without(open, taken);
    for (const gap of free) {
      for (const starts of startsIn(gap, grid, query)) {
        const visit = {
          need: asWritten,
          starts,
          ...(room && { roomId: room.id }),
          ...(addOnIds && { addOnIds }),
        };
        const { need, from } = servedBy(ready, visit, house, figures);
        const slot = { from: starts, to: starts + need.slotMinutes };
        if (slot.to > gap.to || busy.some((each) => sharedMinutes(each, slot) > 0)) continue;
        if (isSkipped(day, starts, settings.timeZone)) continue;
        if (!devicesAreFree(need, starts, occupied, house)) continue;
        const search = { need, starts, roomId: room?.id, occupied, house, there };
        const free = whoIsFree(assistants, 'assistant', 'helped', search);
        const assistant = free === 'nobody' ? undefined : free;
        const helped = free === 'nobody' ? 'alone' : 'helped';
        const therapist = whoIsFree(therapists, 'therapist', helped, search);
        if (therapist === 'nobody') continue;
        const place = { gap, taken, starts, need, shortestSlot };
        const staggered = staggeredWith(therapist, starts, need, room?.id, occupied);
        fits.push({
          day,
          starts,
          ...(room && { roomId: room.id }),
          ...(therapist && { therapistId: therapist.id }),
          ...(assistant && { assistantId: assistant.id }),
          ...judged(place, staggered, from),
        });
      }
    }
  }
  return fits;
}

function isOf({ name }: DayVisit, guest: { readonly name: string }): boolean {
  return guestKey(name) !== '' && guestKey(name) === guestKey(guest.name);
}

/** The minutes of a gap at which a visit may begin. */
function startsIn(gap: Span, grid: number, { at, between = gap }: FitQuery): readonly number[] {
  if (at !== undefined) return at >= gap.from && at < gap.to ? [at] : [];
  const first = Math.ceil(Math.max(gap.from, between.from) / grid) * grid;
  const until = Math.min(gap.to, between.to);
  return Array.from(
    { length: Math.max(0, Math.ceil((until - first) / grid)) },
    (_, step) => first + step * grid,
  );
}

interface HandsSearch {
  readonly need: VisitNeed;
  readonly starts: number;
  readonly roomId: RoomId | undefined;
  readonly occupied: Occupied;
  readonly house: House;
  readonly there: ReadonlyMap<PersonId, readonly Span[]>;
}

/** Somebody who is there and free whenever hands are needed, with the walk to and from other rooms. */
function whoIsFree(
  people: readonly Person[],
  role: Role,
  helped: 'helped' | 'alone',
  { need, starts, roomId, occupied, house, there }: HandsSearch,
): Person | undefined | 'nobody' {
  const stretches = ofDay(handsIn(need, role, helped), starts);
  if (stretches.length === 0) return undefined;
  const { walkMinutes } = weekSettingsOf(house);
  const isFree = ({ id }: Person): boolean => {
    const spans = there.get(id) ?? [];
    if (!stretches.every((each) => isWithin(each, spans))) return false;
    return (occupied.people.get(id) ?? []).every((busy) => {
      const walk = busy.visit.roomId === roomId ? 0 : walkMinutes;
      return stretches.every(
        (each) => each.from >= busy.to + walk - SAME || each.to + walk <= busy.from + SAME,
      );
    });
  };
  return people.find(isFree) ?? 'nobody';
}

const SAME = 1e-6;

function devicesAreFree(
  need: VisitNeed,
  starts: number,
  occupied: Occupied,
  house: House,
): boolean {
  return [...need.devices].every(([id, spans]) => {
    const count = countOf(id, house);
    const there = occupied.devices.get(id) ?? [];
    if (there.length === 0) return count > 0;
    const mine = ofDay(spans, starts);
    const beside = there.filter((each) => mine.some((span) => sharedMinutes(each, span) > 0));
    const visit = { key: '', name: '', need, starts };
    return tooMany([...beside, ...mine.map((span) => ({ ...span, visit }))], count).length === 0;
  });
}

/** The visit in another room between whose stretches this one fits. */
function staggeredWith(
  therapist: Person | undefined,
  starts: number,
  need: VisitNeed,
  roomId: RoomId | undefined,
  { people }: Occupied,
): DayVisit | undefined {
  const slot = { from: starts, to: starts + need.slotMinutes };
  return therapist
    ? people
        .get(therapist.id)
        ?.find(
          ({ visit }) =>
            visit.roomId !== roomId &&
            sharedMinutes(slot, { from: visit.starts, to: visit.starts + visit.need.slotMinutes }) >
              0,
        )?.visit
    : undefined;
}

function judged(
  {
    gap,
    taken,
    starts,
    need,
    shortestSlot,
  }: {
    readonly gap: Span;
    readonly taken: readonly Taken[];
    readonly starts: number;
    readonly need: VisitNeed;
    readonly shortestSlot: number;
  },
  staggered: DayVisit | undefined,
  from: readonly Ready[],
): Pick<Fit, 'reasons' | 'wasted' | 'longestLeft'> {
  const ends = starts + need.slotMinutes;
  const [before, after] = [starts - gap.from, gap.to - ends];
  const lost = (minutes: number): number => (minutes < shortestSlot ? minutes : 0);
  const wasted = lost(before) + lost(after) - lost(gap.to - gap.from);
  const ahead = taken.find(({ to }) => Math.abs(to - starts) < SAME);
  const behind = taken.find(({ from }) => Math.abs(from - ends) < SAME);
  const reasons: FitReason[] = [];
  if (before < SAME && after < SAME && taken.length > 0) reasons.push({ kind: 'fills-gap' });
  else if (ahead) reasons.push({ kind: 'right-after', visit: ahead.visit });
  else if (behind) reasons.push({ kind: 'right-before', visit: behind.visit });
  else if (taken.length === 0 && !need.isAddOn) reasons.push({ kind: 'room-free-all-day' });
  if (staggered) reasons.push({ kind: 'staggered', visit: staggered });
  for (const { work } of from)
    reasons.push({ kind: 'spared', name: work.name, minutes: work.made?.minutes ?? 0 });
  if (wasted > 0) reasons.push({ kind: 'wastes', minutes: wasted });
  return { reasons, wasted: Math.max(0, wasted), longestLeft: Math.max(before, after) };
}

/** A service that fits into a gap, and what it brings. Minor units. */
export interface FitsHere {
  readonly need: VisitNeed;
  readonly fit: Fit;
  readonly contribution: number;
}

/**
 * What fits into a gap of a room, what brings most first; each service at the place in it that leaves least wasted.
 * @param gap minutes of the day
 */
export function whatFits(
  gap: Span,
  roomId: RoomId,
  day: DayWithVisits,
  of: DaysOfHouse,
): readonly FitsHere[] {
  return of.needs
    .flatMap((need): FitsHere[] => {
      if (need.isAddOn) return [];
      const [fit] = whereFits(need, [day], of, { roomId, between: gap });
      return fit ? [{ need, fit, contribution: need.contribution }] : [];
    })
    .toSorted((a, b) => b.contribution - a.contribution);
}

/** The shortest slot of the menu, add-ons not counted; a quarter of an hour where there is none. */
export function shortestSlotOf(needs: readonly VisitNeed[]): number {
  const slots = needs.flatMap(({ isAddOn, slotMinutes }) => (isAddOn ? [] : slotMinutes));
  return slots.length > 0 ? Math.min(...slots) : 15;
}

/** When the rooms of a house are free on a day, while it is open. */
export function gapsOf(
  { day, visits }: DayWithVisits,
  house: House,
): readonly { readonly roomId: RoomId; readonly gap: Span }[] {
  const { openHours } = house.settings;
  if (!openHours) return [];
  const open = openOn(day, openHours).spans;
  const { rooms } = occupiedBy(visits);
  return house.rooms.flatMap(({ id }) =>
    without(open, rooms.get(id) ?? []).map((gap) => ({ roomId: id, gap })),
  );
}
