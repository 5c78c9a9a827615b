import { closest, distance } from 'fastest-levenshtein';
import { TAKE_CLAUSE } from './clauses';
import { CLAUSE_WORDS } from './clauseWords';
import { seesCondition, takeCondition } from './conditions';
import { Cursor, type LineFault, type Understood, type Wanted } from './cursor';
import { seesAmount, takeAmounts } from './amounts';
import { seesLayers, takeLayers } from './layers';
import { takeMinutes, takeMoment } from './minutes';
import { takeHeld, takeTechnique } from './techniques';
import { putOtherwise, seesOtherwise } from './otherwise';
import type { ParsedStep } from './parsedStep';
import { plainText } from './tokens';
import type { Vocabulary } from './vocabulary';

/** A line as far as it was understood. */
export interface ParsedLine {
  /** done beside the step before it */
  readonly beside: boolean;
  readonly said: ParsedStep;
  /** its name may be something else, which is asked */
  readonly isNameAsked: boolean;
  readonly understood: readonly Understood[];
  readonly faults: readonly LineFault[];
  readonly wanted: readonly Wanted[];
}

/**
 * Reads a step as it is said: `cleanse 3 pumps cleansing milk on face, neck 2-3 min then warm towel`.
 * What is done comes first, as a known action, a name or both; amounts, minutes and clauses follow in
 * any order. Nothing is guessed: what could mean two things, or nothing, is a fault at its place.
 * @see docs/step-line.md
 */
export function parseStepLine(line: string, words: Vocabulary): ParsedLine {
  const cursor = new Cursor(plainText(line));
  const said: ParsedStep = { doses: [] };
  const beside = cursor.takeWord('+') !== undefined;
  const isNameAsked = takeWhat(cursor, said, words);
  takeParts(cursor, said, words);
  while (!cursor.done) {
    const { from } = cursor;
    cursor.takeWord('but');
    cursor.note(from, cursor.behind, 'otherwise for some');
    const some: ParsedStep = { doses: [] };
    takeParts(cursor, some, words);
    putOtherwise(cursor, said, some, from);
  }
  return {
    beside,
    said,
    isNameAsked,
    understood: cursor.understood,
    faults: cursor.faults,
    wanted: cursor.wanted,
  };
}

/** Takes the parts of a line in any order, up to where it is otherwise for some. */
function takeParts(cursor: Cursor, said: ParsedStep, words: Vocabulary): void {
  while (!cursor.done && !seesOtherwise(cursor)) {
    if (cursor.takeWord(',', ';', 'and', '+', '.')) continue;
    if (takeMoment(cursor, said)) continue;
    if (takeHeld(cursor, said) || takeMinutes(cursor, said)) continue;
    if (takeAmounts(cursor, said, words)) continue;
    if (takeCondition(cursor, said, words) || takeLayers(cursor, said, words)) continue;
    const clause = cursor.takePhrase(CLAUSE_WORDS);
    const [meaning] = clause?.meanings ?? [];
    if (clause && meaning) {
      TAKE_CLAUSE[meaning.value](cursor, said, words, clause.from);
      continue;
    }
    if (takeTechnique(cursor, said, words)) continue;
    skip(cursor, words);
  }
}

/** Takes what is done, and its name; whether that is to be asked about. */
function takeWhat(cursor: Cursor, said: ParsedStep, words: Vocabulary): boolean {
  const { from } = cursor;
  const action = cursor.takePhrase(words.actions);
  const [meaning] = action?.meanings ?? [];
  if (action && meaning) {
    said.action = meaning.value;
    cursor.note(action.from, action.to, meaning.name);
  }
  const nameFrom = cursor.from;
  const quoted = cursor.takeQuoted();
  if (quoted?.trim() === '') {
    cursor.fault(nameFrom, cursor.behind, 'A step needs a name.');
    return true;
  }
  if (quoted !== undefined) {
    said.name = quoted.trim();
    cursor.note(nameFrom, cursor.behind, 'its name');
    return false;
  }
  const meant = action ? undefined : nearestAction(cursor.next?.text, words);
  if (meant !== undefined) {
    const to = cursor.take()?.to ?? from;
    cursor.fault(from, to, `Is “${meant}” meant? A name that is like it goes in quotes.`);
    return true;
  }
  const phase = action ? undefined : cursor.takePhrase(words.phases);
  if (phase) said.phase = phase.meanings[0]?.value;
  const nameBegins = cursor.mark;
  const plain = cursor.takeWords((at) => isBehindName(at, words));
  if (plain.text !== '' && cursor.done) wantClause(cursor);
  if (asksAboutName(cursor, nameBegins, words)) return true;
  if (plain.text !== '' || phase) {
    said.name = capital(cursor.typed(from, cursor.behind));
    cursor.note(action ? plain.from : from, cursor.behind, 'its name');
  } else if (!action) {
    cursor.fault(
      from,
      cursor.next?.to ?? from,
      'Begin with what is done, such as cleanse or massage, or with a name.',
    );
  }
  return false;
}

