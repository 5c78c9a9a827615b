import type { Happening, Run } from '@bienestar/core/house/run';
import type { RunWork } from './useRunWork';

/** What each stage of a visit is shown with. */
export interface StageProps {
  readonly run: Run;
  readonly at: RunWork;
  readonly onHappens: (happening: Happening) => void;
}
