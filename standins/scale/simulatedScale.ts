/** What can be wrong with the scale. */
export type ScaleFault = 'none' | 'unplugged' | 'overload' | 'unstable';

/** What its display says. Grams. */
export type Reading =
  | { readonly is: 'stable' | 'settling'; readonly grams: number }
  | { readonly is: 'overload' };

const CAPACITY_G = 2000;
const RESOLUTION_G = 0.01;
/** Time in which a change of load settles to about a third. */
const SETTLES_MS = 250;
/** Nearer than this to where it settles, and the display is called stable. */
const STABLE_WITHIN_G = 0.02;
const DRIFT_G = 0.015;
const DRIFT_PERIOD_MS = 40_000;
const SHAKE_G = 1.5;

/**
 * A bench scale that behaves as one does: after a change it swings towards the new weight, drifts a
 * little, and calls itself stable only when it has settled. All it knows of time is `now`.
 */
export class SimulatedScale {
  readonly #now: () => number;
  #load = 0;
  #from = 0;
  #changedAt: number;
  #zero = 0;
  #fault: ScaleFault = 'none';

  /** @param now milliseconds, never running backwards */
  constructor(now: () => number) {
    this.#now = now;
    this.#changedAt = now();
  }

  get fault(): ScaleFault {
    return this.#fault;
  }

  /** Says what is wrong with it from now on. */
  fail(fault: ScaleFault): void {
    this.#fault = fault;
    this.#changedAt = this.#now();
  }

  /** Lays so many grams on it in the place of what lies there. */
  put(grams: number): void {
    this.#from = this.#settling();
    this.#load = Math.max(0, grams);
    this.#changedAt = this.#now();
  }

  /** Lays something beside what lies there. */
  add(grams: number): void {
    this.put(this.#load + grams);
  }

  /** Makes what lies there count as nothing; false while it is not stable. */
  zero(): boolean {
    if (this.read().is !== 'stable') return false;
    this.#zero = this.#settling();
    return true;
  }

  /** What the display says now. */
  read(): Reading {
    if (this.#fault === 'overload' || this.#settling() > CAPACITY_G) return { is: 'overload' };
    const shaken = this.#fault === 'unstable';
    const swing = shaken ? SHAKE_G * Math.sin(this.#now() / 90) : 0;
    const drift = DRIFT_G * Math.sin((2 * Math.PI * this.#now()) / DRIFT_PERIOD_MS);
    const shown = this.#settling() - this.#zero + swing + (this.#load > 0 ? drift : 0);
    const settled = Math.abs(this.#settling() - this.#load) < STABLE_WITHIN_G;
    return {
      is: settled && !shaken ? 'stable' : 'settling',
      grams: Math.round(shown / RESOLUTION_G) * RESOLUTION_G,
    };
  }

  #settling(): number {
    const since = this.#now() - this.#changedAt;
    return this.#load + (this.#from - this.#load) * Math.exp(-since / SETTLES_MS);
  }
}
