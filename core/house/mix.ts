import type { Triple } from '../quantity/triple';
import type { Amount, Source } from './amount';
import type { Condition, SkinType } from './traits';
import type { MixId } from './ids';

/** A share of a recipe told against the others: 1 part powder to 2 parts water. */
export interface RatioAmount {
  readonly how: 'ratio';
  readonly parts: Triple;
  readonly unit: 'ml' | 'g';
}

/** How much of a part is said: by every school that needs no skin to be measured on. */
export type PartAmount = Extract<Amount, { how: 'measured' | 'packs' | 'counted' | 'named' }>;

export interface MixPart {
  readonly source: Source;
  readonly amount: PartAmount | RatioAmount;
  /** added until it feels right, so that the amount is an estimate with a range */
  readonly toTexture?: string;
}

/** Other parts for some skins, or where something is seen under the lamp. */
export interface MixRecipe {
  readonly name: string;
  readonly skinTypes: readonly SkinType[];
  readonly findings?: readonly Condition[];
  readonly parts: readonly MixPart[];
}

/** A recipe made at the tray, written for a reference batch. */
export interface Mix {
  readonly id: MixId;
  readonly name: string;
  readonly basis: 'ml' | 'g';
  /** g per ml of the finished mix */
  readonly density?: number;
  /** share that stays in the bowl */
  readonly bowlLoss: number;
  readonly parts: readonly MixPart[];
  /** instead of `parts`; the first that names the skin or something that is seen */
  readonly recipes?: readonly MixRecipe[];
  /** only ever made in whole batches: the recipe is repeated, its parts are not scaled */
  readonly wholeBatches?: true;
  /** whether it may stand ready, or is made when it is needed */
  readonly made: 'ahead' | 'just-in-time';
  /** how long mixing takes */
  readonly mixingMinutes: number;
  /** to gel, to activate, to soak, before it can be used */
  readonly standingMinutes: number;
  /** after mixing; then it is thrown away */
  readonly workingLifeMinutes?: number;
  readonly warm?: 'warmed' | 'kept-cold';
  /** how it is mixed, in words */
  readonly method?: string;
  /** ISO date from which it is offered no more where something is chosen */
  readonly archivedOn?: string;
}
