import type { BoughtMaterial, Keeps, KeepsUnit, Material, Pack } from './material';
import type { Supplier } from './supplier';

/** The preferred pack as it was entered; inputs are refused without a pack. */
export function chosenPack(material: BoughtMaterial): Pack {
  const found = material.packs.find((pack) => pack.id === material.preferredPackId);
  return found ?? (material.packs[0] as Pack);
}

/**
 * A pack with its content in the material's unit: a piece of fresh goods holds what it yields.
 * @see Q3
 */
export function heldPack(material: BoughtMaterial, pack: Pack): Pack {
  return material.kind === 'fresh'
    ? { ...pack, content: pack.content * material.yieldPerPiece.usual }
    : pack;
}

/** The pack that costs and reorder points are worked out with, its content in the material's unit. */
export function preferredPack(material: BoughtMaterial): Pack {
  return heldPack(material, chosenPack(material));
}

/** What a container of the material keeps once it is open; nothing when as long as a sealed one. */
export function openLifeOf(material: Material): Keeps | undefined {
  return material.kind === 'back-bar' || material.kind === 'fresh' ? material.openLife : undefined;
}

/** A month as a twelfth of a year of 365.25 days. */
const DAYS_OF_UNIT: Readonly<Record<KeepsUnit, number>> = {
  months: 365.25 / 12,
  weeks: 7,
  days: 1,
  hours: 1 / 24,
};

/**
 * Days of something that keeps.
 * @example daysOf({ amount: 12, unit: 'months' }) // 365.25
 */
export function daysOf({ amount, unit }: Keeps): number {
  return amount * DAYS_OF_UNIT[unit];
}

/** Lead time of a pack: its own, or its supplier's. Days. */
export function leadTimeOf(
  pack: Pack,
  supplier: Supplier,
): { readonly leadTimeDays: number; readonly leadTimeSdDays: number; readonly reviewDays: number } {
  return {
    leadTimeDays: pack.leadTimeDays ?? supplier.leadTimeDays,
    leadTimeSdDays:
      pack.leadTimeSdDays ??
      Math.min(supplier.leadTimeSdDays, pack.leadTimeDays ?? supplier.leadTimeDays),
    reviewDays: supplier.reviewDays,
  };
}

const OUT_OF_LINE = 10;

/**
 * Whether a new price is so far from the one before that a figure was likely mistyped: ten times, or a tenth.
 * @param before minor units
 * @param after minor units
 * @example isOutOfLine(2_400, 24_000) // true
 */
export function isOutOfLine(before: number, after: number): boolean {
  if (before <= 0 || after <= 0) return false;
  return after >= before * OUT_OF_LINE || after * OUT_OF_LINE <= before;
}
