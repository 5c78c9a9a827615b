import type { House, Material, Person, Protocol } from '@bienestar/core/house/house';
import { contentOf, packOf } from './amountsByHand';

const DAYS: Readonly<Record<string, number>> = {
  months: 365.25 / 12,
  weeks: 7,
  days: 1,
  hours: 1 / 24,
};

/** Landed cost of a unit. */
export function unitCostByHand(material: Material, { settings, suppliers }: House): number {
  if (material.kind === 'linen') {
    const { washMinor, replacementMinor, washesInLife } = material.laundry;
    return washMinor + replacementMinor / washesInLife;
  }
  const {
    priceMinor,
    discount,
    freightMinor,
    unrecoveredTaxMinor,
    residual,
    containers,
    supplierId,
  } = packOf(material);
  const tax = suppliers.find(({ id }) => id === supplierId)?.purchaseTax ?? settings.purchaseTax;
  let billed = priceMinor * (1 - discount) + freightMinor;
  if (tax) {
    const without = tax.included ? billed / (1 + tax.rate) : billed;
    billed = tax.recovered ? without : without * (1 + tax.rate);
  }
  const paid = billed + unrecoveredTaxMinor;
  return paid / (containers * contentOf(material) * (1 - residual));
}

/** The share that is used of an open container, at what all services draw of it. */
export function usedShareByHand(
  material: Material,
  uses: readonly { readonly perWeek: number; readonly amount: number }[],
): number {
  const life =
    material.kind === 'back-bar' || material.kind === 'fresh' ? material.openLife : undefined;
  const some = uses.filter(({ perWeek, amount }) => perWeek > 0 && amount > 0);
  const perDay = some.reduce((sum, { perWeek }) => sum + perWeek, 0) / 7;
  if (!life || perDay === 0 || material.kind === 'linen') return 1;
  const amount = some.reduce((sum, use) => sum + use.perWeek * use.amount, 0) / 7 / perDay;
  const room = Math.max(
    1,
    Math.floor((contentOf(material) * (1 - packOf(material).residual)) / amount + 1e-9),
  );
  const mean = perDay * life.amount * (DAYS[life.unit] ?? Number.NaN);
  let log = -mean;
  let used = 0;
  for (let further = 0; further < mean + 40 * Math.sqrt(mean) + 60; further += 1) {
    used += Math.exp(log) * Math.min(1 + further, room);
    log += Math.log(mean) - Math.log(further + 1);
  }
  return used / room;
}

/** What the products that are recommended leave a visit, guests who do not buy included. */
export function retailByHand({ around }: Protocol, house: House): number {
  const { vat, cardFee } = house.settings;
  let sum = 0;
  for (const { materialId, takeUp } of around?.recommends ?? []) {
    const material = house.materials.find(({ id }) => id === materialId);
    if (material?.kind !== 'retail' || material.retailPriceMinor === undefined) continue;
    const paidByGuest = material.retailPriceMinor;
    const kept = paidByGuest - (paidByGuest * vat) / (1 + vat) - paidByGuest * cardFee;
    sum += takeUp * (kept - unitCostByHand(material, house) * contentOf(material));
  }
  return sum;
}

/** What a minute of people costs, of that owed anyhow, and their share of the net price; the mean, on-cost included. */
export function payByHand(
  people: readonly Person[],
  { settings }: House,
): { readonly perMinute: number; readonly fixed: number; readonly share: number } {
  const mean = (of: (person: Person) => number): number =>
    people.reduce((sum, one) => sum + of(one) * (1 + (one.onCost ?? settings.onCost)), 0) /
    people.length;
  const { openDaysPerMonth, openHoursPerDay } = settings.roomCost;
  const hoursAMonth = ({ hoursPerWeek }: Person): number =>
    hoursPerWeek === undefined ? openDaysPerMonth * openHoursPerDay : (hoursPerWeek * 52) / 12;
  const owed = mean((one) => {
    const agreed = one.paidWhenWorking ? 0 : one.hourlyPayMinor;
    return agreed + (one.monthlyPayMinor ?? 0) / hoursAMonth(one);
  });
  const working = mean((one) => (one.paidWhenWorking ? one.hourlyPayMinor : 0));
  const fixed = owed / 60 / settings.bookableShare;
  return { perMinute: fixed + working / 60, fixed, share: mean((one) => one.shareOfPrice ?? 0) };
}
