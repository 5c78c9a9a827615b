import type { LayersSaid } from '../protocol/layersSaid';
import type { Cursor } from './cursor';
import { takeCountingWord, takeNumber } from './numbers';
import type { ParsedStep } from './parsedStep';
import type { SaidQuestion } from '../house/question';
import { questionWritten, takeQuestion } from './questions';
import { quotedWords } from './tokens';

const MOST = 50;

/** Takes in how many layers a step is done: `in 3 layers`, `in 1 layer, 2 on later visits "Serum"`. */
export function takeLayers(cursor: Cursor, said: ParsedStep): boolean {
  const { from, mark } = cursor;
  const first = takeBegin(cursor);
  if (first === undefined) {
    cursor.backTo(mark);
    return false;
  }
  const returning = takeLater(cursor) ?? first;
  const name = cursor.takeQuoted()?.trim() ?? '';
  const asks = takeAsks(cursor);
  const isRight = [first, returning].every(
    (each) => Number.isInteger(each) && each >= 1 && each <= MOST,
  );
  if (!isRight)
    cursor.fault(from, cursor.behind, `In how many layers: a whole number from 1 to ${MOST}?`);
  else if (said.layers) cursor.fault(from, cursor.behind, 'It is said twice in how many layers.');
  else {
    said.layers = {
      first,
      returning,
      ...(name !== '' && { name }),
      ...(asks.length > 0 && { asks }),
    };
    cursor.note(from, cursor.behind, 'in how many layers');
  }
  return true;
}

/** Whether layers come next: “in 3 layers”, and not “in the shade”. */
export function seesLayers(cursor: Cursor): boolean {
  return cursor.ahead(() => takeBegin(cursor) !== undefined);
}

/** How the number of layers is written into a line. */
export function layersWords({ first, returning, name, asks = [] }: LayersSaid): string {
  const later = returning === first ? '' : `, ${returning} on later visits`;
  const words = `in ${first} ${first === 1 ? 'layer' : 'layers'}${later}`;
  return [
    name === undefined ? words : `${words} ${quotedWords(name)}`,
    ...asks.map((question) => `after each layer ask ${questionWritten(question)}`),
  ].join(' ');
}

/** `after each layer ask 0-10 "How does it feel?" off at 7` */
function takeAsks(cursor: Cursor): SaidQuestion[] {
  const found: SaidQuestion[] = [];
  for (;;) {
    const { mark, from } = cursor;
    cursor.takeWord(',');
    const isAfter =
      cursor.takeWord('after') && cursor.takeWord('each', 'every') && cursor.takeWord('layer');
    const question = isAfter && cursor.takeWord('ask') ? takeQuestion(cursor, from) : undefined;
    if (!question) {
      cursor.backTo(mark);
      return found;
    }
    found.push(question);
  }
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
