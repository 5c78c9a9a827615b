import type { Phase } from '../house/actions';
import type { Source, Step } from '../house/house';
import { effectsOf } from '../house/actions';
import { stepsOf } from '../time/contactClock';
import { meanMinutes, NO_TIME, type Distribution } from '../time/distribution';
import { chanceWithin, leftAfter } from '../time/left';
import { stepTime } from '../time/stepTime';
import type { RunAct, RunContact, RunPlan } from './plan';
import type { RunState } from './standing';

/* How a run stands in time. Moments are ms since 1970, lengths are minutes. */

const MINUTE_MS = 60_000;

/** How far a run is, and whether it ends in time. */
export interface RunTimes {
  /** minutes since the room was taken */
  readonly gone: number;
  /** minutes of the act in hand */
  readonly inHand: number;
  /** minutes of the plan that are over */
  readonly planned: number;
  /** minutes later than expected; below 0 where it is ahead (R1) */
  readonly behind: number;
  /** expected minutes until the room is free (R2) */
  readonly left: number;
  /** the chance to end within the slot (R2) */
  readonly chance: number;
}

/**
 * Behind or ahead, what is left, and the chance to end within the slot.
 * @param slotMinutes from when the room was taken
 * @param now ms since 1970
 * @see R1 R2
 */
export function runTimes(
  plan: RunPlan,
  state: RunState,
  slotMinutes: number,
  now: number,
): RunTimes {
  const { beganAt } = state;
  if (beganAt === undefined)
    return { gone: 0, inHand: 0, planned: 0, behind: 0, left: plan.expected, chance: 1 };
  const until = state.endedAt ?? now;
  const gone = minutesBetween(beganAt, until);
  const { at, inHand } = handOf(plan, state, now);
  const left = leftAfter(inHand ? timeOf(inHand, state) : NO_TIME, at, toCome(plan, state));
  const expectedSoFar = plan.acts.reduce((sum, act, place) => {
    const time = timeOf(act, state);
    const standing = state.acts[place]?.standing;
    if (standing === 'done') return sum + meanMinutes(time);
    return standing === 'in-hand' ? sum + Math.min(at, meanMinutes(time)) : sum;
  }, 0);
  return {
    gone,
    inHand: at,
    planned: expectedSoFar,
    behind: gone - expectedSoFar,
    left: state.endedAt === undefined ? left.mean : 0,
    chance: chanceWithin(left, slotMinutes - gone),
  };
}

function handOf(
  plan: RunPlan,
  state: RunState,
  now: number,
): { readonly at: number; readonly inHand?: RunAct } {
  const inHand = state.inHand === undefined ? undefined : plan.acts[state.inHand];
  const beganAt = state.inHand === undefined ? undefined : state.acts[state.inHand]?.beganAt;
  if (!inHand || beganAt === undefined) return { at: 0 };
  return { at: minutesBetween(beganAt, now), inHand };
}

/** The minutes of an act: its least, once it is said that it is done in those. */
function timeOf({ id, time, minutes: { least } }: RunAct, { shortened }: RunState): Distribution {
  return shortened.has(id) ? stepTime({ least, usual: least, most: least }, 0) : time;
}

function toCome(
  plan: RunPlan,
  state: RunState,
  instead: (act: RunAct) => Distribution | undefined = () => undefined,
): Distribution[] {
  return plan.acts.flatMap((act, at) =>
    state.acts[at]?.standing === 'to-come' ? [instead(act) ?? timeOf(act, state)] : [],
  );
}

/** Minutes between two moments in ms since 1970; none where the later one is earlier. */
export function minutesBetween(from: number, to: number): number {
  return Math.max(0, (to - from) / MINUTE_MS);
}

/** What is made ready is told so long before it is begun. */
const TOLD_BEFORE_MINUTES = 2;

/**
 * Whether something is to be made ready by now: a mix to be begun, pads to be soaked.
 * @param minute of the plan at which it is begun
 */
export function isDue(minute: number, { planned }: Pick<RunTimes, 'planned'>): boolean {
  return minute <= planned + TOLD_BEFORE_MINUTES;
}

/** Where minutes are won back first, unless a house says otherwise: in what is pleasant, and in talk. */
export const GIVES_FIRST: readonly Phase[] = [
  'massage',
  'home-care',
  'show',
  'settle',
  'consult',
  'prepare',
  'reset',
];

/** Something that could give, and what it brings. */
export interface CouldGive {
  readonly act: string;
  readonly name: string;
  /** leaving it out, or doing it in its least minutes */
  readonly how: 'left-out' | 'least';
  /** expected minutes */
  readonly minutes: number;
  /** the chance to end within the slot with it */
  readonly chance: number;
}

/**
 * What could give when time is short: what is only done if needed and has not begun, and minutes above the least of
 * what is to come, those of the least harm first. Never of contact, cooling, neutralising or questions.
 * @param order phases of the least harm first; what stands in none of them comes last
 * @see R3
 */
