/** How a supplier delivers. Days. */
export interface LeadTime {
  readonly leadTimeDays: number;
  readonly leadTimeSdDays: number;
  readonly reviewDays: number;
}

/** The uses of a material until the next delivery can be there. */
export interface UsesWhileWaiting {
  readonly protectionDays: number;
  /** days between looks at the shelf; 0 when an order is written as soon as a use calls for it */
  readonly reviewDays: number;
  readonly mean: number;
  readonly variance: number;
  readonly law: 'poisson' | 'negative-binomial';
}

/**
 * Uses over the protection time (lead time + review interval): mean = uses a day x days; variance =
 * mean + (uses a day x sd of the lead time)^2. Poisson when the two are equal, otherwise negative
 * binomial.
 * @see S2
 */
export function usesWhileWaiting(usesPerDay: number, lead: LeadTime): UsesWhileWaiting {
  const protectionDays = lead.leadTimeDays + lead.reviewDays;
  const mean = usesPerDay * protectionDays;
  const variance = mean + (usesPerDay * lead.leadTimeSdDays) ** 2;
  return {
    protectionDays,
    reviewDays: lead.reviewDays,
    mean,
    variance,
    law: variance > mean * (1 + 1e-12) ? 'negative-binomial' : 'poisson',
  };
}
