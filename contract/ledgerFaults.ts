import type { HouseArchive } from '@bienestar/core/house/archive';
import { balancesOf } from '@bienestar/core/stock/ledger';
import type { Fault } from './check';

/**
 * The faults of a ledger within itself: movements of lots that are not there or of another material,
 * a line that comes twice, a price told twice for one day, more taken than there was.
 */
export function faultsWithinLedger({ prices, lots, movements }: HouseArchive): Fault[] {
  const faults: Fault[] = [];
  const materialOf = new Map(lots.map((lot) => [lot.id, lot.materialId]));
  const note = (pointer: string, code: string, message: string): void => {
    faults.push({ pointer, code, message });
  };
  if (materialOf.size < lots.length) {
    note('/lots', 'array.unique', 'Two lots have the same id.');
  }
  const lines = new Set<string>();
  for (const [at, movement] of movements.entries()) {
    const of = materialOf.get(movement.lotId);
    if (of !== movement.materialId) {
      note(
        `/movements/${at}/lotId`,
        'reference.unknown',
        of === undefined
          ? `There is no lot “${movement.lotId}” in the house.`
          : 'This lot is of another material.',
      );
    }
    const line = `${movement.entryId}/${movement.line}`;
    if (lines.has(line)) {
      note(`/movements/${at}/line`, 'array.unique', 'This line of the ledger is there twice.');
    }
    lines.add(line);
  }
  const points = new Set<string>();
  for (const [at, { materialId, packId, on }] of prices.entries()) {
    if (points.has(`${materialId}/${packId}/${on}`)) {
      note(`/prices/${at}/on`, 'array.unique', 'A pack has one price a day; this is the second.');
    }
    points.add(`${materialId}/${packId}/${on}`);
  }
  if (faults.length > 0) return faults;
  for (const balance of balancesOf(movements)) {
    if (balance.quantity < 0) {
      note(
        '/movements',
        'ledger.negative',
        `More is taken from the lot “${balance.lotId}” than was in it.`,
      );
    }
  }
  return faults;
}
