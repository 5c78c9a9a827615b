import type { HouseSettings } from '../house/settings';
import type { PayInPrice } from '../cost/performers';
import { fail, ok, type Outcome, type Where } from '../problem/problem';
import { chargedPrice } from './priceEnding';

export type PriceSettings = Pick<
  HouseSettings,
  'vat' | 'commission' | 'cardFee' | 'targetMargin' | 'targetPerRoomHourMinor' | 'priceEndings'
>;

/** What a charged price leaves. Minor units. */
export interface PriceFigures {
  /** as it was computed, before the house's endings; the charged one where it is set by hand */
  readonly computedNet: number;
  readonly computedGross: number;
  readonly gross: number;
  readonly net: number;
  readonly commission: number;
  readonly cardFee: number;
  readonly fees: number;
  /** of the net price, what the hands are paid as a share of it */
  readonly sharedPay: number;
  /** net - fees - pay by share - direct cost: what pays for rooms and profit */
  readonly contribution: number;
  /** what one more guest adds, while rooms and fixed pay are paid anyhow */
  readonly oneMore: OneMore;
  /** contribution - room cost */
  readonly profit: number;
  /** profit as a share of net */
  readonly margin: number;
  readonly perRoomHour: number;
  /** nothing where the therapist attends no minute */
  readonly perTherapistHour: number | null;
  /** visits a month that pay for one room; nothing where a visit contributes none */
  readonly breakEvenVisits: number | null;
  /** the gross price below which a visit does not pay its direct cost */
  readonly floorGross: number;
  /** the gross price at which a visit pays direct cost and room, and nothing is left */
  readonly evenGross: number;
}

/** The short run: what a guest adds to a day on which room and fixed pay are paid anyhow. Minor units. @see C9 */
export interface OneMore {
  /** contribution + what of it is owed anyhow */
  readonly contribution: number;
  /** the gross price below which a guest costs more than is charged */
  readonly floorGross: number;
  /** visits a month that pay for one room and what one therapist is owed; nothing where a visit adds nothing */
  readonly breakEvenVisits: number | null;
}

/** What a price must carry. Minor units and minutes. */
export interface PriceLoad {
  readonly directCost: number;
  readonly roomCost: number;
  readonly slotMinutes: number;
  readonly attendedMinutes: number;
  /** fixed cost of one room a month */
  readonly roomCostPerMonth: number;
  readonly pay: PayInPrice;
}

/** A cost-plus price. */
export interface CostPlusPrice extends PriceFigures {
  readonly targetMargin: number;
}

/**
 * The net price of cost plus: full cost / (1 - margin - commission - pay by share - card fee x (1 + VAT)).
 * @param cost full cost, minor units
 * @param margin wanted share of net, 0 to below 1
 * @param payShare of net, on-cost included
 * @returns minor units; a problem when margin and fees leave nothing of the price
 * @see P1 P2 C9
 */
function costPlusNet(
  cost: number,
  margin: number,
  payShare: number,
  { vat, commission, cardFee }: PriceSettings,
  where: Where,
): Outcome<number> {
  const share = 1 - margin - commission - payShare - cardFee * (1 + vat);
  if (!(share > 0)) {
    return fail(
      'fees-too-high',
      `Margin, commission${payShare > 0 ? ', card fee and what is paid for the work by the price' : ' and card fee'} together take the whole price, so no price can cover the cost. Lower one of them.`,
      { ...where, field: 'targetMargin' },
    );
  }
  return ok(cost / share);
}

/**
 * What a charged gross price leaves of itself: fees (commission on net, card fee on gross), pay by share,
 * contribution, margin, earnings per hour, break-even and floor; the same for one more guest.
 * @param gross minor units, VAT included
 * @param computedNet as a ladder computed it, where one did
 * @returns a problem when fees alone take the whole price
 * @see P1 P6 C9
 */
