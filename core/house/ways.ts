/* What can be said by a word of a list. */

export type VisitKind = 'first' | 'returning';

/** With what a product is worked. */
export const TOOLS = [
  'fingers',
  'palms',
  'brush',
  'spatula',
  'gauze',
  'cotton',
  'sponges',
  'towel',
  'sheet',
  'mitt',
  'stones',
  'blade',
  'dropper',
  'spray',
] as const;
export type Tool = (typeof TOOLS)[number];

/** How something comes off again. */
export const REMOVALS = [
  'warm-water',
  'cool-water',
  'warm-towel',
  'cool-towel',
  'sponges',
  'spatula',
  'tissue',
  'peel-away',
  'shower',
  'stays-on',
] as const;
export type RemovalWay = (typeof REMOVALS)[number];

export const ZONE_MODES = ['lightly', 'more', 'last', 'never'] as const;
/** How a step is otherwise on some of the skin. */
export type ZoneMode = (typeof ZONE_MODES)[number];

/** The words behind which the zones of each mode are said. */
export const ZONE_MODE_WORDS: Readonly<Record<ZoneMode, string>> = {
  lightly: 'lightly on',
  more: 'more on',
  last: 'last on',
  never: 'never on',
};

/** What a choice looks at. */
export const CHOOSING_BY = [
  'skin-type',
  'phototype',
  'condition',
  'visit-kind',
  'course-visit',
  'since-last',
  'day-time',
  'season',
  'couch',
] as const;
export type ChoosingBy = (typeof CHOOSING_BY)[number];

/** Beside what something is looked at again. */
export const COMPARED_WITH = ['before', 'the-other-side', 'the-last-visit'] as const;
export type ComparedWith = (typeof COMPARED_WITH)[number];

/** Where a product goes that does not go onto the skin as it is. */
export const DOSE_INTO = ['steam', 'bowl', 'cloth', 'bath'] as const;
export type DoseInto = (typeof DOSE_INTO)[number];

/** When on a day something is used at home. */
export const DAY_PARTS = ['morning', 'midday', 'night'] as const;
export type DayPart = (typeof DAY_PARTS)[number];

/** What of a step may be otherwise for some clients; another product is a dose of its own. */
export const VARYING = [
  'minutes',
  'until',
  'capMinutes',
  'capSince',
  'hands',
  'zones',
  'lightly',
  'more',
  'last',
  'never',
  'tools',
  'technique',
  'device',
  'running',
  'runningAt',
  'removal',
  'gloves',
] as const;
export type Varying = (typeof VARYING)[number];
