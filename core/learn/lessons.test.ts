import { describe, expect, it } from 'vitest';
import type { House } from '../house/house';
import { asId } from '../house/ids';
import type { LogbookVisit } from '../house/logbook';
import { tappedThrough } from '../logbook/tappedThrough';
import { exactly } from '../quantity/triple';
import {
  bought,
  cleanser,
  house,
  minutes,
  protocol,
  service,
  settings,
  step,
} from '../testing/sample';
import { CLEANSE, dacil, logPlan, mateo, MASSAGE, sampleVisits } from '../testing/sampleLog';
import { isAdoptable, withLesson } from './adopt';
import { lessonsOf, lessonsToTell } from './lessonsOf';
import type { Lesson } from './lesson';
import { foresightOf } from './foresight';
import { paceSeen } from './pace';

const written = protocol(
  [
    step('cleanse', CLEANSE, {
      id: asId('cleanse'),
      doses: [
        {
          id: asId('dose-cleanser'),
          source: { kind: 'material', materialId: asId('cleanser') },
          amount: { how: 'counted', quantity: exactly(3), measure: 'pump' },
          opening: 'fresh',
        },
      ],
    }),
    step('massage', MASSAGE, {
      id: asId('massage'),
      phase: 'massage',
      doses: [
        {
          id: asId('dose-oil'),
          source: { kind: 'material', materialId: asId('oil') },
          amount: { how: 'measured', quantity: { low: 8, usual: 10, high: 12 }, unit: 'ml' },
          opening: 'fresh',
        },
      ],
    }),
    step('mask', minutes(4, 5, 6), {
      id: asId('mask'),
      optional: { usually: 'left-out', if: 'the skin is dry' },
    }),
    step('finish', minutes(2, 3, 4), { id: asId('finish') }),
  ],
  {
    id: asId('protocol'),
    around: {
      before: [],
      avoid: [],
      expect: [],
      call: [],
      recommends: [{ materialId: asId('oil'), takeUp: 0.5 }],
    },
  },
);
const spa: House = house({
  settings: { ...settings, paceSpread: 0.06 },
  protocols: [written],
  materials: [
    cleanser({ measures: { mlPerPump: { usual: 1.6 } } }),
    cleanser({ id: asId('oil'), name: 'Oil', ...bought({}) }),
  ],
  services: [service({ id: asId('facial'), protocolId: asId('protocol') })],
});
const keysOf = (lessons: readonly Lesson[]): string[] => lessons.map(({ key }) => key);
/** The one lesson, but for what follows from it: minutes that are longer break the slot. */
const only = (lessons: readonly Lesson[]): Lesson => {
  const [first, ...more] = lessons.filter(({ key }) => key !== 'slot/facial');
  expect(keysOf(more)).toEqual([]);
  if (!first) throw new Error('There is no lesson.');
  return first;
};

