import type { Amount, Minutes, Source } from '../house/house';
import type { Triple } from '../quantity/triple';
import { CLAUSE_WORDS } from './clauseWords';
import type { Cursor } from './cursor';
import type { ParsedStep } from './parsedStep';
import { compared, keyOf, tokensOf } from './tokens';
import type { UnitWord, Vocabulary } from './vocabulary';

const PARTS: Readonly<Record<string, number>> = { half: 0.5, quarter: 0.25 };
const MINUTES_IN_AN_HOUR = 60;

/** One to three numbers: 3, 2-4 or 2/2.5/4. */
function takeRange(cursor: Cursor): readonly number[] | undefined {
  const first = takeNumber(cursor);
  if (first === undefined) return undefined;
  const numbers = [first];
  while (numbers.length < 3) {
    const mark = cursor.mark;
    if (!cursor.takeWord('-', '/', 'to')) break;
    const further = takeNumber(cursor);
    if (further === undefined) {
      cursor.backTo(mark);
      break;
    }
    numbers.push(further);
  }
  return numbers;
}

function takeNumber(cursor: Cursor): number | undefined {
  const token = cursor.next;
  if (!token) return undefined;
  if (token.kind === 'word' && PARTS[token.text] !== undefined) {
    cursor.take();
    cursor.takeWord('a', 'an', 'of');
    return PARTS[token.text];
  }
  if (token.kind !== 'number') return undefined;
  cursor.take();
  return Number(token.text.replace(',', '.'));
}

/** Least, usual and most from one to three numbers; of two, the usual lies in the middle. */
function inOrder(numbers: readonly number[]): [number, number, number] {
  const [first = 0, second = first, third] = numbers;
  return third === undefined ? [first, (first + second) / 2, second] : [first, second, third];
}

/** Minutes, such as `5 min`, `2-3 min`, `2/2.5/4 min` or `1:15`. */
export function takeMinutes(cursor: Cursor, said: ParsedStep): boolean {
  const { mark, from } = cursor;
  const minutes = readMinutes(cursor);
  if (!minutes) {
    cursor.backTo(mark);
    return false;
  }
  const to = cursor.behind;
  if (said.minutes) cursor.fault(from, to, 'The minutes are said twice.');
  else if (!(minutes.least <= minutes.usual && minutes.usual <= minutes.most)) {
    cursor.fault(from, to, 'Put least, usual and most minutes in order.');
  } else said.minutes = minutes;
  cursor.note(from, to, 'how long');
  return true;
}

/** Minutes as they are said, wherever they stand. */
export function readMinutes(cursor: Cursor): Minutes | undefined {
  const mark = cursor.mark;
  const numbers = takeRange(cursor);
  if (!numbers) return undefined;
  const [hours = 0] = numbers;
  if (numbers.length === 1 && cursor.takeWord(':')) {
    const rest = takeNumber(cursor);
    if (rest !== undefined) {
      const minutes = hours * MINUTES_IN_AN_HOUR + rest;
      cursor.takeWord('min', 'minutes');
      return { least: minutes, usual: minutes, most: minutes };
    }
  }
  if (!cursor.takeWord('min', 'mins', 'minute', 'minutes')) {
    cursor.backTo(mark);
    return undefined;
  }
  const [least, usual, most] = inOrder(numbers);
  return { least, usual, most };
}

/** An amount of a product, such as `3 pumps cleansing milk` or `thin coat of sunscreen`. */
export function takeAmounts(cursor: Cursor, said: ParsedStep, words: Vocabulary): boolean {
  const { mark, from } = cursor;
  const leftOver = takeLeftOver(cursor);
  const amount = takeCoat(cursor, words) ?? takeCounted(cursor, words);
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
  said.doses.push({
    source,
    amount: stated,
    opening: leftOver ? 'left-over-first' : 'fresh',
  });
  cursor.note(from, cursor.behind, words.nameOf(source) ?? 'a product');
  return true;
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
}

function bareAmount(
  quantity: Triple | undefined,
  source: Source,
  words: Vocabulary,
): Amount | undefined {
  const unit = words.bareUnit(source);
  return unit && quantity && amountIn(unit, quantity);
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

/** Whether an amount in words comes next, such as a thin coat or half a sachet. */
export function seesAmount(cursor: Cursor, words: Vocabulary): boolean {
  const { mark } = cursor;
  const seen =
    takeLeftOver(cursor) ||
    takeCoat(cursor, words) !== undefined ||
    (cursor.next !== undefined && cursor.next.text in PARTS);
  const oneOfIt = cursor.takeWord('a', 'an') !== undefined && cursor.sees(words.units);
  cursor.backTo(mark);
  return seen || oneOfIt;
}

function takeCounted(cursor: Cursor, words: Vocabulary): Read | undefined {
  const from = cursor.from;
  const numbers = takeRange(cursor);
  if (!numbers) return undefined;
  const [low, usual, high] = inOrder(numbers);
  const quantity: Triple = { low, usual, high };
  if (!(low <= usual && usual <= high)) {
    cursor.fault(from, cursor.behind, 'Put low, usual and high in order.');
  }
  const mark = cursor.mark;
  const direct = cursor.takePhrase(words.products);
  const only = direct?.meanings.length === 1 ? direct.meanings[0]?.value : undefined;
  if (only && words.bareUnit(only)) return { quantity, source: only };
  cursor.backTo(mark);
  const unit = cursor.takePhrase(words.units)?.meanings[0]?.value;
  cursor.takeWord('of');
  if (unit) return { amount: amountIn(unit, quantity) };
  if (cursor.done) {
    cursor.fault(from, cursor.behind, 'Say of what, or whether these are minutes.');
    return undefined;
  }
  return { quantity };
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
  cursor.fault(
    from,
    to,
    fitting.length === 0
      ? `Nothing on the shelf is called “${typed.join(' ')}”.`
      : `Which one: ${listed(fitting.map(({ name }) => name))}?`,
  );
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
    cursor.fault(from, cursor.behind, `Nothing on the shelf is called “${typed ?? ''}”.`);
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
  return compared(source.kind === 'material' ? source.materialId : source.mixId);
}

/** Whether a name has all the words typed, one or several of a thing alike. */
function hasWords(key: string, typed: readonly string[]): boolean {
  const of = key.split(' ').map(single);
  return typed.every((word) => of.includes(single(word)));
}

function single(word: string): string {
  return word.length > 3 && word.endsWith('s') ? word.slice(0, -1) : word;
}

/** Things in a row: a, b or c. */
export function listed(names: readonly string[]): string {
  return names.length < 2
    ? (names[0] ?? '')
    : `${names.slice(0, -1).join(', ')} or ${names.at(-1) ?? ''}`;
}
