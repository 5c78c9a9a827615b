import type { Removal } from '../house/house';
import { ZONE_MODES, type ZoneMode } from '../house/ways';
import type { ZoneId } from '../zone/zones';
import { takeProduct } from './amounts';
import { CLAUSE_WORDS, type Clause } from './clauseWords';
import { seesCondition } from './conditions';
import { readRunning, takeSettings } from './deviceSettings';
import type { Cursor } from './cursor';
import { seesLayers } from './layers';
import { takeList, takeZones } from './lists';
import { readMinutes, type SaidMinutes } from './minutes';
import { takeNumber } from './numbers';
import { seesOtherwise } from './otherwise';
import type { ParsedStep } from './parsedStep';
import { takeQuestion } from './questions';
import { listed, type Vocabulary } from './vocabulary';

type TakeClause = (cursor: Cursor, said: ParsedStep, words: Vocabulary, from: number) => void;

/** How each part of a line is read, behind the word it begins with. */
export const TAKE_CLAUSE: Readonly<Record<Clause, TakeClause>> = {
  on: takeWhere,
  'lightly on': (cursor, said, words, from) =>
    put(cursor, said, 'lightly', takeZones(cursor, words), from),
  'more on': (cursor, said, words, from) =>
    put(cursor, said, 'more', takeZones(cursor, words), from),
  'last on': (cursor, said, words, from) =>
    put(cursor, said, 'last', takeZones(cursor, words), from),
  'never on': (cursor, said, words, from) =>
    put(cursor, said, 'never', takeZones(cursor, words), from),
  with: takeWith,
  running: (cursor, said, words, from) => {
    const { running, runningAt = [] } = readRunning(cursor, words) ?? {};
    put(cursor, said, 'running', running, from);
    if (runningAt.length > 0) put(cursor, said, 'runningAt', runningAt, from);
  },
  until: takeUntil,
  'at most': (cursor, said, _words, from) => takeCap(cursor, said, from),
  'hands-on': (cursor, said, _words, from) => put(cursor, said, 'hands', 'hands-on', from),
  watching: (cursor, said, _words, from) => put(cursor, said, 'hands', 'watching', from),
  free: (cursor, said, _words, from) => put(cursor, said, 'hands', 'free', from),
  by: (cursor, said, _words, from) => {
    const who = cursor.takeWord('assistant', 'therapist');
    if (who) put(cursor, said, 'by', who.text === 'assistant' ? 'assistant' : 'therapist', from);
    else cursor.fault(from, cursor.behind, 'By whom: the assistant or the therapist?');
  },
  then: takeRemoval,
  covered: (cursor, said, _words, from) => put(cursor, said, 'covers', true, from),
  'plain gloves': (cursor, said, _words, from) => put(cursor, said, 'gloves', 'plain', from),
  'sterile gloves': (cursor, said, _words, from) => put(cursor, said, 'gloves', 'sterile', from),
  makes: (cursor, said, words, from) =>
    put(cursor, said, 'makes', takeList(cursor, words.mixes, 'mix'), from),
  holds: takeHolds,
  if: takeIf,
  offer: (cursor, said, words, from) =>
    put(cursor, said, 'offers', takeList(cursor, words.protocols, 'treatment'), from),
  phase: (cursor, said, words, from) => {
    const phase = cursor.takePhrase(words.phases)?.meanings[0]?.value;
    if (phase) put(cursor, said, 'phase', phase, from);
    else cursor.fault(from, cursor.behind, 'Which phase, such as cleanse, mask or protect?');
  },
  ask: (cursor, said, _words, from) => {
    const question = takeQuestion(cursor, from);
    if (!question) return;
    said.asks = [...(said.asks ?? []), question];
    cursor.note(from, cursor.behind, 'what is asked');
  },
  say: (cursor, said, _words, from) => takeText(cursor, said, 'say', from),
  because: (cursor, said, _words, from) => takeText(cursor, said, 'why', from),
  watch: (cursor, said, _words, from) => takeText(cursor, said, 'watch', from),
  note: (cursor, said, _words, from) => takeText(cursor, said, 'note', from),
  'in the first layer': (cursor, said, _words, from) =>
    put(cursor, said, 'inLayers', 'first', from),
  'in the last layer': (cursor, said, _words, from) => put(cursor, said, 'inLayers', 'last', from),
  'in all but the last layer': (cursor, said, _words, from) =>
    put(cursor, said, 'inLayers', 'all-but-last', from),
};