export function couldGive(
  plan: RunPlan,
  state: RunState,
  slotMinutes: number,
  now: number,
  order: readonly Phase[] = GIVES_FIRST,
): CouldGive[] {
  const { beganAt } = state;
  if (beganAt === undefined || state.status !== 'running') return [];
  const { at, inHand } = handOf(plan, state, now);
  const rest = slotMinutes - minutesBetween(beganAt, now);
  const chanceWith = (changed: RunAct, time: Distribution): number =>
    chanceWithin(
      leftAfter(
        inHand ? timeOf(inHand, state) : NO_TIME,
        at,
        toCome(plan, state, (act) => (act === changed ? time : undefined)),
      ),
      rest,
    );
  const inContact = (place: number): boolean =>
    plan.contacts.some(({ from, until }) => place >= from && place < until);
  const all = plan.acts.flatMap((act, place): CouldGive[] => {
    const { step } = act;
    if (state.acts[place]?.standing !== 'to-come' || !step) return [];
    const { id, name, time } = act;
    const isFixed = inContact(place) || stepsOf(act).some(isNeverShortened) || act.asks.length > 0;
    if (step.optional && !isFixed) {
      const chance = chanceWith(act, NO_TIME);
      return [{ act: id, name, how: 'left-out', minutes: meanMinutes(time), chance }];
    }
    const { least } = step.minutes;
    const minutes = meanMinutes(time) - least;
    if (isFixed || act.meanwhile.length > 0 || minutes <= 0 || state.shortened.has(id)) return [];
    const shortest = stepTime({ least, usual: least, most: least }, 0);
    return [{ act: id, name, how: 'least', minutes, chance: chanceWith(act, shortest) }];
  });
  const rank = ({ act, how }: CouldGive): number => {
    if (how === 'left-out') return -1;
    const phase = plan.acts.find(({ id }) => id === act)?.step?.phase;
    const place = phase === undefined ? -1 : order.indexOf(phase);
    return place === -1 ? order.length : place;
  };
  return all.toSorted((a, b) => rank(a) - rank(b) || b.minutes - a.minutes);
}

/** What is waited for, cools, makes harmless or takes off keeps its minutes. */
function isNeverShortened({ action, capMinutes, until, hands, removal }: Step): boolean {
  return (
    capMinutes !== undefined ||
    until !== undefined ||
    hands !== 'hands-on' ||
    action === 'neutralise' ||
    removal !== undefined ||
    effectsOf(action).includes('cools') ||
    effectsOf(action).includes('uncovers')
  );
}

/** How near a contact is to its longest: take off now from then on. */
export type ContactStage = 'calm' | 'soon' | 'off-now';

/** A product that lies on the skin. */
export interface ContactNow {
  readonly id: string;
  /** the step that says how long */
  readonly name: string;
  /** what lies there */
  readonly source?: Source;
  readonly capMinutes: number;
  /** of the skin that was touched first */
  readonly minutes: number;
  /** of the skin that was touched last: since its first application was over */
  readonly lastTouchedMinutes: number;
  readonly stage: ContactStage;
}

/** From this share of its longest on, a contact is soon over. */
const SOON = 0.8;

/**
 * What lies on the skin now and may not stay for longer than it says, from the first touch on; the one that is over
 * first comes first.
 * @see R4
 */
export function contactsNow(plan: RunPlan, state: RunState, now: number): ContactNow[] {
  if (state.status === 'not-begun' || state.status === 'ended') return [];
  const isOn = (contact: RunContact): boolean =>
    contact.from < contact.until &&
    state.acts[contact.from]?.beganAt !== undefined &&
    !isOff(state, contact);
  return plan.contacts
    .filter(isOn)
    .map(({ id, name, source, capMinutes, from }): ContactNow => {
      const first = state.acts[from];
      const minutes = minutesBetween(first?.beganAt ?? now, now);
      return {
        id,
        name,
        ...(source && { source }),
        capMinutes,
        minutes,
        lastTouchedMinutes: minutesBetween(first?.endedAt ?? now, now),
        stage: minutes >= capMinutes ? 'off-now' : minutes >= SOON * capMinutes ? 'soon' : 'calm',
      };
    })
    .toSorted((a, b) => a.capMinutes - a.minutes - (b.capMinutes - b.minutes));
}

/** Whether what takes it off has begun; of a contact within one act, whether that is over. */
function isOff({ acts, takeOff, tookOffAt }: RunState, { from, until }: RunContact): boolean {
  const putOn = acts[from];
  if (tookOffAt !== undefined && (putOn?.beganAt ?? 0) <= tookOffAt) return true;
  /* What is taken off because of this very act is still there. */
  if (until === from + 1 && putOn?.endedAt !== undefined)
    return takeOff === undefined || putOn.endedAt < takeOff.since;
  return acts.some(({ beganAt }, at) => at >= until && beganAt !== undefined);
}
