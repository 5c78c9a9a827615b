import {
  answerWords,
  GRADES,
  HIGHEST_SCORE,
  RESPONSES,
  SIGNS,
  thresholdWords,
  type AnswerKind,
  type Question,
  type Reaction,
  type Response,
  type SaidQuestion,
  type Sign,
} from '../house/question';
import { CLAUSE_WORDS } from './clauseWords';
import type { Cursor } from './cursor';
import { readMinutes } from './minutes';
import { takeNumber } from './numbers';
import { quotedWords } from './tokens';
import { listed, Phrases } from './vocabulary';

const SIGN_WORDS = new Phrases<Sign>();
for (const [sign, words] of Object.entries(SIGNS)) SIGN_WORDS.add(words, sign as Sign);
const RESPONSE_WORDS = new Phrases<Response>();
for (const [response, words] of Object.entries(RESPONSES)) {
  RESPONSE_WORDS.add(words, response as Response);
}
for (const [words, response] of [
  ['go lightly', 'lightly'],
  ['slow down', 'lightly'],
  ['off now', 'off'],
  ['take off', 'off'],
  ['take it off', 'off'],
  ['stop and refer', 'stop'],
  ['wait until none', 'wait'],
  ['fewer', 'fewer-layers'],
] as const) {
  RESPONSE_WORDS.add(words, response, RESPONSES[response]);
}

/**
 * Takes what is asked behind “ask”: `0-10 "How does it sting?" lightly at 4, off at 6`, `redness off at marked`,
 * `yes or no "Does it burn?" off at yes`, `"warm" or "hot"`, `number in cm "Girth"`, `"What is used at home?"`.
 */
export function takeQuestion(cursor: Cursor, from: number): SaidQuestion | undefined {
  const answer = takeAnswer(cursor);
  const ask = cursor.takeQuoted()?.trim() ?? '';
  if (!answer && ask === '') {
    cursor.fault(
      from,
      cursor.next?.to ?? cursor.behind,
      'What is asked: 0-10, a sign such as redness, yes or no, a number in a unit, or words in quotes?',
    );
    return undefined;
  }
  const of = answer ?? { kind: 'text' };
  return { ask, answer: of, reactions: takeReactions(cursor, of) };
}

/** A question as a line says it, behind “ask”. */
export function questionWritten({ ask, answer, reactions }: SaidQuestion): string {
  const kind =
    answer.kind === 'text'
      ? undefined
      : answer.kind === 'choice'
        ? answer.of.map(quotedWords).join(' or ')
        : answer.kind === 'number'
          ? `number in ${quotedWords(answer.unit)}`
          : answerWords(answer);
  const words = ask === '' && answer.kind !== 'text' ? undefined : quotedWords(ask);
  const question = { id: '' as Question['id'], ask, answer, reactions };
  const then = reactions
    .map((reaction) => {
      const threshold = thresholdWords(question, reaction);
      const at = answer.kind === 'choice' ? quotedWords(threshold) : threshold;
      const cap =
        reaction.atMostMinutes === undefined ? '' : ` at most ${reaction.atMostMinutes} min`;
      return `${RESPONSES[reaction.response]} at ${at}${cap}`;
    })
    .join(', ');
  return [kind, words, then === '' ? undefined : then]
    .filter((each) => each !== undefined)
    .join(' ');
}

function takeAnswer(cursor: Cursor): AnswerKind | undefined {
  const { mark } = cursor;
  const score = takeNumber(cursor)?.value === 0 && cursor.takeWord('-', 'to') !== undefined;
  if (score && takeNumber(cursor)?.value === HIGHEST_SCORE) return { kind: 'score' };
  cursor.backTo(mark);
  if (cursor.takeWord('yes')) {
    cursor.takeWord('or', '/');
    cursor.takeWord('no');
    return { kind: 'yes-no' };
  }
  const sign = cursor.takePhrase(SIGN_WORDS)?.meanings[0]?.value;
  if (sign) return { kind: 'sign', sign };
  if (cursor.takeWord('number') && cursor.takeWord('in')) {
    const unit = cursor.takeQuoted()?.trim() ?? cursor.take()?.text ?? '';
    if (unit !== '') return { kind: 'number', unit };
  }
  cursor.backTo(mark);
  return takeChoice(cursor);
}

/** `"warm" or "hot"`: one quotation alone is the question itself. */
function takeChoice(cursor: Cursor): AnswerKind | undefined {
  const { mark } = cursor;
  const of: string[] = [];
  for (let quoted = cursor.takeQuoted(); quoted !== undefined; quoted = cursor.takeQuoted()) {
    of.push(quoted.trim());
    if (!cursor.takeWord('or')) break;
  }
  if (of.length >= 2) return { kind: 'choice', of };
  cursor.backTo(mark);
  return undefined;
}

/** `lightly at 4, off at 6` */
function takeReactions(cursor: Cursor, answer: AnswerKind): Reaction[] {
  const found: Reaction[] = [];
  for (;;) {
    const { mark, from } = cursor;
    cursor.takeWord(',', 'and');
    const response = cursor.takePhrase(RESPONSE_WORDS)?.meanings[0]?.value;
    if (!response || !cursor.takeWord('at')) {
      if (!cursor.done) cursor.backTo(mark);
      return found;
    }
    const threshold = takeThreshold(cursor, answer);
    if (!threshold) {
      cursor.fault(from, cursor.next?.to ?? cursor.behind, `At which answer: ${possible(answer)}?`);
      return found;
    }
    const atMostMinutes = takeCap(cursor);
    found.push({ ...threshold, response, ...(atMostMinutes !== undefined && { atMostMinutes }) });
  }
}

function takeThreshold(
  cursor: Cursor,
  answer: AnswerKind,
): Pick<Reaction, 'from' | 'at'> | undefined {
  const { mark } = cursor;
  switch (answer.kind) {
    case 'score': {
      const from = takeNumber(cursor)?.value;
      if (from !== undefined && Number.isInteger(from) && from >= 0 && from <= HIGHEST_SCORE)
        return { from };
      break;
    }
    case 'number': {
      const minus = cursor.takeWord('-') ? -1 : 1;
      const from = takeNumber(cursor)?.value;
      if (from !== undefined) return { from: minus * from };
      break;
    }
    case 'sign': {
      const grade = GRADES.find((each) => cursor.takeWord(each) !== undefined);
      if (grade) return { from: GRADES.indexOf(grade) };
      break;
    }
    case 'yes-no': {
      const at = cursor.takeWord('yes', 'no')?.text;
      if (at !== undefined) return { at };
      break;
    }
    case 'choice': {
      const at = cursor.takeQuoted()?.trim();
      if (at !== undefined && answer.of.includes(at)) return { at };
      break;
    }
    case 'text':
      break;
  }
  cursor.backTo(mark);
  return undefined;
}

function possible(answer: AnswerKind): string {
  switch (answer.kind) {
    case 'score':
      return `a number from 0 to ${HIGHEST_SCORE}`;
    case 'number':
      return 'a number';
    case 'sign':
      return listed(GRADES);
    case 'yes-no':
      return 'yes or no';
    case 'choice':
      return listed(answer.of.map(quotedWords));
    case 'text':
      return 'words have none; ask for a score, a sign, or yes or no';
  }
}

function takeCap(cursor: Cursor): number | undefined {
  const { mark } = cursor;
  if (cursor.takePhrase(CLAUSE_WORDS)?.meanings[0]?.value === 'at most') {
    const minutes = readMinutes(cursor)?.minutes;
    if (minutes && minutes.least === minutes.most) return minutes.usual;
  }
  cursor.backTo(mark);
  return undefined;
}
