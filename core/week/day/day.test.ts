import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '../../figures/createCalculator';
import { asId } from '../../house/ids';
import type { House, PlacedVisit } from '../../house/house';
import { demoAsOf } from '../../../contract/testing/demo';
import { readCalendar } from '../../calendar/readCalendar';
import { bookOf, idInBook } from '../../restock/bookOf';
import { forecastOf } from '../../restock/forecast';
import { bookedToday } from '../../run/bookedToday';
import { guestOf, whoseRun } from '../../run/whoseRun';
import { addOnsHere } from './addOnsHere';
import { calendarOfDay } from './calendarOfDay';
import { conflictsOf, type ConflictKind } from './conflicts';
import { sheetsOf } from './daySheet';
import { sharedWork } from './sharedWork';
import { placedAt } from './placing';
import { atMinute, isSkipped, visitsOfDay, type DayVisit } from './dayVisits';
import { gapsOf, shortestSlotOf, whatFits, whereFits } from './fits';
import { needsOf } from '../needs';
import { proposed } from './propose';

/* The newest day of the demo house, so that none of its days is moved. */
const NOW = new Date('2026-11-25T12:00:00Z');
const TODAY = '2026-11-25';
const DAY = '2026-11-27';
const demo = demoAsOf(NOW);
const figures = createCalculator()(demo);
const needs = needsOf(demo, figures);
const shortest = shortestSlotOf(needs);
const empty: House = { ...demo, bookings: [], placed: [], soldCourses: [] };

let made = 0;

/** A visit that the house has placed. */
function placed(
  serviceId: string,
  time: string,
  roomId: string,
  therapistId: string,
  more: Partial<PlacedVisit> = {},
): PlacedVisit {
  const [hour = 0, minute = 0] = time.split(':').map(Number);
  made += 1;
  return {
    id: asId(`placed-${made}`),
    name: `Guest ${made}`,
    serviceId: asId(serviceId),
    at: atMinute(DAY, hour * 60 + minute, demo.settings.timeZone),
    roomId: asId(roomId),
    therapistId: asId(therapistId),
    ...more,
  };
}

function visitsOf(house: House, day = DAY): readonly DayVisit[] {
  return visitsOfDay(house, needs, day, TODAY).visits;
}

