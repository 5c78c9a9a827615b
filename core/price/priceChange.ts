import type { PriceFigures } from './priceOf';

/** What it takes to keep what a service earns when its price changes. */
export interface PriceChange {
  /** what a visit contributes more, minor units; below 0 when it is less */
  readonly perVisit: number;
  /**
   * by which share visits may change without earning less: -0.1 means one in ten may stay away.
   * Nothing when no number of visits makes up for it.
   */
  readonly visitsMayChange: number | null;
}

/**
 * How far visits may fall after a rise, or must grow after a cut, so that the service contributes as
 * much as before: -x / (x + contribution), x being what a visit contributes more.
 * @see P7
 */
export function priceChange(
  before: Pick<PriceFigures, 'contribution'>,
  after: Pick<PriceFigures, 'contribution'>,
): PriceChange {
  const perVisit = after.contribution - before.contribution;
  return {
    perVisit,
    visitsMayChange:
      after.contribution > 0 && before.contribution > 0 ? -perVisit / after.contribution : null,
  };
}
