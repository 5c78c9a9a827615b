import { roomRatePerMinute } from '../cost/roomRate';
import { payRate } from '../cost/therapistRate';
import type { House } from '../house/house';
import { ok, type Outcome } from '../problem/problem';
import { costPlusPrice, type CostPlusPrice, type PriceLoad } from '../price/priceOf';

/** What an hour in the house comes to, before anything is drawn. Minor units. */
export interface ExampleVisit {
  readonly minutes: number;
  readonly therapistPerMinute: Outcome<number>;
  readonly roomPerMinute: Outcome<number>;
  /** a visit of so many minutes, all of them attended, without product */
  readonly price: Outcome<CostPlusPrice & { readonly load: PriceLoad }>;
}

/**
 * An example for who sets a house up: a minute of a therapist, a minute of a room, and what a visit of an
 * hour that uses nothing would be charged by cost plus.
 * @see C3 C4 P2 P5
 */
export function exampleVisit(house: House, minutes = 60): ExampleVisit {
  const { settings, people, rooms } = house;
  const where = { settings: true } as const;
  const therapists = people.filter(({ role }) => role === 'therapist');
  const pay = payRate(therapists, 'therapist', settings, where);
  const therapist = pay.ok ? ok(pay.value.perMinute) : pay;
  const room = roomRatePerMinute(settings.roomCost, rooms.length);
  const therapistPerMinute = therapist;
  const roomPerMinute = room;
  if (!pay.ok) return { minutes, therapistPerMinute, roomPerMinute, price: pay };
  if (!room.ok) return { minutes, therapistPerMinute, roomPerMinute, price: room };
  const load: PriceLoad = {
    directCost: pay.value.perMinute * minutes,
    roomCost: room.value * minutes,
    slotMinutes: minutes,
    attendedMinutes: minutes,
    roomCostPerMonth: settings.roomCost.fixedPerMonthMinor / rooms.length,
    pay: {
      fixed: pay.value.fixed * minutes,
      perMonth: pay.value.owedPerMonth,
      share: pay.value.shareOfPrice,
    },
  };
  const priced = costPlusPrice(load, settings.targetMargin, settings, where);
  const price = priced.ok ? ok({ ...priced.value, load }) : priced;
  return { minutes, therapistPerMinute, roomPerMinute, price };
}
