import type { CountedMeasure } from '../quantity/measures';
import type { Triple } from '../quantity/triple';
import type { StatedUnit } from '../quantity/unit';
import type { KitPartId, MaterialId, MixId } from './ids';

/** What a dose or a part of a mix is drawn from. */
export type Source =
  /** of a kit, the part of its box; the whole box without one */
  | { readonly kind: 'material'; readonly materialId: MaterialId; readonly part?: KitPartId }
  | { readonly kind: 'mix'; readonly mixId: MixId };

/** The name of a coat weight: one of the house's three, or one of the material's own. */
export type Coat = string;

/** An amount as it is said in the treatment room. */
export type Amount =
  | { readonly how: 'measured'; readonly quantity: Triple; readonly unit: StatedUnit }
  | { readonly how: 'counted'; readonly quantity: Triple; readonly measure: CountedMeasure }
  | { readonly how: 'named'; readonly quantity: Triple; readonly name: string }
  | { readonly how: 'packs'; readonly quantity: Triple }
  | { readonly how: 'fingertip'; readonly quantity: Triple }
  /** of a mix: so many batches as it is written */
  | { readonly how: 'batches'; readonly quantity: Triple }
  /** of a mix: all that its bowl gives, or what the other steps leave of it */
  | { readonly how: 'all' }
  | { readonly how: 'rest' }
  | { readonly how: 'coat'; readonly coat: Coat }
  | { readonly how: 'coat-weight'; readonly mgPerCm2: Triple };
