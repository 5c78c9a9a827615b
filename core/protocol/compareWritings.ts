import type { Step } from '../house/house';
import type { WrittenOut } from './expandBlocks';

/** A step that is another in one of two writings. */
export interface StepChange {
  readonly kind: 'new' | 'gone' | 'changed' | 'moved';
  readonly name: string;
  /** of a changed step, the keys that differ */
  readonly keys: readonly string[];
}

/**
 * What differs between the steps of two writings, in the order of the later one. Steps that come from a
 * block are the same when they stand in the same line of it.
 */
export function compareSteps(before: WrittenOut, after: WrittenOut): readonly StepChange[] {
  const was = new Map(before.steps.map((step) => [step.id, step]));
  const is = new Map(after.steps.map((step) => [step.id, step]));
  const changes: StepChange[] = [];
  const kept = before.steps.filter((step) => is.has(step.id)).map((step) => step.id);
  const order = after.steps.filter((step) => was.has(step.id)).map((step) => step.id);
  for (const step of after.steps) {
    const old = was.get(step.id);
    if (!old) changes.push({ kind: 'new', name: step.name, keys: [] });
    else {
      const keys = differing(old, step);
      if (keys.length > 0) changes.push({ kind: 'changed', name: step.name, keys });
      else if (hasMoved(step.id, kept, order)) {
        changes.push({ kind: 'moved', name: step.name, keys: [] });
      }
    }
  }
  for (const step of before.steps) {
    if (!is.has(step.id)) changes.push({ kind: 'gone', name: step.name, keys: [] });
  }
  return changes;
}

function hasMoved(id: Step['id'], before: readonly string[], after: readonly string[]): boolean {
  return before[before.indexOf(id) - 1] !== after[after.indexOf(id) - 1];
}

function differing(a: Step, b: Step): string[] {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as Set<keyof Step>;
  return [...keys].filter((key) => JSON.stringify(a[key]) !== JSON.stringify(b[key]));
}
