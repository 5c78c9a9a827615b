import type { RunEvent } from '../house/run';
import { asKept } from '../house/stock';
import { isAnswer, mayRespond, ruleFor } from './answers';
import { ended, goingTo, leavingOut, overAndOn, withAct } from './going';
import { mayBeLeftOut, mayBeMoved, mayBeRepeated } from './mayBe';
import { isUsual, type RunAct, type RunPlan } from './plan';
import type { ActState, Answered, RunState } from './standing';
import { stopped, takingOff, tookOff } from './takingOff';
import { drawKey } from './used';

/** For how long one waits at an answer where nothing is said. */
const USUAL_WAIT_MINUTES = 3;
const MINUTE_MS = 60_000;

/**
 * How a run stands after what happened, whatever the order in which taps came in and however often: an event of an id
 * that was there counts once, what does not fit to where the run is changes nothing, and no time runs backwards.
 */
export function runState(plan: RunPlan, events: readonly RunEvent[]): RunState {
  const seen = new Set<string>();
  let state = notBegun(plan);
  let now = 0;
  for (const event of events) {
    if (seen.has(event.id)) continue;
    seen.add(event.id);
    now = Math.max(now, Date.parse(event.at));
    state = after(plan, state, event, now);
  }
  return state;
}

function notBegun({ acts }: RunPlan): RunState {
  return {
    status: 'not-begun',
    acts: acts.map((act): ActState => ({
      standing: isUsual(act) ? 'to-come' : 'left-out',
      answers: [],
    })),
    asked: [],
    isLightly: false,
    ready: new Map(),
    took: new Map(),
    instead: new Map(),
    set: new Map(),
    passed: new Map(),
    shortened: new Set(),
    weighed: new Set(),
    onScale: new Map(),
    notes: [],
    sold: [],
    isEntered: false,
    isPutAway: false,
  };
}

/** What was said to have been taken in an act that is done once more: that, and what is planned besides. */
function tookOnceMore(
  act: RunAct | undefined,
  { took, weighed }: RunState,
): Pick<RunState, 'took' | 'weighed'> {
  const more = new Map(took);
  const still = new Set(weighed);
  for (const draw of act?.draws ?? []) {
    const key = act ? drawKey(act, draw) : '';
    const said = took.get(key);
    if (said === undefined) continue;
    more.set(key, asKept(said + draw.consumed.usual));
    still.delete(key);
  }
  return { took: more, weighed: still };
}

function after(plan: RunPlan, state: RunState, event: RunEvent, now: number): RunState {
  const { status } = state;
  switch (event.kind) {
    case 'began':
      return status === 'not-begun'
        ? goingTo(plan, { ...ledOn(state, event.on), status: 'running', beganAt: now }, 0, now)
        : state;
    case 'led':
      return ledOn(state, event.on);
    case 'readied': {
      const ready = new Map(state.ready);
      if (event.isReady) ready.set(event.thing, now);
      else ready.delete(event.thing);
      return { ...state, ready };
    }
    case 'done':
      return isInHand(plan, state, event.act) && state.asked.length === 0
        ? overAndOn(plan, state, now)
        : state;
    case 'undone':
      return status === 'running' ? backTo(plan, state, event.act) : state;
    case 'left-out':
      return status === 'running' ? leftOut(plan, state, event.act, now) : state;
    case 'taken-in':
      return takenIn(plan, state, event.act);
    case 'answered':
      return isInHand(plan, state, event.act) ? answered(plan, state, event, now) : state;
    case 'took': {
      const { draw, quantity, by } = event;
      if (!Number.isFinite(quantity) || quantity < 0) return state;
      const weighed = new Set(state.weighed);
      if (by === 'weighed') weighed.add(draw);
      else weighed.delete(draw);
      return { ...state, took: new Map(state.took).set(draw, quantity), weighed };
    }
    case 'on-scale': {
      const { draw, grams } = event;
      if (!Number.isFinite(grams) || grams < 0) return state;
      return { ...state, onScale: new Map(state.onScale).set(draw, grams) };
    }
    case 'instead':
      return { ...state, instead: new Map(state.instead).set(event.draw, event.materialId) };
    case 'set': {
      if (!Number.isFinite(event.value)) return state;
      return { ...state, set: new Map(state.set).set(event.setting, event.value) };
    }
    case 'shortened':
      return { ...state, shortened: new Set(state.shortened).add(event.act) };
    case 'passed': {
      if (!Number.isInteger(event.passes) || event.passes < 0) return state;
      return { ...state, passed: new Map(state.passed).set(event.setting, event.passes) };
    }
    case 'moved':
      return moved(plan, state, event.act, now);
    case 'again': {
      if (!isInHand(plan, state, event.act) || !mayBeRepeated(plan, state)) return state;
      const at = state.inHand as number;
      const again = withAct(state, at, { again: (state.acts[at]?.again ?? 0) + 1 });
      return { ...again, ...tookOnceMore(plan.acts[at], state) };
    }
    case 'noted': {
      const words = event.words.trim();
      return words === '' ? state : { ...state, notes: [...state.notes, words] };
    }
    case 'sold': {
      const { materialId, quantity } = event;
      /* The log and the ledger have it as it was when it was entered. */
      const isOver = state.isEntered || state.isPutAway;
      if (isOver || !Number.isInteger(quantity) || quantity < 0) return state;
      const others = state.sold.filter((each) => each.materialId !== materialId);
      return { ...state, sold: quantity > 0 ? [...others, { materialId, quantity }] : others };
    }
    case 'off':
      return status === 'running' && !state.takeOff
        ? takingOff(plan, { ...state, asked: [] }, 'off', now)
        : state;
    case 'stopped':
      return status === 'running' ? stopped(state, event.why, now) : state;
    case 'took-off':
      return tookOff(plan, state, now);
    case 'ended':
      /* Not before what must come off is off. */
      return (status === 'running' || status === 'stopped') && !state.takeOff
        ? ended(state, now)
        : state;
    case 'incident':
    case 'followed-up':
    case 'decided':
      /* They stand beside the run: it goes as it goes. What is decided is in its plan. */
      return state;
    case 'entered':
      return { ...state, isEntered: true };
    case 'put-away':
      /* What is in the log stays there, and nobody leaves while something must come off. */
      return state.isEntered || state.takeOff ? state : { ...ended(state, now), isPutAway: true };
  }
}