export function priceFigures(
  gross: number,
  load: PriceLoad,
  settings: PriceSettings,
  where: Where,
  computedNet?: number,
): Outcome<PriceFigures> {
  const { vat, commission: commissionShare, cardFee: cardShare } = settings;
  const net = gross / (1 + vat);
  const { pay } = load;
  const netOf = (cost: number): Outcome<number> => costPlusNet(cost, 0, pay.share, settings, where);
  const floorNet = netOf(load.directCost);
  const evenNet = netOf(load.directCost + load.roomCost);
  const oneMoreNet = netOf(load.directCost - pay.fixed);
  if (!floorNet.ok) return floorNet;
  if (!evenNet.ok) return evenNet;
  if (!oneMoreNet.ok) return oneMoreNet;
  const commission = net * commissionShare;
  const cardFee = gross * cardShare;
  const fees = commission + cardFee;
  const sharedPay = net * pay.share;
  const contribution = net - fees - sharedPay - load.directCost;
  const adds = contribution + pay.fixed;
  const profit = contribution - load.roomCost;
  return ok({
    computedNet: computedNet ?? net,
    computedGross: computedNet === undefined ? gross : computedNet * (1 + vat),
    gross,
    net,
    commission,
    cardFee,
    fees,
    sharedPay,
    contribution,
    oneMore: {
      contribution: adds,
      floorGross: oneMoreNet.value * (1 + vat),
      breakEvenVisits: adds > 0 ? (load.roomCostPerMonth + pay.perMonth) / adds : null,
    },
    profit,
    margin: profit / net,
    perRoomHour: perHour(contribution, load.slotMinutes) ?? 0,
    perTherapistHour: perHour(contribution, load.attendedMinutes),
    breakEvenVisits: contribution > 0 ? load.roomCostPerMonth / contribution : null,
    floorGross: floorNet.value * (1 + vat),
    evenGross: evenNet.value * (1 + vat),
  });
}

/**
 * The cost-plus price of a service: computed from full cost and the wanted margin, charged at the
 * house's next ending, everything then counted from the charged price.
 * @param targetMargin the service's own, or the house's
 * @see P2 P5 P6
 */
export function costPlusPrice(
  load: PriceLoad,
  targetMargin: number,
  settings: PriceSettings,
  where: Where,
): Outcome<CostPlusPrice> {
  const computed = costPlusNet(
    load.directCost + load.roomCost,
    targetMargin,
    load.pay.share,
    settings,
    where,
  );
  if (!computed.ok) return computed;
  const price = chargedFor(computed.value, load, settings, where);
  return price.ok ? ok({ ...price.value, targetMargin }) : price;
}

/**
 * The price at which a room hour contributes what the house wants of it: net such that net - fees -
 * direct cost = target x hours of the slot.
 * @param targetPerHour contribution of a room hour, minor units
 * @see P1 P3 P5 P6
 */
export function roomHourPrice(
  load: PriceLoad,
  targetPerHour: number,
  settings: PriceSettings,
  where: Where,
): Outcome<PriceFigures> {
  const wanted = load.directCost + (targetPerHour * load.slotMinutes) / MINUTES_IN_AN_HOUR;
  const computed = costPlusNet(wanted, 0, load.pay.share, settings, where);
  return computed.ok ? chargedFor(computed.value, load, settings, where) : computed;
}

/**
 * A price at the house's next ending for a computed net price, everything then counted from it.
 * @param computedNet minor units
 * @see P1 P5 P6
 */
export function chargedFor(
  computedNet: number,
  load: PriceLoad,
  settings: PriceSettings,
  where: Where,
): Outcome<PriceFigures> {
  const computedGross = computedNet * (1 + settings.vat);
  const gross = chargedPrice(computedGross, settings.priceEndings);
  if (!gross.ok) return gross;
  return priceFigures(gross.value, load, settings, where, computedNet);
}

const MINUTES_IN_AN_HOUR = 60;

function perHour(amount: number, minutes: number): number | null {
  return minutes > 0 ? (amount * MINUTES_IN_AN_HOUR) / minutes : null;
}
