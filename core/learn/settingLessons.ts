import type { LogbookVisit, PlannedSetting } from '../house/logbook';
import type { ProtocolId, StepId } from '../house/ids';
import { differenceOf, whoseOf, type Point } from './cause';
import { SURE_ERRORS, type Lesson } from './lesson';
import { measuredOf } from './measured';
import type { WrittenNow } from './writtenNow';

interface Series {
  readonly protocolId: ProtocolId;
  readonly stepId: StepId;
  readonly setting: PlannedSetting;
  readonly points: Point[];
}

/** Shares of what is written are never nearer than this. */
const LEAST_SPREAD = 0.03;
/** What differs by less is not worth telling. */
const WORTH_SHARE = 0.06;

/**
 * Devices that are set otherwise than written, by whom and since when. It is told and never adopted by itself: what a
 * device is set to is decided by whoever is trained for it.
 * @param visits in the order in which they were
 * @see L1 L4
 */
export function settingLessons(visits: readonly LogbookVisit[], now: WrittenNow): Lesson[] {
  const series = new Map<string, Series>();
  visits.forEach((visit, at) => {
    const { plan, entry } = visit;
    plan.acts.forEach(({ stepId, settings = [] }, act) => {
      if (!stepId || (entry.minutes[act] ?? null) === null) return;
      if (!now.step(plan.protocolId, stepId)?.device) return;
      for (const setting of settings) {
        const { zones, kind, low, high } = setting;
        const middle = (low + high) / 2;
        if (middle <= 0) continue;
        const key = `${plan.protocolId}/${stepId}/${zones.join('+')}/${kind}/${low}/${high}`;
        const own = series.get(key) ?? {
          protocolId: plan.protocolId,
          stepId,
          setting,
          points: [],
        };
        series.set(key, own);
        const told = entry.settings?.find(
          (each) => each.act === act && each.kind === kind && isSame(each.zones, zones),
        );
        own.points.push({ visit: at, value: (told?.was ?? middle) / middle, ...whoseOf(visit) });
      }
    });
  });
  return [...series].flatMap(([key, { protocolId, stepId, setting, points }]): Lesson[] => {
    const difference = differenceOf(points, 1, LEAST_SPREAD);
    if (!difference || Math.abs(difference.mean - 1) < WORTH_SHARE) return [];
    return [
      {
        key: `setting/${key}`,
        about: {
          kind: 'setting',
          protocolId,
          stepId,
          setting,
          measured: measuredOf(difference, points, visits),
        },
        size: difference.mean - 1,
        sure: difference.errors >= SURE_ERRORS ? 'sure' : 'likely',
      },
    ];
  });
}

function isSame(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((each, at) => each === b[at]);
}
