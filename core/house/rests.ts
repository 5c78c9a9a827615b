/** Kinds of work between which a guest's skin rests. */
export const REST_KINDS = ['acid', 'blade', 'needles', 'heat', 'light', 'current'] as const;
export type RestKind = (typeof REST_KINDS)[number];

/** How long one kind of work waits after another, in one guest. */
export interface RestRule {
  readonly after: RestKind;
  readonly before: RestKind;
  readonly days: number;
}

/**
 * The usual cautions, until the house says otherwise. Local codes and the makers' instructions stand above them.
 * Between two visits of one treatment its own spacing holds.
 */
export const USUAL_RESTS: readonly RestRule[] = [
  { after: 'acid', before: 'blade', days: 7 },
  { after: 'acid', before: 'needles', days: 14 },
  { after: 'acid', before: 'heat', days: 7 },
  { after: 'blade', before: 'acid', days: 7 },
  { after: 'blade', before: 'needles', days: 7 },
  { after: 'blade', before: 'heat', days: 3 },
  { after: 'needles', before: 'acid', days: 14 },
  { after: 'needles', before: 'blade', days: 14 },
  { after: 'needles', before: 'heat', days: 14 },
  { after: 'needles', before: 'light', days: 3 },
  { after: 'heat', before: 'acid', days: 7 },
  { after: 'heat', before: 'needles', days: 7 },
];

/**
 * The longest rest that kinds of work ask for before others; nothing where none is asked for.
 * @see K2
 * @example restBetween(USUAL_RESTS, new Set(['needles']), new Set(['acid', 'light']))?.days // 14
 */
export function restBetween(
  rules: readonly RestRule[],
  after: ReadonlySet<RestKind>,
  before: ReadonlySet<RestKind>,
): RestRule | undefined {
  return rules
    .filter((rule) => after.has(rule.after) && before.has(rule.before))
    .toSorted((a, b) => b.days - a.days)[0];
}