/** What does not fit of these visits. */
function conflicts(
  ...visits: PlacedVisit[]
): readonly { kind: ConflictKind; name?: string; figure?: number }[] {
  const house = { ...empty, placed: visits };
  return conflictsOf({ house, needs, day: DAY, today: TODAY, visits: visitsOf(house) }).map(
    ({ kind, name, figure }) => ({
      kind,
      ...(name && { name }),
      ...(figure !== undefined && { figure }),
    }),
  );
}

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
    const found = conflictsOf({ house, needs, day: DAY, today: TODAY, visits: visitsOf(house) });
    expect(found.find(({ kind }) => kind === 'book-moved')).toMatchObject({
      name: DAY,
      figure: first!.starts,
    });
    const without = { ...house, bookings: demo.bookings.filter(({ id }) => id !== booking.id) };
    expect(
      conflictsOf({
        house: without,
        needs,
        day: DAY,
        today: TODAY,
        visits: visitsOf(without),
      }).map(({ kind }) => kind),
    ).toContain('book-gone');
  });

  it('shows courses that are due and nobody has placed', () => {
    const days = Array.from({ length: 40 }, (_, at) =>
      new Date(Date.UTC(2026, 10, 25 + at)).toISOString().slice(0, 10),
    );
    const due = days.flatMap((day) =>
      visitsOfDay(demo, needs, day, TODAY).due.map((each) => ({ day, each })),
    );
    const [one] = due;
    expect(one).toBeDefined();
    const visit = placed(one!.each.need.service.id, '12:00', 'lava', 'ione', {
      soldCourseId: one!.each.soldCourseId,
    });
    expect(
      visitsOfDay({ ...demo, placed: [visit] }, needs, one!.day, TODAY).due,
    ).not.toContainEqual(one!.each);
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
    const visits = proposed(visitsOf(demo), DAY, needs, demo);
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

describe('what does not fit', () => {
  it('is nothing where everybody and everything is there once', () => {
    expect(
      conflicts(placed('clay-facial', '10:00', 'lava', 'mateo', { assistantId: asId('olaya') })),
    ).toEqual([]);
  });

  it('is a room twice at once, and not where one ends as the other begins', () => {
    const first = placed('corrector', '11:00', 'lava', 'nerea');
    expect(conflicts(first, placed('corrector', '11:30', 'lava', 'nerea'))).toContainEqual({
      kind: 'room-twice',
      name: 'Lava',
    });
    expect(conflicts(first, placed('corrector', '11:40', 'lava', 'nerea'))).toEqual([]);
  });

  it('is the hands of one person in two rooms, and the walk that they have no time for', () => {
    expect(
      conflicts(
        placed('needle', '11:00', 'lava', 'nerea'),
        placed('needle', '12:00', 'duna', 'nerea'),
      ).map(({ kind }) => kind),
    ).toContain('hands-twice');
    /* Hands are free after 75.6 minutes, and needed in the other room at 76. */
    const kinds = conflicts(
      placed('lift', '11:00', 'lava', 'nerea'),
      placed('needle', '12:16', 'duna', 'nerea'),
    ).map(({ kind }) => kind);
    expect(kinds).toContain('no-walk');
    expect(kinds).not.toContain('hands-twice');
  });

  it('is a room of the wrong kind, somebody who may not, somebody who is not there', () => {
    expect(conflicts(placed('body-polish', '17:00', 'lava', 'dacil'))).toEqual(
      expect.arrayContaining([
        { kind: 'room-kind', name: 'Lava' },
        { kind: 'not-there', name: 'Dacil' },
      ]),
    );
    expect(conflicts(placed('clay-facial', '10:00', 'lava', 'nerea'))).toContainEqual({
      kind: 'may-not',
      name: 'Nerea',
    });
  });

  it('is closed hours, midnight, no room and nobody', () => {
    expect(conflicts(placed('needle', '18:30', 'lava', 'ione')).map(({ kind }) => kind)).toContain(
      'closed',
    );
    expect(conflicts(placed('needle', '23:30', 'lava', 'ione')).map(({ kind }) => kind)).toContain(
      'past-midnight',
    );
    const {
      roomId: _room,
      therapistId: _hands,
      ...nowhere
    } = placed('needle', '12:00', 'lava', 'ione');
    expect(conflicts(nowhere).map(({ kind }) => kind)).toEqual(['no-room', 'nobody']);
  });

  it('is a device that is there once', () => {
    const kinds = conflicts(
      placed('needle', '11:00', 'lava', 'nerea'),
      placed('needle', '11:10', 'duna', 'ione'),
    );
    expect(kinds).toContainEqual({ kind: 'device', name: 'Fine-needle pen', figure: 1 });
  });

  it('is a guest twice at once, and one who has had no rest', () => {
    const guest = { name: 'Alma R.' };
    const first = placed('needle', '11:00', 'lava', 'nerea', guest);
    expect(
      conflicts(first, placed('corrector', '11:30', 'duna', 'ione', { name: 'alma r. ' })),
    ).toContainEqual({
      kind: 'guest-twice',
      name: 'alma r. ',
    });
    const rest = demo.protocols.find(
      ({ id }) => id === needs.find(({ service }) => service.id === 'needle')!.service.protocolId,
    )!.around!.spacing!.leastDays;
    const yesterday = {
      ...placed('needle', '11:00', 'lava', 'nerea', guest),
      at: atMinute('2026-11-26', 660, demo.settings.timeZone),
    };
    expect(conflicts(first, yesterday)).toContainEqual({
      kind: 'rest',
      name: 'Alma R.',
      figure: rest,
    });
  });

  it('is linen that is still in the laundry, and towels that are not hot yet', () => {
    const few = (id: string, pieces: number): House['materials'] =>
      demo.materials.map((material) =>
        material.id === id && material.kind === 'linen'
          ? { ...material, loop: { ...material.loop!, pieces } }
          : material,
      );
    const visits = [
      placed('warm-sand', '14:00', 'lava', 'mateo'),
      placed('enzyme-facial', '14:00', 'duna', 'ione'),
    ];
    const check = (house: House) =>
      conflictsOf({ house, needs, day: DAY, today: TODAY, visits: visitsOf(house) });
    const linen = check({ ...empty, placed: visits, materials: few('face-towel', 7) });
    expect(linen.find(({ kind }) => kind === 'linen')).toMatchObject({
      name: 'Face towel',
      figure: 3,
    });
    const cold = demo.devices.map((device) =>
      device.heats ? { ...device, heats: { pieces: 1, minutes: 40 } } : device,
    );
    expect(check({ ...empty, placed: visits, devices: cold }).map(({ kind }) => kind)).toContain(
      'hot-towels',
    );
    expect(check({ ...empty, placed: visits }).map(({ kind }) => kind)).not.toContain('hot-towels');
  });
});

describe('what is done once for two', () => {
  const of = (...visits: PlacedVisit[]) => {
    const house = { ...empty, placed: visits };
    return sharedWork(visitsOf(house), house);
  };
  const clay = demo.mixes.find(({ id }) =>
    needs
      .find(({ service }) => service.id === 'clay-facial')!
      .mixes.some(({ mixId }) => mixId === id),
  )!;

  it('is a mix within its working life, and not beyond it', () => {
    const life = clay.workingLifeMinutes!;
    const at = (minutes: number) => `10:${String(minutes).padStart(2, '0')}`;
    const first = placed('clay-facial', '10:00', 'lava', 'mateo');
    const soon = of(first, placed('clay-facial', at(Math.min(59, life)), 'duna', 'ione'));
    expect(soon).toMatchObject([
      { kind: 'mix', mix: { id: clay.id }, minutes: clay.mixingMinutes },
    ]);
    const later = placed('clay-facial', '16:00', 'duna', 'ione');
    expect(of(first, later)).toEqual([]);
  });

  it('is a device that has not cooled down', () => {
    const warm = of(
      placed('enzyme-facial', '14:00', 'duna', 'ione'),
      placed('enzyme-facial', '14:20', 'lava', 'mateo'),
    ).filter(({ kind }) => kind === 'warm');
    const [steamed] = needs
      .find(({ service }) => service.id === 'enzyme-facial')!
      .devices.get(asId('steamer'))!;
    const gap = 20 - (steamed!.to - steamed!.from);
    const steamer = demo.devices.find(({ id }) => id === 'steamer')!;
    expect(warm.some((each) => each.kind === 'warm' && each.device.id === 'steamer')).toBe(
      gap >= 0 && gap <= steamer.warmMinutes!,
    );
  });
});

describe('where it fits', () => {
  const clay = needs.find(({ service }) => service.id === 'clay-facial')!;
  const day = { day: DAY, visits: proposed(visitsOf(demo), DAY, needs, demo) };
  const fits = whereFits(clay, [day], demo, shortest);

  it('is only where nothing is in the way, and everywhere else something is', () => {
    expect(fits.length).toBeGreaterThan(0);
    const at = new Set(fits.map(({ roomId, starts }) => `${roomId}/${starts}`));
    const checked = (
      starts: number,
      roomId: string,
      who: { therapistId?: string; assistantId?: string },
    ) => {
      const visit = {
        key: 'new',
        name: '',
        need: clay,
        starts,
        roomId: asId<NonNullable<DayVisit['roomId']>>(roomId),
        ...who,
      } as DayVisit;
      return conflictsOf({
        house: demo,
        needs,
        day: DAY,
        today: TODAY,
        visits: [...day.visits, visit],
      }).filter(({ visits, kind }) => visits.includes(visit) && kind !== 'linen');
    };
    for (const fit of fits) expect(checked(fit.starts, fit.roomId!, fit)).toEqual([]);
    for (let starts = 600; starts + clay.slotMinutes <= 1140; starts += 5) {
      for (const roomId of ['lava', 'duna']) {
        if (at.has(`${roomId}/${starts}`)) continue;
        for (const therapistId of clay.therapistIds) {
          expect(checked(starts, roomId, { therapistId })).not.toEqual([]);
        }
      }
    }
  });

  it('leaves least wasted first, says why, and keeps to what is asked', () => {
    const wasted = fits.map((fit) => fit.wasted);
    expect(wasted).toEqual(wasted.toSorted((a, b) => a - b));
    for (const fit of fits) {
      const says = fit.reasons.find(({ kind }) => kind === 'wastes');
      expect(says?.kind === 'wastes' ? says.minutes : 0).toBe(fit.wasted);
    }
    const evening = whereFits(clay, [day], demo, shortest, {
      between: { from: 17 * 60, to: 24 * 60 },
      personId: asId('ione'),
    });
    for (const fit of evening) {
      expect(fit.starts).toBeGreaterThanOrEqual(17 * 60);
      expect(fit.therapistId).toBe('ione');
    }
    expect(whereFits(clay, [{ ...day, day: '2026-11-29' }], demo, shortest)).toEqual([]);
  });

  it('finds places while another visit still has its room', () => {
    const day = '2026-11-28';
    const first = placed('corrector', '10:30', 'lava', 'ione', { assistantId: asId('olaya') });
    const at = atMinute(day, 630, demo.settings.timeZone);
    const house: House = {
      ...empty,
      people: demo.people.filter(({ id }) => id === 'ione' || id === 'olaya'),
      placed: [{ ...first, at }],
    };
    const corrector = needs.find(({ service }) => service.id === 'corrector')!;
    const found = whereFits(corrector, [{ day, visits: visitsOf(house, day) }], house, shortest);
    const staggered = found.filter(({ reasons }) =>
      reasons.some(({ kind }) => kind === 'staggered'),
    );
    expect(staggered).toMatchObject([{ roomId: 'duna', starts: 665, therapistId: 'ione' }]);
  });

  it('says what the visit before a gap could take along', () => {
    const host = needs.find(({ service }) => service.id === 'calm-facial')!;
    const house = { ...empty, placed: [placed('calm-facial', '13:30', 'lava', 'ione')] };
    const visits = visitsOf(house);
    const gap = { from: 13 * 60 + 30 + host.slotMinutes, to: 19 * 60 };
    const found = addOnsHere(gap, asId('lava'), visits, house, figures);
    expect(found.length).toBeGreaterThan(0);
    for (const { visit, addOn } of found) {
      expect(visit.need.service.id).toBe('calm-facial');
      expect(addOn.extraSlotMinutes).toBeLessThanOrEqual(gap.to - gap.from);
    }
    const none = { from: gap.from, to: gap.from };
    for (const { addOn } of addOnsHere(none, asId('lava'), visits, house, figures)) {
      expect(addOn.extraSlotMinutes).toBe(0);
    }
    expect(addOnsHere(gap, asId('duna'), visits, house, figures)).toEqual([]);
  });

  it('says what fits into a gap, what brings most first', () => {
    const gap = gapsOf(day, demo).toSorted(
      (a, b) => b.gap.to - b.gap.from - (a.gap.to - a.gap.from),
    )[0]!;
    const found = whatFits(gap.gap, gap.roomId, day, needs, demo, shortest);
    expect(found.length).toBeGreaterThan(0);
    for (const { need, fit } of found) {
      expect(fit.roomId).toBe(gap.roomId);
      expect(fit.starts).toBeGreaterThanOrEqual(gap.gap.from);
      expect(fit.starts + need.slotMinutes).toBeLessThanOrEqual(gap.gap.to);
    }
    const brings = found.map(({ contribution }) => contribution);
    expect(brings).toEqual(brings.toSorted((a, b) => b - a));
  });
});

it('a proposed day has no more in the way than the book itself has', () => {
  const bookings = demo.bookings.filter(({ at }) => at > '2026-11-25');
  fc.assert(
    fc.property(fc.subarray(bookings), (some) => {
      /* What is placed of a book that has it no more is told, and is no matter here. */
      const placed = demo.placed.filter(({ bookingId }) => bookingId === undefined);
      const house = { ...demo, bookings: some, placed };
      for (const day of ['2026-11-26', '2026-11-27', '2026-11-28']) {
        const visits = proposed(visitsOf(house, day), day, needs, house);
        const placedOnes = visits.filter(({ roomId }) => roomId);
        const found = conflictsOf({ house, needs, day, today: TODAY, visits: placedOnes });
        expect(found.filter(({ kind }) => kind !== 'linen')).toEqual([]);
        expect(visits).toHaveLength(visitsOf(house, day).length);
      }
    }),
    { numRuns: 20 },
  );
});
