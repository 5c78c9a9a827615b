import { DOSE_INTO, type DoseInto } from '../house/ways';
import { asKept } from '../house/stock';
import type { Amount, Source } from '../house/house';
import type { Triple } from '../quantity/triple';
import { sourceKey } from '../house/sources';
import { CLAUSE_WORDS } from './clauseWords';
import { takeDoseCondition } from './conditions';
import type { Cursor } from './cursor';
import {
  seesPart,
  slashDoubts,
  takeCountingWord,
  takeNumbers,
  type Doubt,
  type SaidNumbers,
} from './numbers';
import type { ParsedStep } from './parsedStep';
import { TECHNIQUE_WORDS } from './techniqueWords';
import { compared, keyOf, tokensOf } from './tokens';
import { listed, type UnitWord, type Vocabulary } from './vocabulary';

/**
 * Least, usual and most from one to three numbers, as they are kept: a third has no end. Of two, the usual lies in the
 * middle.
 */
export function inOrder(numbers: readonly number[]): [number, number, number] {
  const [first = 0, second = first, third] = numbers.map(asKept);
  return third === undefined
    ? [first, asKept((first + second) / 2), second]
    : [first, second, third];
}

/** Says what is not clear about numbers; whether anything was. */
export function asks(cursor: Cursor, doubts: readonly Doubt[]): boolean {
  for (const { from, to, message } of doubts) cursor.fault(from, to, message);
  return doubts.length > 0;
}

/** An amount of a product, such as `3 pumps cleansing milk` or `thin coat of sunscreen`. */
export function takeAmounts(cursor: Cursor, said: ParsedStep, words: Vocabulary): boolean {
  const { mark, from } = cursor;
  const leftOver = takeLeftOver(cursor);
  const amount = takeWhole(cursor, words) ?? takeCoat(cursor, words) ?? takeCounted(cursor, words);
  if (!amount) {
    cursor.backTo(mark);
    return false;
  }
  const source = amount.source ?? takeProduct(cursor, words);
  if (!source) return true;
  const stated = amount.amount ?? bareAmount(amount.quantity, source, words);
  if (!stated) {
    cursor.fault(
      from,
      cursor.behind,
      `Say how ${words.nameOf(source) ?? 'it'} is measured: in ml, g, pumps, drops, …`,
    );
    return true;
  }
  if (amount.isAsked) return true;
  const into = takeInto(cursor);
  const over = takeOverLayers(cursor);
  const again = cursor.takeWord('again') !== undefined;
  const who = takeDoseCondition(cursor, said, words);
  said.doses.push({
    source,
    amount: stated,
    opening: leftOver ? 'left-over-first' : 'fresh',
    ...(over && { over }),
    ...(into && { into }),
    ...(again && { again }),
    ...(who && { for: who }),
  });
  cursor.note(from, cursor.behind, words.nameOf(source) ?? 'a product', said.doses.length - 1);
  return true;
}

/** `into the steam` */
function takeInto(cursor: Cursor): DoseInto | undefined {
  const { mark } = cursor;
  const begins = cursor.takeWord('into');
  if (begins) cursor.takeWord('the', 'a');
  const word = begins && cursor.takeWord(...DOSE_INTO)?.text;
  if (!word) cursor.backTo(mark);
  return DOSE_INTO.find((each) => each === word);
}

/** `over all layers` */
function takeOverLayers(cursor: Cursor): 'all-layers' | undefined {
  const { mark } = cursor;
  if (['over', 'all', 'layers'].every((each) => cursor.takeWord(each))) return 'all-layers';
  cursor.backTo(mark);
  return undefined;
}

function takeLeftOver(cursor: Cursor): boolean {
  const mark = cursor.mark;
  if (!cursor.takeWord('left', 'leftover')) return false;
  cursor.takeWord('-');
  if (cursor.takeWord('over') || cursor.next?.kind === 'number') return true;
  cursor.backTo(mark);
  return false;
}

interface Read {
  /** nothing for a number without a unit: then the product says what it counts */
  readonly amount?: Amount;
  readonly quantity?: Triple;
  readonly source?: Source;
  /** its number can be two things, which is asked: nothing is put in the place of the answer */
  readonly isAsked?: boolean;
}

function bareAmount(
  quantity: Triple | undefined,
  source: Source,
  words: Vocabulary,
): Amount | undefined {
  const unit = words.bareUnit(source);
  return unit && quantity && amountIn(unit, quantity);
}

