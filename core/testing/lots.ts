/** Draws that come out the same for the same seed: a generator of its own, apart from core's. */
export class Lots {
  #state: number;

  constructor(seed: number) {
    this.#state = (seed * 2_654_435_761 + 97) >>> 0;
  }

  /** From 0 up to, but not including, 1. */
  unit(): number {
    this.#state = (this.#state + 0x6d2b79f5) >>> 0;
    let mixed = this.#state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  }

  between(least: number, most: number): number {
    return least + this.unit() * (most - least);
  }

  whole(least: number, most: number): number {
    return Math.floor(this.between(least, most + 1));
  }

  /** A figure with so many decimals, as a person types it. */
  typed(least: number, most: number, decimals = 1): number {
    return Number(this.between(least, most).toFixed(decimals));
  }

  one<T>(of: readonly T[]): T {
    const found = of[this.whole(0, of.length - 1)];
    if (found === undefined) throw new Error('There is nothing to draw from.');
    return found;
  }

  is(chance: number): boolean {
    return this.unit() < chance;
  }
}
