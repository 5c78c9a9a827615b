import type { Protocol, Step } from '@bienestar/core/house/house';
import type { EditProtocol } from '../useDraft';

/** Changes the step in hand; quick edits of the same field are undone as one. */
export type ChangeStep = (changes: Partial<Step>, typedInto?: string) => void;

/** What every group of fields of a step is given. */
export interface StepFieldsProps {
  readonly step: Step;
  readonly protocol: Protocol;
  readonly change: ChangeStep;
  readonly edit: EditProtocol;
  /** what is changed is how the step is for some: only what may differ for them is shown */
  readonly forSome?: boolean;
}
