import { fractionSign, isUsualFraction } from '../quantity/fraction';
import { typedNumber } from '../quantity/typedNumber';
import type { Cursor } from './cursor';
import type { Token } from './tokens';

/** A number that can be two things, and how to say which. */
export interface Doubt {
  readonly from: number;
  readonly to: number;
  readonly message: string;
}

/** Two figures with a slash between them: a part of one, or from one to the other. */
export interface Slashed {
  readonly from: number;
  readonly to: number;
  readonly over: number;
  readonly under: number;
}

/** One to three numbers as they were said, with what is not clear about them. */
export interface SaidNumbers {
  readonly values: readonly number[];
  readonly doubts: readonly Doubt[];
  readonly slashes: readonly Slashed[];
}

interface SaidNumber {
  readonly value: number;
  readonly doubt?: Doubt;
  readonly slashed?: Slashed;
}

const PARTS: Readonly<Record<string, number>> = { half: 0.5, quarter: 0.25 };
const COUNTING = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const SHOWN_DIGITS = 3;

/** Whether a number in words comes next; `one` and `a` may be other words, too. */
export function seesPart(cursor: Cursor): boolean {
  return cursor.next?.kind === 'word' && cursor.next.text in PARTS;
}

/** Takes a or one to ten, which only count before what can be counted. */
export function takeCountingWord(cursor: Cursor): number | undefined {
  if (cursor.takeWord('a', 'an')) return 1;
  const at = COUNTING.indexOf(cursor.next?.kind === 'word' ? cursor.next.text : '');
  if (at === -1) return undefined;
  cursor.take();
  return at + 1;
}

/**
 * One to three numbers: `3`, `2-4`, `2 / 4`, `2/2.5/4`, `1/8-1/4`. Two figures with a slash and no space are a
 * part of one (`1/2`); three are low, usual and high.
 */
export function takeNumbers(cursor: Cursor): SaidNumbers | undefined {
  const first = takeNumber(cursor);
  if (!first) return undefined;
  const all = [first];
  while (all.length < 3) {
    const { mark } = cursor;
    const by = cursor.takeWord('-', '/', 'to', 'or');
    if (!by) break;
    const further = by.text === '/' ? takeWhole(cursor) : takeNumber(cursor);
    if (!further) {
      cursor.backTo(mark);
      break;
    }
    all.push(further);
  }
  return {
    values: all.map(({ value }) => value),
    doubts: all.flatMap(({ doubt }) => doubt ?? []),
    slashes: all.flatMap(({ slashed }) => slashed ?? []),
  };
}

/** One number, with a part behind it or without: `3`, `1 1/2`, `1½`, `half a`. */
export function takeNumber(cursor: Cursor): SaidNumber | undefined {
  const token = cursor.next;
  if (!token) return undefined;
  const part = token.kind === 'word' ? PARTS[token.text] : undefined;
  if (part !== undefined) {
    cursor.take();
    cursor.takeWord('a', 'an', 'of');
    return { value: part };
  }
  if (token.kind !== 'number') return undefined;
  const slashed = takeSlashed(cursor);
  return slashed ? { value: slashed.over / slashed.under, slashed } : takeWhole(cursor);
}

/** A number that is no part of one, but may have one behind it. */
function takeWhole(cursor: Cursor): SaidNumber | undefined {
  const token = cursor.next;
  if (token?.kind !== 'number') return undefined;
  cursor.take();
  const whole = valueOf(token);
  if (whole.doubt) return whole;
  return { value: whole.value + (takePartBehind(cursor, token) ?? 0) };
}

/** Two figures with a slash and no space between them, where no third follows. */
function takeSlashed(cursor: Cursor): Slashed | undefined {
  const [over, slash, under] = [cursor.peek(0), cursor.peek(1), cursor.peek(2)];
  if (over?.kind !== 'number' || slash?.text !== '/' || under?.kind !== 'number') return undefined;
  if (slash.from !== over.to || under.from !== slash.to) return undefined;
  if (cursor.peek(3)?.text === '/' && cursor.peek(4)?.kind === 'number') return undefined;
  if (!isFigure(over) || !isFigure(under) || Number(over.text) >= Number(under.text)) {
    return undefined;
  }
  for (let taken = 0; taken < 3; taken += 1) cursor.take();
  return {
    from: over.from,
    to: under.to,
    over: Number(over.text),
    under: Number(under.text),
  };
}

/** What stands behind a whole number and belongs to it: 1 1/2, 1½. */
function takePartBehind(cursor: Cursor, whole: Token): number | undefined {
  const { next } = cursor;
  if (!isFigure(whole) || next?.kind !== 'number') return undefined;
  const sign = fractionSign(next.text);
  if (sign !== undefined) {
    cursor.take();
    return sign;
  }
  const { mark } = cursor;
  const slashed = takeSlashed(cursor);
  if (slashed && isUsualFraction(slashed.over, slashed.under)) return slashed.over / slashed.under;
  cursor.backTo(mark);
  return undefined;
}

function isFigure({ text }: Token): boolean {
  return /^\d+$/u.test(text);
}

function valueOf({ text, from, to }: Token): SaidNumber {
  const read = typedNumber(text);
  if (read?.is !== 'either') return { value: read?.value ?? Number.NaN };
  const message = `Is ${text} ${read.thousands}, or ${shown(read.decimal)}? Write ${read.thousands} or ${read.decimal}0.`;
  return { value: read.decimal, doubt: { from, to, message } };
}

/**
 * What a slash leaves open, once it is known what is counted: spoons, ounces and packs are cut into parts, of
 * pumps, drops, millilitres and minutes 2/3 may be two to three.
 */
export function slashDoubts(slashes: readonly Slashed[], isCutUp: boolean): readonly Doubt[] {
  return slashes.flatMap(({ over, under, from, to }) => {
    const isPart = isUsualFraction(over, under) && (over === 1 || isCutUp);
    if (isPart) return [];
    const message = `Is ${over}/${under} a part of one, or from ${over} to ${under}? Write ${shown(over / under)} or ${over}-${under}.`;
    return [{ from, to, message }];
  });
}

function shown(value: number): string {
  return String(Number(value.toFixed(SHOWN_DIGITS)));
}
