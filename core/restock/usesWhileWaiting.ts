import { hasDeliveryDays, protectionTimes, type DaysShare, type LeadTime } from './supplyCalendar';

/** The uses in one length of waiting. */
export interface UsesInTime {
  /** how often it is that length */
  readonly share: number;
  readonly mean: number;
  readonly variance: number;
  readonly law: 'poisson' | 'negative-binomial';
}

/** The uses of a material until the next delivery can be there. */
export interface UsesWhileWaiting {
  /** the days that are to be waited for; several where deliveries come on some weekdays only */
  readonly times: readonly DaysShare[];
  /** on average */
  readonly protectionDays: number;
  /** days between looks at the shelf; 0 when an order is written as soon as a use calls for it */
  readonly reviewDays: number;
  readonly mean: number;
  readonly variance: number;
  /** for each of the times */
  readonly parts: readonly UsesInTime[];
}

/**
 * Uses over the protection time. Delivered on any day, it is lead time + review interval: mean = uses a day x
 * days; variance = mean + (uses a day x sd of the lead time)^2; Poisson when the two are equal, otherwise negative
 * binomial. Delivered on some weekdays only, it is one of several lengths, Poisson in each: the spread of the lead
 * time is in which of them it is. Where the supplier is closed for a while, it is longer by those days.
 * @see S2
 */
export function usesWhileWaiting(usesPerDay: number, lead: LeadTime): UsesWhileWaiting {
  const { reviewDays, closedDays = 0 } = lead;
  if (!hasDeliveryDays(lead)) {
    const days = lead.leadTimeDays + reviewDays + closedDays;
    const mean = usesPerDay * days;
    const variance = mean + (usesPerDay * lead.leadTimeSdDays) ** 2;
    const law = mean > 0 && variance > mean * (1 + 1e-12) ? 'negative-binomial' : 'poisson';
    return {
      times: [{ days, share: 1 }],
      protectionDays: days,
      reviewDays,
      mean,
      variance,
      parts: [{ share: 1, mean, variance, law }],
    };
  }
  const times = protectionTimes(lead).map(({ days, share }) => ({
    days: days + closedDays,
    share,
  }));
  const parts = times.map(({ days, share }): UsesInTime => {
    const mean = usesPerDay * days;
    return { share, mean, variance: mean, law: 'poisson' };
  });
  const sum = (of: (part: UsesInTime) => number): number =>
    parts.reduce((all, part) => all + part.share * of(part), 0);
  const mean = sum((part) => part.mean);
  return {
    times,
    protectionDays: times.reduce((all, { days, share }) => all + days * share, 0),
    reviewDays,
    mean,
    variance: sum((part) => part.variance + part.mean ** 2) - mean ** 2,
    parts,
  };
}
