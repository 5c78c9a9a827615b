import type { Working } from '@bienestar/core/explain/working';
import { figureText } from './figures';

const INDENT = '  ';

/** A working as plain text, each input below what it is an input of. */
export function workingText(working: Working, currency: string, depth = 0): string {
  const own = INDENT.repeat(depth);
  const below = INDENT.repeat(depth + 1);
  const lines = [
    `${own}${working.title}: ${figureText(working.result, currency)}`,
    `${below}${working.words} (${working.codes.join(', ')})`,
    ...working.inputs.map((input) =>
      input.working
        ? workingText({ ...input.working, title: input.label }, currency, depth + 1)
        : `${below}${input.label}: ${figureText(input.value, currency)}`,
    ),
  ];
  return lines.join('\n');
}
