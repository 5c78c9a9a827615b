import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { Person, WeekOfSpans } from '../house/house';
import { demoAsOf } from '../../contract/testing/demo';
import { weekOfHouse } from './capacity';
import {
  openOn,
  openWeek,
  withOpenSeasonDay,
  withOtherDays,
  withoutOtherDays,
  withoutSeason,
  withSeason,
} from './openTimes';
import {
  asUsual,
  bookableOn,
  copyWeek,
  rosterOf,
  weekOf,
  withDay,
  withSeasonWorkDay,
  workOn,
} from './roster';
import { overlap, seasonOn } from './seasons';
import { isWithin, joined, spanMinutes, within, without } from './spans';

/* The newest day of the demo house, so that none of its days is moved. */
const MONDAY = '2026-11-23';
const demo = demoAsOf(new Date('2026-11-25T12:00:00Z'));
const figures = createCalculator()(demo);

describe('when it is open', () => {
  const day = [{ from: 600, to: 1140 }];
  const openHours = {
    week: [day, day, day, day, day, day, []],
    otherwise: [
      { from: '2026-12-24', to: '2026-12-26', name: 'Feast', spans: [] },
      { from: '2026-12-24', to: '2026-12-24', name: 'Eve', spans: [{ from: 600, to: 840 }] },
    ],
  };

  it('is by what is said of the day, else as on that day of every week', () => {
    expect(openOn('2026-11-23', openHours).spans).toEqual(day);
    expect(openOn('2026-11-29', openHours).spans).toEqual([]);
    expect(openOn('2026-12-25', openHours)).toMatchObject({ otherwise: 'Feast', spans: [] });
    expect(openOn('2026-12-24', openHours).otherwise).toBe('Eve');
  });

  it('is asked for where nobody has said it', () => {
    expect(openWeek(MONDAY, {})).toMatchObject({
      ok: false,
      problems: [{ code: 'hours-missing' }],
    });
    const closed: WeekOfSpans = [[], [], [], [], [], [], []];
    expect(openWeek(MONDAY, { openHours: { week: closed } }).ok).toBe(false);
    const { openHours: _none, ...settings } = demo.settings;
    expect(weekOfHouse({ ...demo, settings }, figures, MONDAY)).toMatchObject({
      problems: [{ code: 'hours-missing' }],
    });
  });

  it('asks for a roster where nobody is on one', () => {
    const people = demo.people.map(({ hours: _hours, ...person }) => person);
    expect(weekOfHouse({ ...demo, people }, figures, MONDAY)).toMatchObject({
      problems: [{ code: 'roster-missing' }],
    });
  });
});

const ione = demo.people.find(({ id }) => id === 'ione') as Person;

describe('the roster', () => {
  const later = [{ from: 900, to: 1140 }];

  it('is as usual until a day of a week is said otherwise, and that day alone', () => {
    const changed = withDay(ione, '2026-12-01', later);
    expect(workOn(changed, '2026-12-01').spans).toEqual(later);
    expect(workOn(changed, '2026-12-02').spans).toEqual(workOn(ione, '2026-12-02').spans);
    expect(workOn(changed, '2026-12-08').spans).toEqual(workOn(ione, '2026-12-08').spans);
  });

  it('writes nothing down that is as usual anyhow', () => {
    const usual = workOn(ione, '2026-12-01').spans;
    expect(withDay(withDay(ione, '2026-12-01', later), '2026-12-01', usual)).toEqual(ione);
  });

  it('is copied from week to week, and made the usual one', () => {
    const [changed] = [withDay(ione, '2026-12-01', later)];
    const [copied] = copyWeek([changed], '2026-11-30', '2026-12-07');
    expect(workOn(copied!, '2026-12-08').spans).toEqual(later);
    const [usual] = asUsual([changed], '2026-11-30');
    expect(workOn(usual!, '2027-03-02').spans).toEqual(later);
    expect(usual!.hours?.weeks).toBeUndefined();
  });

  it('has nobody who is away', () => {
    const mateo = demo.people.find(({ id }) => id === 'mateo') as Person;
    expect(workOn(mateo, '2026-12-11')).toEqual({ spans: [], away: 'course on the mainland' });
    expect(weekOf(mateo.hours!, '2026-12-07')[4]).not.toEqual([]);
  });

  it('tells who is in two places at once', () => {
    const twice = withDay(ione, MONDAY, [
      { from: 600, to: 800 },
      { from: 700, to: 900 },
    ]);
    expect(rosterOf({ ...demo, people: [twice] }, MONDAY).faults).toMatchObject([
      { code: 'twice-at-once', where: { personId: 'ione' } },
    ]);
    expect(rosterOf(demo, MONDAY).faults).toEqual([]);
  });

  it('has the pay of the week beside it, what is owed anyhow and what is not', () => {
    const { lines, fixedPay, variablePay } = rosterOf(demo, MONDAY);
    const line = (id: string) => lines.find(({ person }) => person.id === id)!;
    expect(line('ione').minutes).toBe(28 * 60);
    expect(line('ione').fixedPay).toBeCloseTo(1600 * 28 * 1.24, 6);
    expect(line('dacil')).toMatchObject({ fixedPay: 0 });
    expect(line('dacil').variablePay).toBeCloseTo(1350 * 14 * 1.24, 6);
    expect(line('nerea').fixedPay).toBeCloseTo(((124_800 * 12) / 52) * 1.24, 6);
    expect(fixedPay + variablePay).toBeCloseTo(
      lines.reduce((sum, each) => sum + each.fixedPay + each.variablePay, 0),
      6,
    );
  });

  it('counts no hours in which the house is closed', () => {
    const early = withDay(ione, MONDAY, [{ from: 480, to: 720 }]);
    expect(
      spanMinutes(bookableOn(early, MONDAY, openOn(MONDAY, demo.settings.openHours!).spans)),
    ).toBe(120);
    expect(rosterOf({ ...demo, people: [early] }, MONDAY).lines[0]?.closedMinutes).toBe(120);
  });
});

