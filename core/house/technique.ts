import { asKept } from './stock';

/* How the hands work: each from a list, with the words by which it is said in a line and on the card. */

/** What the hands or the tool do on the skin. */
export const MOVEMENTS = {
  circles: 'in circles',
  strokes: 'in strokes',
  pressing: 'pressing',
  patting: 'patting',
  kneading: 'kneading',
  stamping: 'stamping',
  rolling: 'rolling',
  tapping: 'tapping',
  still: 'hands still',
} as const;
export type Movement = keyof typeof MOVEMENTS;

export const DIRECTIONS = {
  up: 'upwards',
  down: 'downwards',
  out: 'outwards',
  in: 'inwards',
  across: 'across',
  'to-heart': 'towards the heart',
} as const;
export type Direction = keyof typeof DIRECTIONS;

export const PRESSURES = {
  none: 'no pressure',
  lightest: 'barely touching',
  light: 'light pressure',
  medium: 'medium pressure',
  firm: 'firm pressure',
} as const;
export type Pressure = keyof typeof PRESSURES;

export const SKIN_STATES = { dry: 'dry skin', damp: 'damp skin', wet: 'wet skin' } as const;
export type SkinState = keyof typeof SKIN_STATES;

export const HAND_STATES = {
  dry: 'dry hands',
  damp: 'damp hands',
  'wet-fingertips': 'wet fingertips',
} as const;
export type HandState = keyof typeof HAND_STATES;

export const TEMPERATURES = {
  chilled: 'chilled',
  cool: 'cool',
  tepid: 'tepid',
  warm: 'warm',
  hot: 'hot',
} as const;
export type Temperature = keyof typeof TEMPERATURES;

/** The longest that a touch is held, and how often at most. */
export const LONGEST_HOLD_SECONDS = 600;
export const MOST_HOLDS = 200;

/** How often a touch is made, and how long each is held. */
export interface Hold {
  readonly times: number;
  readonly seconds?: number;
}

/** How a step is worked, as far as it is said. */
export interface Technique {
  readonly movement?: Movement;
  readonly direction?: Direction;
  readonly pressure?: Pressure;
  readonly hold?: Hold;
  readonly skin?: SkinState;
  readonly hands?: HandState;
  /** of the product, the water or the tool */
  readonly temperature?: Temperature;
  /** the other hand holds the skin taut */
  readonly stretched?: true;
  /** the tool is held upright to the skin */
  readonly upright?: true;
}

/** A technique that a house uses often, by its name. */
export interface OwnTechnique {
  readonly name: string;
  readonly technique: Technique;
}

export const STRETCHED_WORDS = 'skin held taut';
export const UPRIGHT_WORDS = 'held upright';

/** The parts of a technique that are one word of a list, each with its words. */
export const TECHNIQUE_LISTS = {
  movement: MOVEMENTS,
  direction: DIRECTIONS,
  pressure: PRESSURES,
  skin: SKIN_STATES,
  hands: HAND_STATES,
  temperature: TEMPERATURES,
} as const;
export type TechniqueList = keyof typeof TECHNIQUE_LISTS;

/**
 * A technique as it is said, part by part.
 * @example techniqueWords({ pressure: 'light', hold: { seconds: 5, times: 3 } }) // ['light pressure', 'hold 5 s x 3']
 */
export function techniqueWords(technique: Technique): string[] {
  const { hold, stretched, upright } = technique;
  const lists = Object.keys(TECHNIQUE_LISTS) as TechniqueList[];
  return [
    ...lists.flatMap((list) => wordsOf(list, technique) ?? []),
    ...(hold ? [holdWords(hold)] : []),
    ...(stretched ? [STRETCHED_WORDS] : []),
    ...(upright ? [UPRIGHT_WORDS] : []),
  ];
}

function wordsOf(list: TechniqueList, technique: Technique): string | undefined {
  const value = technique[list];
  return value && (TECHNIQUE_LISTS[list] as Readonly<Record<string, string>>)[value];
}

function holdWords({ seconds, times }: Hold): string {
  if (seconds === undefined) return `${times} times`;
  return times === 1 ? `hold ${seconds} s` : `hold ${seconds} s x ${times}`;
}

/** The minutes that touches which are counted and held take together; nothing where only their number is said. */
export function holdMinutes({ seconds, times }: Hold): number | undefined {
  return seconds === undefined ? undefined : asKept((seconds * times) / 60);
}
