import type { Draw } from '../draws/draw';
import { LONGEST_LOGGED_MINUTES } from '../house/limits';
import { toSecond } from '../days/instants';
import {
  type LoggedAnswer,
  type LoggedPasses,
  type LoggedSetting,
  type LogbookVisit,
  type PlannedAct,
  type PlannedDraw,
  type PlannedSetting,
  type SoldProduct,
  type ToldAmount,
} from '../house/logbook';
import { asId, type LogbookPlanId, type MaterialId, type TreatmentId } from '../house/ids';
import type { Device } from '../house/device';
import type { Run, RunEvent } from '../house/run';
import type { HouseSettings } from '../house/settings';
import { asKept } from '../house/stock';
import { resolvedSettings } from '../protocol/deviceSettings';
import { isUsual, type RunAct, type RunPlan } from '../run/plan';
import type { RunState } from '../run/standing';
import { minutesBetween } from '../run/runTimes';
import { passesInAct, settingsInAct } from '../run/settingsInAct';
import { drawKey, timesDone } from '../run/used';
import { stepsOf } from '../time/contactClock';
import { NO_TIME } from '../time/distribution';
import { chanceWithin, leftAfter } from '../time/left';
import { costOfVisit } from './costOfVisit';

/** Besides the run, what a logbook keeps of a visit. */
interface Besides {
  readonly settings: Pick<HouseSettings, 'slotQuantile'>;
  /** when the book had it, ISO 8601 */
  readonly bookedAt?: string;
  /** landed cost of a unit of a material, in minor units */
  readonly unitCostOf?: (id: MaterialId) => number | undefined;
  readonly devices?: readonly Device[];
}

/** The plan of a run before the house has given it an id: visits of the same plan share it. */
export const NO_PLAN_YET = asId<LogbookPlanId>('plan');

/**
 * A run that is over, as the logbook has it: what it was to be, and what it was. The id is that of the run, so that
 * it stands there once.
 * @param events in the order in which they came in
 * @see R2 R5
 */
export function entryOfRun(
  run: Run,
  plan: RunPlan,
  state: RunState,
  events: readonly RunEvent[],
  { settings, bookedAt, unitCostOf, devices = [] }: Besides,
): LogbookVisit {
  const draws = plan.acts.flatMap((act, at) => act.draws.map((draw) => ({ act, at, draw })));
  const roomMinutes = minutesBetween(state.beganAt ?? 0, state.endedAt ?? state.beganAt ?? 0);
  const told = draws.flatMap(({ act, at: place, draw }, at): ToldAmount[] => {
    const key = drawKey(act, draw);
    const instead = state.instead.get(key);
    const planned = draw.consumed.usual * timesDone(state, place);
    const quantity = state.took.get(key) ?? (instead && planned);
    if (quantity === undefined) return [];
    const by = state.weighed.has(key) ? 'weighed' : 'counted';
    return [{ draw: at, quantity: asKept(quantity), by, ...(instead && { instead }) }];
  });
  const repeated = state.acts.flatMap(({ again }, act) =>
    again === undefined ? [] : [{ act, times: again + 1 }],
  );
  const settingsSet = plan.acts.flatMap((act, place) =>
    settingsInAct(act, state, devices).flatMap((each): LoggedSetting[] => {
      if (!each.isOther) return [];
      const { zones, kind, unit, low, high, value } = each;
      return [{ act: place, zones, kind, unit, low, high, was: value }];
    }),
  );
  const passes = plan.acts.flatMap((act, place) =>
    passesInAct(act, state).flatMap(({ key, zones, planned, done }): LoggedPasses[] =>
      state.passed.has(key) ? [{ act: place, zones, planned, done }] : [],
    ),
  );
  const incidents = events.flatMap(({ id, kind }) => (kind === 'incident' ? [id] : []));
  const { client, guest, performedBy, roomId, bookingId } = run;
  const visit: LogbookVisit = {
    plan: {
      id: NO_PLAN_YET,
      serviceId: run.serviceId,
      protocolId: run.protocolId,
      name: run.protocol.name,
      visitKind: run.visitKind,
      slotMinutes: run.slotMinutes,
      promised: settings.slotQuantile,
      acts: plan.acts.map(plannedAct),
      draws: draws.map(({ act, at, draw }) => plannedDraw(act, at, draw)),
    },
    entry: {
      id: asId<TreatmentId>(run.id),
      planId: NO_PLAN_YET,
      at: state.beganAt === undefined ? run.at : toSecond(new Date(state.beganAt)),
      ...(performedBy && { performedBy }),
      ...(roomId && { roomId }),
      ...(bookingId && { bookingId }),
      ...(bookedAt !== undefined && { bookedAt }),
      ...(guest !== undefined && { guest }),
      ...(client && { client }),
      roomMinutes: keptMinutes(roomMinutes),
      minutes: state.acts.map(({ standing, beganAt, endedAt }) =>
        standing === 'done' ? keptMinutes(minutesBetween(beganAt ?? 0, endedAt ?? 0)) : null,
      ),
      told,
      ...(repeated.length > 0 && { repeated }),
      ...(settingsSet.length > 0 && { settings: settingsSet }),
      ...(passes.length > 0 && { passes }),
      answers: answersOf(state),
      notes: state.notes,
      ...(state.stoppedWhy !== undefined && { stopped: state.stoppedWhy }),
      ...(incidents.length > 0 && { incidents }),
      fell: fellAt(plan, roomMinutes),
      ...(state.sold.length > 0 && { sold: state.sold satisfies readonly SoldProduct[] }),
    },
  };
  if (!unitCostOf) return visit;
  return { ...visit, entry: { ...visit.entry, cost: costOfVisit(visit, unitCostOf) } };
}

