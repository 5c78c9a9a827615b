import { stockedIds, type HouseArchive } from '../house/archive';
import type { House } from '../house/house';
import { balancesOf, stockFrom } from './ledger';

/** The House of an archive: its ledger added up to what is on the shelf. */
export function houseOf(archive: HouseArchive): House {
  const { prices: _prices, journal: _journal, lots, movements, ...house } = archive;
  return { ...house, stock: stockFrom(stockedIds(house.materials), lots, balancesOf(movements)) };
}
