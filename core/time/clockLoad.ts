import type { Role, Step, VisitKind, WorkedProtocol } from '../house/house';
import type { DeviceId } from '../house/ids';
import { paceSpreadOf, type HouseSettings } from '../house/settings';
import { failWith, ok, type Outcome } from '../problem/problem';
import { arrange, STRETCHES } from '../protocol/arrange';
import { meanMinutes, type Distribution } from './distribution';
import { loadOf, minutesProblems, NO_MINUTES, switchOn, type DeviceMinutes } from './stepLoad';
import { stepTime } from './stepTime';

/** What a clock adds up to, without its lines: the times in order, and who is tied up how long. */
export interface ClockLoad {
  readonly parts: readonly Distribution[];
  /** minutes hands-on or watching, by role */
  readonly attended: Readonly<Record<Role, number>>;
  readonly deviceMinutes: DeviceMinutes;
}

/**
 * The times and attended minutes of a protocol, for who needs no line of its clock.
 * @returns problems as `scheduleOf`
 * @see T1 T4
 */
export function clockLoad(
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  settings: Pick<HouseSettings, 'paceSpread'>,
): Outcome<ClockLoad> {
  const paceSpread = paceSpreadOf(settings);
  const arrangement = arrange(protocol, visitKind);
  const problems = minutesProblems(protocol);
  if (!arrangement.ok || problems.length > 0) {
    return failWith([...(arrangement.ok ? [] : arrangement.problems), ...problems]);
  }
  const attended: Record<Role, number> = { therapist: 0, assistant: 0 };
  const parts: Distribution[] = [];
  const deviceMinutes = new Map<DeviceId, number>();
  const tieUp = ({ by, hands }: Pick<Step, 'by' | 'hands'>, minutes: number): void => {
    if (hands !== 'free') attended[by] += minutes;
  };
  for (const stretch of STRETCHES) {
    for (const occurrence of arrangement.value[stretch]) {
      if (occurrence.kind === 'step') {
        const { step, meanwhile } = occurrence;
        const load = loadOf(step, meanwhile, paceSpread);
        const { time, beside, alone } = load;
        tieUp(step, alone);
        meanwhile.forEach((each, at) => tieUp(each, beside[at] ?? 0));
        switchOn(deviceMinutes, step, meanwhile, load);
        parts.push(time);
        continue;
      }
      const times =
        occurrence.kind === 'test'
          ? [
              stepTime(occurrence.spot.minutes, paceSpread),
              stepTime(occurrence.spot.wait, paceSpread),
            ]
          : [stepTime(occurrence.group.between?.wait ?? NO_MINUTES, paceSpread)];
      for (const time of times) attended.therapist += meanMinutes(time);
      parts.push(...times);
    }
  }
  return ok({ parts, attended, deviceMinutes });
}
