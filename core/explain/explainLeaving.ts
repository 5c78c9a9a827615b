import type { LeavingLine } from '../cost/wasteAndGifts';
import { figure, type Working } from './working';

/**
 * What is thrown away, or given, in a visit, line by line.
 * @param words what is counted, in words
 * @param nameOf a line in words
 * @see C2 C7 D3 M2
 */
export function explainLeaving(
  title: string,
  words: string,
  lines: readonly LeavingLine[],
  sum: number,
  nameOf: (line: LeavingLine) => string,
): Working {
  return {
    title,
    codes: ['C2', 'C7', 'D3', 'M2'],
    words,
    inputs: lines.map((line) => ({ label: nameOf(line), value: figure(line.minor, 'money') })),
    result: figure(sum, 'money'),
  };
}
