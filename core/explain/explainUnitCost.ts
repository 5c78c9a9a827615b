import { purchaseTaxOf, type TaxTerms } from '../cost/purchaseTax';
import type { PurchaseTax } from '../house/supplier';
import { packUnits } from '../cost/landedUnitCost';
import type { Material } from '../house/house';
import { preferredPack } from '../house/packs';
import { figure, type Origin, type Working } from './working';

/**
 * The working of what one unit of a material costs.
 * @param perUnit the figure as computed, minor units
 * @param terms how the prices of its supplier are typed
 * @see C1 C6
 */
export function explainUnitCost(material: Material, perUnit: number, terms: TaxTerms): Working {
  const from: Origin = { place: 'shelf', materialId: material.id };
  const result = figure(perUnit, `money/${material.unit}`);
  const title = `One ${material.unit} of ${material.name}`;
  if (material.kind === 'linen') {
    const { washMinor, replacementMinor, washesInLife } = material.laundry;
    return {
      title,
      codes: ['C6'],
      words: 'One wash, and the price of a new piece spread over the washes it lasts.',
      inputs: [
        { label: 'One wash', value: figure(washMinor, 'money'), from },
        { label: 'A new piece', value: figure(replacementMinor, 'money'), from },
        { label: 'Washes in its life', value: figure(washesInLife, 'washes'), from },
      ],
      result,
    };
  }
  const pack = preferredPack(material);
  const tax = purchaseTaxOf(pack, terms);
  return {
    title,
    codes: ['C1'],
    words: `What the pack costs on the shelf (price less discount, plus freight${taxWords(tax)} and tax that is not recovered), divided by what can be got out of it.`,
    inputs: [
      { label: 'Pack price', value: figure(pack.priceMinor, 'money'), from },
      { label: 'Discount', value: figure(pack.discount, 'share'), from },
      { label: 'Freight share', value: figure(pack.freightMinor, 'money'), from },
      ...(tax
        ? [{ label: 'Tax on what is bought', value: figure(tax.rate, 'share'), from: HOUSE }]
        : []),
      { label: 'Tax not recovered', value: figure(pack.unrecoveredTaxMinor, 'money'), from },
      { label: 'In the pack', value: figure(packUnits(pack), material.unit), from },
      { label: 'Left in the pack', value: figure(pack.residual, 'share'), from },
    ],
    result,
  };
}

const HOUSE: Origin = { place: 'house' };

function taxWords(tax: PurchaseTax | undefined): string {
  if (!tax || tax.included !== tax.recovered) return '';
  return tax.included ? ', without the tax that comes back' : ', with the tax that comes on top';
}
