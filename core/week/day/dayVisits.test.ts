import { describe, expect, it } from 'vitest';
import { asId } from '../../house/ids';
import type { House } from '../../house/house';
import { readCalendar } from '../../calendar/readCalendar';
import { bookOf, idInBook } from '../../restock/bookOf';
import { forecastOf } from '../../restock/forecast';
import { bookedToday } from '../../run/bookedToday';
import { guestOf, whoseRun } from '../../run/whoseRun';
import {
  check,
  DAY,
  daysOf,
  demo,
  NOW,
  placed,
  TODAY,
  visitsOf,
} from '../../../contract/testing/placedDay';
import { calendarOfDay } from './calendarOfDay';
import { atMinute, isSkipped } from './dayVisits';
import { sheetsOf } from './daySheet';
import { placedAt } from './placing';
import { drawnOn, visitsOn } from './workedDay';

describe('a day', () => {
  it('has the visits of the book, each once, and those placed where they were placed', () => {
    const booked = visitsOf({ ...demo, placed: [] });
    expect(booked.length).toBeGreaterThan(5);
    const [first] = booked;
    const moved = placed('clay-facial', '12:00', 'duna', 'ione', {
      bookingId: first!.booking!.id,
      bookedAt: first!.booking!.at,
    });
    const visits = visitsOf({ ...demo, placed: [moved] });
    expect(visits).toHaveLength(booked.length);
    expect(visits.find(({ key }) => key === moved.id)).toMatchObject({ starts: 720 });
    const elsewhere = { ...moved, at: atMinute('2026-11-28', 720, demo.settings.timeZone) };
    expect(visitsOf({ ...demo, placed: [elsewhere] })).toHaveLength(booked.length - 1);
  });

  it('tells when the book has moved a visit since it was placed', () => {
    const [first] = visitsOf(demo);
    const booking = first!.booking!;
    const visit = placed('clay-facial', '10:00', 'lava', 'mateo', {
      bookingId: booking.id,
      bookedAt: atMinute(DAY, 900, demo.settings.timeZone),
    });
    const house = { ...demo, placed: [visit] };
    const found = check(house);
    expect(found.find(({ kind }) => kind === 'book-moved')).toMatchObject({
      name: DAY,
      figure: first!.starts,
    });
    const without = { ...house, bookings: demo.bookings.filter(({ id }) => id !== booking.id) };
    expect(check(without).map(({ kind }) => kind)).toContain('book-gone');
  });

  it('shows courses that are due and nobody has placed', () => {
    const days = Array.from({ length: 40 }, (_, at) =>
      new Date(Date.UTC(2026, 10, 25 + at)).toISOString().slice(0, 10),
    );
    const due = days.flatMap((day) =>
      visitsOn(daysOf(demo), day).due.map((each) => ({ day, each })),
    );
    const [one] = due;
    expect(one).toBeDefined();
    const visit = placed(one!.each.need.service.id, '12:00', 'lava', 'ione', {
      soldCourseId: one!.each.soldCourseId,
    });
    expect(visitsOn(daysOf({ ...demo, placed: [visit] }), one!.day).due).not.toContainEqual(
      one!.each,
    );
  });

  it('counts for the shelf and the room as it is placed, also what is in no program', () => {
    const [first] = demo.bookings.filter(({ at }) => at.startsWith(DAY));
    const byHand = placed('lift', '15:00', 'duna', 'ione');
    const moved = placed('clay-facial', '18:00', 'lava', 'mateo', {
      bookingId: first!.id,
      bookedAt: first!.at,
    });
    const house = { ...demo, placed: [byHand, moved] };
    const book = bookOf(house);
    expect(book).toHaveLength(demo.bookings.length + 1);
    expect(book.find(({ id }) => id === first!.id)?.at).toBe(moved.at);
    expect(book.map(({ at }) => at)).toEqual(book.map(({ at }) => at).toSorted());
    const lifts = (of: House): number => forecastOf(of, TODAY).get(asId('lift'))?.bookings ?? 0;
    expect(lifts(house)).toBeGreaterThan(lifts({ ...demo, placed: [] }));
    const clock = { now: new Date(`${DAY}T09:00:00Z`), timeZone: demo.settings.timeZone };
    const today = bookedToday(house, clock);
    expect(today.find(({ placed: of }) => of?.id === byHand.id)).toMatchObject({
      service: { id: 'lift' },
    });
    expect(today.find(({ booking }) => booking.id === first!.id)?.placed).toBe(moved);
    const entered = { ...house.log, entered: [idInBook(byHand)] };
    expect(bookedToday({ ...house, log: entered }, clock)).toHaveLength(today.length - 1);
  });

  it('tells the room whose run it is: who was placed, else who alone is there', () => {
    const clay = demo.services.find(({ id }) => id === 'clay-facial')!;
    const at = (time: string) => ({
      now: new Date(`${DAY}T${time}:00Z`),
      timeZone: demo.settings.timeZone,
    });
    const visit = placed('clay-facial', '10:00', 'lava', 'mateo');
    expect(whoseRun(demo, clay, visit, at('16:00'))).toBe('mateo');
    expect(whoseRun(demo, clay, undefined, at('16:00'))).toBe('ione');
    expect(whoseRun(demo, clay, undefined, at('20:00'))).toBeUndefined();
    expect(guestOf({ ...visit, name: 'Alma R.' }, demo)).toBe('Alma R.');
    expect(guestOf({ ...visit, name: 'Black-sand clay facial' }, demo)).toBe('');
  });

  it('is kept under the booking that it is, so that two who place it at once place one visit', () => {
    const [first] = visitsOf({ ...demo, placed: [] });
    const ids = [1, 2].map(
      (each) => placedAt(first!, {}, DAY, demo.settings.timeZone, () => asId(`new-${each}`)).id,
    );
    expect(ids[0]).toBe(ids[1]);
    expect(ids[0]).toMatch(/^[A-Za-z0-9_-]{1,64}$/);
    const put = placedAt(
      { ...first!, roomId: asId('lava') },
      { starts: 700, roomId: null, name: ' Alma ' },
      DAY,
      demo.settings.timeZone,
      () => asId('new'),
    );
    expect(put).toMatchObject({ name: 'Alma', at: atMinute(DAY, 700, demo.settings.timeZone) });
    expect(put.roomId).toBeUndefined();
  });

  it('goes out as a calendar, and as a sheet for each room and person', () => {
    const visits = drawnOn(daysOf(demo), DAY).visits;
    const { bookings } = readCalendar(
      calendarOfDay(demo, DAY, visits, NOW),
      TODAY,
      demo.settings.timeZone,
    );
    expect(bookings.map(({ at, minutes }) => [at, minutes])).toEqual(
      visits.map(({ starts, need }) => [
        atMinute(DAY, starts, demo.settings.timeZone),
        need.slotMinutes,
      ]),
    );
    const sheets = sheetsOf(visits, demo);
    const lines = (of: string): number =>
      sheets.filter((sheet) => sheet.of === of).reduce((sum, sheet) => sum + sheet.lines.length, 0);
    expect(lines('room')).toBe(visits.filter(({ roomId }) => roomId).length);
    expect(lines('person')).toBe(
      visits.reduce(
        (sum, { therapistId, assistantId }) => sum + (therapistId ? 1 : 0) + (assistantId ? 1 : 0),
        0,
      ),
    );
  });

  it('begins where the clocks of the house say, and knows the hour that they skip', () => {
    expect(atMinute('2026-07-01', 630, 'Atlantic/Canary')).toBe('2026-07-01T09:30:00Z');
    expect(isSkipped('2027-03-28', 90, 'Atlantic/Canary')).toBe(true);
    expect(isSkipped('2027-03-28', 150, 'Atlantic/Canary')).toBe(false);
  });
});
