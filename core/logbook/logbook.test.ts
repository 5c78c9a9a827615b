import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asId } from '../house/ids';
import type { LogbookVisit } from '../house/logbook';
import type { Happening, Run } from '../house/run';
import { drawKey, usedInRun } from '../run/used';
import { exactly } from '../quantity/triple';
import { runState } from '../run/runState';
import { dose, house, measured, protocol, service, settings } from '../testing/sample';
import { mateo, sampleVisits } from '../testing/sampleLog';
import {
  acid,
  answer,
  at,
  began,
  done,
  event,
  half,
  layered,
  named,
  plan,
  planned,
} from '../testing/sampleRun';
import { drawsThatCame, lateMinutes, usedBeside } from './cameOut';
import { entryOfRun } from './entryOfRun';
import { deviationsOf, foundRows, logbookRows, wentWrong } from './logbookRows';
import { ribbonsOf } from './ribbons';

const visitRun: Run = {
  id: asId('run-1'),
  serviceId: asId('peel'),
  protocolId: layered.id,
  protocol: layered,
  visitKind: 'returning',
  slotMinutes: 45,
  at: at(-5),
  guest: 'Mara',
  performedBy: mateo,
};
const [firstLayer] = plan.acts.filter(({ step }) => step?.id === asId('acid'));
const acidDraw = firstLayer?.draws.find(({ materialId }) => materialId === acid);
const events = [
  began(),
  done(2, 'lay-out//'),
  done(6.5, 'cleanse//'),
  event(7, {
    kind: 'took',
    act: 'acid/1/',
    draw: `acid/1/:${acidDraw?.doseId}:${acid}:`,
    quantity: 2.6,
  }),
  answer(8, 'acid/1/', 9),
  event(9, { kind: 'took-off' }),
  event(9.5, { kind: 'incident', seen: ['redness'], done: ['taken off'], words: 'both cheeks' }),
  event(10, { kind: 'sold', materialId: acid, quantity: 2 }),
  event(10, { kind: 'noted', words: 'asked for less next time' }),
  event(12, { kind: 'ended' }),
];
const logged = entryOfRun(visitRun, plan, runState(plan, events), events, {
  settings: { slotQuantile: 0.9 },
  bookedAt: at(-8),
  unitCostOf: (id) => (id === acid ? 10 : undefined),
});

describe('a run that is over, in the logbook', () => {
  it('has what it was to be beside what it was', () => {
    const { entry } = logged;
    expect(entry).toMatchObject({
      id: 'run-1',
      at: '2026-11-28T10:00:00Z',
      guest: 'Mara',
      roomMinutes: 12,
      told: [{ quantity: 2.6, by: 'counted' }],
      sold: [{ materialId: acid, quantity: 2 }],
      notes: ['asked for less next time'],
    });
    expect(entry.minutes.slice(0, 3)).toEqual([2, 4.5, 1.5]);
    expect(entry.answers[0]).toMatchObject({ answer: 9, response: 'stop' });
    expect(entry.cost).toEqual({ expected: { low: 60, usual: 60, high: 60 }, came: 26 });
    expect(entry.incidents).toHaveLength(1);
    expect(entry.stopped).toBeDefined();
    expect(lateMinutes(entry)).toBe(8);
    expect(logged.plan.acts).toHaveLength(plan.acts.length);
    /* Of a visit of half an hour this was among the shortest. */
    expect(entry.fell).toBeLessThan(0.01);
  });

  it('counts what was done as planned unless told otherwise', () => {
    const [cleansed] = drawsThatCame(logged);
    expect(cleansed).toMatchObject({ quantity: 3, by: 'planned' });
    const ofAcid = usedBeside(logged).find(({ materialId }) => materialId === acid);
    expect(ofAcid).toMatchObject({ quantity: 2.6, usual: 6, isTold: true });
  });

  it('keeps what stood there when it is corrected', () => {
    const [first] = logged.entry.told;
    const corrected: LogbookVisit = {
      ...logged,
      entry: {
        ...logged.entry,
        corrections: [
          {
            id: asId('c-1'),
            at: at(60),
            why: 'read wrong',
            told: [{ draw: first?.draw ?? 0, quantity: 2, by: 'counted' }],
          },
        ],
      },
    };
    const ofAcid = usedBeside(corrected).find(({ materialId }) => materialId === acid);
    expect(ofAcid?.quantity).toBe(2);
    expect(corrected.entry.told[0]?.quantity).toBe(2.6);
  });

  it('is drawn as two ribbons of the same steps', () => {
    const { planned, done: came, minutes } = ribbonsOf(logged, settings);
    expect(minutes).toBe(45);
    expect(planned.map(({ act }) => act.id).slice(0, 3)).toEqual([
      'lay-out//',
      'cleanse//',
      'acid/1/',
    ]);
    expect(came.map(({ from }) => from)).toEqual([0, 2, 6.5]);
    expect(came[1]?.off).toBeCloseTo(4.5 - 25 / 6, 6);
  });
});

