import type { House, Service } from '../house/house';
import { marginAt } from '../price/marginAt';
import { costPlusPrice } from '../price/priceOf';
import { chanceBeyond, quantileMinutes } from '../time/distribution';
import { upToGrid } from '../time/slot';
import type { HouseFigures } from './houseFigures';
import { plannedOf, recoveryOf, type Planned, type Recovered, type Recovery } from './recovery';

/** A slot that ninety-nine visits of a hundred end in is passed by hardly any. */
const HARDLY_ANY = 0.99;

/** A service at the shares that the plan implies. Minor units. */
export interface AtImplied {
  readonly service: Service;
  readonly visitsPerWeek: number;
  readonly fullCost: number;
  readonly fullCostImplied: number;
  /** what a guest is charged */
  readonly gross: number;
  readonly margin: number;
  /** of the price that is charged */
  readonly marginImplied: number;
  /** by cost plus; nothing where no price can be had */
  readonly grossImplied: number | null;
}

/** How a slot holds. Minutes. */
export interface SlotHolds {
  readonly service: Service;
  readonly visitsPerWeek: number;
  readonly slotMinutes: number;
  /** the chance that a visit lasts longer than its slot */
  readonly chanceOver: number;
  /** by which the slot would have to be longer for hardly any visit to pass it */
  readonly minutesMore: number;
}

/** Whether the planned visits pay for rooms and pay, and whether their slots hold. */
export interface AddsUp extends Recovery {
  /** the most planned first */
  readonly services: readonly AtImplied[];
  readonly slots: readonly SlotHolds[];
  /** visits a week that pass their slot, of all that are planned */
  readonly overPerWeek: number;
}

/**
 * Does it add up? What the planned week charges for rooms and pay beside what these cost, the occupancy and the
 * bookable share at which it would, and what each price would then be; the visits that pay for all of it; and how
 * often slots are passed.
 * @returns nothing while no visit is planned that can be counted
 * @see C3 C4 C8 C9 T7
 */
export function addsUp(house: House, figures: HouseFigures): AddsUp | undefined {
  const planned = plannedOf(house, figures);
  const recovery = recoveryOf(house, planned);
  if (!recovery) return undefined;
  const services = planned
    .map((each) => atImplied(each, recovery, house))
    .sort((a, b) => b.visitsPerWeek - a.visitsPerWeek);
  const slots = planned.map((each) => slotOf(each, house));
  return {
    ...recovery,
    services,
    slots: slots.toSorted(
      (a, b) => b.chanceOver * b.visitsPerWeek - a.chanceOver * a.visitsPerWeek,
    ),
    overPerWeek: slots.reduce((sum, each) => sum + each.chanceOver * each.visitsPerWeek, 0),
  };
}

/** What it costs by a share when it is charged by another; what nothing is planned of is not charged at all. */
function chargedBy(minor: number, { assumed, implied }: Recovered): number {
  return implied > 0 ? (minor * assumed) / implied : minor;
}

function atImplied(
  { service, visitsPerWeek, of }: Planned,
  { rooms, pay }: Recovery,
  { settings }: Pick<House, 'settings'>,
): AtImplied {
  const { cost, price } = of;
  const { load, gross, margin } = price.value;
  const roomCost = chargedBy(cost.value.room.usual, rooms);
  const fixed = chargedBy(cost.value.fixedPay.usual, pay);
  const directCost = cost.value.direct.usual - cost.value.fixedPay.usual + fixed;
  const wanted = service.targetMargin ?? settings.targetMargin;
  const where = { serviceId: service.id };
  const by = costPlusPrice(
    { ...load, directCost, roomCost, pay: { ...load.pay, fixed } },
    wanted,
    settings,
    where,
  );
  return {
    service,
    visitsPerWeek,
    fullCost: cost.value.full.usual,
    fullCostImplied: directCost + roomCost,
    gross,
    margin,
    marginImplied: marginAt(price.value, directCost + roomCost),
    grossImplied: by.ok ? by.value.gross : null,
  };
}

function slotOf(
  { service, visitsPerWeek, of }: Planned,
  { settings }: Pick<House, 'settings'>,
): SlotHolds {
  const { roomTime, slotMinutes } = of.schedule.value;
  const holds = upToGrid(quantileMinutes(roomTime, HARDLY_ANY), settings.slotGridMinutes);
  return {
    service,
    visitsPerWeek,
    slotMinutes,
    chanceOver: chanceBeyond(roomTime, slotMinutes),
    minutesMore: Math.max(0, holds - slotMinutes),
  };
}
