import type { GuestWords } from '@bienestar/core/house/house';

/**
 * What guests read with some of it changed; what is left empty is as the house says it.
 * @returns nothing when nothing is left to be said otherwise
 */
export function withWords(
  before: GuestWords | undefined,
  changes: Partial<GuestWords>,
): GuestWords | undefined {
  const { name = '', text = '', minutes, cautions = [] } = { ...before, ...changes };
  const said = cautions.map((caution) => caution.trim()).filter((caution) => caution !== '');
  const words: GuestWords = {
    ...(name.trim() !== '' && { name: name.trim() }),
    ...(text.trim() !== '' && { text: text.trim() }),
    ...(minutes !== undefined && { minutes }),
    ...(said.length > 0 && { cautions: said }),
  };
  return Object.keys(words).length === 0 ? undefined : words;
}
