import type { Minutes, TestSpot } from '../house/house';
import type { SaidQuestion } from '../house/question';
import type { LayersSaid } from '../protocol/layersSaid';
import { zonesSaid } from '../zone/zonesSaid';
import type { Cursor } from './cursor';
import { takeZones } from './lists';
import { readMinutes } from './minutes';
import { takeCountingWord, takeNumber } from './numbers';
import type { ParsedStep } from './parsedStep';
import { questionWritten, takeQuestion } from './questions';
import { quotedWords } from './tokens';
import type { Vocabulary } from './vocabulary';

const MOST = 50;

/**
 * Takes in how many layers a step is done, and what is told of them: `in 3 layers`, `in 1 layer, 2 on later visits
 * "Serum" waiting 1-2 min half by half after each layer ask 0-10 off at 7`.
 */
export function takeLayers(cursor: Cursor, said: ParsedStep, words: Vocabulary): boolean {
  const { from, mark } = cursor;
  const first = takeBegin(cursor);
  if (first === undefined) {
    cursor.backTo(mark);
    return false;
  }
  const returning = takeLater(cursor) ?? first;
  const name = cursor.takeQuoted()?.trim() ?? '';
  const told = takeTold(cursor, words);
  const isRight = [first, returning].every(
    (each) => Number.isInteger(each) && each >= 1 && each <= MOST,
  );
  if (!isRight)
    cursor.fault(from, cursor.behind, `In how many layers: a whole number from 1 to ${MOST}?`);
  else if (said.layers) cursor.fault(from, cursor.behind, 'It is said twice in how many layers.');
  else {
    said.layers = { first, returning, ...(name !== '' && { name }), ...told };
    cursor.note(from, cursor.behind, 'in how many layers');
  }
  return true;
}

/** Whether layers come next: “in 3 layers”, and not “in the shade”. */
export function seesLayers(cursor: Cursor): boolean {
  return cursor.ahead(() => takeBegin(cursor) !== undefined);
}

/** How the number of layers is written into a line, with what is told of them. */
export function layersWords(
  { first, returning, name, wait, halves, testSpot, asks = [] }: LayersSaid,
  { ownZones }: Pick<Vocabulary, 'ownZones'>,
  minutes: (of: Minutes) => string,
): string {
  const later = returning === first ? '' : `, ${returning} on later visits`;
  const words = `in ${first} ${first === 1 ? 'layer' : 'layers'}${later}`;
  return [
    name === undefined ? words : `${words} ${quotedWords(name)}`,
    wait && `waiting ${minutes(wait)}`,
    halves && 'half by half',
    testSpot &&
      `after a test spot on ${zonesSaid(testSpot.zones, ownZones).join(', ')} ${minutes(testSpot.minutes)} wait ${minutes(testSpot.wait)} watch ${quotedWords(testSpot.watch)}`,
    ...asks.map((question) => `after each layer ask ${questionWritten(question)}`),
  ]
    .filter((each) => each !== undefined)
    .join(' ');
}

type Told = Pick<LayersSaid, 'wait' | 'halves' | 'testSpot' | 'asks'>;

function takeTold(cursor: Cursor, words: Vocabulary): Told {
  let told: Told = {};
  for (;;) {
    const { mark } = cursor;
    cursor.takeWord(',');
    const more = takeWait(cursor) ?? takeHalves(cursor) ?? takeSpot(cursor, words);
    const ask = more ? undefined : takeAsk(cursor);
    if (more) told = { ...told, ...more };
    else if (ask) told = { ...told, asks: [...(told.asks ?? []), ask] };
    else {
      cursor.backTo(mark);
      return told;
    }
  }
}

/** `waiting 1-2 min between` */
function takeWait(cursor: Cursor): Told | undefined {
  const { mark } = cursor;
  const wait = cursor.takeWord('waiting') ? readMinutes(cursor)?.minutes : undefined;
  if (!wait) {
    cursor.backTo(mark);
    return undefined;
  }
  if (cursor.takeWord('between')) cursor.takeWord('them', 'layers');
  return { wait };
}

/** `half by half` */
function takeHalves(cursor: Cursor): Told | undefined {
  const { mark } = cursor;
  if (cursor.takeWord('half') && cursor.takeWord('by') && cursor.takeWord('half'))
    return { halves: true };
  cursor.backTo(mark);
  return undefined;
}

/** `after a test spot on jawline 1 min wait 5 min watch "redness"` */
function takeSpot(cursor: Cursor, words: Vocabulary): Told | undefined {
  const { mark, from } = cursor;
  const begins = ['after', 'a', 'test', 'spot', 'on'].every((each) => cursor.takeWord(each));
  if (!begins) {
    cursor.backTo(mark);
    return undefined;
  }
  const zones = takeZones(cursor, words);
  const minutes = readMinutes(cursor)?.minutes;
  const wait = cursor.takeWord('wait') ? readMinutes(cursor)?.minutes : undefined;
  const watch = cursor.takeWord('watch') ? cursor.takeQuoted() : undefined;
  if (!zones || !minutes || !wait || watch === undefined) {
    cursor.fault(
      from,
      cursor.behind,
      'A test spot is said as: after a test spot on jawline 1 min wait 5 min watch "redness".',
    );
    return {};
  }
  const testSpot: TestSpot = { zones, minutes, wait, watch: watch.trim() };
  return { testSpot };
}

/** `after each layer ask 0-10 "How does it feel?" off at 7` */
function takeAsk(cursor: Cursor): SaidQuestion | undefined {
  const { mark, from } = cursor;
  const isAfter =
    cursor.takeWord('after') && cursor.takeWord('each', 'every') && cursor.takeWord('layer');
  const question = isAfter && cursor.takeWord('ask') ? takeQuestion(cursor, from) : undefined;
  if (!question) cursor.backTo(mark);
  return question;
}

function takeBegin(cursor: Cursor): number | undefined {
  if (!cursor.takeWord('in')) return undefined;
  const count = takeCountingWord(cursor) ?? takeNumber(cursor)?.value;
  return count !== undefined && cursor.takeWord('layer', 'layers') ? count : undefined;
}

function takeLater(cursor: Cursor): number | undefined {
  const { mark } = cursor;
  cursor.takeWord(',');
  const count = takeCountingWord(cursor) ?? takeNumber(cursor)?.value;
  const words = [['on'], ['later', 'returning'], ['visit', 'visits']];
  if (count !== undefined && words.every((each) => cursor.takeWord(...each))) return count;
  cursor.backTo(mark);
  return undefined;
}
