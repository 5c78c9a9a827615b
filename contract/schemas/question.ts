import Joi from 'joi';
import { LONGEST_UNIT } from '@bienestar/core/house/limits';
import {
  GRADES,
  HIGHEST_SCORE,
  RESPONSES,
  SIGNS,
  type AnswerKind,
  type Question,
  type Reaction,
  type Response,
  type Sign,
} from '@bienestar/core/house/question';
import { LIMITS } from '../limits';
import { byKey, limited, listOf, name, number, shape, text, within } from './common';

const LARGEST_ANSWER = 1_000_000;
const MOST_REACTIONS = 12;
const YES_NO: readonly string[] = ['yes', 'no'];

const reaction = shape<Reaction>({
  from: number.min(-LARGEST_ANSWER).max(LARGEST_ANSWER).optional(),
  at: name.optional(),
  response: Joi.valid(...(Object.keys(RESPONSES) as Response[])).required(),
  atMostMinutes: limited(LIMITS.capMinutes).optional(),
});

type Of<K extends AnswerKind['kind']> = Extract<AnswerKind, { kind: K }>;
const answer: Joi.Schema<AnswerKind> = byKey('kind', {
  score: shape<Of<'score'>>({ kind: Joi.valid('score').required() }),
  sign: shape<Of<'sign'>>({
    kind: Joi.valid('sign').required(),
    sign: Joi.valid(...(Object.keys(SIGNS) as Sign[])).required(),
  }),
  'yes-no': shape<Of<'yes-no'>>({ kind: Joi.valid('yes-no').required() }),
  choice: shape<Of<'choice'>>({
    kind: Joi.valid('choice').required(),
    of: listOf(name, 20).min(2).unique(),
  }),
  number: shape<Of<'number'>>({
    kind: Joi.valid('number').required(),
    unit: Joi.string().max(LONGEST_UNIT).pattern(/\S/, 'unit').required(),
  }),
  text: shape<Of<'text'>>({ kind: Joi.valid('text').required() }),
});

/** Why a reaction does not fit the answers of its question; nothing where it does. */
function misfit({ answer: of }: Question, { from, at }: Reaction): string | undefined {
  const isFrom = (least: number, most: number): boolean =>
    at === undefined && Number.isInteger(from) && (from ?? -1) >= least && (from ?? -1) <= most;
  const isAt = (words: readonly string[]): boolean =>
    from === undefined && at !== undefined && words.includes(at);
  switch (of.kind) {
    case 'score':
      return isFrom(0, HIGHEST_SCORE)
        ? undefined
        : `What is done at a score is said from 0 to ${HIGHEST_SCORE}.`;
    case 'sign':
      return isFrom(0, GRADES.length - 1)
        ? undefined
        : `What is done at a sign is said by its grade: ${GRADES.join(', ')}.`;
    case 'yes-no':
      return isAt(YES_NO) ? undefined : 'What is done is said at yes or at no.';
    case 'choice':
      return isAt(of.of) ? undefined : `What is done is said at one of: ${of.of.join(', ')}.`;
    case 'number':
      return at === undefined && from !== undefined
        ? undefined
        : 'What is done at a number is said from which number on.';
    case 'text':
      return 'At words nothing can be done by itself: ask for a score, a sign or yes and no.';
  }
}

const question = shape<Question>({
  id: within,
  ask: text,
  answer,
  reactions: listOf(reaction, MOST_REACTIONS),
}).custom((value: Question, helpers) => {
  const wrong = value.reactions.flatMap((each) => misfit(value, each) ?? [])[0];
  return wrong === undefined ? value : helpers.message({ custom: wrong });
});

/** What is asked, of a step or after each layer. */
export const questions: Joi.ArraySchema<Question[]> = listOf(question, 20).min(1).unique('id');