/**
 * Words of an amount that stand in a name are asked about: what was meant to be measured would vanish in it.
 */
function asksAboutName(cursor: Cursor, from: number, words: Vocabulary): boolean {
  const behind = cursor.mark;
  const found = cursor.ahead(() => {
    cursor.backTo(from);
    for (; cursor.mark < behind; cursor.take()) {
      const begin = cursor.from;
      const { mark } = cursor;
      const message = doubtOfName(cursor, words);
      if (message !== undefined && cursor.mark <= behind) {
        return { from: begin, to: cursor.behind, message };
      }
      cursor.backTo(mark);
    }
    return undefined;
  });
  if (found) cursor.fault(found.from, found.to, found.message);
  return found !== undefined;
}

function doubtOfName(cursor: Cursor, words: Vocabulary): string | undefined {
  const quotes = 'or put the name in quotes.';
  const product = cursor.takePhrase(words.products);
  if (product)
    return `How much ${product.meanings[0]?.name ?? 'of it'}? Say an amount before it, ${quotes}`;
  const coat = cursor.takePhrase(words.coats)?.meanings[0];
  if (coat && coat.name !== 'standard') {
    return `Is “${coat.name}” an amount? Say ${coat.name} coat of what, ${quotes}`;
  }
  const { mark } = cursor;
  const unit = cursor.takePhrase(words.units)?.meanings[0];
  if (unit && (unit.value.how === 'counted' || unit.value.how === 'measured')) {
    return `How many ${unit.name} of what? Say a number before it, ${quotes}`;
  }
  cursor.backTo(mark);
  return undefined;
}

/** A name without quotes goes up to the first amount, clause or sign. */
function isBehindName(cursor: Cursor, words: Vocabulary): boolean {
  const { next } = cursor;
  return (
    !next ||
    (next.kind !== 'word' && next.text !== '-' && next.text !== "'") ||
    next.text === 'and' ||
    cursor.sees(CLAUSE_WORDS) ||
    seesCondition(cursor, words) ||
    seesOtherwise(cursor) ||
    seesLayers(cursor) ||
    seesAmount(cursor, words)
  );
}

/** The last word of a name may be the beginning of what comes behind it. */
function wantClause(cursor: Cursor): void {
  const { mark } = cursor;
  cursor.backTo(mark - 1);
  cursor.takePhrase(CLAUSE_WORDS);
  cursor.backTo(mark);
}

/** Words of the work that a known action misses by one letter, and that mean themselves. */
const NO_SLIPS: ReadonlySet<string> = new Set(['rest', 'seat']);

/** The action that a word misses by a slip of the finger. */
function nearestAction(word: string | undefined, words: Vocabulary): string | undefined {
  if (word === undefined || word.length < 4 || NO_SLIPS.has(word)) return undefined;
  const names = words.actions.all().map(({ key }) => key);
  const nearest = closest(word, names);
  return distance(word, nearest) <= (word.length < 7 ? 1 : 2) ? nearest : undefined;
}

function capital(words: string): string {
  return words.charAt(0).toLocaleUpperCase() + words.slice(1);
}

/** Words that nothing is made of, up to where something is understood again. */
function skip(cursor: Cursor, words: Vocabulary): void {
  const { from } = cursor;
  do cursor.take();
  while (
    !cursor.done &&
    cursor.next?.kind !== 'number' &&
    !cursor.sees(CLAUSE_WORDS) &&
    !seesCondition(cursor) &&
    !seesOtherwise(cursor) &&
    !cursor.sees(words.coats)
  );
  cursor.unknown(
    from,
    cursor.behind,
    'This is not understood here. Amounts begin with a number; other things with a word such as on, with, then or until.',
  );
}
