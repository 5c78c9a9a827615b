import { pointerTo, type Fault } from './check';

/** Nothing in a house is nested deeper. */
const DEEPEST = 60;
const MOST_FAULTS = 50;

/**
 * What no text holds: half of a character (an unpaired surrogate), which no database keeps, and control
 * characters other than line breaks and tabs, which nobody can see.
 */
// oxlint-disable-next-line no-control-regex
const NO_TEXT = /[\p{Cs}\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F]/u;

/** Whether every character of a text can be kept and seen. */
export function isPlainText(text: string): boolean {
  return !NO_TEXT.test(text);
}

/** A text without what no text holds. */
export function plainText(text: string): string {
  return isPlainText(text) ? text : text.replaceAll(new RegExp(NO_TEXT, 'gu'), '');
}

/**
 * What is wrong with any input before it is known what it should be: characters that no text holds, in
 * texts or names of fields, and nesting without end. An input of any depth is read.
 * @returns at most 50 faults with their places
 */
export function plainFaults(input: unknown): readonly Fault[] {
  const faults: Fault[] = [];
  const path: (string | number)[] = [];
  const visit = (value: unknown): void => {
    if (faults.length >= MOST_FAULTS) return;
    if (typeof value === 'string') {
      if (!isPlainText(value))
        note('text.characters', 'This holds characters that cannot be kept: type it anew.');
      return;
    }
    if (typeof value !== 'object' || value === null) return;
    if (path.length >= DEEPEST) {
      note('input.depth', `This is nested more than ${DEEPEST} deep.`);
      return;
    }
    for (const [key, held] of Object.entries(value)) {
      path.push(key);
      if (!isPlainText(key)) {
        path[path.length - 1] = plainText(key);
        note('text.characters', 'The name of this field holds characters that cannot be kept.');
      } else visit(held);
      path.pop();
    }
  };
  const note = (code: string, message: string): void => {
    faults.push({ pointer: pointerTo(path), code, message });
  };
  visit(input);
  return faults;
}
