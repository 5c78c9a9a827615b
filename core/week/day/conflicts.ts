import { daysAfter, dayOf } from '../../days/days';
import type { House } from '../../house/house';
import type { RestRule } from '../../house/rests';
import type { Span } from '../../house/hours';
import { weekSettingsOf } from '../capacity';
import { isSkipped, type DayVisit } from './dayVisits';
import { guestKey, restMissed } from './guestRests';
import type { VisitNeed } from '../needs';
import { countOf, occupiedBy, slotOf, stretchesOf, tooMany, whoOf, type Taken } from './occupied';
import { openOn } from '../openTimes';
import { workOn } from '../roster';
import { DAY_MINUTES, isWithin, within } from '../spans';
import { minuteOfDay } from '../weekVisits';

/** What does not fit in a day. */
export const CONFLICT_KINDS = [
  'room-twice',
  'room-kind',
  'no-room',
  'hands-twice',
  'no-walk',
  'nobody',
  'may-not',
  'not-offered',
  'not-there',
  'closed',
  'past-midnight',
  'skipped-hour',
  'device',
  'hot-towels',
  'linen',
  'rest',
  'guest-twice',
  'book-moved',
  'book-gone',
] as const;
export type ConflictKind = (typeof CONFLICT_KINDS)[number];

/** Something of a day that does not fit: which visits, when, and over what. Minutes of the day. */
export interface Conflict {
  readonly kind: ConflictKind;
  /** the later of the visits last: it is the one to move */
  readonly visits: readonly DayVisit[];
  readonly span: Span;
  /** the person, room, device or material it is about; the day on which the book has it */
  readonly name?: string;
  /** days of rest, pieces that are missing, minutes */
  readonly figure?: number;
  /** the kinds of work that need the rest between them, in the order in which they are done */
  readonly rest?: RestRule;
}

const SAME = 1e-6;

/** A day of a house, and what is placed in it. */
export interface DayToCheck {
  readonly house: House;
  readonly needs: readonly VisitNeed[];
  /** ISO date */
  readonly day: string;
  readonly visits: readonly DayVisit[];
  /** those of a day before it, whose linen may still be in the laundry */
  readonly visitsBefore: (day: string) => readonly DayVisit[];
}

/**
 * What does not fit in a day: rooms, hands and devices that are taken twice, walks that nobody has the time for,
 * people who may not or are not there, closed hours, towels that are not hot or not back from the laundry, guests who
 * need a rest.
 * @see K1 K2 W2 W3 S7
 */
export function conflictsOf(day: DayToCheck): readonly Conflict[] {
  const placed = day.visits.filter(
    ({ roomId, therapistId, placed: has }) => roomId ?? therapistId ?? has,
  );
  return [
    ...day.visits.flatMap((visit) => ofOne(visit, day)),
    ...ofRooms(placed, day),
    ...ofPeople(placed, day),
    ...ofDevices(placed, day),
    ...ofHotTowels(day),
    ...ofLinen(day),
    ...ofGuests(day),
  ].toSorted((a, b) => a.span.from - b.span.from);
}

/** What does not fit of one visit for itself. */
function ofOne(visit: DayVisit, { house, day }: DayToCheck): Conflict[] {
  const { need, starts, roomId, inBookNow } = visit;
  const span = slotOf(visit);
  const found: Conflict[] = [];
  const add = (kind: ConflictKind, more: Partial<Conflict> = {}): void => {
    found.push({ kind, visits: [visit], span, ...more });
  };
  const room = house.rooms.find(({ id }) => id === roomId);
  if (!need.isAddOn && !room) add('no-room');
  if (room && !need.isAddOn && room.kind !== need.roomKind) add('room-kind', { name: room.name });
  if (span.to > DAY_MINUTES) add('past-midnight');
  if (isSkipped(day, starts, house.settings.timeZone)) add('skipped-hour');
  const { openHours } = house.settings;
  if (openHours) {
    const open = openOn(day, openHours);
    if (!isWithin(span, open.spans)) {
      add('closed', { ...(open.otherwise !== undefined && { name: open.otherwise }) });
    }
  }
  for (const role of ['therapist', 'assistant'] as const) {
    const stretches = stretchesOf(visit, role);
    if (stretches.length === 0) continue;
    const may = role === 'therapist' ? need.therapistIds : need.assistantIds;
    const id = whoOf(visit, role);
    const person = house.people.find((each) => each.id === id);
    if (!person) {
      add('nobody');
      continue;
    }
    if (!may.includes(person.id)) add('may-not', { name: person.name });
    const work = workOn(person, day);
    const away = stretches.filter((each) => !isWithin(each, work.spans));
    const first = away[0];
    if (first && person.hours) {
      add('not-there', {
        name: person.name,
        span: { from: first.from, to: away.at(-1)?.to ?? first.to },
      });
    }
  }
  for (const id of visit.addOnIds ?? []) {
    if (need.addOns.some((addOn) => addOn.id === id)) continue;
    const name = house.services.find((service) => service.id === id)?.name;
    add('not-offered', { ...(name !== undefined && { name }) });
  }
  if (inBookNow === 'gone') add('book-gone');
  else if (inBookNow) {
    const { timeZone } = house.settings;
    const at = new Date(inBookNow.at);
    add('book-moved', { name: dayOf(at, timeZone), figure: minuteOfDay(at, timeZone) });
  }
  return found;
}

