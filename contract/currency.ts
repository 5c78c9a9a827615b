const known = new Map<string, number>();

/** How many minor units make one of a currency (ISO 4217, as the runtime knows it). */
export function minorPerMajor(currency: string): number {
  const before = known.get(currency);
  if (before !== undefined) return before;
  const format = new Intl.NumberFormat('en', { style: 'currency', currency });
  const { maximumFractionDigits = 2 } = format.resolvedOptions();
  const units = 10 ** maximumFractionDigits;
  known.set(currency, units);
  return units;
}
