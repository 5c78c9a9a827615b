import type { Offer } from '../house/house';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import {
  chargedFor,
  priceFigures,
  type PriceFigures,
  type PriceLoad,
  type PriceSettings,
} from '../price/priceOf';

/** The price of something that is more than one service, beside the sum of its single prices. */
export interface OfferPrice extends PriceFigures {
  /** what its services cost when each is bought by itself, VAT included */
  readonly listGross: number;
  /** what is let off of that, as a share; below 0 where it costs more */
  readonly letOff: number;
  /** the largest share of the sum that can be let off before it loses money */
  readonly mostDiscount: number;
  readonly belowFloor: boolean;
}

/**
 * The price of an offer: the sum of the single prices less the discount, at the house's next ending; the
 * sum itself where nothing is let off; or a price of its own. Everything then counted from it.
 * @returns a problem when all of the price is let off, fees take it, or no ending fits
 * @see P1 P5 P6 P8
 */
export function offerPrice(
  { discount, ownMinor }: Pick<Offer, 'discount' | 'ownMinor'>,
  listGross: number,
  load: PriceLoad,
  settings: PriceSettings,
  where: Where & { readonly offerId: string },
): Outcome<OfferPrice> {
  if (!(discount >= 0 && discount < 1)) {
    const message = 'All of the price cannot be let off: the discount must be below 100 %.';
    return fail('discount-too-high', message, { ...where, field: 'discount' });
  }
  const asked = listGross * (1 - discount);
  const price =
    ownMinor !== undefined
      ? priceFigures(ownMinor, load, settings, where)
      : discount === 0
        ? priceFigures(listGross, load, settings, where)
        : chargedFor(asked / (1 + settings.vat), load, settings, where);
  if (!price.ok) return price;
  const { gross, floorGross } = price.value;
  return ok({
    ...price.value,
    listGross,
    letOff: listGross > 0 ? 1 - gross / listGross : 0,
    mostDiscount: listGross > 0 ? Math.max(0, 1 - floorGross / listGross) : 0,
    belowFloor: gross < floorGross - 1e-9,
  });
}

/**
 * The share of an offer's price that is pay: what it is of the single prices together.
 * @param singles what each is sold for by itself, and the share of that which is pay
 * @see C9
 */
export function shareOfSeveral(
  singles: readonly { readonly gross: number; readonly share: number }[],
): number {
  const together = sumOf(singles);
  return together > 0
    ? singles.reduce((sum, { gross, share }) => sum + gross * share, 0) / together
    : 0;
}

/** What single prices come to together. Minor units. */
export function sumOf(singles: readonly { readonly gross: number }[]): number {
  return singles.reduce((sum, { gross }) => sum + gross, 0);
}
