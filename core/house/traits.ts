import type { VisitKind } from './ways';

/* What can be told of a client, each with all its values. */

export const SKIN_TYPES = ['normal', 'dry', 'oily', 'combination', 'mature', 'sensitive'] as const;
export type SkinType = (typeof SKIN_TYPES)[number];

/** Fitzpatrick's scale of how skin answers to sun. */
export const PHOTOTYPES = ['I', 'II', 'III', 'IV', 'V', 'VI'] as const;
export type Phototype = (typeof PHOTOTYPES)[number];

/** What may be seen under the lamp. */
export const CONDITIONS = [
  'dehydration',
  'dullness',
  'congestion',
  'blemishes',
  'redness',
  'visible-capillaries',
  'pigmentation',
  'fine-lines',
  'laxity',
  'scars',
  'rough-skin',
  'heavy-legs',
] as const;
/** A finding of the house's own list: its words, such as `own-loss-of-glow`. */
export type OwnFinding = `own-${string}`;
export type Condition = (typeof CONDITIONS)[number] | OwnFinding;

export const DAY_TIMES = ['day', 'evening'] as const;
export type DayTime = (typeof DAY_TIMES)[number];

export const SEASONS = ['spring', 'summer', 'autumn', 'winter'] as const;
export type Season = (typeof SEASONS)[number];

/** How large a body a coat is spread over. */
export const BUILDS = ['small', 'reference', 'large'] as const;
export type Build = (typeof BUILDS)[number];

/** Visits of a course that a choice can name. */
export const COURSE_VISITS = [
  '1',
  '2',
  '3',
  '4',
  '5',
  '6',
  '7',
  '8',
  '9',
  '10',
  '11',
  '12',
] as const;
/** Which visit of a course it is: a whole number from 1, which may be more than a choice can name. */
export type CourseVisit = `${number}`;

/** Every so many visits of a course. */
export const EVERY_VISITS = ['every-2', 'every-3', 'every-4', 'every-5', 'every-6'] as const;

/** How long ago the last visit was; nothing of a first visit. */
export const SINCE_LAST = [
  'under-1-week',
  '1-to-2-weeks',
  '2-to-4-weeks',
  '4-to-8-weeks',
  '2-to-6-months',
  'over-6-months',
] as const;
export type SinceLast = (typeof SINCE_LAST)[number];

export const VISIT_KINDS: readonly VisitKind[] = ['first', 'returning'];
