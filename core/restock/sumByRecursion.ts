import type { CellSums, SizeInCells } from './sumOnGrid';
import type { UsesInTime } from './usesWhileWaiting';

/** Chances are scaled so that none of them is less than e to minus this, or more than that. */
const SCALED_FROM = 600;
const LARGE = 1e200;

/**
 * A compound Poisson or negative binomial sum, taken as far as it has been asked about. However many uses there
 * are, it is exact: what is less likely than any number can say is scaled up.
 * @see S3; Panjer, "Recursive evaluation of a family of compound distributions", 1981
 */
export class SumByRecursion implements CellSums {
  readonly #lengths: Int32Array;
  readonly #flat: Float64Array;
  readonly #falling: Float64Array;
  /** Poisson: nothing of it is flat */
  readonly #plain: boolean;
  /** P(demand = x), in cells, each divided by e^log */
  #chances: Float64Array;
  #log = 0;
  /** P(demand <= x) */
  #within: Float64Array;
  /** the sum of P(demand <= y) over y <= x */
  #sums: Float64Array;
  #known = 1;

  /** @param room cells that it is likely asked about */
  constructor(sizes: readonly SizeInCells[], { mean, variance, law }: UsesInTime, room: number) {
    this.#plain = law === 'poisson';
    const over = this.#plain ? 0 : variance / mean - 1;
    const a = over / (1 + over);
    const b = this.#plain ? mean : (mean / over - 1) * a;
    const nothing = sizes.find(({ cells }) => cells === 0)?.share ?? 0;
    const logStart = this.#plain
      ? -mean * (1 - nothing)
      : (-mean / over) * Math.log1p(over * (1 - nothing));
    this.#log = Math.min(0, logStart + SCALED_FROM);
    const positive = sizes.filter(({ cells }) => cells > 0);
    this.#lengths = Int32Array.from(positive, ({ cells }) => cells);
    this.#flat = Float64Array.from(positive, ({ share }) => (a * share) / (1 - a * nothing));
    this.#falling = Float64Array.from(
      positive,
      ({ share, cells }) => (b * cells * share) / (1 - a * nothing),
    );
    this.#chances = new Float64Array(room);
    this.#within = new Float64Array(room);
    this.#sums = new Float64Array(room);
    this.#chances[0] = Math.exp(logStart - this.#log);
    this.#within[0] = Math.exp(logStart);
    this.#sums[0] = Math.exp(logStart);
  }

  withinAt = (x: number): number => {
    this.#know(x);
    return this.#within[x] as number;
  };

  sumAt = (x: number): number => {
    this.#know(x);
    return this.#sums[x] as number;
  };

  /* The innermost loop of the whole house: indexes are in range, so their values are there. */
  #know(upTo: number): void {
    if (upTo < this.#known) return;
    if (upTo >= this.#chances.length) this.#grow(upTo);
    const lengths = this.#lengths;
    const flat = this.#flat;
    const falling = this.#falling;
    const chances = this.#chances;
    const count = lengths.length;
    const plain = this.#plain;
    const farthest = lengths[count - 1] ?? 0;
    let unscaled = Math.exp(this.#log);
    for (let x = this.#known; x <= upTo; x += 1) {
      let byFlat = 0;
      let byFalling = 0;
      for (let at = 0; at < count; at += 1) {
        const below = x - (lengths[at] as number);
        if (below < 0) break;
        const before = chances[below] as number;
        byFalling += (falling[at] as number) * before;
        if (!plain) byFlat += (flat[at] as number) * before;
      }
      const chance = byFlat + byFalling / x;
      chances[x] = chance;
      this.#within[x] = (this.#within[x - 1] as number) + chance * unscaled;
      this.#sums[x] = (this.#sums[x - 1] as number) + (this.#within[x] as number);
      if (chance > LARGE) {
        /* What the next chances are made from is scaled down together. */
        for (let at = Math.max(0, x - farthest); at <= x; at += 1)
          chances[at] = (chances[at] as number) / LARGE;
        this.#log += Math.log(LARGE);
        unscaled = Math.exp(this.#log);
      }
    }
    this.#known = upTo + 1;
  }

  #grow(upTo: number): void {
    const grown = (of: Float64Array): Float64Array<ArrayBuffer> => {
      const larger = new Float64Array(Math.max(of.length * 2, upTo + 1));
      larger.set(of);
      return larger;
    };
    this.#chances = grown(this.#chances);
    this.#within = grown(this.#within);
    this.#sums = grown(this.#sums);
  }
}