function ofRooms(visits: readonly DayVisit[], { house }: DayToCheck): Conflict[] {
  return [...occupiedBy(visits).rooms].flatMap(([id, taken]) =>
    tooMany(taken, 1).map(({ span, visits: both }): Conflict => ({
      kind: 'room-twice',
      visits: both,
      span,
      name: house.rooms.find((room) => room.id === id)?.name ?? '',
    })),
  );
}

function ofPeople(visits: readonly DayVisit[], { house }: DayToCheck): Conflict[] {
  const { walkMinutes } = weekSettingsOf(house);
  return [...occupiedBy(visits).people].flatMap(([id, taken]) => {
    const name = house.people.find((person) => person.id === id)?.name ?? '';
    const twice = tooMany(taken, 1).map(({ span, visits: both }): Conflict => ({
      kind: 'hands-twice',
      visits: both,
      span,
      name,
    }));
    return [...twice, ...walks(taken, walkMinutes, name)];
  });
}

/** Stretches of one person in two rooms with less time between than the walk takes. */
function walks(taken: readonly Taken[], walkMinutes: number, name: string): Conflict[] {
  const inOrder = taken.toSorted((a, b) => a.from - b.from);
  return inOrder.flatMap((each, at): Conflict[] => {
    const next = inOrder[at + 1];
    if (!next || next.visit === each.visit || next.visit.roomId === each.visit.roomId) return [];
    const between = next.from - each.to;
    return between >= -SAME && between < walkMinutes - SAME
      ? [
          {
            kind: 'no-walk',
            visits: [each.visit, next.visit],
            span: { from: each.to, to: next.from + SAME },
            name,
            figure: walkMinutes,
          },
        ]
      : [];
  });
}

function ofDevices(visits: readonly DayVisit[], { house }: DayToCheck): Conflict[] {
  return [...occupiedBy(visits).devices].flatMap(([id, taken]) =>
    tooMany(taken, countOf(id, house)).map(({ span, visits: all }): Conflict => ({
      kind: 'device',
      visits: all,
      span,
      name: house.devices.find((device) => device.id === id)?.name ?? '',
      figure: countOf(id, house),
    })),
  );
}

/** More hot towels taken than are ready by then: one that is taken is hot again after the minutes of the warmer. */
function ofHotTowels({ visits, house }: DayToCheck): Conflict[] {
  const warmers = house.devices.filter(({ heats }) => heats);
  if (warmers.length === 0) return [];
  const holds = warmers.reduce((sum, { heats, count }) => sum + (heats?.pieces ?? 0) * count, 0);
  const takes = Math.max(...warmers.map(({ heats }) => heats?.minutes ?? 0));
  const taken = visits
    .flatMap((visit) =>
      visit.need.hotTowels.map(({ at, pieces }) => ({ visit, at: visit.starts + at, pieces })),
    )
    .toSorted((a, b) => a.at - b.at);
  const found: Conflict[] = [];
  for (const each of taken) {
    const out = taken.filter(({ at }) => at > each.at - takes && at <= each.at);
    const pieces = out.reduce((sum, one) => sum + one.pieces, 0);
    if (pieces <= holds) continue;
    found.push({
      kind: 'hot-towels',
      visits: [...new Set(out.map(({ visit }) => visit))],
      span: { from: each.at, to: each.at + 1 },
      name: warmers.map(({ name }) => name).join(', '),
      figure: pieces - holds,
    });
  }
  return found;
}

/** Linen that is still in the laundry: what this day and those before it take of it, beside what there is. */
function ofLinen({ house, day, visits, visitsBefore }: DayToCheck): Conflict[] {
  const found: Conflict[] = [];
  for (const material of house.materials) {
    if (material.kind !== 'linen' || !material.loop) continue;
    const { pieces, washDays } = material.loop;
    const takenOn = (list: readonly DayVisit[]): number =>
      list.reduce((sum, { need }) => sum + (need.linen.get(material.id) ?? 0), 0);
    let before = 0;
    for (let back = 1; back < Math.max(1, washDays); back += 1) {
      before += takenOn(visitsBefore(daysAfter(day, -back)));
    }
    let left = pieces - before;
    const short: DayVisit[] = [];
    for (const visit of visits) {
      const takes = visit.need.linen.get(material.id) ?? 0;
      left -= takes;
      if (takes > 0 && left < -SAME) short.push(visit);
    }
    const first = short[0];
    if (!first) continue;
    found.push({
      kind: 'linen',
      visits: short,
      span: slotOf(first),
      name: material.name,
      figure: Math.ceil(-left),
    });
  }
  return found;
}

/** One guest twice at once, or again before the skin has had its rest. */
function ofGuests({ visits, house, day, needs }: DayToCheck): Conflict[] {
  return visits.flatMap((visit, at): Conflict[] => {
    const guest = guestKey(visit.name);
    if (!guest) return [];
    const { name } = visit;
    const span = slotOf(visit);
    const twice = visits
      .slice(0, at)
      .filter((other) => guestKey(other.name) === guest && slotOf(other).to > span.from + SAME)
      .map((other): Conflict => ({ kind: 'guest-twice', visits: [other, visit], span, name }));
    const rest = restMissed(visit, day, house, needs);
    return rest
      ? [
          ...twice,
          {
            kind: 'rest',
            visits: [visit],
            span,
            name,
            figure: rest.days,
            ...(rest.rule && { rest: rest.rule }),
          },
        ]
      : twice;
  });
}

/** When somebody is there on a day while the house is open. */
export function thereOn(
  person: House['people'][number],
  day: string,
  { settings }: Pick<House, 'settings'>,
): readonly Span[] {
  const work = workOn(person, day).spans;
  return settings.openHours ? within(work, openOn(day, settings.openHours).spans) : work;
}
