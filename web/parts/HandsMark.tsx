import type { Hands } from '@bienestar/core/house/house';
import { MARK_LOOK } from '../figures/markLook';

export const HANDS_WORDS: Record<Hands, string> = {
  'hands-on': 'hands on',
  watching: 'watching',
  free: 'free',
};

/** The sign for whose hands: solid is on, ruled is watching, open is free. */
export function HandsMark({ hands }: { readonly hands: Hands }) {
  return (
    <span aria-hidden className={`inline-block size-3.5 shrink-0 border ${MARK_LOOK[hands]}`} />
  );
}