describe('what a log teaches', () => {
  it('is nothing where it agrees with what is written, whatever the dice say', () => {
    for (let seed = 1; seed <= 40; seed += 1)
      expect(keysOf(lessonsOf(sampleVisits(80, {}, seed), spa))).toEqual([]);
  });

  it('is what a step takes, corrected by L1 and L2 and said in halves', () => {
    const { about, sure } = only(lessonsOf(sampleVisits(60, { massage: () => 2 }), spa));
    expect(sure).toBe('sure');
    if (about.kind !== 'minutes') throw new Error(about.kind);
    expect(about).toMatchObject({ stepId: 'massage', written: MASSAGE });
    expect(about.measured).toMatchObject({ cause: { is: 'everybody' }, n: 60 });
    expect(about.measured.mean).toBeCloseTo(12, 0);
    const { least, usual, most } = about.proposed;
    expect([least, usual, most].map((each) => (each * 2) % 1)).toEqual([0, 0, 0]);
    expect((least + 4 * usual + most) / 6).toBeCloseTo(10 + (60 / 68) * 2, 0);
  });

  it('is whose hands it is, each person pulled towards the house', () => {
    const visits = sampleVisits(60, { oil: (_, by) => (by === mateo ? 1.3 : 1) });
    const { about } = only(lessonsOf(visits, spa));
    if (about.kind !== 'amount') throw new Error(about.kind);
    expect(about.measured.cause).toEqual({ is: 'person', personId: mateo });
    expect(about.told).toBe(30);
    expect(about.factor).toBeCloseTo(1 + (30 / 38) * 0.3, 1);
    const people = new Map(about.measured.people.map((each) => [each.personId, each]));
    expect(people.get(mateo)?.pulled).toBeLessThan(people.get(mateo)?.mean ?? 0);
    expect(people.get(dacil)?.pulled).toBeGreaterThan(people.get(dacil)?.mean ?? 9);
  });

  it('is for which guests it is, and then nothing is written for all', () => {
    const visits = sampleVisits(60, { massage: (visit) => (visit % 3 === 0 ? 2.5 : 0) }).map(
      ({ plan, entry }, at): LogbookVisit => ({
        plan: at % 3 === 0 ? { ...plan, id: asId('plan-2'), visitKind: 'first' } : plan,
        entry,
      }),
    );
    const lesson = only(lessonsOf(visits, spa));
    expect(lesson.about).toMatchObject({
      kind: 'minutes',
      measured: { cause: { is: 'kind', kind: { by: 'visit', value: 'first' } }, n: 20 },
    });
    expect(isAdoptable(lesson)).toBe(false);
    expect(withLesson(spa, lesson, 'all')).toBe(spa);
  });

  it('is since when, and the first visit that drifts out of its limits', () => {
    const visits = sampleVisits(60, { massage: (visit) => (visit >= 30 ? -3 : 0) });
    const { about } = only(lessonsOf(visits, spa));
    if (about.kind !== 'minutes') throw new Error(about.kind);
    const { cause, firstOutside, n } = about.measured;
    expect(cause).toMatchObject({ is: 'since' });
    expect(Math.abs(n - 30)).toBeLessThanOrEqual(2);
    const at = Number(firstOutside?.slice('visit-'.length));
    expect(at).toBeGreaterThanOrEqual(30);
    expect(at).toBeLessThan(38);
  });

  it('tells a pump from a heavy hand: what was weighed goes off on one day, whoever does it', () => {
    const visits = sampleVisits(60, { pump: (visit) => (visit >= 25 ? 1.25 : 1) });
    const lesson = only(lessonsOf(visits, spa));
    expect(lesson.about).toMatchObject({
      kind: 'measure',
      materialId: 'cleanser',
      measure: 'pump',
    });
    const { materials } = withLesson(spa, lesson, 'drafts');
    const measures = materials[0] && 'measures' in materials[0] ? materials[0].measures : undefined;
    expect(measures?.mlPerPump?.usual).toBeCloseTo(1.6 * (1 + (35 / 43) * 0.25), 1);
  });

  it('is that a step is needed more often than not', () => {
    const lesson = only(lessonsOf(sampleVisits(40, { mask: (visit) => visit % 4 !== 0 }), spa));
    expect(lesson.about).toMatchObject({ kind: 'if-needed', stepId: 'mask', usually: 'left-out' });
    const [draft] = withLesson(spa, lesson, 'drafts').protocols;
    const mask = draft?.steps.find(({ id }) => id === asId('mask'));
    expect(mask).toMatchObject({ optional: { usually: 'done' } });
  });

  it('is a slot that does not hold, or that only breaks on one day of the week', () => {
    const tight = { ...logPlan, slotMinutes: 18 };
    const all = sampleVisits(40).map((visit): LogbookVisit => ({ ...visit, plan: tight }));
    expect(lessonsOf(all, spa).map(({ about }) => about)).toContainEqual(
      expect.objectContaining({ kind: 'slot', slotMinutes: 18, promised: 0.9 }),
    );
    const fridays = sampleVisits(70).map(({ plan, entry }): LogbookVisit => {
      const isFriday = new Date(entry.at).getUTCDay() === 5;
      return { plan, entry: isFriday ? { ...entry, roomMinutes: 34 } : entry };
    });
    expect(only(lessonsOf(fridays, spa)).about).toMatchObject({
      kind: 'slot',
      weekday: 5,
      held: { hits: 0, of: 10 },
    });
  });

  it('is what a device is really set to, and that is never written by itself', () => {
    const device = { deviceId: asId('pen'), settings: [] } as never;
    const pen: House = {
      ...spa,
      protocols: [
        {
          ...written,
          steps: written.steps.map((line) =>
            line.id === asId('massage') ? { ...line, device } : line,
          ),
        },
      ],
    };
    const zones = ['cheeks'] as const;
    const setting = { zones, kind: 'depth', low: 0.4, high: 0.6 } as const;
    const visits = sampleVisits(40).map(({ plan, entry }, at): LogbookVisit => ({
      plan: {
        ...plan,
        acts: plan.acts.map((act) =>
          act.stepId === asId('massage') ? { ...act, settings: [setting] } : act,
        ),
      },
      entry:
        entry.performedBy === mateo
          ? {
              ...entry,
              settings: [{ ...setting, act: 1, unit: 'mm', was: at % 4 === 1 ? 0.6 : 0.64 }],
            }
          : entry,
    }));
    const lesson = only(lessonsOf(visits, pen));
    expect(lesson.about).toMatchObject({
      kind: 'setting',
      stepId: 'massage',
      measured: { cause: { is: 'person', personId: mateo }, n: 20 },
    });
    expect(lesson.size).toBeCloseTo(0.24, 1);
    expect(isAdoptable(lesson)).toBe(false);
  });

  it('is not learned from taps that were forgotten and made up for', () => {
    const late = (visit: number): boolean => visit % 2 === 0;
    /* Half of the visits are tapped through at the end of the massage, which seems to take all of it. */
    const visits = sampleVisits(60).map(({ plan, entry }, at): LogbookVisit => ({
      plan,
      entry: late(at) ? { ...entry, minutes: [0.02, 18, null, 0.03] } : entry,
    }));
    expect(keysOf(lessonsOf(visits, spa))).toEqual([]);
    const [forgotten] = visits;
    if (!forgotten) throw new Error('There is no visit.');
    const { acts, isAll } = tappedThrough(forgotten);
    expect([acts, isAll]).toEqual([new Set([0, 1, 3]), true]);
    expect(foresightOf(visits).visits).toBe(30);
  });

  it('is what guests buy, of all visits since the first sale was told', () => {
    const sold = sampleVisits(40).map(({ plan, entry }, at): LogbookVisit => ({
      plan,
      entry:
        at >= 10 && at % 10 === 0
          ? { ...entry, sold: [{ materialId: asId('oil'), quantity: 1 }] }
          : entry,
    }));
    const lesson = only(lessonsOf(sold, spa));
    expect(lesson.about).toMatchObject({ kind: 'take-up', bought: { hits: 3, of: 30 } });
    const [draft] = withLesson(spa, lesson, 'drafts').protocols;
    expect(draft?.around?.recommends?.[0]?.takeUp).toBe(0.1);
  });

  it('is how much paces differ, and not how long steps are', () => {
    const wide = paceSeen(sampleVisits(400, { pace: 0.15 }), spa.settings);
    const narrow = paceSeen(sampleVisits(400, { pace: 0.06, massage: () => 4 }), spa.settings);
    expect(wide?.spread).toBeGreaterThan(0.11);
    expect(narrow?.spread).toBeLessThan(0.08);
    expect(paceSeen(sampleVisits(20), spa.settings)).toBeUndefined();
  });
});

