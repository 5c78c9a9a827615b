import type { Phrases } from './vocabulary';
import { phraseKey, tokensOf, type Token } from './tokens';

/** Something that does not fit in a line, and where. */
export interface LineFault {
  /** it can be two things or lacks something; or nothing known is called so */
  readonly is: 'question' | 'not-understood';
  readonly from: number;
  readonly to: number;
  readonly message: string;
}

/** A part of a line that was understood, and as what. */
export interface Understood {
  readonly from: number;
  readonly to: number;
  readonly as: string;
  /** of an amount: which of them */
  readonly doseAt?: number;
}

/** Phrases that could stand at the end of what is written, and from where they would. */
export interface Wanted {
  readonly from: number;
  readonly typed: string;
  readonly phrases: Phrases<unknown>;
}

interface Match<T> {
  readonly meanings: readonly { readonly name: string; readonly value: T }[];
  readonly from: number;
  readonly to: number;
}

/** Goes through the pieces of a line, and keeps what was understood and what was not. */
export class Cursor {
  readonly #tokens: readonly Token[];
  readonly #line: string;
  #at = 0;
  readonly faults: LineFault[] = [];
  readonly understood: Understood[] = [];
  #wanted: Wanted[] = [];

  constructor(line: string) {
    this.#tokens = tokensOf(line);
    this.#line = line;
  }

  get next(): Token | undefined {
    return this.#tokens[this.#at];
  }

  peek(ahead: number): Token | undefined {
    return this.#tokens[this.#at + ahead];
  }

  get done(): boolean {
    return this.#at >= this.#tokens.length;
  }

  /** Where the cursor stands, to come back to. */
  get mark(): number {
    return this.#at;
  }

  backTo(mark: number): void {
    this.#at = mark;
  }

  /** What could have gone on at the end of the line. */
  get wanted(): readonly Wanted[] {
    return this.#wanted;
  }

  /** The place of the next piece in the line. */
  get from(): number {
    return this.next?.from ?? this.#line.length;
  }

  take(): Token | undefined {
    const token = this.next;
    this.#at += 1;
    return token;
  }

  /** Takes one of these words or signs. */
  takeWord(...words: readonly string[]): Token | undefined {
    const token = this.next;
    if (!token || token.kind === 'quoted' || !words.includes(token.text)) return undefined;
    return this.take();
  }

  takeQuoted(): string | undefined {
    return this.next?.kind === 'quoted' ? this.take()?.text : undefined;
  }

  /** Takes the longest phrase that is known. */
  takePhrase<T>(phrases: Phrases<T>): Match<T> | undefined {
    const start = this.#at;
    const first = this.next;
    this.#want(phrases);
    if (!first || first.kind === 'quoted') return undefined;
    const most = Math.min(this.#tokens.length - start, phrases.longest * 2);
    for (let count = most; count > 0; count -= 1) {
      const pieces = this.#tokens.slice(start, start + count);
      const last = pieces.at(-1);
      /* A dash behind a phrase belongs to what follows: `temperature -4`. */
      if (!last || (count > 1 && last.text === '-')) continue;
      if (pieces.some((piece) => piece.kind === 'quoted')) continue;
      const meanings = phrases.meanings(phraseKey(pieces));
      if (meanings.length === 0) continue;
      this.#at = start + count;
      return { meanings, from: first.from, to: last.to };
    }
    return undefined;
  }

  /** Whether a known phrase comes next. */
  sees(phrases: Phrases<unknown>): boolean {
    return this.ahead(() => this.takePhrase(phrases) !== undefined);
  }

  /** Looks ahead: the cursor stands where it stood, and nothing that was looked for is offered. */
  ahead<T>(look: () => T): T {
    const at = this.#at;
    const before = this.#wanted;
    const found = look();
    this.#at = at;
    this.#wanted = before;
    return found;
  }

  /** Notes that `phrases` could stand here, when nothing but their beginning is written. */
  #want(phrases: Phrases<unknown>): void {
    const rest = this.#tokens.slice(this.#at);
    if (rest.some((token) => token.kind === 'quoted')) return;
    const typed = phraseKey(rest);
    if (typed.split(' ').length > phrases.longest) return;
    this.#wanted = [
      ...this.#wanted.filter((each) => each.from >= this.from),
      { from: this.from, typed, phrases },
    ];
  }

  /** Words as they were typed, up to where something else begins. */
  takeWords(stops: (cursor: Cursor) => boolean): { text: string; from: number; to: number } {
    const from = this.from;
    let to = from;
    while (!this.done && !stops(this)) to = this.take()?.to ?? to;
    return { text: this.typed(from, to), from, to };
  }

  /** A part of the line as it was typed. */
  typed(from: number, to: number): string {
    return this.#line.slice(from, to).replace(/\s+/gu, ' ');
  }

  /** Asks about a part of the line: nothing is put in the place of the answer. */
  fault(from: number, to: number, message: string): void {
    this.faults.push({ is: 'question', from, to: Math.max(to, from), message });
  }

  /** Says that nothing is called like a part of the line. */
  unknown(from: number, to: number, message: string): void {
    this.faults.push({ is: 'not-understood', from, to: Math.max(to, from), message });
  }

  /** @param doseAt which of the amounts of the line it is */
  note(from: number, to: number, as: string, doseAt?: number): void {
    this.understood.push({ from, to, as, ...(doseAt !== undefined && { doseAt }) });
  }

  /** Where the last piece that was taken ends. */
  get behind(): number {
    return this.#tokens[this.#at - 1]?.to ?? 0;
  }
}
