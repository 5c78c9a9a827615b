import type { Scenario } from '../../house/house';
import type { ChangeId, ScenarioId, ServiceId } from '../../house/ids';
import type { WeekMix } from './weekMix';

const HUNDREDTHS = 100;

/**
 * The best mix, or some services of it, as a scenario: their visits a week as the mix has them, to the hundredth.
 * @param of the services that are taken over
 * @param newId an id that was never used
 */
export function mixScenario(
  { lines }: Pick<WeekMix, 'lines'>,
  of: ReadonlySet<ServiceId>,
  newId: () => ScenarioId & ChangeId,
): Scenario {
  return {
    id: newId(),
    name: 'The mix that brings most',
    changes: lines.flatMap(({ need: { service }, best }) =>
      of.has(service.id)
        ? [
            {
              id: newId(),
              kind: 'visits' as const,
              serviceId: service.id,
              visitsPerWeek: Math.round(best * HUNDREDTHS) / HUNDREDTHS,
            },
          ]
        : [],
    ),
  };
}
