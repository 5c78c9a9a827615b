import { describe, expect, it } from 'vitest';
import { asId } from '../../house/ids';
import type { House } from '../../house/house';
import {
  check,
  DAY,
  daysOf,
  demo,
  empty,
  needFor,
  placed,
  visitsOf,
} from '../../../contract/testing/placedDay';
import { addOnsHere } from './addOnsHere';
import { atMinute, type DayVisit } from './dayVisits';
import { gapsOf, whatFits, whereFits } from './fits';
import { drawnOn } from './workedDay';

describe('where it fits', () => {
  const clay = needFor('clay-facial');
  const of = daysOf(demo);
  const day = drawnOn(of, DAY);
  const fits = whereFits(clay, [day], of);

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
      return check(demo, [...day.visits, visit]).filter(
        ({ visits, kind }) => visits.includes(visit) && kind !== 'linen',
      );
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
    const evening = whereFits(clay, [day], of, {
      between: { from: 17 * 60, to: 24 * 60 },
      personId: asId('ione'),
    });
    for (const fit of evening) {
      expect(fit.starts).toBeGreaterThanOrEqual(17 * 60);
      expect(fit.therapistId).toBe('ione');
    }
    expect(whereFits(clay, [{ ...day, day: '2026-11-29' }], of)).toEqual([]);
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
    const corrector = needFor('corrector');
    const found = whereFits(corrector, [{ day, visits: visitsOf(house, day) }], daysOf(house));
    const staggered = found.filter(({ reasons }) =>
      reasons.some(({ kind }) => kind === 'staggered'),
    );
    expect(staggered).toMatchObject([{ roomId: 'duna', starts: 665, therapistId: 'ione' }]);
  });

  it('says what the visit before a gap could take along', () => {
    const host = needFor('calm-facial');
    const house = { ...empty, placed: [placed('calm-facial', '13:30', 'lava', 'ione')] };
    const visits = visitsOf(house);
    const gap = { from: 13 * 60 + 30 + host.slotMinutes, to: 19 * 60 };
    const found = addOnsHere(gap, asId('lava'), visits, house, of.figures);
    expect(found.length).toBeGreaterThan(0);
    for (const { visit, addOn } of found) {
      expect(visit.need.service.id).toBe('calm-facial');
      expect(addOn.extraSlotMinutes).toBeLessThanOrEqual(gap.to - gap.from);
    }
    const none = { from: gap.from, to: gap.from };
    for (const { addOn } of addOnsHere(none, asId('lava'), visits, house, of.figures)) {
      expect(addOn.extraSlotMinutes).toBe(0);
    }
    expect(addOnsHere(gap, asId('duna'), visits, house, of.figures)).toEqual([]);
  });

  it('is on no day on which the guest needs a rest, and nowhere twice at once', () => {
    const alma = (day: string) =>
      placed('needle', '12:00', 'lava', 'nerea', { day, name: 'Alma R.' });
    const guest = { name: 'alma r.', key: '' };
    const on = (house: House, serviceId: string) => {
      const days = daysOf(house);
      return whereFits(needFor(serviceId, house), [drawnOn(days, DAY)], days, { guest });
    };
    const soon = { ...empty, placed: [alma('2026-11-20')] };
    expect(on(soon, 'acid-returning')).toEqual([]);
    expect(on(soon, 'clay-facial').length).toBeGreaterThan(0);
    expect(on({ ...empty, placed: [alma('2026-11-01')] }, 'acid-returning').length).toBeGreaterThan(
      0,
    );
    const same = on({ ...empty, placed: [alma(DAY)] }, 'clay-facial');
    expect(same.length).toBeGreaterThan(0);
    const [from, to] = [720, 720 + needFor('needle').slotMinutes];
    for (const { starts } of same)
      expect(starts >= to || starts + needFor('clay-facial').slotMinutes <= from).toBe(true);
  });

  it('leaves a visit of the book its own place, though another would take it', () => {
    const polish = demo.bookings.filter(
      ({ title, at }) => title === 'Body polish' && at.startsWith('2026-11-25'),
    );
    expect(polish).toHaveLength(2);
    const days = daysOf({ ...empty, bookings: polish });
    const [first] = drawnOn(days, '2026-11-25').visits.filter(({ roomId }) => roomId);
    const left = drawnOn(days, '2026-11-25', first!.key);
    expect(left.visits.map(({ roomId }) => roomId)).toEqual([undefined]);
    const places = whereFits(first!.need, [left], days);
    expect(places.map(({ starts }) => starts)).toContain(first!.starts);
  });

  it('says what fits into a gap, what brings most first', () => {
    const gap = gapsOf(day, demo).toSorted(
      (a, b) => b.gap.to - b.gap.from - (a.gap.to - a.gap.from),
    )[0]!;
    const found = whatFits(gap.gap, gap.roomId, day, of);
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