describe('the ledger and the logbook', () => {
  it('say the same of every material, whatever was tapped, told, changed or done again', () => {
    const halves = planned(
      protocol([
        named('open', { doses: [{ ...dose(half, { how: 'packs', quantity: exactly(0.5) }) }] }),
        named('use-up', {
          doses: [
            {
              ...dose(half, { how: 'packs', quantity: exactly(0.5) }),
              id: asId('second-half'),
              opening: 'left-over-first',
            },
          ],
        }),
        named('cleanse', { zones: ['face'], doses: [dose(acid, measured(3, 'ml'))] }),
      ]),
    );
    const tap = fc
      .tuple(
        fc.constantFrom(
          'done',
          'done',
          'left-out',
          'took',
          'again',
          'instead',
          'undone',
          'taken-in',
        ),
        fc.nat(halves.acts.length - 1),
        fc.integer({ min: 0, max: 8 }),
      )
      .map(([kind, which, quantity]): Happening => {
        const act = halves.acts[which];
        const draw = act?.draws[0];
        const of = { act: act?.id ?? '', draw: act && draw ? drawKey(act, draw) : '' };
        if (kind === 'took') return { kind, ...of, quantity };
        if (kind === 'instead') return { kind, ...of, materialId: asId('other') };
        return { kind, act: of.act };
      });
    fc.assert(
      fc.property(fc.array(tap, { maxLength: 25 }), (taps) => {
        const happened = [
          began(),
          ...taps.map((each, minute) => event(minute, each)),
          event(90, { kind: 'ended' }),
        ];
        const state = runState(halves, happened);
        const { plan: asPlanned, entry } = entryOfRun(visitRun, halves, state, happened, {
          settings: { slotQuantile: 0.9 },
        });
        const used = (all: readonly { materialId: string; quantity: number }[]) =>
          Object.fromEntries(
            all.flatMap(({ materialId, quantity }) =>
              quantity > 0 ? [[materialId, Math.round(quantity * 1e6) / 1e6]] : [],
            ),
          );
        expect(used(usedBeside({ plan: asPlanned, entry }))).toEqual(
          used(usedInRun(halves, state)),
        );
      }),
      { numRuns: 500 },
    );
  });
});

describe('the logbook', () => {
  const spa = house({
    services: [service({ id: asId('facial'), name: 'Clay facial' })],
    people: [{ id: mateo, name: 'Mateo', role: 'therapist', hourlyPayMinor: 1 }],
  });
  const rowOf = logbookRows(spa);
  const rows = [...sampleVisits(30), logged].map((visit) => rowOf(visit));

  it('is searched by words and filtered by who, what and when', () => {
    expect(foundRows(rows, {})).toHaveLength(31);
    expect(foundRows(rows, { words: 'clay MATEO' })).toHaveLength(15);
    expect(foundRows(rows, { words: 'mara less' }).map(({ id }) => id)).toEqual(['run-1']);
    expect(foundRows(rows, { from: '2026-08-10', until: '2026-08-12' })).toHaveLength(3);
    expect(foundRows(rows, { performedBy: mateo, serviceId: asId('facial') })).toHaveLength(15);
    expect(foundRows(rows, { deviation: 'incident' })).toHaveLength(1);
  });

  it('says what went wrong, and calls what is gone as it was called', () => {
    expect(deviationsOf(logged)).toEqual(['stopped', 'off', 'left-out', 'amounts', 'incident']);
    expect(rows.at(-1)?.service).toBe(layered.name);
    expect(wentWrong(rows.slice(-1))).toHaveLength(5);
  });
});