const NAMES = {
  zones: 'where',
  lightly: 'where to go lightly',
  more: 'where more',
  last: 'where last',
  never: 'where never',
  running: 'what runs along',
  runningAt: 'to what that is set',
  hands: 'whose hands',
  by: 'by whom',
  covers: 'what lies under it',
  gloves: 'gloves',
  makes: 'what is mixed',
  holdsMinutes: 'how long it holds',
  offers: 'what may be offered',
  phase: 'the phase',
  tools: 'with what',
  device: 'with which device',
  until: 'until when',
  capMinutes: 'the longest',
  capSince: 'from when the longest counts',
  removal: 'how it comes off',
  optional: 'whether it is done',
  say: 'what to say',
  why: 'why',
  watch: 'what to watch',
  note: 'note',
  inLayers: 'in which layers',
} as const satisfies Partial<Record<keyof ParsedStep, string>>;

/** Puts what was read into what is said, once. */
function put<K extends keyof typeof NAMES>(
  cursor: Cursor,
  said: ParsedStep,
  key: K,
  value: ParsedStep[K] | undefined,
  from: number,
): void {
  if (value === undefined) return;
  if (said[key] !== undefined) {
    cursor.fault(from, cursor.behind, `It is said twice ${NAMES[key]}.`);
    return;
  }
  said[key] = value;
  cursor.note(from, cursor.behind, NAMES[key]);
}

/** `on face, cheeks lightly, upper lip last`: a word behind a zone says how it is otherwise there. */
function takeWhere(cursor: Cursor, said: ParsedStep, words: Vocabulary, from: number): void {
  const zones: ZoneId[] = [];
  const modes: Partial<Record<ZoneMode, ZoneId[]>> = {};
  for (let goesOn = true; goesOn;) {
    const next = takeZones(cursor, words, 'one');
    if (!next) return;
    zones.push(...next);
    const mode = takeMode(cursor, words);
    if (mode) modes[mode] = [...(modes[mode] ?? []), ...next];
    const { mark } = cursor;
    goesOn = cursor.takeWord(',', 'and', '+') !== undefined && cursor.sees(words.zones);
    if (!goesOn) {
      /* Asked for all the same, so that what is begun can be completed. */
      if (cursor.mark !== mark) cursor.takePhrase(words.zones);
      if (!cursor.done) cursor.backTo(mark);
    }
  }
  put(cursor, said, 'zones', [...new Set(zones)], from);
  for (const mode of ZONE_MODES) put(cursor, said, mode, modes[mode], from);
}

function takeMode(cursor: Cursor, words: Vocabulary): ZoneMode | undefined {
  const { mark } = cursor;
  const word = cursor.takeWord(...ZONE_MODES)?.text;
  if (word === undefined) return undefined;
  const isOfNext = cursor.next?.text === 'on' || cursor.sees(words.zones);
  if (isOfNext) cursor.backTo(mark);
  return isOfNext ? undefined : ZONE_MODES.find((mode) => mode === word);
}

function takeWith(cursor: Cursor, said: ParsedStep, words: Vocabulary, from: number): void {
  const device = cursor.takePhrase(words.devices);
  const [meaning, another] = device?.meanings ?? [];
  if (device && meaning) {
    if (another) cursor.fault(device.from, device.to, 'Two devices have this name.');
    const settings = takeSettings(cursor, words);
    put(cursor, said, 'device', { deviceId: meaning.value, settings }, from);
    return;
  }
  put(cursor, said, 'tools', takeList(cursor, words.tools, 'tool or device'), from);
}

function takeUntil(cursor: Cursor, said: ParsedStep, _words: Vocabulary, from: number): void {
  const words = cursor.takeQuoted() ?? cursor.takeWords(somethingElse).text;
  if (words.trim() === '') cursor.fault(from, cursor.behind, 'Until what is seen or felt?');
  else put(cursor, said, 'until', words.trim(), from);
  const to = cursor.behind;
  const capFrom = cursor.from;
  cursor.takeWord(',');
  const cap = cursor.takePhrase(CLAUSE_WORDS)?.meanings[0]?.value;
  if (cap === 'at most') takeCap(cursor, said, capFrom);
  else {
    cursor.fault(from, to, 'An endpoint needs a cap: add at most so many min.');
  }
}

