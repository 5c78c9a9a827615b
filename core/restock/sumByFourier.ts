import type { CellSums, SizeInCells } from './sumOnGrid';
import type { UsesInTime } from './usesWhileWaiting';

/** So many times its spread beyond its mean, a sum is at its end. */
const SPREADS = 10;
const FEWEST_CELLS = 64;
/** The logarithm of what adds nothing to a sum. */
const NOTHING = -60;
const MOST_CELLS = 2 ** 19;

/**
 * A mixture of compound Poisson sums, by the inverse of its Fourier transform: the sum over the parts of their
 * share x exp(mean x (f - 1)), where f is the transform of the sizes.
 * @param sizes in cells
 * @param parts each Poisson
 * @see S2 S3
 */
export function sumByFourier(
  sizes: readonly SizeInCells[],
  parts: readonly UsesInTime[],
): CellSums {
  const most = parts.reduce((largest, { mean }) => Math.max(largest, mean), 0);
  const meanCells = sizes.reduce((sum, { cells, share }) => sum + cells * share, 0);
  const squareCells = sizes.reduce((sum, { cells, share }) => sum + cells ** 2 * share, 0);
  const largest = sizes.at(-1)?.cells ?? 0;
  const end = most * meanCells + SPREADS * (Math.sqrt(most * squareCells) + largest);
  let count = FEWEST_CELLS;
  while (count < end && count < MOST_CELLS) count *= 2;

  const re = new Float64Array(count);
  const im = new Float64Array(count);
  for (const { cells, share } of sizes) re[cells % count] = (re[cells % count] ?? 0) + share;
  transform(re, im);
  for (let at = 0; at <= count / 2; at += 1) {
    const real = (re[at] as number) - 1;
    const imaginary = im[at] as number;
    let sumRe = 0;
    let sumIm = 0;
    for (const { share, mean } of parts) {
      if (mean * real < NOTHING) continue;
      const size = share * Math.exp(mean * real);
      sumRe += size * Math.cos(mean * imaginary);
      sumIm += size * Math.sin(mean * imaginary);
    }
    /* Of a real sequence the inverse is the transform of the conjugate. */
    re[at] = sumRe / count;
    im[at] = -sumIm / count;
    if (at === 0 || at === count / 2) continue;
    re[count - at] = sumRe / count;
    im[count - at] = sumIm / count;
  }
  transform(re, im);

  const within = new Float64Array(count);
  const sums = new Float64Array(count);
  let upTo = 0;
  let all = 0;
  for (let x = 0; x < count; x += 1) {
    upTo = Math.min(1, upTo + Math.max(0, re[x] as number));
    all += upTo;
    within[x] = upTo;
    sums[x] = all;
  }
  return {
    withinAt: (x) => (x < count ? (within[x] as number) : 1),
    sumAt: (x) => (x < count ? (sums[x] as number) : all + (x - count + 1)),
  };
}

/**
 * The discrete Fourier transform, in place.
 * @param re,im of one length, a power of two
 * @see Cooley and Tukey, "An algorithm for the machine calculation of complex Fourier series", 1965
 */
function transform(re: Float64Array, im: Float64Array): void {
  const count = re.length;
  for (let at = 1, mirrored = 0; at < count; at += 1) {
    let bit = count >> 1;
    for (; (mirrored & bit) !== 0; bit >>= 1) mirrored ^= bit;
    mirrored ^= bit;
    if (at < mirrored) {
      swap(re, at, mirrored);
      swap(im, at, mirrored);
    }
  }
  for (let size = 2; size <= count; size *= 2) {
    const half = size / 2;
    for (let turn = 0; turn < half; turn += 1) {
      const angle = (-2 * Math.PI * turn) / size;
      const cos = Math.cos(angle);
      const sin = Math.sin(angle);
      for (let one = turn; one < count; one += size) {
        const other = one + half;
        const real = (re[other] as number) * cos - (im[other] as number) * sin;
        const imaginary = (re[other] as number) * sin + (im[other] as number) * cos;
        re[other] = (re[one] as number) - real;
        im[other] = (im[one] as number) - imaginary;
        re[one] = (re[one] as number) + real;
        im[one] = (im[one] as number) + imaginary;
      }
    }
  }
}

function swap(of: Float64Array, one: number, other: number): void {
  const kept = of[one] as number;
  of[one] = of[other] as number;
  of[other] = kept;
}
