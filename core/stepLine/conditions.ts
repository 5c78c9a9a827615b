import {
  CONDITIONS,
  COURSE_VISITS,
  DAY_TIMES,
  EVERY_VISITS,
  PHOTOTYPES,
  SEASONS,
  SINCE_LAST,
  SKIN_TYPES,
} from '../house/traits';
import type { ChoosingBy } from '../house/ways';
import type { ForWhom, Joined } from '../protocol/forWhom';
import type { Cursor } from './cursor';
import type { ParsedStep } from './parsedStep';
import { quotedWords } from './tokens';
import { listed, Phrases, type Vocabulary } from './vocabulary';
import { takeZones } from './lists';
import type { ZoneId } from '../zone/zones';
import type { ZoneSet } from '../zone/zoneSets';
import { zonesSaid } from '../zone/zonesSaid';

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
for (const [at, ordinal] of ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'].entries()) {
  add('course-visit', String(at + 1), [`on the ${ordinal} visit of the course`]);
  if (at > 0) add('course-visit', `every-${at + 1}`, [`on every ${ordinal} visit of the course`]);
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
  'course-visit': 'visit of the course',
  'since-last': 'time since the last visit',
  'day-time': 'time of day',
  season: 'season',
};
for (const [by, words] of Object.entries(OTHERS))
  WHO.add(`any other ${words}`, { by: by as ChoosingBy, values: [] });
const ELSE = ['anybody', 'anyone', 'everybody', 'everyone'] as const;
WHOLE.add('at the couch', { by: 'couch', values: [] });

/** How conditions that are joined are written into a line. */
export function joinedWords(joined: Joined, ownZones: readonly ZoneSet[] = []): string {
  return joined
    .map((whom) =>
      whom.where
        ? `${conditionWords(whom)} seen on ${zonesSaid(whom.where, ownZones).join(', ')}`
        : conditionWords(whom),
    )
    .join(' ');
}

