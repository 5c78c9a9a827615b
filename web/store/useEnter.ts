import { nanoid } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import type { Fault } from '@bienestar/contract/check';
import { asId, type EntryId, type LotId } from '@bienestar/core/house/ids';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { refusedBy, useEnterMutation } from './api';

/** How an entry ended. */
export type Entered =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly faults: readonly Fault[] };

/** An id for a new entry: kept while it is tried again, so that it counts once. */
export function newEntryId(): EntryId {
  return asId(nanoid(16));
}

/** An id for a lot that comes with an entry. */
export function newLotId(): LotId {
  return asId(nanoid(16));
}

/** Enters something into the ledger; what is refused is answered in words for its field. */
export function useEnter(): (entry: StockEntry) => Promise<Entered> {
  const [enter] = useEnterMutation();
  return useCallback(
    async (entry) => {
      const result = await enter(entry);
      if (!result.error) return { ok: true };
      const refused = refusedBy(result.error);
      return refused.kind === 'away'
        ? { ok: false, message: refused.message, faults: [] }
        : {
            ok: false,
            message: refused.document.detail,
            faults: refused.document.errors ?? [],
          };
    },
    [enter],
  );
}
