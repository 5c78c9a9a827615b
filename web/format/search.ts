/** Text as it is compared: without accents, capitals and signs. */
export function plainText(text: string): string {
  return text
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[^\p{L}\p{N}%]+/gu, ' ')
    .trim();
}

/**
 * A test for texts made plain: every word of `query` begins a word of the text, in any order.
 * @param query as it was typed
 */
export function matcherOf(query: string): (plain: string) => boolean {
  const words = plainText(query).split(' ').filter(Boolean);
  return (plain) => words.every((word) => ` ${plain}`.includes(` ${word}`));
}
