import { nanoid } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import type { Fault } from '@bienestar/contract/check';
import { asId, type EntryId, type LotId } from '@bienestar/core/house/ids';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { refusedBy, useEnterMutation } from './api';
import { meantOnce, outcomeKnown } from './meantOnce';

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

/** What an entry means, without the ids and the moment that it was given when it was pressed. */
export function meaningOf(entry: StockEntry): string {
  const { id: _id, at: _at, ...plain } = entry;
  return JSON.stringify({ ...plain, ...('lotId' in plain && isMadeFor(entry) && { lotId: '' }) });
}

/** Whether the lot of an entry is made with it. */
function isMadeFor({ kind }: StockEntry): boolean {
  return kind === 'delivery' || kind === 'total-count';
}

/** Enters something into the ledger; what is refused is answered in words for its field. */
export function useEnter(): (entry: StockEntry) => Promise<Entered> {
  const [enter] = useEnterMutation();
  return useCallback(
    async (entry) => {
      const meaning = meaningOf(entry);
      const result = await enter(meantOnce(meaning, () => entry));
      if (!result.error) {
        outcomeKnown(meaning);
        return { ok: true };
      }
      const refused = refusedBy(result.error);
      if (refused.kind === 'refused') outcomeKnown(meaning);
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
