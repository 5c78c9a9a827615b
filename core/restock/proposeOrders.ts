import { discountFrom } from '../cost/packAdvice';
import { usableUnits } from '../cost/landedUnitCost';
import type { BoughtMaterial, House, OrderReason, Pack, Supplier } from '../house/house';
import type { SoManyBecause } from '../house/restock';
import type { MaterialId, SupplierId } from '../house/ids';
import { chosenPack } from '../house/packs';
import { asKept } from '../house/stock';
import type { RestockFigures } from './restocker';
import { arrivalOf } from './arrival';
import type { Restocking } from './restocking';
import { packsToOrder } from './verifyPolicy';

/** A line that an order should have, and why. */
export interface ProposedLine {
  readonly material: BoughtMaterial;
  readonly pack: Pack;
  readonly packs: number;
  /** for one pack, with the break that so many reach, in minor units */
  readonly priceMinor: number;
  /** for all of them */
  readonly totalMinor: number;
  readonly why: readonly OrderReason[];
}

/** An order that one supplier should get now. Money in minor units, days ISO dates. */
export interface Proposal {
  readonly supplier: Supplier;
  readonly lines: readonly ProposedLine[];
  readonly totalMinor: number;
  /** what is missing to the supplier's least order, 0 when it is reached */
  readonly missingMinor: number;
  readonly arrivesOn: string;
}

/**
 * Orders to write now, a supplier at a time: everything at or below its order point, in whole order
 * sizes; then, where the supplier takes no smaller order, what will be needed soonest. What already
 * stands in a draft is not proposed again.
 * @see S4 S5
 */
export function proposeOrders(house: House, restock: RestockFigures): readonly Proposal[] {
  const drafted = draftedAmounts(house);
  const bySupplier = new Map<SupplierId, Candidate[]>();
  for (const material of house.materials) {
    /* Fresh goods are a list of the day. */
    if (material.kind === 'linen' || material.kind === 'fresh') continue;
    if (material.archivedOn !== undefined) continue;
    const of = restock.materials.get(material.id);
    if (!of?.ok) continue;
    const candidate = candidateOf(material, of.value, drafted.get(material.id) ?? 0);
    const known = bySupplier.get(of.value.supplier.id);
    if (known) known.push(candidate);
    else bySupplier.set(of.value.supplier.id, [candidate]);
  }
  return house.suppliers.flatMap((supplier): Proposal[] => {
    const candidates = bySupplier.get(supplier.id) ?? [];
    const lines = candidates.flatMap(({ due }) => (due ? [due] : []));
    if (lines.length === 0) return [];
    return [completed(supplier, lines, candidates, restock.today)];
  });
}

/** The packs of one material as a line of an order. */
export function lineOf(
  material: BoughtMaterial,
  pack: Pack,
  packs: number,
  why: readonly OrderReason[],
): ProposedLine {
  const priceMinor = packPrice(pack, packs);
  return { material, pack, packs, priceMinor, totalMinor: packs * priceMinor, why };
}

/** What one pack costs in an order of so many, in whole minor units. */
export function packPrice(pack: Pack, packs: number): number {
  return Math.round(pack.priceMinor * (1 - discountFrom(pack, packs)));
}

/** Half a year: of more than that an order says why. */
const LONG_WEEKS = 26;

/** Why an order holds more than half a year uses, or more than keeps. */
function whySoMany(
  { demand, keeping, orderSize, levels, position }: Restocking,
  pack: Pack,
  packs: number,
): OrderReason[] {
  /* As much as goes from the shelf in a day, with what is open too long. */
  const perDay = demand.perDay / (keeping.usedShare ?? 1);
  if (!(perDay > 0)) return [];
  const units = usableUnits(pack);
  const over = packs - Math.floor((perDay * (keeping.sealedDays ?? Infinity)) / units + 1e-9);
  const weeks = (packs * units) / perDay / 7;
  const by = sizedBy();
  return [
    ...(over > 0 ? [{ kind: 'too-many', packs: over, by } as const] : []),
    ...(weeks > LONG_WEEKS ? [{ kind: 'lasts', weeks: asKept(weeks), by } as const] : []),
  ];

  function sizedBy(): SoManyBecause {
    if (packs === 1) return 'one-pack';
    if (packs <= (pack.leastPacks ?? 1)) return 'least';
    if (levels) return 'levels';
    return packs > orderSize.packs && position.promised > 0 ? 'promised' : orderSize.by;
  }
}

