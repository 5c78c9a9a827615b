import type { Pack } from '../house/house';

/** A pack after its price has changed by a share (0.05 is 5 % dearer), in whole minor units. */
export function repriced(pack: Pack, byShare: number): Pack {
  return { ...pack, priceMinor: Math.max(0, Math.round(pack.priceMinor * (1 + byShare))) };
}