/** `all of the clay mask`, `the rest of the clay mask`: only before something that is mixed. */
function takeWhole(cursor: Cursor, words: Vocabulary): Read | undefined {
  const { mark } = cursor;
  const isAll = cursor.takeWord('all') !== undefined;
  if (!isAll) cursor.takeWord('the');
  if ((isAll || cursor.takeWord('rest')) && cursor.takeWord('of')) {
    cursor.takeWord('the');
    if (seesMix(cursor, words)) return { amount: { how: isAll ? 'all' : 'rest' } };
  }
  cursor.backTo(mark);
  return undefined;
}

/** Whether the name of a mix comes next, or one of its words. */
function seesMix({ next }: Cursor, words: Vocabulary): boolean {
  if (!next) return false;
  return words.products
    .all()
    .some(
      ({ key, value }) =>
        value.kind === 'mix' &&
        (next.kind === 'quoted' ? key === keyOf(next.text) : hasWords(key, [next.text])),
    );
}

function takeCoat(cursor: Cursor, words: Vocabulary): Read | undefined {
  const mark = cursor.mark;
  const coat = cursor.takePhrase(words.coats);
  const [meaning] = coat?.meanings ?? [];
  if (!meaning || !cursor.takeWord('coat', 'layer')) {
    cursor.backTo(mark);
    return undefined;
  }
  cursor.takeWord('of');
  return { amount: { how: 'coat', coat: meaning.value } };
}

/** Whether an amount in words comes next, such as a thin coat, half a sachet or two pumps. */
export function seesAmount(cursor: Cursor, words: Vocabulary): boolean {
  const { mark } = cursor;
  const seen =
    takeLeftOver(cursor) ||
    takeWhole(cursor, words) !== undefined ||
    takeCoat(cursor, words) !== undefined ||
    seesPart(cursor);
  const isCounted =
    takeCountingWord(cursor) !== undefined &&
    (cursor.sees(words.units) || cursor.sees(words.products));
  cursor.backTo(mark);
  return seen || isCounted;
}

function takeCounted(cursor: Cursor, words: Vocabulary): Read | undefined {
  const { from, mark: begin } = cursor;
  const numbers = takeNumbers(cursor) ?? inWords(cursor);
  if (!numbers) return undefined;
  const isInWords = numbers.values.length === 1 && cursor.peek(-1)?.kind === 'word';
  const [low, usual, high] = inOrder(numbers.values);
  const quantity: Triple = { low, usual, high };
  const mark = cursor.mark;
  const direct = cursor.takePhrase(words.products);
  const only = direct?.meanings.length === 1 ? direct.meanings[0]?.value : undefined;
  const bare = only && words.bareUnit(only);
  if (!bare) cursor.backTo(mark);
  const unit = bare ?? cursor.takePhrase(words.units)?.meanings[0]?.value;
  if (isInWords && !unit) {
    cursor.backTo(begin);
    return undefined;
  }
  const isAsked = asks(cursor, [
    ...numbers.doubts,
    ...slashDoubts(numbers.slashes, unit !== undefined && isCutUp(unit)),
  ]);
  if (!isAsked && !(low <= usual && usual <= high)) {
    cursor.fault(from, cursor.behind, 'Put low, usual and high in order.');
  }
  if (bare) return { quantity, source: only, isAsked };
  cursor.takeWord('of');
  if (unit) return { amount: amountIn(unit, quantity), isAsked };
  if (cursor.done) {
    cursor.fault(from, cursor.behind, 'Say of what, or whether these are minutes.');
    return undefined;
  }
  return { quantity, isAsked };
}

function inWords(cursor: Cursor): SaidNumbers | undefined {
  const value = takeCountingWord(cursor);
  return value === undefined ? undefined : { values: [value], doubts: [], slashes: [] };
}

/** Whether people take a part of one: of a spoon, an ounce, a pack; not of a drop or a pump. */
function isCutUp(unit: UnitWord): boolean {
  switch (unit.how) {
    case 'measured':
      return unit.unit !== 'ml' && unit.unit !== 'g' && unit.unit !== 'piece';
    case 'packs':
    case 'named':
    case 'batches':
      return true;
    case 'counted':
    case 'fingertip':
    case 'coat-weight':
      return false;
  }
}

