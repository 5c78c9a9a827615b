import { effectsOf } from './actions';
import type { Step } from './protocol';

/** Whether what lay on the zones of a step comes off with it, or is made harmless. */
export function takesOff({ removal, action }: Pick<Step, 'removal' | 'action'>): boolean {
  return (
    (removal !== undefined && removal.how !== 'stays-on') ||
    effectsOf(action).includes('uncovers') ||
    action === 'neutralise'
  );
}
