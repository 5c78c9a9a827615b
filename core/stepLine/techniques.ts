import { LONGEST_HOLD_SECONDS, MOST_HOLDS, type Hold, type Technique } from '../house/technique';
import type { Cursor } from './cursor';
import { readMinutes } from './minutes';
import { takeCountingWord, takeNumber } from './numbers';
import type { ParsedStep } from './parsedStep';
import { COUNTED_MOVEMENTS, TECHNIQUE_WORDS } from './techniqueWords';
import type { Vocabulary } from './vocabulary';

/** Takes touches that are counted or held: `hold 5 s x3`, `ten presses 3 s each`, `10 times`. */
export function takeHeld(cursor: Cursor, said: ParsedStep): boolean {
  return takePart(cursor, said, () => takeHold(cursor) ?? takeCounted(cursor));
}

/** Takes how the hands work: `light pressure`, `in circles outwards`, `damp skin`. */
export function takeTechnique(cursor: Cursor, said: ParsedStep, words: Vocabulary): boolean {
  return takePart(
    cursor,
    said,
    () =>
      (cursor.takePhrase(words.techniques) ?? cursor.takePhrase(TECHNIQUE_WORDS))?.meanings[0]
        ?.value,
  );
}

function takePart(cursor: Cursor, said: ParsedStep, take: () => Technique | undefined): boolean {
  const { from, mark } = cursor;
  const part = take();
  if (!part) {
    cursor.backTo(mark);
    return false;
  }
  const known = said.technique ?? {};
  const twice = (Object.keys(part) as (keyof Technique)[]).some(
    (key) => key in known && known[key] !== part[key],
  );
  if (twice) cursor.fault(from, cursor.behind, 'It is said twice how the hands work.');
  else if (part.hold && !isHold(part.hold)) {
    cursor.fault(
      from,
      cursor.behind,
      `A touch is held for up to ${LONGEST_HOLD_SECONDS / 60} minutes, and up to ${MOST_HOLDS} times.`,
    );
  } else {
    said.technique = { ...known, ...part };
    cursor.note(from, cursor.behind, 'how the hands work');
  }
  return true;
}

function isHold({ seconds = 1, times }: Hold): boolean {
  return (
    seconds > 0 &&
    seconds <= LONGEST_HOLD_SECONDS &&
    Number.isInteger(times) &&
    times >= 1 &&
    times <= MOST_HOLDS
  );
}

/** `hold 5 s x3`, `hold 5 s three times`, `hold 5 s` */
function takeHold(cursor: Cursor): Technique | undefined {
  const { mark } = cursor;
  if (cursor.takeWord('hold', 'held')) {
    cursor.takeWord('for');
    const seconds = takeSeconds(cursor);
    if (seconds !== undefined) return { hold: { seconds, times: takeTimes(cursor) ?? 1 } };
  }
  cursor.backTo(mark);
  return undefined;
}

/** `x3`, `x 3`, `three times`, `twice` */
function takeTimes(cursor: Cursor): number | undefined {
  const { mark } = cursor;
  cursor.takeWord(',');
  const joined = /^x(\d+)$/u.exec(cursor.next?.text ?? '')?.[1];
  if (joined !== undefined) {
    cursor.take();
    return Number(joined);
  }
  if (cursor.takeWord('once')) return 1;
  if (cursor.takeWord('twice')) return 2;
  const sign = cursor.takeWord('x') !== undefined;
  const count = takeNumber(cursor)?.value ?? takeCountingWord(cursor);
  if (count !== undefined && (sign || cursor.takeWord('times'))) return count;
  cursor.backTo(mark);
  return undefined;
}

/** `ten presses 3 s each`, `ten presses of 3 s`, `ten presses`, `10 times` */
function takeCounted(cursor: Cursor): Technique | undefined {
  const { mark } = cursor;
  if (cursor.takeWord('twice')) return { hold: { times: 2 } };
  const times = takeNumber(cursor)?.value ?? takeCountingWord(cursor);
  if (times !== undefined) {
    if (cursor.takeWord('times')) return { hold: { times } };
    const movement = cursor.takePhrase(COUNTED_MOVEMENTS)?.meanings[0]?.value;
    if (movement) {
      const seconds = takeEach(cursor);
      return { ...movement, hold: { times, ...(seconds !== undefined && { seconds }) } };
    }
  }
  cursor.backTo(mark);
  return undefined;
}

/** A time is of each only where that is said: `ten presses 5 min` takes five minutes. */
function takeEach(cursor: Cursor): number | undefined {
  const { mark } = cursor;
  cursor.takeWord(',');
  const of = cursor.takeWord('of') !== undefined;
  const seconds = takeSeconds(cursor);
  if (seconds !== undefined && (cursor.takeWord('each') || of)) return seconds;
  cursor.backTo(mark);
  return undefined;
}

function takeSeconds(cursor: Cursor): number | undefined {
  const minutes = readMinutes(cursor)?.minutes;
  if (!minutes || minutes.least !== minutes.most) return undefined;
  return Math.round(minutes.usual * 60_000) / 1000;
}
