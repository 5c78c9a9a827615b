import type { House, Pack } from '../house/house';
import type { PurchaseTax } from '../house/supplier';

/** What says how a price of a supplier is typed. */
export type TaxTerms = {
  readonly settings: Pick<House['settings'], 'purchaseTax'>;
  readonly suppliers: readonly Pick<House['suppliers'][number], 'id' | 'purchaseTax'>[];
};

/** How the prices of a pack's supplier are typed; nothing where they are what is paid. @see C1 */
export function purchaseTaxOf(
  { supplierId }: Pick<Pack, 'supplierId'>,
  { settings, suppliers }: TaxTerms,
): PurchaseTax | undefined {
  return suppliers.find(({ id }) => id === supplierId)?.purchaseTax ?? settings.purchaseTax;
}

/**
 * What is paid in the end for each unit of money that is typed: the tax is taken out where it is typed with the
 * price and comes back, and added where it is neither.
 * @example paidPerTyped({ rate: 0.21, included: true, recovered: true }) // 0.8264462809917356
 * @see C1
 */
export function paidPerTyped(tax: PurchaseTax | undefined): number {
  if (!tax || tax.included !== tax.recovered) return 1;
  return tax.included ? 1 / (1 + tax.rate) : 1 + tax.rate;
}

/** What is paid in the end for each unit of money that is typed as the price of a pack. @see C1 */
export function taxFactor(pack: Pick<Pack, 'supplierId'>, terms: TaxTerms): number {
  return paidPerTyped(purchaseTaxOf(pack, terms));
}