/** How each condition is written into a line. */
function conditionWords({ by, values }: ForWhom): string {
  if (by !== 'couch' && values.length === 0) return `for any other ${OTHERS[by]}`;
  const all = values.map((value) => value.replace(/^own-/u, '').replaceAll('-', ' ')).join(', ');
  switch (by) {
    case 'skin-type':
      return `for ${all} skin`;
    case 'phototype':
      return `for phototype ${all}`;
    case 'condition':
      return `for ${all}`;
    case 'visit-kind':
      return values.includes('first') ? 'on the first visit' : 'on later visits';
    case 'course-visit':
      return `for course visit ${all}`;
    case 'since-last':
      return `for a last visit ${all} ago`;
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
export function seesCondition(cursor: Cursor, words?: Vocabulary): boolean {
  return (
    cursor.sees(WHOLE) ||
    cursor.ahead(() => takeElse(cursor) || readWho(cursor, words) !== undefined)
  );
}

/** Takes a condition: `for oily skin`, `for phototype IV-VI`, `by day`, `on the first visit`, `at the couch`. */
export function takeCondition(cursor: Cursor, said: ParsedStep, words: Vocabulary): boolean {
  const { from, mark } = cursor;
  if (takeElse(cursor)) {
    cursor.fault(from, cursor.behind, elseWhat());
    return true;
  }
  const found = takeWhole(cursor) ?? readWho(cursor, words);
  if (!found) {
    cursor.backTo(mark);
    return false;
  }
  if (isSaid(found, said.for)) {
    cursor.fault(from, cursor.behind, ONCE);
    return true;
  }
  said.for = [...(said.for ?? []), found];
  cursor.note(from, cursor.behind, found.by === 'couch' ? 'decided at the couch' : 'for whom');
  return true;
}

const ONCE = 'The same thing is decided twice: say it in one, such as for dry, mature skin.';

/** Whether something else is said of the same already, which cannot hold beside it. */
function isSaid({ by, values }: ForWhom, before: Joined = []): boolean {
  return before.some((each) => each.by === by && (by !== 'couch' || each.values[1] === values[1]));
}

/**
 * Takes for whom one product is, in brackets behind it: `2 ml rich milk (for dry skin)`, and behind another
 * `2 ml light milk (for anybody else)`.
 */
export function takeDoseCondition(
  cursor: Cursor,
  said: ParsedStep,
  words: Vocabulary,
): Joined | undefined {
  const { from, mark } = cursor;
  if (!cursor.takeWord('(')) return undefined;
  const elseFrom = cursor.from;
  const isElse = takeElse(cursor);
  const before = said.doses
    .findLast(({ for: who = [] }) => who.some(({ by }) => by !== 'couch'))
    ?.for?.find(({ by }) => by !== 'couch');
  if (isElse && !before) cursor.fault(elseFrom, cursor.behind, elseWhat());
  const found: ForWhom[] = isElse ? [{ by: before?.by ?? 'skin-type', values: [] }] : [];
  for (;;) {
    cursor.takeWord('and', ',');
    const whoFrom = cursor.from;
    const next = takeWhole(cursor) ?? readWho(cursor, words);
    if (!next) break;
    if (isSaid(next, found)) cursor.fault(whoFrom, cursor.behind, ONCE);
    else found.push(next);
  }
  if (found.length === 0) {
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

function readWho(cursor: Cursor, words?: Vocabulary): ForWhom | undefined {
  if (!cursor.takeWord('for', 'if')) return undefined;
  if (cursor.takeWord('phototype', 'phototypes')) return readPhototypes(cursor);
  const numbered = readCourseVisits(cursor) ?? readSinceLast(cursor);
  if (numbered) return numbered;
  const found: ForWhom[] = [];
  for (;;) {
    const { mark } = cursor;
    if (found.length > 0 && !cursor.takeWord(',', 'and', 'or')) break;
    const one = takeOne(cursor, words);
    if (!one || (found[0] && found[0].by !== one.by)) {
      cursor.backTo(mark);
      break;
    }
    found.push(one);
  }
  const [first] = found;
  if (!first) return undefined;
  const where = first.by === 'condition' && words ? takeSeenOn(cursor, words) : undefined;
  const values = [...new Set(found.flatMap((each) => each.values))];
  return { by: first.by, values, ...(where && { where }) };
}

function takeOne(cursor: Cursor, words: Vocabulary | undefined): ForWhom | undefined {
  const usual = cursor.takePhrase(WHO)?.meanings[0]?.value;
  const own = usual ? undefined : words && cursor.takePhrase(words.findings)?.meanings[0]?.value;
  return usual ?? (own && { by: 'condition', values: [own] });
}

/** `seen on cheeks` */
function takeSeenOn(cursor: Cursor, words: Vocabulary): readonly ZoneId[] | undefined {
  const { mark } = cursor;
  if (cursor.takeWord('seen') && cursor.takeWord('on')) return takeZones(cursor, words);
  cursor.backTo(mark);
  return undefined;
}

/** `course visit 3`, `course visits 3, 6`, `course visit every 4`. */
function readCourseVisits(cursor: Cursor): ForWhom | undefined {
  const { mark } = cursor;
  const begins = cursor.takeWord('course') && cursor.takeWord('visit', 'visits');
  const values = begins
    ? readEach(cursor, () => {
        const every = cursor.takeWord('every') && 'every-';
        const count = cursor.next?.text ?? '';
        const value = [...COURSE_VISITS, ...EVERY_VISITS].find(
          (each) => each === `${every ?? ''}${count}`,
        );
        return value && cursor.take() && [value];
      })
    : [];
  if (values.length === 0) cursor.backTo(mark);
  return values.length === 0 ? undefined : { by: 'course-visit', values };
}

/** `a last visit 2 to 4 weeks ago`, `a last visit 4 to 8 weeks, 2 to 6 months ago`. */
function readSinceLast(cursor: Cursor): ForWhom | undefined {
  const { mark } = cursor;
  const begins = cursor.takeWord('a') && cursor.takeWord('last') && cursor.takeWord('visit');
  const takeAll = (words: readonly string[]): boolean => {
    const at = cursor.mark;
    const isTaken = words.every((word) => cursor.takeWord(word));
    if (!isTaken) cursor.backTo(at);
    return isTaken;
  };
  const values = begins
    ? readEach(cursor, () => {
        const value = SINCE_LAST.find((each) => takeAll(each.split('-')));
        return value && [value];
      })
    : [];
  if (values.length > 0 && cursor.takeWord('ago')) return { by: 'since-last', values };
  cursor.backTo(mark);
  return undefined;
}

/** What stands between commas, each once. */
function readEach(cursor: Cursor, read: () => readonly string[] | undefined): readonly string[] {
  const values: string[] = [];
  for (;;) {
    const { mark } = cursor;
    if (values.length > 0 && !cursor.takeWord(',', 'and', 'or')) break;
    const some = read();
    if (!some) {
      cursor.backTo(mark);
      break;
    }
    values.push(...some);
  }
  return [...new Set(values)];
}

/** `IV`, `IV-VI`, `I, II and III`. */
function readPhototypes(cursor: Cursor): ForWhom | undefined {
  const values = readEach(cursor, () => {
    const from = takePhototype(cursor);
    if (from === undefined) return undefined;
    const to = cursor.takeWord('-', 'to') ? takePhototype(cursor) : from;
    return PHOTOTYPES.slice(from, (to ?? from) + 1);
  });
  return values.length === 0 ? undefined : { by: 'phototype', values };
}

function takePhototype(cursor: Cursor): number | undefined {
  const text = cursor.next?.text.toUpperCase() ?? '';
  const at = PHOTOTYPES.findIndex((each, index) => each === text || String(index + 1) === text);
  if (at === -1) return undefined;
  cursor.take();
  return at;
}
