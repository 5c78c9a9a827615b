import { nanoid } from '@reduxjs/toolkit';
import { useCallback } from 'react';
import type { Fault } from '@bienestar/contract/check';
import type { Material } from '@bienestar/core/house/house';
import { asId, type EntryId, type LotId } from '@bienestar/core/house/ids';
import type { StockEntry } from '@bienestar/core/stock/entries';
import { toast } from '../parts/toast';
import type { Outcome } from './outbox/outcome';
import { outbox } from './store';

/** How an entry ended. */
export type Entered =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly faults: readonly Fault[] };

/** What is said when a form is done and nobody answers. */
export const KEPT_FOR_LATER = 'Kept in this browser: it is entered when the house answers again.';

/** An id for a new entry: kept while it is tried again, so that it counts once. */
export function newEntryId(): EntryId {
  return asId(nanoid(16));
}

/** An id for a lot that comes with an entry. */
export function newLotId(): LotId {
  return asId(nanoid(16));
}

/**
 * Enters something into the ledger. Where nobody answers it is kept, and entered when somebody does; what is
 * refused is answered in words for its field.
 */
export function useEnter(): (entry: StockEntry, name: string) => Promise<Entered> {
  return useCallback(
    async (entry, name) => entered(await outbox.put({ kind: 'entry', entry }, name).tried),
    [],
  );
}

/** Enters what was found of a material in all; answers what went wrong, if anything. */
export function useCountInAll({
  id: materialId,
  name,
}: Pick<Material, 'id' | 'name'>): (quantity: number) => Promise<string | undefined> {
  const enter = useEnter();
  return useCallback(
    async (quantity) => {
      const ids = { id: newEntryId(), lotId: newLotId() };
      const done = await enter({ kind: 'total-count', materialId, quantity, ...ids }, name);
      return done.ok ? undefined : done.message;
    },
    [enter, materialId, name],
  );
}

/** How an entry ended that went through the outbox; says so where it waits. */
export function entered(outcome: Outcome): Entered {
  switch (outcome.is) {
    case 'done':
      return { ok: true };
    case 'held':
      toast(KEPT_FOR_LATER);
      return { ok: true };
    case 'clash':
    case 'refused': {
      const document = outcome.is === 'refused' ? outcome.document : undefined;
      const { errors = [], detail = 'Somebody else changed this meanwhile.' } = document ?? {};
      return { ok: false, message: errors[0]?.message ?? detail, faults: errors };
    }
  }
}
