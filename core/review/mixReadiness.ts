import type { WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { MixId } from '../house/ids';
import { mixMakings, type MixMaking } from '../mix/mixMakings';
import type { Schedule } from '../time/schedule';
import type { Finding } from './finding';

/** Mixes that have not stood long enough when they are needed, or are older than their working life. */
export function mixFindings(
  protocol: WorkedProtocol,
  schedule: Schedule,
  shelf: ShelfIndex,
): Finding[] {
  const makings = mixMakings(protocol, schedule, shelf);
  return [
    ...mixingFindings(protocol, makings, shelf),
    ...makings.flatMap(({ mix, usedBy, madeBy, neededAt, lastAt, mixedAt }): Finding[] => {
      const where = { protocolId: protocol.id, stepId: usedBy, mixId: mix.id, field: 'doses' };
      const stood = neededAt - mixedAt;
      const age = lastAt - mixedAt;
      const life = mix.workingLifeMinutes;
      return [
        ...(stood < mix.standingMinutes - SAME
          ? [
              {
                weight: 'conflict',
                code: 'mix-not-ready',
                message:
                  madeBy === usedBy
                    ? `${mix.name} takes ${minutes(mix.mixingMinutes + mix.standingMinutes)} to mix and stand, longer than the step in which it is made and used. Make it in an earlier step.`
                    : `${mix.name} stands ${minutes(mix.standingMinutes)} before use, but is mixed only ${minutes(Math.max(0, stood))} before. Mix it earlier.`,
                where,
              } as const,
            ]
          : []),
        ...(life !== undefined && age > life + SAME
          ? [
              {
                weight: 'conflict',
                code: 'mix-too-old',
                message: `${mix.name} keeps ${minutes(life)} once mixed, but is ${minutes(age)} old when it is used last. Mix it later, or anew.`,
                where,
              } as const,
            ]
          : []),
      ];
    }),
  ];
}

/**
 * Mixing takes the minutes and hands of the step in which it is done: where no step says so, nobody's minutes
 * count it, and a step that is too short cannot hold it.
 * @see M2
 */
function mixingFindings(
  protocol: WorkedProtocol,
  makings: readonly MixMaking[],
  shelf: ShelfIndex,
): Finding[] {
  const told = new Set<MixId>();
  const uncounted = makings.flatMap(({ mix, usedBy, madeBy }): Finding[] => {
    const isHere = mix.made === 'just-in-time' && mix.mixingMinutes > 0;
    if (!isHere || madeBy !== undefined || told.has(mix.id)) return [];
    told.add(mix.id);
    return [
      {
        weight: 'prompt',
        code: 'mixing-uncounted',
        message: `${mix.name} takes ${minutes(mix.mixingMinutes)} to mix, and no step says that it is mixed there: in nobody’s minutes is it counted.`,
        where: { protocolId: protocol.id, stepId: usedBy, mixId: mix.id, field: 'doses' },
      },
    ];
  });
  const tooLong = protocol.steps.flatMap((step): Finding[] => {
    const mixing = (step.makes ?? []).reduce(
      (sum, id) => sum + (shelf.mixes.get(id)?.mixingMinutes ?? 0),
      0,
    );
    if (mixing <= step.minutes.most + SAME) return [];
    return [
      {
        weight: 'conflict',
        code: 'mixing-too-long',
        message: `“${step.name}” lasts ${minutes(step.minutes.most)} at most, and what is mixed in it takes ${minutes(mixing)}.`,
        where: { protocolId: protocol.id, stepId: step.id, field: 'makes' },
      },
    ];
  });
  return [...uncounted, ...tooLong];
}

const SAME = 1e-6;

function minutes(value: number): string {
  return `${Math.round(value * 10) / 10} min`;
}
