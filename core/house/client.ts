import type { ChoiceId, OptionId, StepId } from './ids';
import type { VisitKind } from './ways';

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
export type Condition = (typeof CONDITIONS)[number];

export const DAY_TIMES = ['day', 'evening'] as const;
export type DayTime = (typeof DAY_TIMES)[number];

export const SEASONS = ['spring', 'summer', 'autumn', 'winter'] as const;
export type Season = (typeof SEASONS)[number];

/** How large a body a coat is spread over. */
export const BUILDS = ['small', 'reference', 'large'] as const;
export type Build = (typeof BUILDS)[number];

export const VISIT_KINDS: readonly VisitKind[] = ['first', 'returning'];

/** What is known of a client before the visit or seen at its beginning. */
export interface ClientTraits {
  readonly skinType: SkinType;
  readonly phototype: Phototype;
  readonly conditions: readonly Condition[];
  readonly visitKind: VisitKind;
  readonly dayTime: DayTime;
  readonly season: Season;
  readonly build: Build;
}

/** Somebody for whom a protocol is worked: who it is, and what is decided at the couch. */
export interface Client extends ClientTraits {
  /** the option taken where a choice is made at the couch; its usual one unless given */
  readonly decided: ReadonlyMap<ChoiceId, OptionId>;
  /** whether an optional step is done; as usual unless given */
  readonly optional: ReadonlyMap<StepId, 'done' | 'left-out'>;
}

/** Whom a protocol is shown for unless something else is said. */
export const USUAL_TRAITS: ClientTraits = {
  skinType: 'normal',
  phototype: 'III',
  conditions: [],
  visitKind: 'returning',
  dayTime: 'day',
  season: 'spring',
  build: 'reference',
};

/** A client with `traits`, everything else as usual. */
export function clientWith(traits: Partial<Client> = {}): Client {
  return { ...USUAL_TRAITS, decided: new Map(), optional: new Map(), ...traits };
}
