import type { Minutes, Step } from '../house/house';
import type { LogbookVisit, PlannedAct } from '../house/logbook';
import type { ProtocolId, StepId } from '../house/ids';
import type { HouseSettings } from '../house/settings';
import { expectedOfAct } from '../logbook/cameOut';
import { tappedThrough } from '../logbook/tappedThrough';
import { expectedMinutes } from '../time/stepTime';
import { differenceOf, whoseOf, type Point } from './cause';
import { SURE_ERRORS, type Lesson } from './lesson';
import { measuredOf } from './measured';
import { minutesByLog } from './towards';
import { areSame, type WrittenNow } from './writtenNow';

interface Series {
  readonly protocolId: ProtocolId;
  readonly step: Step;
  readonly points: Point[];
}

/** Taps are never nearer than this, in minutes. */
const LEAST_SPREAD = 0.15;
/** What differs by less is not worth writing anew. */
const WORTH_MINUTES = 0.5;
const WORTH_SHARE = 0.06;

/**
 * Steps that take other minutes than written, by the visits that were worked by what is written now.
 * @param visits in the order in which they were
 * @see L1 L2 L4
 */
export function minuteLessons(
  visits: readonly LogbookVisit[],
  now: WrittenNow,
  settings: Pick<HouseSettings, 'paceSpread'>,
): Lesson[] {
  const series = new Map<string, Series>();
  const expected = new Map<PlannedAct, { readonly target: StepId; readonly base: number }>();
  visits.forEach((logged, visit) => {
    const { plan, entry } = logged;
    const whose = whoseOf(logged);
    const tapped = tappedThrough(logged);
    if (tapped.isAll) return;
    const repeated = new Set(entry.repeated?.map(({ act }) => act));
    plan.acts.forEach((act, at) => {
      const took = entry.minutes[at] ?? null;
      if (took === null || act.stepId === undefined || repeated.has(at)) return;
      if (tapped.acts.has(at)) return;
      const target = targetOf(act);
      const step = now.step(plan.protocolId, target.stepId);
      if (!step || !areSame(step.minutes, target.minutes)) return;
      const known = expected.get(act) ?? {
        target: target.stepId,
        base: expectedOfAct(act, settings) - expectedMinutes(target.minutes),
      };
      expected.set(act, known);
      const key = `${plan.protocolId}/${target.stepId}`;
      const own = series.get(key) ?? { protocolId: plan.protocolId, step, points: [] };
      series.set(key, own);
      own.points.push({ visit, value: took - known.base, ...whose });
    });
  });
  return [...series.values()].flatMap((each) => lessonOf(each, visits));
}

/** What decides how long an act takes: itself, or the one thing beside it that takes longer. */
function targetOf({ stepId, minutes, beside = [] }: PlannedAct): {
  readonly stepId: StepId;
  readonly minutes: Minutes;
} {
  const [only, more] = beside;
  const own = { stepId: stepId as StepId, minutes };
  if (!only || more) return own;
  return expectedMinutes(only.minutes) > expectedMinutes(minutes) ? only : own;
}

function lessonOf({ protocolId, step, points }: Series, visits: readonly LogbookVisit[]): Lesson[] {
  const written = step.minutes;
  const mean = expectedMinutes(written);
  const difference = differenceOf(points, mean, LEAST_SPREAD);
  if (!difference) return [];
  const off = difference.mean - mean;
  if (Math.abs(off) < Math.max(WORTH_MINUTES, WORTH_SHARE * mean)) return [];
  const values = difference.points.map(({ value }) => value);
  const proposed = sayable(minutesByLog(written, values));
  if (areSame(proposed, written)) return [];
  const { capMinutes } = step;
  const isPastCap = capMinutes !== undefined && proposed.usual > capMinutes;
  const most = Math.max(proposed.usual, Math.min(proposed.most, capMinutes ?? proposed.most));
  return [
    {
      key: `minutes/${protocolId}/${step.id}`,
      about: {
        kind: 'minutes',
        protocolId,
        stepId: step.id,
        written,
        proposed: { ...proposed, most },
        ...(isPastCap && { isPastCap }),
        measured: measuredOf(difference, points, visits),
      },
      size: off / mean,
      sure: difference.errors >= SURE_ERRORS ? 'sure' : 'likely',
    },
  ];
}

/** From so many minutes on, halves are said; below that, quarters. */
const HALVES_FROM = 3;

/** Minutes as people say them. */
function sayable({ least, usual, most }: Minutes): Minutes {
  const per = usual >= HALVES_FROM ? 2 : 4;
  const said = (minutes: number): number => Math.round(minutes * per) / per;
  return { least: said(least), usual: said(usual), most: said(most) };
}