describe('a lesson', () => {
  const lesson = only(lessonsOf(sampleVisits(60, { massage: () => 2 }), spa));

  it('that was adopted is not taught again by the same visits', () => {
    const then = withLesson(spa, lesson, 'drafts');
    expect(then.editions).toBe(spa.editions);
    expect(keysOf(lessonsOf(sampleVisits(60, { massage: () => 2 }), then))).toEqual([
      'slot/facial',
    ]);
  });

  it('that was declined is told again when it has grown by half, or turned', () => {
    const declined = [{ key: lesson.key, on: '2026-11-28', why: 'no', size: lesson.size }];
    const told = (size: number): number =>
      lessonsToTell([{ ...lesson, size }], declined).told.length;
    expect([1, 1.4, 1.6, -1].map((times) => told(times * lesson.size))).toEqual([0, 0, 1, 1]);
  });

  it('never writes that something stays longer than it may', () => {
    const capped: House = {
      ...spa,
      protocols: [
        {
          ...written,
          steps: written.steps.map((line) =>
            line.id === asId('massage') ? { ...line, capMinutes: 11 } : line,
          ),
        },
      ],
    };
    const past = only(lessonsOf(sampleVisits(60, { massage: () => 2 }), capped));
    expect(past.about).toMatchObject({ kind: 'minutes', isPastCap: true });
    expect(isAdoptable(past)).toBe(false);
    expect(withLesson(capped, past, 'all')).toBe(capped);
  });
});
