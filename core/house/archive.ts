import type { PricePoint } from '../cost/pricePoint';
import { daysAfter, daysBetween } from '../stock/days';
import { balancesOf, stockFrom } from '../stock/ledger';
import type { Lot, Movement } from '../stock/stockTypes';
import type { House } from './house';
import type { MaterialId } from './ids';

/** A House with its memory: what is on the shelf follows from the ledger, so it is not said twice. */
export interface HouseArchive extends Omit<House, 'stock'> {
  readonly prices: readonly PricePoint[];
  readonly lots: readonly Lot[];
  readonly movements: readonly Movement[];
}

/** The House of an archive: its ledger added up to what is on the shelf. */
export function houseOf(archive: HouseArchive): House {
  const { prices: _prices, lots, movements, ...house } = archive;
  return { ...house, stock: stockFrom(stockedIds(house.materials), lots, balancesOf(movements)) };
}

/** The materials that are kept in stock: all but linen, which goes round. */
export function stockedIds(materials: House['materials']): MaterialId[] {
  return materials.flatMap((material) => (material.kind === 'linen' ? [] : [material.id]));
}

/**
 * An archive with all its days moved so that the newest movement is of today: a demo house stays as
 * fresh as it was written. What would lie later today than now has happened just now.
 */
export function asOfNow(archive: HouseArchive, now: Date): HouseArchive {
  const newest = archive.movements.reduce((last, { at }) => (at > last ? at : last), '');
  if (newest === '') return archive;
  const moment = `${now.toISOString().slice(0, 19)}Z`;
  const by = daysBetween(newest.slice(0, 10), moment.slice(0, 10));
  const moved = (day: string): string => daysAfter(day, by);
  return {
    ...archive,
    materials: archive.materials.map((material) =>
      material.archivedOn === undefined
        ? material
        : { ...material, archivedOn: moved(material.archivedOn) },
    ),
    prices: archive.prices.map((point) => ({ ...point, on: moved(point.on) })),
    lots: archive.lots.map((lot) => ({
      ...lot,
      deliveredOn: moved(lot.deliveredOn),
      ...(lot.expiresOn !== undefined && { expiresOn: moved(lot.expiresOn) }),
    })),
    movements: archive.movements.map((movement) => {
      const at = `${moved(movement.at.slice(0, 10))}${movement.at.slice(10)}`;
      return { ...movement, at: at > moment ? moment : at };
    }),
  };
}
