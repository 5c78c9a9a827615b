import type { Answer } from '../house/run';
import { GRADES, HIGHEST_SCORE, RESPONSES, type Question, type Response } from '../house/question';

/* What an answer demands, and what may be done instead. */

/** From the mildest on. */
export const FROM_MILDEST = Object.keys(RESPONSES) as readonly Response[];

/** What ends the work: none of them can be answered by anything milder. */
const TAKING_OFF: ReadonlySet<Response> = new Set(['off', 'neutralise', 'stop']);

/** Whether a response leads to taking off and nowhere else. */
export function isTakingOff(response: Response): boolean {
  return TAKING_OFF.has(response);
}

/** Whether something can be the answer to a question. */
export function isAnswer({ answer }: Pick<Question, 'answer'>, given: Answer): boolean {
  switch (answer.kind) {
    case 'score':
      return isWhole(given) && given >= 0 && given <= HIGHEST_SCORE;
    case 'sign':
      return isWhole(given) && GRADES[given] !== undefined;
    case 'number':
      return typeof given === 'number' && Number.isFinite(given);
    case 'yes-no':
      return given === 'yes' || given === 'no';
    case 'choice':
      return typeof given === 'string' && answer.of.includes(given);
    case 'text':
      return typeof given === 'string';
  }
}

function isWhole(given: Answer): given is number {
  return Number.isInteger(given);
}

/** What a rule says to an answer. */
export interface Ruled {
  readonly response: Response;
  /** of waiting until it is none */
  readonly atMostMinutes?: number;
}

/**
 * What the house has written for an answer: of several that hold, the one from the highest number on; to go on where
 * nothing is written.
 * @example
 * ruleFor(askedZeroToTen([{ from: 4, response: 'lightly' }, { from: 7, response: 'off' }]), 8) // off
 */
export function ruleFor({ reactions }: Pick<Question, 'reactions'>, given: Answer): Ruled {
  const holding = reactions.filter(({ from, at }) =>
    at === undefined ? typeof given === 'number' && given >= (from ?? 0) : at === given,
  );
  const [highest] = holding.toSorted(
    (a, b) => (b.from ?? 0) - (a.from ?? 0) || severity(b.response) - severity(a.response),
  );
  return highest ?? { response: 'go-on' };
}

/** How much a response holds back; the mildest is 0. */
export function severity(response: Response): number {
  return FROM_MILDEST.indexOf(response);
}

/**
 * Whether a response may stand in the place of the rule: gentler always; stronger only with a reason, and never in
 * the place of taking off.
 */
export function mayRespond(
  rule: Response,
  response: Response,
  reason: string | undefined,
): boolean {
  if (severity(response) >= severity(rule)) return true;
  return !isTakingOff(rule) && reason !== undefined && reason.trim() !== '';
}
