/** What a material may do that asks for care at the couch. */
export const WARNINGS = [
  'flammable',
  'alcohol',
  'acid',
  'retinoid',
  'light-sensitising',
  'heat-producing',
  'cold',
  'fragrance',
] as const;
export type Warning = (typeof WARNINGS)[number];

/** People on whom a maker usually asks not to use a material. */
export const STOP_FOR = [
  'pregnancy',
  'breast-feeding',
  'oral-retinoid',
  'topical-retinoid',
  'photosensitising-medicine',
  'broken-skin',
  'sunburn',
  'cold-sore',
  'recent-injectables',
  'pacemaker',
  'epilepsy',
  'anticoagulants',
  'diabetes',
  'keloid',
  'vein-disease',
  'heart-disease',
  'asthma',
  'children',
] as const;
export type StopFor = (typeof STOP_FOR)[number];

/** What a material keeps off: covers for the eyes, filters against the sun. */
export const PROTECTS = ['eyes', 'sun'] as const;
export type Protects = (typeof PROTECTS)[number];

/** What the maker's sheet says about people, storage and trying it out first. */
export interface CareFacts {
  /** of what works in it, percent */
  readonly strengthPercent?: number;
  /** how acid it is */
  readonly ph?: number;
  readonly warnings?: readonly Warning[];
  /** as the label names them */
  readonly allergens?: readonly string[];
  readonly stopFor?: readonly StopFor[];
  readonly protects?: readonly Protects[];
  readonly storage?: string;
  /** where the maker's sheet is filed */
  readonly sheet?: string;
  readonly patchTest?: { readonly hoursBefore: number; readonly advice?: string };
}

/** From these on an acid is commonly left to those whose licence allows it. */
const STRONG_PERCENT = 30;
const STRONG_PH = 3;

/** Whether an acid is strong, by its strength or how acid it is; what is not said counts as mild. */
export function isStrongAcid({ warnings = [], strengthPercent = 0, ph = 7 }: CareFacts): boolean {
  return warnings.includes('acid') && (strengthPercent >= STRONG_PERCENT || ph < STRONG_PH);
}

/** From these on an acid peels, rather than freshens. */
const PEELING_PERCENT = 10;
const PEELING_PH = 4;

/** Whether an acid is one after which skin rests, by its strength or how acid it is; what is not said counts as mild. */
export function isPeelingAcid({ warnings = [], strengthPercent = 0, ph = 7 }: CareFacts): boolean {
  return warnings.includes('acid') && (strengthPercent >= PEELING_PERCENT || ph < PEELING_PH);
}
