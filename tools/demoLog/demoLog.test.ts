import { readFile } from 'node:fs/promises';
import { describe, expect, it } from 'vitest';
import { readHouseFile } from '../../contract/houseFile';
import type { HouseArchive } from '../../core/house/archive';
import type { LogbookVisit } from '../../core/house/logbook';
import { foresightOf } from '../../core/learn/foresight';
import type { Lesson } from '../../core/learn/lesson';
import { lessonsOf } from '../../core/learn/lessonsOf';
import { houseOf } from '../../core/stock/houseOf';
import { makeLog } from './makeLog';
import { TRUTHS } from './truths';

const read = readHouseFile(
  await readFile(new URL('../../demo/casa-cenera.house.json', import.meta.url), 'utf8'),
);
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const demo: HouseArchive = read.value;
const plans = new Map(demo.logbookPlans.map((plan) => [plan.id, plan]));
const visits = demo.logbook.flatMap((entry): LogbookVisit[] => {
  const plan = plans.get(entry.planId);
  return plan ? [{ plan, entry }] : [];
});
const lessons = lessonsOf(visits, houseOf(demo));
const about = <K extends Lesson['about']['kind']>(
  kind: K,
): Extract<Lesson['about'], { kind: K }>[] =>
  lessons
    .map((lesson) => lesson.about)
    .filter((each): each is Extract<Lesson['about'], { kind: K }> => each.kind === kind);

describe('the log of the demo house', () => {
  it('is of its treatments, visit by visit', () => {
    expect(visits.map(({ entry }) => entry.id)).toEqual(demo.treatments.map(({ id }) => id));
    expect(visits.every(({ plan, entry }) => plan.acts.length === entry.minutes.length)).toBe(true);
    const guests = new Set(visits.map(({ entry }) => entry.guest));
    expect(guests.size).toBeGreaterThan(45);
    expect(guests.size).toBeLessThanOrEqual(60);
  });

  it('is as it is made of the truths today', () => {
    expect(makeLog(demo).logbook.slice(0, 20)).toEqual(demo.logbook.slice(0, 20));
  });

  it('teaches the minutes that differ, and how far', () => {
    const found = about('minutes').map(({ protocolId, stepId, measured, written }) => ({
      protocolId,
      stepId,
      by: Math.round(measured.mean - (written.least + 4 * written.usual + written.most) / 6),
    }));
    expect(found).toHaveLength(TRUTHS.minutes.length);
    for (const { by, ...truth } of TRUTHS.minutes)
      expect(found).toContainEqual({ ...truth, by: Math.round(by) });
  });

  it('teaches whose amounts differ, and since when', () => {
    const found = about('amount');
    expect(found).toHaveLength(TRUTHS.amounts.length);
    for (const truth of TRUTHS.amounts) {
      const { protocolId, stepId, materialId, factor, personId, since } = truth;
      const lesson = found.find((each) => each.stepId === stepId);
      expect(lesson).toMatchObject({ protocolId, materialId });
      expect(lesson?.measured.mean).toBeCloseTo(factor, 1);
      const cause = lesson?.measured.cause;
      if (personId) expect(cause).toEqual({ is: 'person', personId });
      else expect(cause).toMatchObject({ is: 'since' });
      if (since && cause?.is === 'since')
        expect(Math.abs(Date.parse(cause.at) - Date.parse(since))).toBeLessThan(4 * 86_400_000);
    }
  });

  it('tells the new pump from heavy hands and thick batches', () => {
    expect(about('batch')).toEqual([]);
    const [lesson, ...others] = about('measure');
    expect(others).toEqual([]);
    expect(lesson).toMatchObject({ materialId: TRUTHS.pump.materialId, measure: 'pump' });
    expect(lesson?.measured.mean).toBeCloseTo(TRUTHS.pump.factor, 1);
  });

  it('teaches which slot breaks on which day, what is not needed, and how much paces differ', () => {
    const { serviceId, weekday } = TRUTHS.slot;
    expect(about('slot')).toMatchObject([{ serviceId, weekday }]);
    const { protocolId, stepId } = TRUTHS.ifNeeded;
    expect(about('if-needed')).toMatchObject([{ protocolId, stepId, usually: 'done' }]);
    const [pace] = about('pace');
    expect(pace?.seen).toBeCloseTo(TRUTHS.pace, 1);
  });

  it('teaches nothing else', () => {
    expect(lessons).toHaveLength(8);
  });

  it('is not foreseen well: paces differ more than is written', () => {
    expect(foresightOf(visits.slice(-100))).toMatchObject({ visits: 100, isFlat: false });
  });
});
