import type { TwoSets } from '@bienestar/core/whatIf/kitOrBulk';
import { number } from '../../../format/figures';

/** From how many visits a month one set is the cheaper one, in a sentence. */
export function breakEvenWords({ breakEven, cheaper, visitsPerMonth }: TwoSets): string {
  const at = `${number(visitsPerMonth, 1)} visits a month`;
  if (breakEven !== null) {
    const from = `From ${number(breakEven)} visits a month the other set is cheaper`;
    return cheaper === 'other'
      ? `${from}; with ${at} it is.`
      : `${from}; with ${at} what is drawn today is.`;
  }
  switch (cheaper) {
    case 'other':
      return 'The other set is cheaper, however few visits there are.';
    case 'one':
      return `What is drawn today is cheaper with ${at}.`;
    case 'alike':
      return `With ${at} both cost the same.`;
  }
}