function amountIn(unit: UnitWord, quantity: Triple): Amount {
  switch (unit.how) {
    case 'measured':
      return { how: 'measured', quantity, unit: unit.unit };
    case 'counted':
      return { how: 'counted', quantity, measure: unit.measure };
    case 'named':
      return { how: 'named', quantity, name: unit.name };
    case 'coat-weight':
      return { how: 'coat-weight', mgPerCm2: quantity };
    case 'packs':
    case 'batches':
    case 'fingertip':
      return { how: unit.how, quantity };
  }
}

/** A product of the shelf: its whole name, or words that only one product has. */
export function takeProduct(cursor: Cursor, words: Vocabulary): Source | undefined {
  const from = cursor.from;
  const exact = cursor.takePhrase(words.products);
  if (exact) return oneOf(exact.meanings, cursor, from, words);
  const quoted = cursor.takeQuoted();
  if (quoted !== undefined) {
    return oneOf(words.products.meanings(keyOf(quoted)), cursor, from, words, quoted);
  }
  const { mark } = cursor;
  const { text, to } = cursor.takeWords((at) =>
    at.next?.kind !== 'word' && at.next?.text !== '-' && at.next?.text !== "'"
      ? true
      : at.next.text === 'and' || at.sees(CLAUSE_WORDS),
  );
  const typed = tokensOf(text).flatMap((piece) => (piece.kind === 'word' ? [piece.text] : []));
  if (typed.length === 0) {
    cursor.fault(from, cursor.next?.to ?? from, 'Say which product of the shelf.');
    return undefined;
  }
  const fitting = words.products.all().filter(({ key }) => hasWords(key, typed));
  if (fitting.length === 1) return fitting[0]?.value;
  if (fitting.length === 0) {
    const shorter = beforeTechnique(cursor, mark, words);
    if (shorter) return shorter;
    cursor.unknown(from, to, `Nothing on the shelf is called “${typed.join(' ')}”.`);
  } else cursor.fault(from, to, `Which one: ${listed(fitting.map(({ name }) => name))}?`);
  return undefined;
}

/** A product whose words end where it is said how the hands work: `cleansing milk damp skin`. */
function beforeTechnique(cursor: Cursor, mark: number, words: Vocabulary): Source | undefined {
  const end = cursor.mark;
  cursor.backTo(mark);
  const typed: string[] = [];
  while (cursor.mark < end) {
    const piece = cursor.take();
    if (piece?.kind === 'word') typed.push(piece.text);
    if (!cursor.sees(TECHNIQUE_WORDS) && !cursor.sees(words.techniques)) continue;
    const fitting = words.products.all().filter(({ key }) => hasWords(key, typed));
    const exact = fitting.find(({ key }) => key === typed.join(' '));
    if (exact ?? fitting.length === 1) return (exact ?? fitting[0])?.value;
  }
  return undefined;
}

function oneOf(
  meanings: readonly { readonly name: string; readonly value: Source }[],
  cursor: Cursor,
  from: number,
  words: Vocabulary,
  typed?: string,
): Source | undefined {
  if (meanings.length === 1) return meanings[0]?.value;
  if (meanings.length === 0) {
    cursor.unknown(from, cursor.behind, `Nothing on the shelf is called “${typed ?? ''}”.`);
    return undefined;
  }
  const id = takeId(cursor);
  const named = meanings.find(({ value }) => idOf(value) === id);
  if (named) return named.value;
  cursor.fault(
    from,
    cursor.behind,
    `${meanings.length} things are called “${words.nameOf(meanings[0]?.value ?? { kind: 'mix', mixId: '' as never }) ?? ''}”. Give them names of their own, or choose by pointing.`,
  );
  return undefined;
}

/** An id behind a name that two things have: `#face-towel`. */
function takeId(cursor: Cursor): string | undefined {
  const sign = cursor.takeWord('#');
  if (!sign) return undefined;
  let id = '';
  let end = sign.to;
  while (cursor.next?.from === end) {
    end = cursor.next.to;
    id += cursor.take()?.text ?? '';
  }
  return id;
}

function idOf(source: Source): string {
  return compared(sourceKey(source));
}

/** Whether a name has all the words typed, one or several of a thing alike. */
function hasWords(key: string, typed: readonly string[]): boolean {
  const of = key.split(' ').map(single);
  return typed.every((word) => of.includes(single(word)));
}

function single(word: string): string {
  return word.length > 3 && word.endsWith('s') ? word.slice(0, -1) : word;
}
