import type { LayerGroup, Step } from '../house/house';
import { asId, type MaterialId, type RunEventId } from '../house/ids';
import type { Question, Reaction, Response } from '../house/question';
import { drawsOf } from '../draws/drawsOf';
import {
  cleanser,
  sachet,
  dose,
  measured,
  minutes,
  protocol,
  settings,
  shelf,
  step,
  valueOf,
} from './sample';
import { planOf, type RunPlan } from '../run/plan';
import type { Happening, RunEvent } from '../house/run';
import { runState } from '../run/runState';
import type { RunState } from '../run/standing';

/* A layered treatment of a few minutes, and what happens in a run of it. */

export const START = Date.parse('2026-11-28T10:00:00Z');
export const at = (minute: number): string => new Date(START + minute * 60_000).toISOString();
export const msAt = (minute: number): number => START + minute * 60_000;
let made = 0;

/** Something that happens at a minute of the run. */
export function event(minute: number, what: Happening): RunEvent {
  made += 1;
  return { ...what, id: asId<RunEventId>(`event-${made}`), at: at(minute) };
}
export const began = (): RunEvent => event(0, { kind: 'began' });
export const done = (minute: number, act: string): RunEvent => event(minute, { kind: 'done', act });

export function asking(reactions: readonly Reaction[], id = 'asked'): Question {
  return { id: asId(id), ask: 'How does it feel?', answer: { kind: 'score' }, reactions };
}
export const answer = (
  minute: number,
  act: string,
  score: number,
  changes: { readonly response?: Response; readonly reason?: string } = {},
): RunEvent =>
  event(minute, { kind: 'answered', act, question: 'asked', answer: score, ...changes });

export const CAREFUL: readonly Reaction[] = [
  { from: 3, response: 'lightly' },
  { from: 5, response: 'fewer-layers' },
  { from: 7, response: 'off' },
  { from: 9, response: 'stop' },
];

export const group: LayerGroup = {
  id: asId('layers'),
  name: 'Acid layers',
  layers: { first: 2, returning: 3 },
  between: { wait: minutes(1) },
  asks: [asking(CAREFUL)],
};
export const gel = asId<MaterialId>('cleanser');
export const acid = asId<MaterialId>('acid');
/** a sachet of which half is used now and half later */
export const half = asId<MaterialId>('half');
export const named = (id: string, of: Partial<Step>, time = minutes(2)): Step =>
  step(id, time, { id: asId(id), ...of });
export const layered = protocol(
  [
    named('lay-out', { stretch: 'set-up' }),
    named('cleanse', { zones: ['face'], doses: [dose(gel, measured(3, 'ml'))] }, minutes(3, 4, 6)),
    named('acid', {
      zones: ['face'],
      layerGroupId: group.id,
      doses: [dose(acid, measured(2, 'ml'))],
      capMinutes: 10,
      capSince: 'first-touch',
    }),
    named('rinse', { zones: ['face'], removal: { how: 'cool-water' } }),
    named('massage', { phase: 'massage' }, minutes(6, 10, 14)),
    named('eye-care', { optional: { usually: 'done', if: 'there is time' } }, minutes(3)),
    named('clear', { stretch: 'reset' }),
  ],
  { layerGroups: [group] },
);

export function planned(of = layered): RunPlan {
  const draws = valueOf(
    drawsOf(
      of,
      'returning',
      shelf([cleanser(), cleanser({ id: acid }), sachet({ id: half })]),
      settings,
    ),
  );
  return valueOf(planOf(of, 'returning', draws, settings));
}
export const plan = planned();
export const run = (...events: readonly RunEvent[]): RunState =>
  runState(plan, [began(), ...events]);
export const inHand = (state: RunState): string | undefined =>
  state.inHand === undefined ? undefined : plan.acts[state.inHand]?.id;
export const toFirstLayer = [done(2, 'lay-out//'), done(6, 'cleanse//')];
