import type { Step } from '../house/house';
import { STRETCHES, type Arrangement, type Half } from '../protocol/arrange';
import { meanMinutes } from './distribution';
import { areMinutes, expectedMinutes, timeWithBeside } from './stepTime';

/** A step one of the times that it is done. */
export interface StepTurn {
  readonly step: Step;
  readonly layer?: number;
  readonly half?: Half;
  /** expected minutes after the room is first used */
  readonly startsAt: number;
  readonly ownMinutes: number;
}

/**
 * Every step as often as it is done, in the order of work, with the minute at which it is expected to begin;
 * what is done meanwhile follows its step.
 * @see T2 T4
 */
export function* turnsOf(arrangement: Arrangement): Generator<StepTurn> {
  let now = 0;
  for (const stretch of STRETCHES) {
    for (const occurrence of arrangement[stretch]) {
      if (occurrence.kind === 'between') {
        now += meanOf(occurrence.group.between?.wait);
        continue;
      }
      if (occurrence.kind === 'test') {
        now += meanOf(occurrence.spot.minutes) + meanOf(occurrence.spot.wait);
        continue;
      }
      const { step, meanwhile, layer, half } = occurrence;
      const turn = layer === undefined ? {} : half === undefined ? { layer } : { layer, half };
      yield { step, ...turn, startsAt: now, ownMinutes: meanOf(step.minutes) };
      let beside = now;
      for (const each of meanwhile) {
        const ownMinutes = meanOf(each.minutes);
        yield { step: each, ...turn, startsAt: beside, ownMinutes };
        beside += ownMinutes;
      }
      const others = meanwhile.map(({ minutes }) => minutes);
      /* Minutes out of order are told where the clock is made; what is drawn stays in its place until then. */
      now += [step.minutes, ...others].every(areMinutes)
        ? meanMinutes(timeWithBeside(step.minutes, others, 0))
        : meanOf(step.minutes);
    }
  }
}

function meanOf(minutes: Step['minutes'] | undefined): number {
  return minutes ? expectedMinutes(minutes) : 0;
}
