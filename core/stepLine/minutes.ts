import type { Minutes } from '../house/house';
import { asKept } from '../house/stock';
import { asks, inOrder } from './amounts';
import { CLAUSE_WORDS } from './clauseWords';
import { Cursor } from './cursor';
import { slashDoubts, takeNumber, takeNumbers } from './numbers';
import type { ParsedStep } from './parsedStep';
import { plainText } from './tokens';

const UNITS = {
  seconds: ['sec', 'secs', 'second', 'seconds', 's'],
  minutes: ['min', 'mins', 'minute', 'minutes'],
  hours: ['h', 'hr', 'hrs', 'hour', 'hours'],
} as const;
type TimeUnit = keyof typeof UNITS;
const IN_A_MINUTE: Readonly<Record<TimeUnit, (of: number) => number>> = {
  seconds: (of) => of / 60,
  minutes: (of) => of,
  hours: (of) => of * 60,
};
/** What is counted by the next number behind a time: `1 min 30`, `1 h 15`. */
const SMALLER: Readonly<Record<TimeUnit, TimeUnit | undefined>> = {
  hours: 'minutes',
  minutes: 'seconds',
  seconds: undefined,
};

/** A time as it was said; where it can be two things, that is asked and it says nothing. */
export interface SaidMinutes {
  readonly minutes?: Minutes;
}

/** Takes how long a step is: `5 min`, `2-3 min`, `30 sec`, `1 min 30`, `1/2 min`, `1:15` in hours, `0:30` in seconds. */
export function takeMinutes(cursor: Cursor, said: ParsedStep): boolean {
  const { mark, from } = cursor;
  const read = readMinutes(cursor);
  if (!read) {
    cursor.backTo(mark);
    return false;
  }
  const to = cursor.behind;
  const { minutes } = read;
  if (minutes && said.minutes) cursor.fault(from, to, 'The minutes are said twice.');
  else if (minutes && !(minutes.least <= minutes.usual && minutes.usual <= minutes.most)) {
    cursor.fault(from, to, 'Put least, usual and most minutes in order.');
  } else if (minutes) said.minutes = minutes;
  cursor.note(from, to, 'how long');
  return true;
}

/** Takes what happens meanwhile: `at 7 min "it grows warm: say so"`. */
export function takeMoment(cursor: Cursor, said: ParsedStep): boolean {
  const { mark, from } = cursor;
  const begins = cursor.takeWord('at') !== undefined;
  const isInMinute = begins && cursor.takeWord('minute') !== undefined;
  const bare = isInMinute ? takeNumber(cursor)?.value : undefined;
  const minutes = begins && !isInMinute ? readMinutes(cursor)?.minutes : undefined;
  const atMinute = bare ?? (minutes?.least === minutes?.most ? minutes?.usual : undefined);
  const what = atMinute === undefined ? undefined : cursor.takeQuoted()?.trim();
  if (atMinute === undefined || what === undefined || what === '') {
    cursor.backTo(mark);
    return false;
  }
  said.moments = [...(said.moments ?? []), { atMinute, what }];
  cursor.note(from, cursor.behind, 'what happens meanwhile');
  return true;
}

/** A time as it is said, wherever it stands. */
export function readMinutes(cursor: Cursor): SaidMinutes | undefined {
  const { mark } = cursor;
  const clock = readClock(cursor);
  if (clock) return clock;
  const numbers = takeNumbers(cursor);
  const unit = numbers && takeUnit(cursor);
  if (!unit) {
    cursor.backTo(mark);
    return undefined;
  }
  if (asks(cursor, [...numbers.doubts, ...slashDoubts(numbers.slashes, unit === 'hours')]))
    return {};
  const rest = numbers.values.length === 1 ? takeSmaller(cursor, unit) : 0;
  const [least, usual, most] = inOrder(
    numbers.values.map((value) => IN_A_MINUTE[unit](value) + rest),
  );
  return { minutes: { least, usual, most } };
}

/**
 * A time that was typed by itself, in minutes.
 * @returns nothing for anything else, for a range, and for what can be two things
 * @example
 * typedMinutes('1 min 30') // 1.5
 * typedMinutes('1:15') // 75
 * typedMinutes('2-3 min') // undefined
 */
export function typedMinutes(text: string): number | undefined {
  const cursor = new Cursor(plainText(text));
  const minutes = readMinutes(cursor)?.minutes;
  return minutes && cursor.done && minutes.least === minutes.most ? minutes.usual : undefined;
}

function takeUnit(cursor: Cursor): TimeUnit | undefined {
  const units = Object.keys(UNITS) as TimeUnit[];
  return units.find((unit) => cursor.takeWord(...UNITS[unit]) !== undefined);
}

/** Hours and minutes, `1:15`; with no hour before them, minutes and seconds: `0:30`. */
function readClock(cursor: Cursor): SaidMinutes | undefined {
  const [before, colon, behind] = [cursor.peek(0), cursor.peek(1), cursor.peek(2)];
  if (before?.kind !== 'number' || colon?.text !== ':' || behind?.kind !== 'number')
    return undefined;
  if (!/^\d{1,2}$/u.test(before.text) || !/^[0-5]\d$/u.test(behind.text)) return undefined;
  for (let taken = 0; taken < 3; taken += 1) cursor.take();
  const saysMinutes = cursor.takeWord(...UNITS.minutes) !== undefined;
  const [large, small] = [Number(before.text), Number(behind.text)];
  const minutes = asKept(saysMinutes || large === 0 ? large + small / 60 : large * 60 + small);
  return { minutes: { least: minutes, usual: minutes, most: minutes } };
}

/** The seconds of `1 min 30`, in minutes: a number of two figures below 60 that counts nothing else. */
function takeSmaller(cursor: Cursor, unit: TimeUnit): number {
  const { mark } = cursor;
  const smaller = SMALLER[unit];
  cursor.takeWord('and');
  const number = takeNumber(cursor);
  if (smaller && number && number.value < 60) {
    const isSaid = cursor.takeWord(...UNITS[smaller]) !== undefined;
    const isAlone =
      number.value >= 10 &&
      (cursor.done || cursor.next?.kind === 'sign' || cursor.sees(CLAUSE_WORDS));
    if (isSaid || (isAlone && cursor.peek(-2)?.text !== 'and' && cursor.next?.text !== '-')) {
      return IN_A_MINUTE[smaller](number.value);
    }
  }
  cursor.backTo(mark);
  return 0;
}
