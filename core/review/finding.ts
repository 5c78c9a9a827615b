import type { Action } from '../house/actions';
import type { StepId } from '../house/ids';
import type { House, WorkedProtocol } from '../house/house';
import type { HouseIndex, ShelfIndex } from '../house/houseIndex';
import type { Outcome, Problem } from '../problem/problem';
import type { WrittenOut } from '../protocol/expandBlocks';
import type { Schedule } from '../time/schedule';

/** How much a finding weighs: it must be put right, it does not fit, or it should be thought of. */
export type Weight = 'fault' | 'conflict' | 'prompt';

/** Something to look at in a protocol, at its place. */
export type Finding = Problem & {
  readonly weight: Weight;
  /** the chance that it comes about, where it is one */
  readonly chance?: number;
  /** the step that would put it right, and behind which */
  readonly fix?: { readonly add: Action; readonly after: StepId };
};

/** A protocol as it is reviewed. */
export interface ReviewedProtocol {
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
