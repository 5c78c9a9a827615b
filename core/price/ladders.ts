import type { Ladder, Neighbourhood, Pricing } from '../house/house';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import {
  chargedFor,
  costPlusPrice,
  priceFigures,
  roomHourPrice,
  type CostPlusPrice,
  type PriceFigures,
  type PriceLoad,
  type PriceSettings,
} from './priceOf';

/** Where a price stands among what is asked elsewhere. */
export type Standing = 'below' | 'low' | 'high' | 'above';

/** A rung: what one school of pricing would charge. */
export interface Rung {
  readonly ladder: Ladder;
  readonly price: PriceFigures;
  /** nothing where the neighbourhood is not known */
  readonly standing?: Standing;
}

/** The price of a service, and what the three schools say of it. */
export interface ServicePrice extends CostPlusPrice {
  /** what it must carry */
  readonly load: PriceLoad;
  /** by which it is charged */
  readonly by: Pricing['by'];
  /** those that can be had */
  readonly rungs: readonly Rung[];
  readonly neighbourhood?: Neighbourhood;
  readonly standing?: Standing;
  /** the largest share of the price that can be let off before a visit loses money */
  readonly mostDiscount: number;
  /** a visit at this price loses money */
  readonly belowFloor: boolean;
}

/**
 * The price of a service by the ladder that is charged, beside what each of the three ladders would
 * charge. A price of its own is charged as it is, also where cost plus cannot be had; the others at the house's
 * next ending.
 * @param targetMargin the service's own, or the house's
 * @returns a problem when fees take the whole price, no ending fits, or what the ladder needs is missing
 * @see P1 P2 P3 P4 P5 P6
 */
export function servicePrice(
  load: PriceLoad,
  targetMargin: number,
  pricing: Pricing | undefined,
  settings: PriceSettings,
  where: Where,
): Outcome<ServicePrice> {
  const costPlus = costPlusPrice(load, targetMargin, settings, where);
  const { by = 'cost-plus', neighbourhood } = pricing ?? {};
  const { targetPerRoomHourMinor } = settings;
  const roomHour =
    targetPerRoomHourMinor === undefined
      ? undefined
      : roomHourPrice(load, targetPerRoomHourMinor, settings, where);
  const elsewhere =
    neighbourhood && chargedFor(neighbourhood.usual / (1 + settings.vat), load, settings, where);
  const rungs: Rung[] = [];
  offer(rungs, 'cost-plus', costPlus, neighbourhood);
  offer(rungs, 'room-hour', roomHour, neighbourhood);
  offer(rungs, 'neighbourhood', elsewhere, neighbourhood);
  const charged =
    by === 'own'
      ? ownPrice(pricing?.ownMinor, load, settings, where)
      : by === 'cost-plus'
        ? costPlus
        : (rungOf(by, rungs) ?? notToBeHad(by, where));
  if (!charged.ok) return charged;
  const { gross, floorGross } = charged.value;
  return ok({
    ...charged.value,
    load,
    targetMargin,
    by,
    rungs,
    neighbourhood,
    standing: neighbourhood && standingAmong(gross, neighbourhood),
    mostDiscount: Math.max(0, 1 - floorGross / gross),
    belowFloor: gross < floorGross - 1e-9,
  });
}

function offer(
  rungs: Rung[],
  ladder: Ladder,
  outcome: Outcome<PriceFigures> | undefined,
  neighbourhood: Neighbourhood | undefined,
): void {
  if (outcome?.ok !== true) return;
  const standing = neighbourhood && standingAmong(outcome.value.gross, neighbourhood);
  rungs.push({ ladder, price: outcome.value, standing });
}

/**
 * Where a price falls among what is asked elsewhere: below the lowest, up to the usual, up to the
 * highest, or above it.
 * @see P4
 */
export function standingAmong(gross: number, { low, usual, high }: Neighbourhood): Standing {
  if (gross < low) return 'below';
  if (gross <= usual) return 'low';
  return gross <= high ? 'high' : 'above';
}

function rungOf(ladder: Ladder, rungs: readonly Rung[]): Outcome<PriceFigures> | undefined {
  const rung = rungs.find((each) => each.ladder === ladder);
  return rung && ok(rung.price);
}

function ownPrice(
  ownMinor: number | undefined,
  load: PriceLoad,
  settings: PriceSettings,
  where: Where,
): Outcome<PriceFigures> {
  if (ownMinor === undefined || !(ownMinor > 0)) {
    return fail('own-price-missing', 'Say the price that is charged: above 0.', {
      ...where,
      field: 'pricing',
    });
  }
  return priceFigures(ownMinor, load, settings, where);
}

function notToBeHad(ladder: Ladder, where: Where): Outcome<PriceFigures> {
  return fail(
    'price-base-missing',
    ladder === 'room-hour'
      ? 'Say under “How the house prices” what a room hour should bring, or price it another way.'
      : 'Say what is asked for the same elsewhere, or price it another way.',
    { ...where, field: 'pricing' },
  );
}
