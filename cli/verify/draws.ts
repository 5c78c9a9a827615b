import type { Lots } from '@bienestar/core/testing/lots';

/** A normal draw (polar method). */
function normal(lots: Lots): number {
  for (;;) {
    const x = lots.between(-1, 1);
    const y = lots.between(-1, 1);
    const square = x * x + y * y;
    if (square > 0 && square < 1) return x * Math.sqrt((-2 * Math.log(square)) / square);
  }
}

/** A gamma draw (Marsaglia and Tsang, 2000); below a shape of 1 by a power of a uniform one. */
export function gamma(shape: number, lots: Lots): number {
  if (shape < 1) return gamma(shape + 1, lots) * (1 - lots.unit()) ** (1 / shape);
  const d = shape - 1 / 3;
  const c = 1 / Math.sqrt(9 * d);
  for (;;) {
    const x = normal(lots);
    const v = (1 + c * x) ** 3;
    if (v > 0 && Math.log(1 - lots.unit()) < 0.5 * x * x + d - d * v + d * Math.log(v))
      return d * v;
  }
}