interface Candidate {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
  /** in the material's unit, with what stands in drafts */
  readonly position: number;
  readonly due?: ProposedLine;
  /** until the order point is reached; nothing where it is not used */
  readonly daysToPoint: number | null;
}

function candidateOf(material: BoughtMaterial, restocking: Restocking, drafted: number): Candidate {
  const { cover, policy, demand, orderAt } = restocking;
  const pack = chosenPack(material);
  const position = restocking.position.amount + drafted;
  const units = usableUnits(restocking.pack);
  const packs = cover.shouldOrder ? packsToOrder(policy, position, units) : 0;
  const { promised, amount } = restocking.position;
  const wanted = Math.max(packs, pack.leastPacks ?? 1);
  return {
    material,
    restocking,
    position,
    daysToPoint: demand.perDay > 0 ? Math.max(0, (position - orderAt) / demand.perDay) : null,
    ...(packs > 0 && {
      due: lineOf(material, pack, wanted, [
        { kind: 'at-point', position: asKept(amount), point: asKept(orderAt) },
        ...(promised > 0 ? [{ kind: 'promised', promised: asKept(promised) } as const] : []),
        ...whySoMany(restocking, pack, wanted),
      ]),
    }),
  };
}

function completed(
  supplier: Supplier,
  due: readonly ProposedLine[],
  candidates: readonly Candidate[],
  today: string,
): Proposal {
  const lines = [...due];
  const least = supplier.leastOrderMinor ?? 0;
  const soonest = candidates
    .filter((each) => !each.due && each.daysToPoint !== null)
    .sort((a, b) => (a.daysToPoint ?? 0) - (b.daysToPoint ?? 0));
  for (const { material, restocking, daysToPoint } of soonest) {
    if (totalOf(lines) >= least) break;
    /* What would be over before it is needed is no way to reach a sum. */
    if (restocking.orderSize.tooMany > 0) continue;
    const pack = chosenPack(material);
    const { packs } = restocking.orderSize;
    lines.push(
      lineOf(material, pack, packs, [
        { kind: 'soon', days: asKept(daysToPoint ?? 0) },
        { kind: 'least-order' },
        ...whySoMany(restocking, pack, packs),
      ]),
    );
  }
  const totalMinor = totalOf(lines);
  const leads = lines.flatMap(({ material }) => {
    const of = candidates.find((each) => each.material === material);
    return of ? [of.restocking.lead.leadTimeDays] : [];
  });
  return {
    supplier,
    lines,
    totalMinor,
    missingMinor: Math.max(0, least - totalMinor),
    arrivesOn: arrivalOf(today, Math.max(supplier.leadTimeDays, ...leads), supplier),
  };
}

function totalOf(lines: readonly ProposedLine[]): number {
  return lines.reduce((sum, { totalMinor }) => sum + totalMinor, 0);
}

function draftedAmounts(house: House): ReadonlyMap<MaterialId, number> {
  const materials = new Map(house.materials.map((material) => [material.id, material]));
  const amounts = new Map<MaterialId, number>();
  for (const order of house.orders) {
    if (order.state !== 'draft') continue;
    for (const { materialId, packId, packs } of order.lines) {
      const material = materials.get(materialId);
      if (!material || material.kind === 'linen') continue;
      const pack = material.packs.find(({ id }) => id === packId) ?? chosenPack(material);
      const yields = material.kind === 'fresh' ? material.yieldPerPiece.usual : 1;
      const amount = packs * usableUnits(pack) * yields;
      amounts.set(materialId, (amounts.get(materialId) ?? 0) + amount);
    }
  }
  return amounts;
}

/** A line of what to bring from the market. */
export interface FreshLine {
  readonly material: BoughtMaterial;
  readonly restocking: Restocking;
  /** pieces or packs to buy today */
  readonly packs: number;
  readonly totalMinor: number;
}

/**
 * Fresh goods as a list of the day: what brings each up to what the days until the next delivery ask
 * for at the service level. They keep too short for order sizes.
 * @see S3 S5
 */
export function freshList(house: House, restock: RestockFigures): readonly FreshLine[] {
  return house.materials.flatMap((material): FreshLine[] => {
    if (material.kind !== 'fresh' || material.archivedOn !== undefined) return [];
    const of = restock.materials.get(material.id);
    if (!of?.ok) return [];
    const { orderAt, position, pack } = of.value;
    const packs = Math.max(0, Math.ceil((orderAt - position.amount) / usableUnits(pack) - 1e-9));
    return [
      {
        material,
        restocking: of.value,
        packs,
        totalMinor: packs * packPrice(chosenPack(material), Math.max(1, packs)),
      },
    ];
  });
}
