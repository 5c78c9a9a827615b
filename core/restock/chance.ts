import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

const TO_UNIT = 2 ** -32;

/** Random draws that come out the same for the same seed. */
export class Chance {
  readonly #source;

  /** @param seed a whole number */
  constructor(seed: number) {
    this.#source = xoroshiro128plus(seed);
  }

  /** Above 0 and below 1. */
  unit(): number {
    return ((this.#source.next() >>> 0) + 0.5) * TO_UNIT;
  }

  /** Days until the next of events that come at a rate a day. */
  wait(perDay: number): number {
    return -Math.log(this.unit()) / perDay;
  }

  /** A standard normal figure (Box and Muller, 1958). */
  normal(): number {
    return Math.sqrt(-2 * Math.log(this.unit())) * Math.cos(2 * Math.PI * this.unit());
  }

  /**
   * Gamma of a mean and a spread: a wait that cannot be negative. Uses over it are negative binomial,
   * as the reorder point takes them (Marsaglia and Tsang, 2000).
   */
  gamma(mean: number, sd: number): number {
    if (!(sd > 0) || !(mean > 0)) return mean;
    const shape = (mean / sd) ** 2;
    const scale = sd ** 2 / mean;
    const boosted = shape < 1 ? shape + 1 : shape;
    const d = boosted - 1 / 3;
    const c = 1 / Math.sqrt(9 * d);
    for (;;) {
      const x = this.normal();
      const v = (1 + c * x) ** 3;
      if (v <= 0) continue;
      if (Math.log(this.unit()) < (x * x) / 2 + d - d * v + d * Math.log(v)) {
        const boost = shape < 1 ? this.unit() ** (1 / shape) : 1;
        return d * v * boost * scale;
      }
    }
  }

  /** How many events of a mean fall into an interval (Knuth's product for small means). */
  count(mean: number): number {
    if (mean > 30) return Math.max(0, Math.round(mean + Math.sqrt(mean) * this.normal()));
    const end = Math.exp(-mean);
    let product = this.unit();
    let events = 0;
    while (product > end) {
      product *= this.unit();
      events += 1;
    }
    return events;
  }
}

/** Draws one of several by their shares; the shares sum to 1. */
export function drawerOf(
  sizes: readonly { readonly amount: number; readonly share: number }[],
): (chance: Chance) => number {
  const [only] = sizes;
  if (!only) return () => 0;
  if (sizes.length === 1) return () => only.amount;
  const amounts = Float64Array.from(sizes, ({ amount }) => amount);
  const upTo = Float64Array.from(sizes, ({ share }) => share);
  for (let at = 1; at < upTo.length; at += 1) {
    upTo[at] = (upTo[at] as number) + (upTo[at - 1] as number);
  }
  const last = amounts.length - 1;
  return (chance) => {
    const drawn = chance.unit();
    let at = 0;
    while (at < last && drawn > (upTo[at] as number)) at += 1;
    return amounts[at] as number;
  };
}
