import type { Material, Protocol } from '../house/house';
import type { Condition } from '../house/traits';
import type { MaterialId } from '../house/ids';
import { chosenPack } from '../house/packs';
import type { HouseSettings } from '../house/settings';
import type { Outcome } from '../problem/problem';

/** What is recommended to buy, and what a sale of it leaves. Minor units. */
export interface RetailLine {
  readonly materialId: MaterialId;
  readonly name: string;
  /** the finding that it is for; for everybody unless given */
  readonly finding?: Condition;
  /** expected share of guests who buy */
  readonly takeUp: number;
  /** what one is sold for, VAT included; nothing where the shelf does not say */
  readonly priceMinor?: number;
  /** what one costs the house */
  readonly costMinor?: number;
  /** net price - card fee - cost of one; nothing where one of them is not known */
  readonly leavesMinor?: number;
  /** what it leaves a visit on average */
  readonly perVisitMinor: number;
}

/** What is sold beside a service: apart from its price, and from what is given away. */
export interface Retail {
  readonly lines: readonly RetailLine[];
  readonly perVisitMinor: number;
}

/**
 * What recommended products leave a visit on average: expected share of guests who buy x (price / (1 + VAT) - card
 * fee on the price - cost of one container).
 * @param unitCosts landed cost of a unit of each material
 * @see P1
 */
export function retailOf(
  { around }: Pick<Protocol, 'around'>,
  materials: ReadonlyMap<MaterialId, Material>,
  unitCosts: ReadonlyMap<MaterialId, Outcome<number>>,
  { vat, cardFee }: Pick<HouseSettings, 'vat' | 'cardFee'>,
): Retail {
  const lines = (around?.recommends ?? []).flatMap(
    ({ materialId, finding, takeUp }): RetailLine[] => {
      const material = materials.get(materialId);
      if (!material || material.kind === 'linen') return [];
      const unitCost = unitCosts.get(materialId);
      const priceMinor = material.kind === 'retail' ? material.retailPriceMinor : undefined;
      const costMinor = unitCost?.ok ? unitCost.value * chosenPack(material).content : undefined;
      const leavesMinor =
        priceMinor === undefined || costMinor === undefined
          ? undefined
          : priceMinor / (1 + vat) - priceMinor * cardFee - costMinor;
      return [
        {
          materialId,
          name: material.name,
          ...(finding && { finding }),
          takeUp,
          ...(priceMinor !== undefined && { priceMinor }),
          ...(costMinor !== undefined && { costMinor }),
          ...(leavesMinor !== undefined && { leavesMinor }),
          perVisitMinor: takeUp * (leavesMinor ?? 0),
        },
      ];
    },
  );
  return { lines, perVisitMinor: lines.reduce((sum, line) => sum + line.perVisitMinor, 0) };
}
