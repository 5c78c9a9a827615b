import type { Amount, Coat } from '@bienestar/core/house/house';
import type { Triple } from '@bienestar/core/quantity/triple';
import type { StatedUnit } from '@bienestar/core/quantity/unit';
import { number } from './figures';

export const UNIT_WORDS: Record<StatedUnit, readonly [string, string]> = {
  ml: ['ml', 'ml'],
  g: ['g', 'g'],
  piece: ['piece', 'pieces'],
  'us-fl-oz': ['fl oz', 'fl oz'],
  tsp: ['teaspoon', 'teaspoons'],
  tbsp: ['tablespoon', 'tablespoons'],
  oz: ['oz', 'oz'],
};

export const MEASURE_WORDS = {
  pump: ['pump', 'pumps'],
  drop: ['drop', 'drops'],
  dropper: ['dropperful', 'dropperfuls'],
  spray: ['spray', 'sprays'],
  spatula: ['spatula', 'spatulas'],
} as const;

/** The coats that the house itself has a weight for. */
export const HOUSE_COATS: readonly Coat[] = ['thin', 'standard', 'generous'];

/** A coat as it is said: "thin coat", "mask coat". */
export function coatWords(coat: Coat): string {
  return `${coat} coat`;
}

/** An amount as it is said: "2–4 pumps", "1 hazelnut", "standard coat". */
export function amountWords(amount: Amount): string {
  switch (amount.how) {
    case 'measured':
      return counted(amount.quantity, UNIT_WORDS[amount.unit]);
    case 'counted':
      return counted(amount.quantity, MEASURE_WORDS[amount.measure]);
    case 'named':
      return `${span(amount.quantity)} × ${amount.name}`;
    case 'packs':
      return counted(amount.quantity, ['pack', 'packs']);
    case 'fingertip':
      return counted(amount.quantity, ['fingertip unit', 'fingertip units']);
    case 'coat':
      return coatWords(amount.coat);
    case 'coat-weight':
      return `${span(amount.mgPerCm2)} mg/cm²`;
  }
}

/** "3", or "2–4" where low and high differ. */
export function span({ low, usual, high }: Triple): string {
  return low === high ? number(usual) : `${number(low)}–${number(high)}`;
}

function counted(quantity: Triple, [one, many]: readonly [string, string]): string {
  return `${span(quantity)} ${quantity.high <= 1 ? one : many}`;
}
