import { payIn } from '../cost/performers';
import type { ServiceFigures } from '../figures/houseFigures';
import type { Duo, House, Service } from '../house/house';
import { fail, ok, type Outcome } from '../problem/problem';
import { mixed, sideBySide } from '../time/distribution';
import { slotMinutes } from '../time/slot';
import { countedOf, type Counted, type OfferPart } from './counted';
import { offerPrice, shareOfSeveral, sumOf, type OfferPrice } from './offerPrice';

/** What a visit of two guests comes to. Minor units, minutes. */
export interface DuoFigures {
  readonly kind: 'duo';
  readonly services: readonly Service[];
  readonly parts: readonly OfferPart[];
  /** each by itself, with its price */
  readonly singles: readonly { readonly service: Service; readonly gross: number }[];
  readonly price: OfferPrice;
  /** until both are done, as often as the house wants a slot to hold */
  readonly slotMinutes: number;
  /** minutes of rooms, all that it takes together */
  readonly roomMinutes: number;
  readonly fullCost: number;
  readonly singleFullCost: number;
  /** whether two people can perform it at the same time */
  readonly twoTherapists: boolean;
  /** whether the house has the rooms */
  readonly roomsEnough: boolean;
}

/**
 * Two guests at the same time. Side by side in one room the slot holds until both are done; in two rooms
 * each has its own slot. Product, devices and hands are those of both.
 * @returns problems of its services and of its price
 * @see C3 C4 C7 P6 T2 T5
 */
export function duoFigures(
  offer: Duo,
  house: House,
  figuresOf: (service: Service) => ServiceFigures | undefined,
): Outcome<DuoFigures> {
  const where = { offerId: offer.id };
  const { settings, services } = house;
  const guests: Counted[] = [];
  const singles: { service: Service; gross: number }[] = [];
  for (const id of offer.serviceIds) {
    const service = services.find((each) => each.id === id);
    const figures = service && figuresOf(service);
    const counted = countedOf(service, figures, where);
    if (!counted.ok) return counted;
    if (!figures?.price.ok) return fail('price-missing', 'A service of this has no price.', where);
    guests.push(counted.value);
    singles.push({ service: counted.value.service, gross: figures.price.value.gross });
  }
  const total = (of: (guest: Counted) => number): number =>
    guests.reduce((sum, guest) => sum + of(guest), 0);
  /* Two guests: the pace of one says nothing of the other's. */
  const times = guests.map(({ schedule }) => mixed(schedule.roomTime));
  const slot = slotMinutes(
    times.reduce(sideBySide),
    settings.slotQuantile,
    settings.slotGridMinutes,
  );
  const roomMinutes = offer.rooms === 1 ? slot : total(({ schedule }) => schedule.slotMinutes);
  const waits = settings.therapistCharge === 'slot' && offer.rooms === 1;
  const waiting = ({ schedule, rates }: Counted, of: 'therapist' | 'fixed'): number => {
    const perMinute = of === 'fixed' ? rates.fixed.therapist : rates.therapist;
    return waits ? (slot - schedule.slotMinutes) * perMinute : 0;
  };
  const shares = guests.map(({ rates }, at) => ({
    share: payIn(rates.pay, 0).share,
    gross: singles[at]?.gross ?? 0,
  }));
  const load = {
    directCost: total((guest) => guest.cost.direct.usual + waiting(guest, 'therapist')),
    roomCost: roomMinutes * (guests[0]?.rates.room ?? 0),
    slotMinutes: roomMinutes,
    attendedMinutes: total(({ schedule }) => schedule.attended.therapist),
    roomCostPerMonth: settings.roomCost.fixedPerMonthMinor / house.rooms.length,
    pay: {
      fixed: total((guest) => guest.cost.fixedPay.usual + waiting(guest, 'fixed')),
      perMonth: total(({ rates }) => rates.pay.therapist.owedPerMonth),
      share: shareOfSeveral(shares),
    },
  };
  const price = offerPrice(offer, sumOf(singles), load, settings, where);
  if (!price.ok) return price;
  const performers = new Set(guests.flatMap(({ rates }) => rates.people.therapist));
  return ok({
    kind: 'duo',
    services: guests.map(({ service }) => service),
    parts: guests.map((guest) => ({ ...guest, times: 1 })),
    singles,
    price: price.value,
    slotMinutes: slot,
    roomMinutes,
    fullCost: load.directCost + load.roomCost,
    singleFullCost: total(({ cost }) => cost.full.usual),
    twoTherapists: performers.size >= guests.length,
    roomsEnough: house.rooms.length >= offer.rooms,
  });
}
