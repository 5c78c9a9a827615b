import { isOutOfLine } from '@bienestar/core/house/packs';
import { money } from '../../format/figures';
import { ask } from '../../parts/ask';

/**
 * Asks whether a price is meant that is ten times as much as before, or a tenth.
 * @returns what stands at the field when it is not
 */
export async function priceIsMeant(
  name: string,
  before: number,
  after: number,
  currency: string,
): Promise<string | undefined> {
  if (!isOutOfLine(before, after)) return undefined;
  const isMeant = await ask({
    title: `${money(after, currency)} for a pack of ${name}?`,
    words: `It was ${money(before, currency)} before. A point or a nought may have slipped.`,
    yes: 'Yes, take it',
  });
  return isMeant ? undefined : `It is still ${money(before, currency)}.`;
}
