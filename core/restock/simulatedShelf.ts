import { UseInTurn } from '../stock/usable';

/** How a material keeps and comes, for a simulation. Amounts are what can be got out, in its unit. */
export interface Keeping {
  /** in one container */
  readonly containerUnits: number;
  readonly containersPerPack: number;
  /** a new pack keeps so many days closed */
  readonly sealedDays?: number;
  /** a container keeps so many days once it is open */
  readonly openDays?: number;
  /** of a container that was opened, what is used while it is good (C2); 1 unless given */
  readonly usedShare?: number;
}

/** A pile of containers, or an open one, that is over on a day. */
interface Pile {
  amount: number;
  /** day on which it is over */
  readonly ends: number;
}

/** An order on its way. */
interface Coming {
  readonly at: number;
  readonly packs: number;
}

const NOTHING = 1e-9;

/** One material on a shelf that is played through: what is open, sealed and on its way. Days from 0. */
export class SimulatedShelf {
  readonly keeping: Keeping;
  readonly packUnits: number;
  /** whether anything on it can be over */
  #aging: boolean;
  #open: Pile | undefined;
  readonly #sealed: Pile[] = [];
  readonly #coming: Coming[] = [];
  onHand = 0;
  onOrder = 0;
  day = 0;
  wasted = 0;
  /** the sum of what lay there, over time */
  area = 0;

  constructor(keeping: Keeping) {
    this.keeping = keeping;
    this.packUnits = keeping.containerUnits * keeping.containersPerPack;
    this.#aging = keeping.openDays !== undefined || keeping.sealedDays !== undefined;
  }

  /** Puts something there that was there from the beginning. */
  put(amount: number, daysLeft: number | undefined, how: 'open' | 'sealed'): void {
    if (!(amount > NOTHING)) return;
    if (daysLeft !== undefined) this.#aging = true;
    const pile = { amount, ends: daysLeft === undefined ? Infinity : this.day + daysLeft };
    if (how === 'open' && !this.#open) this.#open = pile;
    else this.#addSealed(pile);
    this.onHand += amount;
  }

  /** Lets something be on its way from the beginning. */
  expect(packs: number, at: number): void {
    this.#coming.push({ at, packs });
    this.#coming.sort((a, b) => a.at - b.at);
    this.onOrder += packs * this.packUnits;
  }

  /** The day of the next delivery; never, where none is on its way. */
  get nextDelivery(): number {
    return this.#coming[0]?.at ?? Infinity;
  }

  /** The day on which something is over next; never, where everything keeps. */
  get nextEnd(): number {
    if (!this.#aging) return Infinity;
    return Math.min(this.#open?.ends ?? Infinity, this.#sealed[0]?.ends ?? Infinity);
  }

  /** Lets time pass; nothing happens meanwhile. */
  passTo(day: number): void {
    this.area += this.onHand * (day - this.day);
    this.day = day;
  }

  /** Throws away what is over. */
  discardOver(): number {
    let over = 0;
    if (this.#open && this.#open.ends <= this.day) {
      over += this.#open.amount;
      this.#open = undefined;
    }
    while (this.#sealed[0] && this.#sealed[0].ends <= this.day) {
      over += this.#sealed.shift()?.amount ?? 0;
    }
    this.onHand = Math.max(0, this.onHand - over);
    this.wasted += over;
    return over;
  }

  /** Puts the delivery that is due on the shelf. */
  receive(): number {
    const came = this.#coming.shift();
    if (!came) return 0;
    const amount = came.packs * this.packUnits;
    this.onOrder -= amount;
    const { sealedDays } = this.keeping;
    this.#addSealed({ amount, ends: sealedDays === undefined ? Infinity : this.day + sealedDays });
    this.onHand += amount;
    return amount;
  }

  /** Takes `amount`; answers how much of it was not there. */
  use(amount: number): number {
    let left = amount;
    const { openDays, containerUnits } = this.keeping;
    while (left > NOTHING) {
      const open = this.#open;
      if (open) {
        const taken = Math.min(left, open.amount);
        open.amount -= taken;
        left -= taken;
        this.onHand -= taken;
        if (open.amount <= NOTHING) this.#open = undefined;
        continue;
      }
      const next = this.#sealed[0];
      if (!next) break;
      const content = openDays === undefined ? next.amount : Math.min(next.amount, containerUnits);
      const ends = openDays === undefined ? next.ends : Math.min(next.ends, this.day + openDays);
      this.#open = { amount: content, ends };
      next.amount -= content;
      if (next.amount <= NOTHING) this.#sealed.shift();
    }
    if (this.onHand < NOTHING) this.onHand = 0;
    return left > NOTHING ? left : 0;
  }

  /** What counts of what is there, used in turn at a rate, and what is on its way. */
  position(perDay: number): number {
    if (!this.#aging) return this.onHand + this.onOrder;
    const { usedShare = 1, sealedDays = Infinity } = this.keeping;
    const turn = new UseInTurn(perDay);
    if (this.#open) turn.take(this.#open.amount, this.#open.ends - this.day);
    for (const { amount, ends } of this.#sealed) turn.take(amount * usedShare, ends - this.day);
    for (const { packs, at } of this.#coming) {
      turn.take(packs * this.packUnits * usedShare, at - this.day + sealedDays);
    }
    return turn.usable;
  }

  /** Takes what is surely there and calls for nothing: the sum of several uses. */
  useMany(amount: number): void {
    if (this.use(amount) > 0) throw new Error('More was taken than there is.');
  }

  #addSealed(pile: Pile): void {
    this.#sealed.push(pile);
    if (this.#sealed.length > 1) this.#sealed.sort((a, b) => a.ends - b.ends);
  }
}
