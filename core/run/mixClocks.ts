import type { MixId } from '../house/ids';
import { stepsOf } from '../time/contactClock';
import type { RunPlan } from './plan';
import { minutesBetween } from './runTimes';
import type { RunState } from './standing';

/** A mix that was made for the tray: how long it stands before it is used, and after how long it is over. */
export interface MadeOnTray {
  readonly mixId: MixId;
  /** minutes */
  readonly standingMinutes: number;
  /** minutes after it was mixed; as long as one likes unless given */
  readonly workingLifeMinutes?: number;
}

/** The clock of a mix: it stands, may be used, or is over. */
export interface MixClock {
  readonly stage: 'stands' | 'ready' | 'over';
  /** since it was made */
  readonly minutes: number;
  /** until it is ready, or over; nothing where it keeps */
  readonly of?: number;
}

/**
 * How a mix stands that was ticked as made: nothing before it was, and once all that uses it is over.
 * @param key of the mix on the tray
 * @param now ms since 1970
 * @see M2
 */
export function mixClock(
  key: string,
  { mixId, standingMinutes, workingLifeMinutes }: MadeOnTray,
  { acts }: RunPlan,
  state: RunState,
  now: number,
): MixClock | undefined {
  const madeAt = state.ready.get(key);
  if (madeAt === undefined || state.endedAt !== undefined) return undefined;
  const isToCome = acts.some((act, at) => {
    const standing = state.acts[at]?.standing;
    const isOpen = standing === 'to-come' || standing === 'in-hand';
    const uses = stepsOf(act).some(({ doses }) =>
      doses.some(({ source }) => source.kind === 'mix' && source.mixId === mixId),
    );
    return isOpen && uses;
  });
  if (!isToCome) return undefined;
  const minutes = minutesBetween(madeAt, now);
  if (minutes < standingMinutes) return { stage: 'stands', minutes, of: standingMinutes };
  if (workingLifeMinutes === undefined) return { stage: 'ready', minutes };
  const stage = minutes >= workingLifeMinutes ? 'over' : 'ready';
  return { stage, minutes, of: workingLifeMinutes };
}
