import type { Material } from '../house/house';
import { preferredPack } from '../house/packs';
import { ok, type Outcome, type Where } from '../problem/problem';
import { landedUnitCost } from './landedUnitCost';
import { linenCost } from './linenCost';
import { taxFactor, type TaxTerms } from './purchaseTax';

/**
 * What one ml, g or piece of a material costs to use, by its kind.
 * @param terms how the prices of its supplier are typed
 * @returns minor units per unit
 * @see C1 C6
 */
export function unitCost(material: Material, terms: TaxTerms): Outcome<number> {
  const where: Where = { materialId: material.id };
  switch (material.kind) {
    case 'linen':
      return linenCost(material.laundry, material.name, where);
    case 'back-bar':
    case 'single-dose':
    case 'consumable':
    case 'device-part':
    case 'fresh':
    case 'retail':
    case 'kit': {
      const pack = preferredPack(material);
      const landed = landedUnitCost(pack, taxFactor(pack, terms), material.name, where);
      return landed.ok ? ok(landed.value.perUnit) : landed;
    }
  }
}
