import type { QuestionId } from './ids';

/* What is asked or looked at while somebody is treated, and what is done at which answer. */

/** What the skin shows, in grades. */
export const SIGNS = {
  redness: 'redness',
  whitening: 'whitening',
  swelling: 'swelling',
  dryness: 'dryness',
  heat: 'heat',
} as const;
export type Sign = keyof typeof SIGNS;

/** How much of it, from nothing up: an answer is the place in this list. */
export const GRADES = ['none', 'slight', 'clear', 'marked'] as const;
export type Grade = (typeof GRADES)[number];

/** What kind of answer a question has. */
export type AnswerKind =
  | { readonly kind: 'score' }
  | { readonly kind: 'sign'; readonly sign: Sign }
  | { readonly kind: 'yes-no' }
  | { readonly kind: 'choice'; readonly of: readonly string[] }
  | { readonly kind: 'number'; readonly unit: string }
  | { readonly kind: 'text' };

/** What is done at an answer, the mildest first. */
export const RESPONSES = {
  'go-on': 'go on',
  lightly: 'lightly',
  'fewer-layers': 'fewer layers',
  wait: 'wait',
  off: 'off',
  neutralise: 'neutralise',
  stop: 'stop',
} as const;
export type Response = keyof typeof RESPONSES;

/** What is done at an answer: from a number or grade up, or at one of the words. */
export interface Reaction {
  /** of a score or a number; of a sign, the place of the grade */
  readonly from?: number;
  /** of yes or no, and of a choice */
  readonly at?: string;
  readonly response: Response;
  /** to wait until it is none, for no longer than this */
  readonly atMostMinutes?: number;
}

/** A question wherever it stands: in a step, after each layer. */
export interface Question {
  readonly id: QuestionId;
  /** as it is asked; what is looked at where it is a sign */
  readonly ask: string;
  readonly answer: AnswerKind;
  readonly reactions: readonly Reaction[];
}

/** A question as it is said, before it has an id. */
export type SaidQuestion = Omit<Question, 'id'>;

/** The highest score that is given. */
export const HIGHEST_SCORE = 10;

/** Responses after which the treatment does not go on as it was. */
const STOPPING: ReadonlySet<Response> = new Set(['off', 'neutralise', 'stop']);

/** Whether a question has an answer at which the work ends or what lies on the skin comes off. */
export function canStop({ reactions }: Question): boolean {
  return reactions.some(({ response }) => STOPPING.has(response));
}

/** An answer as its reaction names it. */
export function thresholdWords({ answer }: Question, { from, at }: Reaction): string {
  if (at !== undefined) return at;
  if (answer.kind === 'sign') return GRADES[from ?? 0] ?? String(from);
  return String(from ?? 0);
}

/**
 * The kind of answer in a few words.
 * @example answerWords({ kind: 'score' }) // '0-10'
 */
export function answerWords(answer: AnswerKind): string {
  switch (answer.kind) {
    case 'score':
      return `0-${HIGHEST_SCORE}`;
    case 'sign':
      return SIGNS[answer.sign];
    case 'yes-no':
      return 'yes or no';
    case 'choice':
      return answer.of.join(' or ');
    case 'number':
      return `number in ${answer.unit}`;
    case 'text':
      return 'in words';
  }
}

/** A question as it is read aloud: what is asked, and what is done at which answer. */
export function questionWords(question: Question): string {
  const { ask, answer, reactions } = question;
  const asked = ask === '' ? answerWords(answer) : `“${ask}” (${answerWords(answer)})`;
  const then = reactions.map((reaction) => {
    const { response, atMostMinutes } = reaction;
    const cap = atMostMinutes === undefined ? '' : `, at most ${atMostMinutes} min`;
    return `${RESPONSES[response]} at ${thresholdWords(question, reaction)}${cap}`;
  });
  return [`ask ${asked}`, ...then].join(', ');
}
