import type { Minutes } from '../house/house';
import { asId, type PersonId, type TreatmentId } from '../house/ids';
import type { LogbookEntry, LogbookPlan, LogbookVisit, PlannedAct } from '../house/logbook';
import { exactly } from '../quantity/triple';
import { minutes } from './sample';

/* A log of a small facial: cleansed, massaged, with a mask if needed. */

const act = (id: string, time: Minutes, changes: Partial<PlannedAct> = {}): PlannedAct => ({
  id: `${id}//`,
  stepId: asId(id),
  name: id,
  stretch: 'visit',
  hands: 'hands-on',
  minutes: time,
  ...changes,
});

export const CLEANSE = minutes(4, 5, 6);
export const MASSAGE = minutes(8, 10, 12);

export const logPlan: LogbookPlan = {
  id: asId('plan-1'),
  serviceId: asId('facial'),
  protocolId: asId('protocol'),
  name: 'Facial',
  visitKind: 'returning',
  slotMinutes: 20,
  promised: 0.9,
  acts: [
    act('cleanse', CLEANSE),
    act('massage', MASSAGE, { phase: 'massage' }),
    act('mask', minutes(4, 5, 6), { ifNeeded: 'left-out' }),
    act('finish', minutes(2, 3, 4)),
  ],
  draws: [
    {
      act: 0,
      doseId: asId('dose-cleanser'),
      materialId: asId('cleanser'),
      quantity: exactly(4.8),
      amount: { how: 'counted', quantity: exactly(3), measure: 'pump' },
    },
    {
      act: 1,
      doseId: asId('dose-oil'),
      materialId: asId('oil'),
      quantity: { low: 8, usual: 10, high: 12 },
      amount: { how: 'measured', quantity: { low: 8, usual: 10, high: 12 }, unit: 'ml' },
    },
  ],
};

export const dacil = asId<PersonId>('dacil');
export const mateo = asId<PersonId>('mateo');

/** Numbers that look thrown, the same every time: from 0 to 1. */
export function thrown(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

/** About 0 with a standard deviation of a half, never further than 1.8. */
export function around(dice: () => number): number {
  return (dice() + dice() + dice() + dice() - 2) / 1.155;
}

const DAY_MS = 86_400_000;
const FIRST = Date.parse('2026-08-03T09:00:00Z');

/** What is so in the truth, beside what is written. */
export interface Truth {
  readonly massage?: (visit: number, by: PersonId) => number;
  readonly oil?: (visit: number, by: PersonId) => number;
  readonly pump?: (visit: number) => number;
  readonly mask?: (visit: number) => boolean;
  readonly pace?: number;
}

/** Visits of the facial on every day, by two people in turn. */
export function sampleVisits(count: number, truth: Truth = {}, seed = 7): LogbookVisit[] {
  const dice = thrown(seed);
  return Array.from({ length: count }, (_, visit): LogbookVisit => {
    const by = visit % 2 === 0 ? dacil : mateo;
    const pace = 1 + (truth.pace ?? 0.06) * 2 * around(dice);
    const isMasked = truth.mask?.(visit) ?? false;
    const took = [
      (5 + 0.4 * around(dice)) * pace,
      (10 + (truth.massage?.(visit, by) ?? 0) + 0.8 * around(dice)) * pace,
      isMasked ? (5 + 0.4 * around(dice)) * pace : null,
      (3 + 0.4 * around(dice)) * pace,
    ];
    const roomMinutes = took.reduce<number>((sum, each) => sum + (each ?? 0), 0);
    const oil = truth.oil && 10 * truth.oil(visit, by) * (1 + 0.05 * around(dice));
    const pump = truth.pump && 4.8 * truth.pump(visit) * (1 + 0.05 * around(dice));
    const entry: LogbookEntry = {
      id: asId<TreatmentId>(`visit-${visit}`),
      planId: logPlan.id,
      at: new Date(FIRST + visit * DAY_MS).toISOString(),
      performedBy: by,
      roomMinutes,
      minutes: took,
      told: [
        ...(pump === undefined ? [] : [{ draw: 0, quantity: pump, by: 'weighed' } as const]),
        ...(oil === undefined ? [] : [{ draw: 1, quantity: oil, by: 'counted' } as const]),
      ],
      answers: [],
      notes: [],
      fell: dice(),
    };
    return { plan: logPlan, entry };
  });
}
