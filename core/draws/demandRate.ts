const DAYS_PER_WEEK = 7;

/** What the visits of one service take of one material. */
export interface UseRate {
  readonly visitsPerWeek: number;
  /** consumed in one visit, in the material's unit, > 0 */
  readonly amount: number;
}

/** How often a material is used, and how much goes each time. */
export interface MaterialDemand {
  readonly usesPerDay: number;
  /** expected consumption a day, in the material's unit */
  readonly perDay: number;
  /** the uses by their size; the shares sum to 1 */
  readonly sizes: readonly { readonly amount: number; readonly share: number }[];
}

/**
 * Uses a day of a material and the sizes of a use. One use is one visit that draws the material; its
 * size is all that the visit consumes, so the figure does not depend on how a protocol divides a dose
 * over steps or layers.
 * @param rates of every service that draws it; those without visits do not count
 * @see S1
 */
export function materialDemand(rates: readonly UseRate[]): MaterialDemand {
  const counted = rates.filter((rate) => rate.visitsPerWeek > 0 && rate.amount > 0);
  const perWeek = counted.reduce((sum, rate) => sum + rate.visitsPerWeek, 0);
  return {
    usesPerDay: perWeek / DAYS_PER_WEEK,
    perDay:
      counted.reduce((sum, rate) => sum + rate.visitsPerWeek * rate.amount, 0) / DAYS_PER_WEEK,
    sizes: counted.map((rate) => ({ amount: rate.amount, share: rate.visitsPerWeek / perWeek })),
  };
}
