/** A piece of a line, with where it stands in it. */
export interface Token {
  readonly kind: 'word' | 'number' | 'quoted' | 'sign';
  /** as it is compared: without accents, in small letters; of a quotation, what stands in it */
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

const PIECES =
  /"((?:[^"\\]|\\.)*)("?)|(\d{1,3}(?:'\d{3})+(?:[.,]\d+)?|\d{1,3}(?:\.\d{3})+,\d+|\d{1,3}(?:,\d{3})+\.\d+|\d+(?:[.,]\d+)?|[¼½¾⅓-⅞])|(\p{L}[\p{L}\p{N}]*)|([^\s])/gu;
const ACCENTS = /\p{M}/gu;
const FANCY: Readonly<Record<string, string>> = {
  '“': '"',
  '”': '"',
  '„': '"',
  '«': '"',
  '»': '"',
  '–': '-',
  '—': '-',
  '−': '-',
  '‑': '-',
  '’': "'",
  '\u00a0': ' ',
  '\u202f': ' ',
  '×': 'x',
};

/** Text as a keyboard has it: word processors put other quotes, dashes and spaces in their place. */
export function plainText(text: string): string {
  return text.replace(/[“”„«»–—−‑’\u00a0\u202f×]/gu, (sign) => FANCY[sign] ?? sign);
}

/** A word as it is compared: without accents, in small letters. */
export function compared(word: string): string {
  return word.normalize('NFD').replace(ACCENTS, '').toLowerCase();
}

/** The pieces of a line. A quotation without an end goes to the end of the line. */
export function tokensOf(line: string): Token[] {
  return [...line.matchAll(PIECES)].map((match): Token => {
    const [whole, quoted, , number, word] = match;
    const from = match.index;
    const to = from + whole.length;
    if (quoted !== undefined) {
      return { kind: 'quoted', text: quoted.replace(/\\(.)/gu, '$1'), from, to };
    }
    if (number !== undefined) return { kind: 'number', text: number, from, to };
    if (word !== undefined) return { kind: 'word', text: compared(word), from, to };
    return { kind: 'sign', text: whole, from, to };
  });
}

/** The pieces by which a phrase is looked up: words, numbers and signs, but not hyphens. */
export function phraseKey(tokens: readonly Token[]): string {
  return tokens
    .filter(({ kind, text }) => kind !== 'sign' || !SILENT.has(text))
    .map(({ text }) => text)
    .join(' ');
}

/** Signs that do not make one name another. */
export const SILENT: ReadonlySet<string> = new Set(['-', "'", '.', '/']);

/** A phrase as it is looked up. */
export function keyOf(phrase: string): string {
  return phraseKey(tokensOf(plainText(phrase)));
}

/** Words in quotes, as they are written into a line. */
export function quotedWords(words: string): string {
  return `"${words.replace(/["\\]/gu, '\\$&').replace(/\s+/gu, ' ')}"`;
}
