/** Where in the slot a step lies. */
export type Stretch = 'set-up' | 'visit' | 'reset';
/** Whether the step takes the hands, a watchful eye, or neither. */
export type Hands = 'hands-on' | 'watching' | 'free';

/** Where in a treatment a step stands, in the order of the work. */
export const PHASES = [
  'prepare',
  'consult',
  'settle',
  'make-up-off',
  'cleanse',
  'tone',
  'look',
  'exfoliate',
  'extract',
  'massage',
  'active',
  'mask',
  'take-off',
  'serum',
  'eyes-lips-neck',
  'moisturise',
  'protect',
  'show',
  'home-care',
  'reset',
] as const;
export type Phase = (typeof PHASES)[number];

/** What an action does to the skin that other steps must reckon with. */
export type Effect =
  | 'exfoliates-strongly'
  | 'exfoliates'
  | 'warms'
  | 'cools'
  | 'opens-skin'
  | 'uncovers';

interface ActionFacts {
  readonly phase: Phase;
  readonly hands: Hands;
  /** of the visit unless given */
  readonly stretch?: Stretch;
  readonly effects?: readonly Effect[];
}

const free = 'free';
const on = 'hands-on';
const watching = 'watching';

/** What is done in a step, in the words of the treatment room. */
const FACTS = {
  prepare: { phase: 'prepare', hands: on, stretch: 'set-up' },
  'lay out': { phase: 'prepare', hands: on, stretch: 'set-up' },
  soak: { phase: 'prepare', hands: on },
  mix: { phase: 'prepare', hands: on },
  warm: { phase: 'prepare', hands: free, stretch: 'set-up' },
  consult: { phase: 'consult', hands: on },
  settle: { phase: 'settle', hands: on },
  drape: { phase: 'settle', hands: on },
  'take make-up off': { phase: 'make-up-off', hands: on },
  cleanse: { phase: 'cleanse', hands: on },
  wash: { phase: 'cleanse', hands: on },
  degrease: { phase: 'tone', hands: on },
  tone: { phase: 'tone', hands: on },
  look: { phase: 'look', hands: watching },
  steam: { phase: 'exfoliate', hands: watching, effects: ['warms'] },
  scrub: { phase: 'exfoliate', hands: on, effects: ['exfoliates'] },
  polish: { phase: 'exfoliate', hands: on, effects: ['exfoliates-strongly'] },
  peel: { phase: 'exfoliate', hands: on, effects: ['exfoliates-strongly'] },
  neutralise: { phase: 'exfoliate', hands: on },
  blade: { phase: 'exfoliate', hands: on, effects: ['exfoliates-strongly'] },
  extract: { phase: 'extract', hands: on, effects: ['opens-skin'] },
  disinfect: { phase: 'extract', hands: on },
  massage: { phase: 'massage', hands: on },
  press: { phase: 'massage', hands: on },
  apply: { phase: 'active', hands: on },
  layer: { phase: 'active', hands: on },
  test: { phase: 'active', hands: on },
  pass: { phase: 'active', hands: on },
  needle: { phase: 'active', hands: on, effects: ['opens-skin'] },
  light: { phase: 'active', hands: watching },
  mask: { phase: 'mask', hands: on },
  wrap: { phase: 'mask', hands: on },
  wait: { phase: 'mask', hands: watching },
  cool: { phase: 'mask', hands: on, effects: ['cools'] },
  heat: { phase: 'mask', hands: watching, effects: ['warms'] },
  rinse: { phase: 'take-off', hands: on, effects: ['uncovers'] },
  remove: { phase: 'take-off', hands: on, effects: ['uncovers'] },
  unwrap: { phase: 'take-off', hands: on, effects: ['uncovers'] },
  dry: { phase: 'take-off', hands: on },
  treat: { phase: 'serum', hands: on },
  care: { phase: 'eyes-lips-neck', hands: on },
  moisturise: { phase: 'moisturise', hands: on },
  protect: { phase: 'protect', hands: on },
  show: { phase: 'show', hands: on },
  advise: { phase: 'home-care', hands: on },
  give: { phase: 'home-care', hands: on },
  record: { phase: 'home-care', hands: watching },
  reset: { phase: 'reset', hands: on, stretch: 'reset' },
  clean: { phase: 'reset', hands: on, stretch: 'reset' },
} as const satisfies Record<string, ActionFacts>;

export type Action = keyof typeof FACTS;
export const ACTIONS = Object.keys(FACTS) as readonly Action[];

/** What goes with an action: where in the treatment it stands, and whose hands it takes. */
export function actionFacts(action: Action): ActionFacts {
  return FACTS[action];
}

/** What an action does to the skin. */
export function effectsOf(action: Action | undefined): readonly Effect[] {
  return action === undefined ? [] : (actionFacts(action).effects ?? []);
}
