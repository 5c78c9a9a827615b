import { readFile } from 'node:fs/promises';
import { describe, expect, it } from 'vitest';
import { readHouseFile } from '@bienestar/contract/houseFile';
import { asId, type ProtocolId, type ServiceId, type StepId } from '@bienestar/core/house/ids';
import type { Lesson, LessonAbout, Measured } from '@bienestar/core/learn/lesson';
import { seenShare } from '@bienestar/core/learn/wilson';
import { houseOf } from '@bienestar/core/stock/houseOf';
import { lessonPicture, lessonShare, lessonWords } from './lessonWords';

const read = readHouseFile(await readFile('demo/casa-cenera.house.json', 'utf8'));
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const house = houseOf(read.value);

const measured: Measured = {
  cause: { is: 'person', personId: asId('mateo') },
  n: 20,
  mean: 1.25,
  low: 1.2,
  high: 1.3,
  errors: 7,
  points: [],
  people: [],
};
const lesson = (about: LessonAbout): Lesson => ({ key: 'k', about, size: 0.25, sure: 'sure' });
const polish = {
  protocolId: asId<ProtocolId>('pumice-body-polish'),
  stepId: asId<StepId>('oil'),
} as const;

describe('a lesson in words', () => {
  it('names the step, whose hands it is, and what to do', () => {
    const amount = lesson({
      kind: 'amount',
      ...polish,
      doseId: asId('d42'),
      materialId: asId('night-jasmine-oil'),
      written: { low: 15, usual: 20, high: 25 },
      factor: 1.2,
      told: 20,
      measured,
    });
    const { sentence, where, advice, reason } = lessonWords(amount, house);
    expect(sentence).toBe(
      'Night-jasmine massage oil in “Oil massage” is 25% more than written with Mateo.',
    );
    expect(where).toBe('Pumice and oil body polish');
    expect(advice).toContain('24 ml');
    expect(reason).toMatch(/told in each.*This is sure\.$/);
    expect(lessonPicture(amount)?.written).toEqual({ low: 0.75, usual: 1, high: 1.25 });
    expect(lessonShare(amount)).toBeUndefined();
  });

  it('says that nothing is to be written where a product would stay longer than it may', () => {
    const minutes = lesson({
      kind: 'minutes',
      ...polish,
      written: { least: 8, usual: 10, most: 12 },
      proposed: { least: 9, usual: 12, most: 13 },
      isPastCap: true,
      measured: {
        ...measured,
        cause: { is: 'since', visit: asId('v'), at: '2026-11-03T10:00:00Z' },
      },
    });
    expect(lessonWords(minutes, house).advice).toMatch(/longer than it may/);
    expect(lessonWords(minutes, house).sentence).toMatch(/since .*2026/);
  });

  it('finds the name of a step that stands in a block', () => {
    const steps = house.protocols.find(({ id }) => (id as string) === 'prickly-pear-calm')?.steps;
    const line = steps?.find((each) => 'blockId' in each);
    const block = house.blocks.find(({ id }) => line && 'blockId' in line && id === line.blockId);
    const own = block?.steps[0];
    const needed = lesson({
      kind: 'if-needed',
      protocolId: asId('prickly-pear-calm'),
      stepId: asId(`${line?.id ?? ''}.${own?.id ?? ''}`),
      usually: 'left-out',
      done: seenShare(15, 20),
    });
    expect(lessonWords(needed, house).sentence).toContain(`“${own?.name ?? ''}”`);
    expect(lessonShare(needed)).toMatchObject({ written: 0.5 });
  });

  it('tells a slot that breaks on one day from one that breaks on all', () => {
    const slot = {
      kind: 'slot',
      serviceId: asId<ServiceId>('body-polish'),
      slotMinutes: 90,
      promised: 0.9,
      held: seenShare(5, 10),
    } as const;
    expect(lessonWords(lesson({ ...slot, weekday: 5 }), house).sentence).toContain('on Fridays');
    expect(lessonWords(lesson(slot), house).sentence).not.toContain(' on ');
  });
});
