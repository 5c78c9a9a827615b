import type { Problem } from '@bienestar/core/problem/problem';
import type { Fault } from './check';

/** What core found wrong with an input, as faults at its fields. */
export function problemFaults(problems: readonly Problem[]): Fault[] {
  return problems.map(({ code, message, where }) => ({
    pointer: where.field === undefined ? '' : `/${where.field}`,
    code,
    message,
  }));
}