function takeCap(cursor: Cursor, said: ParsedStep, from: number): void {
  const read = readMinutes(cursor) ?? bareMinutes(cursor);
  if (read && !read.minutes) return;
  const minutes = read?.minutes;
  if (!minutes || minutes.least !== minutes.most) {
    cursor.fault(from, cursor.behind, 'At most how many minutes? Such as: at most 3 min.');
    return;
  }
  if (minutes.usual <= 0) cursor.fault(from, cursor.behind, 'A cap is above 0 minutes.');
  else {
    put(cursor, said, 'capMinutes', minutes.usual, from);
    const { mark } = cursor;
    if (cursor.takeWord('from') && cursor.takeWord('first') && cursor.takeWord('touch'))
      put(cursor, said, 'capSince', 'first-touch', from);
    else cursor.backTo(mark);
  }
}

/** `holds 60 min`: what is made ready serves later visits for so long. */
function takeHolds(cursor: Cursor, said: ParsedStep, _words: Vocabulary, from: number): void {
  const minutes = (readMinutes(cursor) ?? bareMinutes(cursor))?.minutes;
  if (!minutes || minutes.least !== minutes.most || minutes.usual <= 0)
    cursor.fault(from, cursor.behind, 'For how many minutes does it hold? Such as: holds 60 min.');
  else put(cursor, said, 'holdsMinutes', minutes.usual, from);
}

/** A number behind a cap can only be minutes. */
function bareMinutes(cursor: Cursor): SaidMinutes | undefined {
  const value = takeNumber(cursor)?.value;
  return value === undefined ? undefined : { minutes: { least: value, usual: value, most: value } };
}

/** `then warm towel using 2 face towel and 500 ml water` */
function takeRemoval(cursor: Cursor, said: ParsedStep, words: Vocabulary, from: number): void {
  const how = cursor.takePhrase(words.removals)?.meanings[0]?.value;
  if (!how) {
    cursor.fault(
      from,
      cursor.next?.to ?? cursor.behind,
      `How does it come off: ${listed(words.removals.all().map(({ name }) => name))}?`,
    );
    return;
  }
  let taking: Removal['taking'];
  let waterMl: number | undefined;
  if (cursor.takeWord('using')) {
    do {
      const amount = takeNumber(cursor)?.value;
      if (amount === undefined) {
        cursor.fault(from, cursor.behind, 'Using how many of what, or how much water?');
        break;
      }
      const mark = cursor.mark;
      if (cursor.takeWord('ml') && cursor.takeWord('water')) {
        waterMl = amount;
        continue;
      }
      cursor.backTo(mark);
      const source = takeProduct(cursor, words);
      if (source?.kind === 'material') {
        const again = cursor.takeWord('again') !== undefined;
        taking = { materialId: source.materialId, pieces: amount, ...(again && { again }) };
      } else if (source) cursor.fault(from, cursor.behind, 'A mix takes nothing off.');
    } while (cursor.takeWord('and'));
  }
  put(
    cursor,
    said,
    'removal',
    { how, ...(taking && { taking }), ...(waterMl !== undefined && { waterMl }) },
    from,
  );
}

function takeIf(cursor: Cursor, said: ParsedStep, _words: Vocabulary, from: number): void {
  const needed = cursor.takeWord('needed') !== undefined;
  const when = cursor.takeQuoted() ?? (needed ? '' : undefined);
  if (when === undefined) {
    cursor.fault(from, cursor.behind, 'If what is seen? Put it in quotes, or say: if needed.');
    return;
  }
  const leftOut = cursor.takeWord('usually') && cursor.takeWord('left');
  if (leftOut) cursor.takeWord('-');
  if (leftOut) cursor.takeWord('out');
  else cursor.takeWord('done');
  put(cursor, said, 'optional', { usually: leftOut ? 'left-out' : 'done', if: when.trim() }, from);
}

function takeText(
  cursor: Cursor,
  said: ParsedStep,
  key: 'say' | 'why' | 'watch' | 'note',
  from: number,
): void {
  const text = (cursor.takeQuoted() ?? cursor.takeWords(somethingElseButCommas).text).trim();
  if (text === '') {
    cursor.fault(
      from,
      cursor.behind,
      'Which words? What has a number or one like “on” goes in quotes.',
    );
    return;
  }
  put(cursor, said, key, text, from);
}

/** Where words without quotes end. */
function somethingElseButCommas(cursor: Cursor): boolean {
  return cursor.next?.kind !== 'word' && cursor.next?.kind !== 'sign'
    ? true
    : cursor.next.text === ';' ||
        cursor.sees(CLAUSE_WORDS) ||
        seesCondition(cursor) ||
        seesOtherwise(cursor) ||
        seesLayers(cursor);
}

function somethingElse(cursor: Cursor): boolean {
  return cursor.next?.text === ',' || somethingElseButCommas(cursor);
}
