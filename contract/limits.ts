import {
  LARGEST_CONTENT,
  LARGEST_MINOR,
  LARGEST_QUANTITY,
  LONGEST_LOGGED_MINUTES,
  MINUTES_IN_A_DAY,
  MOST_PACKS,
  MOST_VISITS_PER_WEEK,
} from '@bienestar/core/house/limits';

/** The numbers that a field takes. */
export interface Limits {
  readonly least?: number;
  /** more than this, and not this itself */
  readonly above?: number;
  readonly most?: number;
  /** only whole numbers */
  readonly whole?: true;
}

const TEN_YEARS_DAYS = 3_650;

/** Beyond it the quickest visits would take no time at all. */
export const MOST_PACE_SPREAD = 0.4;

/** What each field takes, said once: the schemas check it and the forms tell it while one types. */
export const LIMITS = {
  /** ml, g or pieces, where there must be some */
  quantity: { above: 0, most: LARGEST_CONTENT },
  quantityOrNone: { least: 0, most: LARGEST_CONTENT },
  /** found, used or thrown away, in the unit of the material */
  counted: { least: 0, most: LARGEST_QUANTITY },
  usedUp: { above: 0, most: LARGEST_QUANTITY },
  /** in minor units */
  money: { least: 0, most: LARGEST_MINOR, whole: true },
  minutes: { least: 0, most: MINUTES_IN_A_DAY },
  capMinutes: { above: 0, most: MINUTES_IN_A_DAY },
  restDays: { least: 0, most: 365 },
  holdsMinutes: { above: 0, most: MINUTES_IN_A_DAY },
  heightCm: { least: 50, most: 250 },
  weightKg: { least: 20, most: 300 },
  slotGridMinutes: { least: 1, most: 120 },
  openDaysPerMonth: { above: 0, most: 31 },
  openHoursPerDay: { above: 0, most: 24 },
  orderDays: { least: 1, most: 365 },
  bookingDays: { least: 1, most: 365, whole: true },
  logDays: { least: 7, most: 730, whole: true },
  countEveryDays: { least: 1, most: 730, whole: true },
  blendWeight: { least: 0, most: 100 },
  monthFactor: { least: 0, most: 20 },
  sealedDays: { above: 0, most: TEN_YEARS_DAYS },
  keeps: { above: 0, most: TEN_YEARS_DAYS },
  patchTestHours: { above: 0, most: 336 },
  linenPieces: { least: 0, most: 100_000, whole: true },
  linenDays: { least: 0, most: 60 },
  washesInLife: { least: 1, most: 100_000, whole: true },
  leadTimeDays: { least: 0, most: 365 },
  /** things in a pack, and the like */
  pieces: { least: 1, most: 10_000, whole: true },
  breakFromPacks: { least: 2, most: 10_000, whole: true },
  strengthPercent: { above: 0, most: 100 },
  ph: { least: 0, most: 14 },
  tareG: { least: 0, most: 50_000 },
  density: { above: 0, most: 25 },
  mixMinutes: { least: 0, most: 10_080 },
  workingLifeMinutes: { above: 0, most: 10_080 },
  visitsPerWeek: { least: 0, most: MOST_VISITS_PER_WEEK },
  minuteOfDay: { least: 0, most: MINUTES_IN_A_DAY, whole: true },
  walkMinutes: { least: 0, most: 60 },
  waitMinutes: { least: 0, most: 120 },
  warmMinutes: { above: 0, most: 240 },
  hotPieces: { least: 1, most: 1_000, whole: true },
  hoursPerWeek: { least: 0, most: 84 },
  taken: { least: 0, most: 10_000, whole: true },
  orderedPacks: { least: 1, most: MOST_PACKS, whole: true },
  /** that came, or were sent back */
  packsOrNone: { least: 0, most: MOST_PACKS, whole: true },
  runSlotMinutes: { above: 0, most: MINUTES_IN_A_DAY },
  logbookPlace: { least: 0, most: 10_000, whole: true },
  loggedMinutes: { least: 0, most: LONGEST_LOGGED_MINUTES },
  timesDone: { least: 2, most: 100, whole: true },
  soldPacks: { least: 0, most: 1_000, whole: true },
  runTook: { least: 0, most: LARGEST_CONTENT },
  layers: { least: 1, most: 50, whole: true },
  layerScore: { least: 0, most: 10, whole: true },
  passesGone: { least: 0, most: 100, whole: true },
  passes: { least: 1, most: 50, whole: true },
  deviceMinutes: { above: 0, most: MINUTES_IN_A_DAY },
  /** cloths and pads to take one product off */
  removalPieces: { above: 0, most: 1_000 },
  deviceCount: { least: 1, most: 1_000, whole: true },
  spacingDays: { least: 0, most: TEN_YEARS_DAYS },
  mostPerYear: { least: 1, most: 366, whole: true },
  kitVisits: { least: 1, most: 100, whole: true },
  spacingVisits: { least: 1, most: 100, whole: true },
  thenEveryDays: { above: 0, most: TEN_YEARS_DAYS },
  lasting: { above: 0, most: 1_000 },
  courseVisits: { least: 1, most: 200, whole: true },
  courseDays: { least: 1, most: TEN_YEARS_DAYS, whole: true },
  guestMinutes: { least: 1, most: MINUTES_IN_A_DAY, whole: true },
  byMinutes: { least: -MINUTES_IN_A_DAY, most: MINUTES_IN_A_DAY },
} as const satisfies Readonly<Record<string, Limits>>;

/** What is said of a number that a field does not take; `{#limit}` stands for the number it is held to. */
export const LIMIT_WORDS = {
  'number.integer': 'Enter a whole number.',
  'number.min': 'Must be at least {#limit}.',
  'number.max': 'Must be at most {#limit}.',
  'number.greater': 'Must be more than {#limit}.',
} as const;

/**
 * What is wrong with a number, in the words in which the server says it.
 * @returns nothing when the field takes it
 * @example outside({ above: 0, most: 31 }, 40) // 'Must be at most 31.'
 */
export function outside({ least, above, most, whole }: Limits, value: number): string | undefined {
  const say = (words: string, limit: number): string => words.replace('{#limit}', String(limit));
  if (whole && !Number.isInteger(value)) return LIMIT_WORDS['number.integer'];
  if (above !== undefined && value <= above) return say(LIMIT_WORDS['number.greater'], above);
  if (least !== undefined && value < least) return say(LIMIT_WORDS['number.min'], least);
  if (most !== undefined && value > most) return say(LIMIT_WORDS['number.max'], most);
  return undefined;
}

/** The check of a field with these limits. */
export function within(limits: Limits): (value: number) => string | undefined {
  return (value) => outside(limits, value);
}