test('spans taken out and what is left make up what there was', () => {
  const spans = fc
    .array(fc.tuple(fc.integer({ min: 0, max: 1400 }), fc.integer({ min: 1, max: 300 })), {
      maxLength: 6,
    })
    .map((all) => joined(all.map(([from, long]) => ({ from, to: from + long }))));
  fc.assert(
    fc.property(spans, spans, (all, taken) => {
      const left = without(all, taken);
      expect(spanMinutes(left) + spanMinutes(within(all, taken))).toBe(spanMinutes(all));
      for (const each of left) expect(isWithin(each, all)).toBe(true);
      expect(within(left, taken)).toEqual([]);
    }),
  );
});

describe('seasons', () => {
  const summer = { name: 'Summer', from: '06-15', to: '09-15' };
  const feasts = { name: 'Feasts', from: '12-20', to: '01-07' };
  const late = [{ from: 960, to: 1320 }];
  const usual = demo.settings.openHours!;
  const inSummer = '2027-07-05';

  it('open the house otherwise in their days of every year, also over New Year', () => {
    const hours = withOpenSeasonDay(
      withSeason(withSeason(usual, summer), feasts),
      summer,
      inSummer,
      late,
    );
    expect(openOn(inSummer, hours).spans).toEqual(late);
    expect(openOn('2030-07-01', hours).spans).toEqual(late);
    expect(openOn('2027-07-06', hours).spans).toEqual(usual.week[1]);
    expect(openOn('2027-06-14', hours).spans).toEqual(usual.week[0]);
    expect(
      ['2026-12-19', '2026-12-20', '2027-01-07', '2027-01-08'].map(
        (day) => seasonOn(day, hours.seasons)?.name,
      ),
    ).toEqual([undefined, 'Feasts', 'Feasts', undefined]);
    const closed = withOtherDays(hours, { from: inSummer, to: inSummer, name: 'Fair', spans: [] });
    expect(openOn(inSummer, closed).spans).toEqual([]);
    expect(withoutOtherDays(closed, { from: inSummer, to: inSummer }).seasons).toEqual(
      hours.seasons,
    );
    expect(withoutSeason(withoutSeason(hours, 'Summer'), 'Feasts')).toEqual(usual);
  });

  it('are found where they lie over each other', () => {
    expect(overlap(summer, { from: '09-15', to: '10-01' })).toBe(true);
    expect(overlap(feasts, { from: '01-01', to: '01-02' })).toBe(true);
    expect(overlap({ from: '01-01', to: '12-31' }, summer)).toBe(true);
    expect(overlap(summer, feasts)).toBe(false);
  });

  it('hold for somebody who has other hours in them, and begin as usual', () => {
    const changed = withSeasonWorkDay(ione, summer, inSummer, late);
    expect(workOn(changed, inSummer).spans).toEqual(late);
    expect(workOn(changed, '2027-07-06')).toEqual(workOn(ione, '2027-07-06'));
    expect(workOn(changed, '2026-11-23')).toEqual(workOn(ione, '2026-11-23'));
    /* A week of its own stands above the season, and what is as in the season is not written down. */
    const week = withDay(changed, inSummer, []);
    expect(workOn(week, inSummer).spans).toEqual([]);
    expect(withDay(week, inSummer, late)).toEqual(changed);
  });

  it('take a week of theirs as their usual one', () => {
    const week = withDay(ione, inSummer, late);
    const [changed] = asUsual([week], inSummer, [{ ...summer, week: usual.week }]);
    expect(workOn(changed!, '2028-07-03').spans).toEqual(late);
    expect(workOn(changed!, '2026-11-23')).toEqual(workOn(ione, '2026-11-23'));
    expect(changed!.hours!.weeks).toBeUndefined();
  });
});
