import type { HouseFigures } from '../figures/houseFigures';
import type { Booking, House, Treatment } from '../house/house';
import type { EntryId, MaterialId, ServiceId } from '../house/ids';
import type { UseEntry } from '../stock/entries';
import { asKept, onHandOf, type MaterialStock } from '../house/stock';
import { bookOf } from './bookOf';
import { bookedService } from './forecast';

/** What a performed treatment takes of one material. */
export interface DrawPlan {
  /** nothing where there is nothing to enter */
  readonly entry?: UseEntry;
  /** that was used and is not on the shelf by the ledger, in the material's unit */
  readonly missing: number;
  /** the shelf was counted after the treatment, so the count has seen it */
  readonly counted: boolean;
}

/**
 * What a treatment draws, as far as the ledger knows it to be there; what was counted later is not drawn
 * again, so that nothing is counted twice.
 * @param at when it was performed
 * @param countedAt when the material was counted last
 */
export function drawFromShelf(
  use: UseEntry,
  at: string,
  stock: Pick<MaterialStock, 'lots'>,
  countedAt: string | undefined,
): DrawPlan {
  if (countedAt !== undefined && countedAt >= at) return { missing: 0, counted: true };
  const there = Math.max(0, onHandOf(stock));
  const quantity = Math.min(use.quantity, there);
  return {
    ...(quantity > 0 && { entry: { ...use, quantity: asKept(quantity), at } }),
    missing: asKept(use.quantity - quantity),
    counted: false,
  };
}

/**
 * The uses that a treatment enters: what one visit of its service consumes, without linen.
 * @param newId makes the id of each entry
 */
export function usesOfTreatment(
  { serviceId, at }: Pick<Treatment, 'serviceId' | 'at'>,
  house: House,
  figures: HouseFigures,
  newId: () => EntryId,
): readonly UseEntry[] {
  const consumption = figures.services.get(serviceId)?.consumption;
  if (!consumption?.ok) return [];
  const service = house.services.find(({ id }) => id === serviceId);
  const kinds = new Map(house.materials.map((material) => [material.id, material.kind]));
  return [...consumption.value].flatMap(([materialId, { usual }]): UseEntry[] =>
    isKept(materialId, kinds) && usual > 0
      ? [
          {
            kind: 'use',
            id: newId(),
            materialId,
            quantity: asKept(usual),
            at,
            ...(service && { note: service.name }),
          },
        ]
      : [],
  );
}

function isKept(
  id: MaterialId,
  kinds: ReadonlyMap<MaterialId, House['materials'][number]['kind']>,
): boolean {
  const kind = kinds.get(id);
  return kind !== undefined && kind !== 'linen';
}

/** A visit of the book that has passed and was not entered yet. */
export interface ToEnter {
  readonly booking: Booking;
  readonly serviceId: ServiceId;
}

/** The visits of the book that should be over by now and are not entered, the latest first. */
export function toEnter(
  house: Pick<House, 'bookings' | 'placed' | 'services' | 'log'>,
  names: ReadonlyMap<string, ServiceId | null>,
  now: Date,
): readonly ToEnter[] {
  const entered = new Set(house.log.entered);
  return bookOf(house)
    .flatMap((booking): ToEnter[] => {
      const serviceId = bookedService(booking.title, names);
      const over = Date.parse(booking.at) + booking.minutes * 60_000 <= now.getTime();
      return serviceId && over && !entered.has(booking.id) ? [{ booking, serviceId }] : [];
    })
    .reverse();
}
