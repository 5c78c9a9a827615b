import { combinationsIn } from '../care/combinations';
import type { House, WorkedProtocol } from '../house/house';
import type { HouseIndex, ShelfIndex } from '../house/houseIndex';
import type { Outcome, Problem } from '../house/problem';
import { mixFindings } from '../mix/mixReadiness';
import { drawsOf } from '../dose/drawsOf';
import type { Schedule } from '../time/schedule';
import { choiceFaults } from './choiceFaults';
import { conflictsIn } from './conflicts';
import type { WrittenOut } from './expandBlocks';
import { settingFaults } from './settingFaults';

/** How much a finding weighs: it must be put right, it does not fit, or it should be thought of. */
export type Weight = 'fault' | 'conflict' | 'prompt';

/** Something to look at in a protocol, at its place. */
export interface Finding extends Problem {
  readonly weight: Weight;
  /** the chance that it comes about, where it is one */
  readonly chance?: number;
}

/** Amounts that cannot be resolved, also in options that are not taken for the client shown. */
function doseFaults({ written, worked, shelf, settings }: Looked): Finding[] {
  const all: WorkedProtocol = { ...worked, ...written };
  const draws = drawsOf(all, 'returning', shelf, settings);
  if (draws.ok) return [];
  return draws.problems
    .filter(({ where }) => where.stepId !== undefined)
    .map((problem) => ({ ...problem, weight: 'fault' }));
}

/** What findings look at. */
export interface Looked {
  /** with every option */
  readonly written: WrittenOut;
  /** for the client it is shown for */
  readonly worked: WorkedProtocol;
  readonly schedule: Outcome<Schedule>;
  readonly shelf: ShelfIndex;
  readonly index: Pick<HouseIndex, 'devices' | 'materials'>;
  readonly settings: House['settings'];
  readonly dayTime: 'day' | 'evening';
}

/**
 * Everything that does not fit in a protocol, apart from what keeps its figures from being counted:
 * choices nobody meets, settings beyond the house's limits, hands or devices taken twice, covered
 * zones, caps that are passed, mixes that are too old, combinations that ask for care.
 * @see T6
 */
export function findingsIn(looked: Looked): readonly Finding[] {
  const { written, worked, schedule } = looked;
  return [
    ...doseFaults(looked),
    ...choiceFaults(written, worked.id),
    ...settingFaults(looked),
    ...(schedule.ok ? conflictsIn(looked, schedule.value) : []),
    ...(schedule.ok ? mixFindings(worked, schedule.value, looked.shelf) : []),
    ...combinationsIn(looked),
  ];
}
