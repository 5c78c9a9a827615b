import type { BoughtMaterial, Pack } from '../house/house';
import type { PackId } from '../house/ids';
import { heldPack } from '../house/packs';
import { failWith, ok, type Outcome } from '../problem/problem';
import { wholeAbove } from '../dose/openPacks';
import type { MaterialDemand } from '../draws/demandRate';
import { landedUnitCost } from './landedUnitCost';
import { taxFactor, type TaxTerms } from './purchaseTax';
import { openUseOf } from './openLife';

const DAYS_A_YEAR = 365;

/** What one pack costs in use. Money in minor units, amounts in the material's unit. */
export interface PackInUse {
  readonly pack: Pack;
  /** packs in one order: what the house uses meanwhile, at least what the supplier asks for */
  readonly packsPerOrder: number;
  /** what one order lasts */
  readonly daysPerOrder: number;
  /** of the break that one order reaches */
  readonly discount: number;
  /** landed, with that discount (C1) */
  readonly perUnit: number;
  /** share of an open container that is used before its open life is over */
  readonly usedShare: number;
  /** uses that fit into a container, where it has an open life */
  readonly room?: number;
  readonly expectedUses?: number;
  /** perUnit / usedShare (C2) */
  readonly inUse: number;
  readonly perYear: number;
  /** thrown away because it was open too long, a year */
  readonly wastePerYear: number;
}

/** All packs of a material, the cheapest in use in front. */
export interface PackAdvice {
  readonly ranked: readonly PackInUse[];
  readonly preferredPackId: PackId;
  /** what buying the first instead of the preferred saves a year, minor units, >= 0 */
  readonly yearlySaving: number;
}

/**
 * Ranks the packs of a material by what they cost in use at a demand: landed cost at the discount that
 * an order reaches, over the share that is used before an open container is over.
 * @param demand uses and amounts a day; without any, packs are ranked by landed cost alone
 * @param orderDays days of demand that the house buys at once
 * @returns the problems of any pack that has no cost
 * @see C1 C2
 */
export function packAdvice(
  material: BoughtMaterial,
  demand: Pick<MaterialDemand, 'usesPerDay' | 'perDay'>,
  orderDays: number,
  terms: TaxTerms,
): Outcome<PackAdvice> {
  const ranked: PackInUse[] = [];
  for (const pack of material.packs) {
    const inUse = packInUse(material, pack, demand, orderDays, terms);
    if (!inUse.ok) return failWith(inUse.problems);
    ranked.push(inUse.value);
  }
  ranked.sort((a, b) => a.inUse - b.inUse || a.packsPerOrder - b.packsPerOrder);
  const preferred = ranked.find(({ pack }) => pack.id === material.preferredPackId);
  const saving = (preferred?.perYear ?? 0) - (ranked[0]?.perYear ?? 0);
  return ok({
    ranked,
    preferredPackId: material.preferredPackId,
    yearlySaving: Math.max(0, saving),
  });
}

/**
 * One pack of a material in use at a demand.
 * @see C1 C2
 */
export function packInUse(
  material: BoughtMaterial,
  pack: Pack,
  demand: Pick<MaterialDemand, 'usesPerDay' | 'perDay'>,
  orderDays: number,
  terms: TaxTerms,
): Outcome<PackInUse> {
  const held = heldPack(material, pack);
  const tax = taxFactor(pack, terms);
  const where = { materialId: material.id, packId: pack.id };
  const single = landedUnitCost(held, tax, material.name, where);
  if (!single.ok) return single;
  const { usableUnits } = single.value;
  const used = demand.usesPerDay > 0 && demand.perDay > 0;
  const packsPerOrder = Math.max(
    pack.leastPacks ?? 1,
    used ? wholeAbove((demand.perDay * orderDays) / usableUnits) : 1,
  );
  const discount = discountFrom(pack, packsPerOrder);
  const landed = landedUnitCost({ ...held, discount }, tax, material.name, where);
  if (!landed.ok) return landed;
  const open = openUseOf(material, held, demand);
  const usedShare = open?.usedShare ?? 1;
  const inUse = landed.value.perUnit / usedShare;
  const yearly = demand.perDay * DAYS_A_YEAR;
  return ok({
    pack,
    packsPerOrder,
    daysPerOrder: used ? (packsPerOrder * usableUnits * usedShare) / demand.perDay : Infinity,
    discount,
    perUnit: landed.value.perUnit,
    usedShare,
    ...(open && { room: open.room, expectedUses: open.expectedUses }),
    inUse,
    perYear: yearly * inUse,
    wastePerYear: yearly * (inUse - landed.value.perUnit),
  });
}

/** The discount of an order of so many packs: of the highest break that it reaches. */
export function discountFrom(pack: Pick<Pack, 'discount' | 'breaks'>, packs: number): number {
  const reached = (pack.breaks ?? []).filter((step) => packs >= step.fromPacks);
  return reached.reduce((best, step) => Math.max(best, step.discount), pack.discount);
}
