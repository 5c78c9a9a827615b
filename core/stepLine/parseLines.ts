import type { Stretch } from '../house/actions';
import { parseStepLine, type ParsedLine } from './parseStepLine';
import { compared, plainText } from './tokens';
import type { Vocabulary } from './vocabulary';

/** One of many lines. */
export interface LineOfMany extends ParsedLine {
  readonly line: string;
  /** of the lines that were pasted, from 1 on */
  readonly number: number;
  /** under the heading it stands */
  readonly stretch?: Stretch;
}

const HEADINGS: Readonly<Record<string, Stretch>> = {
  'set-up': 'set-up',
  'set up': 'set-up',
  visit: 'visit',
  reset: 'reset',
};
const TITLES: Readonly<Record<Stretch, string>> = {
  'set-up': 'Set-up:',
  visit: 'Visit:',
  reset: 'Reset:',
};
/** Numbers and marks with which lists begin in other programs. */
const MARKS = /^\s*(?:[•·▪◦*]|-(?=\s)|\d+[.)](?=\s))\s*/u;

/** Many lines, each a step; a line that only says Set-up, Visit or Reset is a heading. */
export function parseLines(text: string, words: Vocabulary): LineOfMany[] {
  let stretch: Stretch | undefined;
  return text.split(/\r?\n/u).flatMap((written, at): LineOfMany[] => {
    /* As long as it was written: other quotes and dashes take the place of one. */
    const mark = MARKS.exec(plainText(written))?.[0] ?? '';
    const line = written.slice(mark.length).trim();
    const heading = HEADINGS[compared(line.replace(/:$/u, ''))];
    if (heading !== undefined && (line.endsWith(':') || heading !== 'reset')) {
      stretch = heading;
      return [];
    }
    if (line === '') return [];
    return [
      {
        ...parseStepLine(line, words),
        line,
        number: at + 1,
        ...(stretch !== undefined && { stretch }),
      },
    ];
  });
}

/** Lines as they were written, each under the heading it stood under: what is still to be put right. */
export function joinLines(lines: readonly LineOfMany[]): string {
  let under: Stretch | undefined;
  return lines
    .flatMap(({ line, stretch }) => {
      const heading = stretch !== undefined && stretch !== under ? [TITLES[stretch]] : [];
      under = stretch;
      return [...heading, line];
    })
    .join('\n');
}
