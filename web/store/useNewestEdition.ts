import { useSnapshot } from './house';

/** The number of the newest published edition of a protocol; nothing when none is published. */
export function useNewestEdition(protocolId: string): number | undefined {
  return useSnapshot().editionHeads.findLast((head) => head.protocolId === protocolId)?.number;
}
