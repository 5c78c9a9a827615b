import { CONDITIONS, DAY_TIMES, PHOTOTYPES, SEASONS, SKIN_TYPES } from '../house/client';
import type { ChoosingBy } from '../house/ways';
import type { ForWhom } from '../protocol/forWhom';
import type { Cursor } from './cursor';
import type { ParsedStep } from './parsedStep';
import { quotedWords } from './tokens';
import { listed, Phrases } from './vocabulary';

const WHOLE = new Phrases<ForWhom>();
/** Behind “for”. */
const WHO = new Phrases<ForWhom>();

function add(by: ChoosingBy, value: string, phrases: readonly string[], to = WHOLE): void {
  for (const phrase of phrases) to.add(phrase, { by, values: [value] });
}

for (const [value, first] of [
  ['first', 'first'],
  ['returning', 'later'],
  ['returning', 'further'],
  ['returning', 'return'],
] as const) {
  add('visit-kind', value, [`on the ${first} visit`, `on ${first} visits`, `on a ${first} visit`]);
  add(
    'visit-kind',
    value,
    [`first visit`, `first visits`].map((each) => each.replace('first', first)),
    WHO,
  );
}
add('visit-kind', 'returning', ['on the later visits']);
add('visit-kind', 'returning', ['returning guests', 'returning clients'], WHO);
add('visit-kind', 'first', ['new guests', 'new clients'], WHO);
add('day-time', 'day', ['by day', 'in the daytime', 'during the day', 'by daylight']);
add('day-time', 'evening', ['in the evening', 'by night', 'at night', 'in the evenings']);
for (const time of DAY_TIMES) add('day-time', time, [`the ${time}`], WHO);
for (const season of SEASONS) {
  add('season', season, [`in ${season}`, `in the ${season}`]);
  add('season', season, [season], WHO);
}
for (const skin of SKIN_TYPES) {
  add('skin-type', skin, [`${skin} skin`, `${skin} skins`, `a ${skin} skin`, skin], WHO);
}
for (const condition of CONDITIONS)
  add('condition', condition, [condition.replaceAll('-', ' ')], WHO);
const OTHERS: Readonly<Record<Exclude<ChoosingBy, 'couch'>, string>> = {
  'skin-type': 'skin',
  phototype: 'phototype',
  condition: 'finding',
  'visit-kind': 'visit',
  'day-time': 'time of day',
  season: 'season',
};
for (const [by, words] of Object.entries(OTHERS))
  WHO.add(`any other ${words}`, { by: by as ChoosingBy, values: [] });
const ELSE = ['anybody', 'anyone', 'everybody', 'everyone'] as const;
WHOLE.add('at the couch', { by: 'couch', values: [] });

/** How each condition is written into a line. */
export function conditionWords({ by, values }: ForWhom): string {
  if (by !== 'couch' && values.length === 0) return `for any other ${OTHERS[by]}`;
  const all = values.map((value) => value.replaceAll('-', ' ')).join(', ');
  switch (by) {
    case 'skin-type':
      return `for ${all} skin`;
    case 'phototype':
      return `for phototype ${all}`;
    case 'condition':
      return `for ${all}`;
    case 'visit-kind':
      return values.includes('first') ? 'on the first visit' : 'on later visits';
    case 'day-time':
      return values.includes('day') ? 'by day' : 'in the evening';
    case 'season':
      return values.length === 1 ? `in ${all}` : `for ${all}`;
    case 'couch':
      return ['at the couch', ...couchNames(values)].join(' ');
  }
}

/** Which option of what, as it is written: `"Clay" of "Mask"`. */
function couchNames([option, of]: readonly string[]): string[] {
  if (option === undefined) return [];
  return of === undefined ? [quotedWords(option)] : [quotedWords(option), 'of', quotedWords(of)];
}

/** A condition in one phrase; at the couch with what is decided on: `at the couch "Clay" of "Mask"`. */
function takeWhole(cursor: Cursor): ForWhom | undefined {
  const found = cursor.takePhrase(WHOLE)?.meanings[0]?.value;
  if (found?.by !== 'couch') return found;
  const option = cursor.takeQuoted()?.trim();
  if (option === undefined) return found;
  const { mark } = cursor;
  const of = cursor.takeWord('of') ? cursor.takeQuoted()?.trim() : undefined;
  if (of === undefined) cursor.backTo(mark);
  return { by: 'couch', values: of === undefined ? [option] : [option, of] };
}

