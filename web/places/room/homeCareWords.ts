import type { Material } from '@bienestar/core/house/house';
import type { Lasting } from '@bienestar/core/house/around';
import type { Run } from '@bienestar/core/house/run';
import { endsOn, nextVisit } from '@bienestar/core/run/afterwards';
import { dayText } from '../../format/figures';
import { afterWords } from '../card/aroundWords';

/** What a guest takes home from a visit: what holds until when, by dates, and when to come again. */
export function homeCareWords(
  run: Run,
  materials: readonly Material[],
  timeZone: string,
): string[] {
  const { around } = run.protocol;
  const untilWords = (lasting: Lasting): string => {
    const { from, until } = endsOn(lasting, run.at, timeZone);
    return from === until
      ? `until ${dayText(until)}`
      : `until ${dayText(from)} or ${dayText(until)}`;
  };
  const next = nextVisit(around, run.at, timeZone);
  return [
    ...afterWords(around, materials, untilWords),
    ...(next
      ? [
          `Come again from ${dayText(next.from)}${next.until === undefined ? '' : `, by ${dayText(next.until)} at the latest`}` +
            (next.maintenanceOn === undefined
              ? ''
              : `; after the course about ${dayText(next.maintenanceOn)}`),
        ]
      : []),
  ];
}
