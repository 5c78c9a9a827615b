import { describe, expect, it } from 'vitest';
import type { Mix, Step } from '../house/house';
import { asId } from '../house/ids';
import {
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  protocol,
  settings,
  shelf,
  step,
} from '../testing/sample';
import { scheduleOf } from '../time/schedule';
import { mixFindings } from './mixReadiness';

const clay = (changes: Partial<Mix> = {}): Mix =>
  mix({
    id: asId('clay'),
    name: 'Clay',
    basis: 'ml',
    mixingMinutes: 2,
    standingMinutes: 0,
    parts: [{ source: { kind: 'material', materialId: asId('water') }, amount: measured(1, 'ml') }],
    ...changes,
  });
const drawn = dose(asId('clay'), measured(5, 'ml'), {
  source: { kind: 'mix', mixId: asId('clay') },
});

function said(of: Mix, ...steps: Step[]): string[] {
  const facial = protocol(steps);
  const schedule = scheduleOf(facial, 'returning', settings);
  if (!schedule.ok) throw new Error('The facial cannot be timed.');
  const things = shelf([cleanser({ id: asId('water') })], [of]);
  return mixFindings(facial, schedule.value, things).map(({ message }) => message);
}

const makes = [asId<Mix['id']>('clay')];

describe('a mix that is made and used in one step', () => {
  it('is fine, when it has stood before the step ends', () => {
    expect(said(clay(), step('mask', minutes(6), { makes, doses: [drawn] }))).toEqual([]);
    expect(
      said(clay({ standingMinutes: 4 }), step('mask', minutes(6), { makes, doses: [drawn] })),
    ).toEqual([]);
  });

  it('is told when it takes longer than the step', () => {
    expect(
      said(clay({ standingMinutes: 10 }), step('mask', minutes(6), { makes, doses: [drawn] })),
    ).toEqual([
      'Clay takes 12 min to mix and stand, longer than the step in which it is made and used. Make it in an earlier step.',
    ]);
  });
});

describe('a mix that is made in a step before', () => {
  it('is fine when it has stood, and told when it has not', () => {
    const mask = step('mask', minutes(6), { id: asId('mask'), doses: [drawn] });
    const made = step('mix', minutes(3), { id: asId('mix'), makes });
    const between = step('massage', minutes(10), { id: asId('massage') });
    expect(said(clay({ standingMinutes: 8 }), made, between, mask)).toEqual([]);
    expect(said(clay({ standingMinutes: 8 }), made, mask)).toEqual([
      'Clay stands 8 min before use, but is mixed only 0 min before. Mix it earlier.',
    ]);
  });
});

describe('the minutes of mixing', () => {
  const mask = step('mask', minutes(6), { id: asId('mask'), doses: [drawn] });

  it('are nobody’s where no step says that it is mixed there, once however often it is used', () => {
    expect(said(clay(), mask, { ...mask, id: asId('again') })).toEqual([
      'Clay takes 2 min to mix, and no step says that it is mixed there: in nobody’s minutes is it counted.',
    ]);
    expect(said(clay({ made: 'ahead' }), mask)).toEqual([]);
    expect(said(clay({ mixingMinutes: 0 }), mask)).toEqual([]);
  });

  it('fit into the step in which they are spent', () => {
    const long = clay({ mixingMinutes: 5 });
    const mixing = (most: number): Step => step('mix', minutes(most), { id: asId('mix'), makes });
    expect(said(long, mixing(4), mask)).toEqual([
      '“mix” lasts 4 min at most, and what is mixed in it takes 5 min.',
    ]);
    expect(said(long, mixing(5), mask)).toEqual([]);
  });
});
