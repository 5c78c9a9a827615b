/**
 * Whole numbers that add up to the rounded sum of `parts`: each is rounded down, and what is missing
 * goes to those with the largest remainders. So shown parts always make the shown total.
 * @param parts figures >= 0
 * @example roundToSum([1.5, 1.3, 1.3]) // [2, 1, 1]
 * @see the rounding rule of docs/calculations.md
 */
export function roundToSum(parts: readonly number[]): number[] {
  const total = Math.round(parts.reduce((sum, part) => sum + part, 0));
  const rounded = parts.map(Math.floor);
  const missing = total - rounded.reduce((sum, part) => sum + part, 0);
  const byRemainder = parts
    .map((part, at) => ({ at, remainder: part - Math.floor(part) }))
    .sort((a, b) => b.remainder - a.remainder);
  for (const { at } of byRemainder.slice(0, missing)) rounded[at] = (rounded[at] ?? 0) + 1;
  return rounded;
}