/** Whether a condition comes next: “for peel” is none, “for oily skin” is one. */
export function seesCondition(cursor: Cursor): boolean {
  return (
    cursor.sees(WHOLE) || cursor.ahead(() => takeElse(cursor) || readWho(cursor) !== undefined)
  );
}

/** Takes a condition: `for oily skin`, `for phototype IV-VI`, `by day`, `on the first visit`, `at the couch`. */
export function takeCondition(cursor: Cursor, said: ParsedStep): boolean {
  const { from, mark } = cursor;
  if (takeElse(cursor)) {
    cursor.fault(from, cursor.behind, elseWhat());
    return true;
  }
  const found = takeWhole(cursor) ?? readWho(cursor);
  if (!found) {
    cursor.backTo(mark);
    return false;
  }
  if (said.for) {
    cursor.fault(from, cursor.behind, 'One thing decides whether a step is done: leave one out.');
    return true;
  }
  said.for = found;
  cursor.note(from, cursor.behind, found.by === 'couch' ? 'decided at the couch' : 'for whom');
  return true;
}

/**
 * Takes for whom one product is, in brackets behind it: `2 ml rich milk (for dry skin)`, and behind another
 * `2 ml light milk (for anybody else)`.
 */
export function takeDoseCondition(cursor: Cursor, said: ParsedStep): ForWhom | undefined {
  const { from, mark } = cursor;
  if (!cursor.takeWord('(')) return undefined;
  const elseFrom = cursor.from;
  const isElse = takeElse(cursor);
  const before = said.doses.findLast((dose) => dose.for && dose.for.by !== 'couch')?.for;
  if (isElse && !before) cursor.fault(elseFrom, cursor.behind, elseWhat());
  const found = isElse
    ? { by: before?.by ?? 'skin-type', values: [] }
    : (takeWhole(cursor) ?? readWho(cursor));
  if (!found) {
    cursor.backTo(mark);
    return undefined;
  }
  if (!cursor.takeWord(')')) cursor.fault(from, cursor.behind, 'The bracket is not closed.');
  return found;
}

/** `for anybody else`: than for whom, only what stands before it can say. */
function takeElse(cursor: Cursor): boolean {
  const { mark } = cursor;
  if (cursor.takeWord('for') && cursor.takeWord(...ELSE) && cursor.takeWord('else')) return true;
  cursor.backTo(mark);
  return false;
}

function elseWhat(): string {
  const each = Object.values(OTHERS).map((words) => `for any other ${words}`);
  return `Anybody else than for whom: ${listed(each)}?`;
}

function readWho(cursor: Cursor): ForWhom | undefined {
  if (!cursor.takeWord('for', 'if')) return undefined;
  if (cursor.takeWord('phototype', 'phototypes')) return readPhototypes(cursor);
  const found: ForWhom[] = [];
  for (;;) {
    const { mark } = cursor;
    if (found.length > 0 && !cursor.takeWord(',', 'and', 'or')) break;
    const one = cursor.takePhrase(WHO)?.meanings[0]?.value;
    if (!one || (found[0] && found[0].by !== one.by)) {
      cursor.backTo(mark);
      break;
    }
    found.push(one);
  }
  const [first] = found;
  return first && { by: first.by, values: [...new Set(found.flatMap(({ values }) => values))] };
}

/** `IV`, `IV-VI`, `I, II and III`. */
function readPhototypes(cursor: Cursor): ForWhom | undefined {
  const values: string[] = [];
  for (;;) {
    const { mark } = cursor;
    if (values.length > 0 && !cursor.takeWord(',', 'and', 'or')) break;
    const from = takePhototype(cursor);
    if (from === undefined) {
      cursor.backTo(mark);
      break;
    }
    const to = cursor.takeWord('-', 'to') ? takePhototype(cursor) : from;
    values.push(...PHOTOTYPES.slice(from, (to ?? from) + 1));
  }
  return values.length === 0 ? undefined : { by: 'phototype', values: [...new Set(values)] };
}

function takePhototype(cursor: Cursor): number | undefined {
  const text = cursor.next?.text.toUpperCase() ?? '';
  const at = PHOTOTYPES.findIndex((each, index) => each === text || String(index + 1) === text);
  if (at === -1) return undefined;
  cursor.take();
  return at;
}