function ledOn(state: RunState, leader: string | undefined): RunState {
  return leader === undefined ? state : { ...state, leader };
}

function isInHand({ acts }: RunPlan, { status, inHand }: RunState, id: string): boolean {
  return status === 'running' && inHand !== undefined && acts[inHand]?.id === id;
}

/** An act that comes later is done before what is in hand, which is begun anew after it. */
function moved(plan: RunPlan, state: RunState, id: string, now: number): RunState {
  const at = plan.acts.findIndex((act) => act.id === id);
  const { inHand } = state;
  if (inHand === undefined || !mayBeMoved(plan, state, at)) return state;
  const { beganAt: _, ...later } = state.acts[inHand] as ActState;
  const acts = state.acts
    .with(inHand, { ...later, standing: 'to-come' })
    .with(at, { ...(state.acts[at] as ActState), standing: 'in-hand', beganAt: now });
  return { ...state, acts, inHand: at, returnTo: inHand, asked: plan.acts[at]?.asks ?? [] };
}

/** What was pressed too early is taken back: its act goes on from when it began. */
function backTo({ acts: planned }: RunPlan, state: RunState, id: string): RunState {
  const { inHand } = state;
  if (inHand === undefined || state.takeOff) return state;
  const at = planned.findIndex((act) => act.id === id);
  const last = state.acts.findLastIndex(
    ({ standing }, place) => place < inHand && standing === 'done',
  );
  const act = state.acts[at];
  if (!act || at !== last) return state;
  const { endedAt: _, ...began } = act;
  const { beganAt: __, ...fresh } = state.acts[inHand] as ActState;
  const acts = state.acts
    .with(inHand, { ...fresh, standing: 'to-come' })
    .with(at, { ...began, standing: 'in-hand' });
  const { waiting: ___, ...rest } = state;
  /* What was asked there was answered. */
  return { ...rest, acts, inHand: at, asked: [] };
}

function leftOut(plan: RunPlan, state: RunState, id: string, now: number): RunState {
  const at = plan.acts.findIndex((act) => act.id === id);
  const standing = state.acts[at]?.standing;
  if (!mayBeLeftOut(plan, state, at)) return state;
  if (standing === 'to-come') return withAct(state, at, { standing: 'left-out' });
  return goingTo(plan, withAct(state, at, { standing: 'left-out' }), at + 1, now);
}

function takenIn(plan: RunPlan, state: RunState, id: string): RunState {
  const at = plan.acts.findIndex((act) => act.id === id);
  const act = state.acts[at];
  const isAhead = state.inHand !== undefined && at > state.inHand;
  return act?.standing === 'left-out' && act.because === undefined && isAhead
    ? withAct(state, at, { standing: 'to-come' })
    : state;
}

function answered(
  plan: RunPlan,
  state: RunState,
  event: Extract<RunEvent, { kind: 'answered' }>,
  now: number,
): RunState {
  const { inHand } = state;
  const question = state.asked.find(({ id }) => id === event.question);
  const act = inHand === undefined ? undefined : state.acts[inHand];
  if (inHand === undefined || !act || !question || !isAnswer(question, event.answer)) return state;
  const ruled = ruleFor(question, event.answer);
  const isOverdue = state.waiting !== undefined && now >= state.waiting.until;
  /* Waiting has an end: what does not go by then comes off. */
  const rule = ruled.response === 'wait' && isOverdue ? 'off' : ruled.response;
  const own = event.response;
  const response = own !== undefined && mayRespond(rule, own, event.reason) ? own : rule;
  const given: Answered = {
    question,
    answer: event.answer,
    rule,
    response,
    ...(event.reason !== undefined && { reason: event.reason }),
    at: now,
  };
  const noted = withAct(state, inHand, { answers: [...act.answers, given] });
  const asked = state.asked.filter(({ id }) => id !== event.question);
  const { waiting, ...rest } = noted;
  const going: RunState = { ...rest, asked };
  switch (response) {
    case 'go-on':
      return going;
    case 'lightly':
      return { ...going, isLightly: true };
    case 'fewer-layers':
      return withoutFurtherLayers(plan, going, inHand);
    case 'wait': {
      const minutes = ruled.atMostMinutes ?? USUAL_WAIT_MINUTES;
      return { ...noted, waiting: waiting ?? { since: now, until: now + minutes * MINUTE_MS } };
    }
    case 'off':
    case 'neutralise':
      return takingOff(plan, { ...going, asked: [] }, response, now);
    case 'stop':
      return stopped({ ...going, asked: [] }, question.ask, now);
  }
}

/** No layer after the one in hand. */
function withoutFurtherLayers({ acts }: RunPlan, state: RunState, inHand: number): RunState {
  const here = acts[inHand];
  if (!here?.group) return state;
  return leavingOut(state, 'fewer-layers', (at) => {
    const act = acts[at];
    if (at <= inHand || !act || act.group !== here.group) return false;
    return act.kind === 'wait' || (act.layer ?? 0) > (here.layer ?? 0);
  });
}
