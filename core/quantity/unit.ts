/**
 * The three units every amount resolves to.
 * @see Q1
 */
export type BaseUnit = 'ml' | 'g' | 'piece';

/** The units in which an amount may be measured out. */
export type StatedUnit = BaseUnit | 'us-fl-oz' | 'tsp' | 'tbsp' | 'oz';

/** Which spoons lie in the drawer: US customary or metric. A house setting. */
export type Spoons = 'us' | 'metric';

const US_FLUID_OUNCE_ML = 29.5735295625;
const OUNCE_G = 28.349523125;
const SPOON_ML: Record<Spoons, { readonly tsp: number; readonly tbsp: number }> = {
  us: { tsp: 4.92892159375, tbsp: 14.78676478125 },
  metric: { tsp: 5, tbsp: 15 },
};

/** How much of a base unit one of a stated unit is. */
export interface UnitFactor {
  readonly unit: BaseUnit;
  readonly factor: number;
}

/**
 * The exact conversion of a stated unit to its base unit.
 * @param stated the unit on the spoon, cup or scale
 * @param spoons US or metric spoons (metric: 5 ml and 15 ml)
 * @example unitFactor('tbsp', 'metric') // { unit: 'ml', factor: 15 }
 * @see Q1; NIST Special Publication 811 for the US units and the avoirdupois ounce
 */
export function unitFactor(stated: StatedUnit, spoons: Spoons): UnitFactor {
  switch (stated) {
    case 'ml':
    case 'g':
    case 'piece':
      return { unit: stated, factor: 1 };
    case 'us-fl-oz':
      return { unit: 'ml', factor: US_FLUID_OUNCE_ML };
    case 'oz':
      return { unit: 'g', factor: OUNCE_G };
    case 'tsp':
    case 'tbsp':
      return { unit: 'ml', factor: SPOON_ML[spoons][stated] };
  }
}