/** Which share of the forecast lies below what a visit took: even over many visits where forecasts are right. */
function fellAt({ acts }: RunPlan, roomMinutes: number): number {
  const usual = acts.filter(isUsual).map(({ time }) => time);
  return asKept(chanceWithin(leftAfter(NO_TIME, 0, usual), roomMinutes));
}

const PER_MINUTE = 100;

/** Minutes as the logbook has them, to the hundredth. */
export function keptMinutes(minutes: number): number {
  return Math.min(LONGEST_LOGGED_MINUTES, Math.round(minutes * PER_MINUTE) / PER_MINUTE);
}

/** An act as it was planned, without what a run only needs while it goes. */
export function plannedAct({
  id,
  name,
  stretch,
  step,
  layer,
  minutes,
  meanwhile,
}: RunAct): PlannedAct {
  const settings = resolvedSettings(step?.device?.settings ?? []).flatMap(({ zones, values }) =>
    values.map(({ kind, low, high }): PlannedSetting => ({ zones, kind, low, high })),
  );
  return {
    id,
    ...(step && { stepId: step.id }),
    name,
    stretch,
    ...(step?.phase && { phase: step.phase }),
    ...(step && { hands: step.hands }),
    ...(layer !== undefined && { layer }),
    minutes,
    ...(meanwhile.length > 0 && {
      beside: meanwhile.map(({ id: stepId, minutes: lasts, doses }) => ({
        stepId,
        minutes: lasts,
        ...(doses.length > 0 && { doseIds: doses.map((dose) => dose.id) }),
      })),
    }),
    ...(settings.length > 0 && { settings }),
    ...(step?.optional && { ifNeeded: step.optional.usually }),
  };
}

/** A draw of an act as it was planned. */
export function plannedDraw(act: RunAct, at: number, draw: Draw): PlannedDraw {
  const { doseId, materialId, part, consumed } = draw;
  const said = stepsOf(act)
    .flatMap(({ doses }) => doses)
    .find(({ id }) => id === doseId);
  return {
    act: at,
    doseId,
    materialId,
    ...(part !== undefined && { part }),
    quantity: {
      low: asKept(consumed.low),
      usual: asKept(consumed.usual),
      high: asKept(consumed.high),
    },
    ...(said && draw.for === undefined && !draw.mix && { amount: said.amount }),
  };
}

function answersOf({ acts }: RunState): LoggedAnswer[] {
  return acts.flatMap(({ answers }, act) =>
    answers.map(({ question, answer, rule, response, reason }): LoggedAnswer => ({
      act,
      ask: question.ask,
      answer,
      response,
      ...(rule !== response && { rule }),
      ...(reason !== undefined && { reason }),
    })),
  );
}
