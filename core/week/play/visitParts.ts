import type { Role, Step, VisitKind, WorkedProtocol } from '../../house/house';
import type { DeviceId } from '../../house/ids';
import { devicesOf } from '../../house/protocol';
import { ok, type Outcome } from '../../problem/problem';
import { arrange, STRETCHES, type Occurrence } from '../../protocol/arrange';
import { allInSequence, pointAt, type Distribution } from '../../time/distribution';
import { NO_MINUTES } from '../../time/stepLoad';
import { stepTime } from '../../time/stepTime';

/** What a part of a visit needs besides its room. */
export interface PartNeeds {
  readonly roles: readonly Role[];
  readonly devices: readonly DeviceId[];
}

/** A part of a visit in which the same is needed throughout; work beside a step comes first in it. */
export interface VisitPart {
  /** the guest must be there for it */
  readonly withGuest: boolean;
  readonly time: Distribution;
  readonly needs: PartNeeds;
  /** what is left of the step when the work beside it is over: of `own`, as far as it is longer than `time` */
  readonly then?: { readonly own: Distribution; readonly needs: PartNeeds };
  /** towels out of the warmer when it begins */
  readonly hotTowels: number;
}

/**
 * A visit as parts that need the same hands and devices throughout, in the order of the work.
 * @param paceSpread of guests and hands, a share from 0
 * @returns problems as `arrange`
 * @see W3 T2 T4
 */
export function visitParts(
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  paceSpread: number,
): Outcome<readonly VisitPart[]> {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return arrangement;
  const parts = STRETCHES.flatMap((stretch) =>
    arrangement.value[stretch].map((occurrence) =>
      partOf(occurrence, stretch === 'visit', paceSpread),
    ),
  );
  return ok(together(parts));
}

function partOf(occurrence: Occurrence, withGuest: boolean, paceSpread: number): VisitPart {
  const attended: PartNeeds = { roles: ['therapist'], devices: [] };
  switch (occurrence.kind) {
    case 'between':
      return {
        withGuest,
        time: stepTime(occurrence.group.between?.wait ?? NO_MINUTES, paceSpread),
        needs: attended,
        hotTowels: 0,
      };
    case 'test': {
      const { minutes, wait } = occurrence.spot;
      const time = allInSequence([stepTime(minutes, paceSpread), stepTime(wait, paceSpread)]);
      return { withGuest, time, needs: attended, hotTowels: 0 };
    }
    case 'step': {
      const { step, meanwhile } = occurrence;
      const own = stepTime(step.minutes, paceSpread);
      const hotTowels = [step, ...meanwhile].reduce((sum, each) => sum + hotIn(each), 0);
      if (meanwhile.length === 0) {
        return { withGuest, time: own, needs: needsOf([step]), hotTowels };
      }
      return {
        withGuest,
        time: allInSequence(meanwhile.map(({ minutes }) => stepTime(minutes, paceSpread))),
        needs: needsOf([step, ...meanwhile]),
        then: { own, needs: needsOf([step]) },
        hotTowels,
      };
    }
  }
}

function hotIn({ removal }: Step): number {
  const isHot = removal?.how === 'warm-towel' && removal.taking?.again !== true;
  return isHot ? (removal.taking?.pieces ?? 0) : 0;
}

function needsOf(steps: readonly Step[]): PartNeeds {
  return {
    roles: (['therapist', 'assistant'] as const).filter((role) =>
      steps.some(({ by, hands }) => by === role && hands !== 'free'),
    ),
    devices: [...new Set(steps.flatMap(devicesOf))],
  };
}

/** Parts that need the same, one after the other, as one. */
function together(parts: readonly VisitPart[]): readonly VisitPart[] {
  const joined: VisitPart[] = [];
  for (const part of parts) {
    const last = joined.at(-1);
    if (last && !last.then && !part.then && part.hotTowels === 0 && isSame(last, part)) {
      joined[joined.length - 1] = { ...last, time: allInSequence([last.time, part.time]) };
    } else joined.push(part);
  }
  return joined.length > 0
    ? joined
    : [{ withGuest: true, time: pointAt(0), needs: { roles: [], devices: [] }, hotTowels: 0 }];
}

function isSame(a: VisitPart, b: VisitPart): boolean {
  return (
    a.withGuest === b.withGuest &&
    a.needs.roles.join() === b.needs.roles.join() &&
    a.needs.devices.join() === b.needs.devices.join()
  );
}
