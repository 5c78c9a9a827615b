import { useCallback } from 'react';
import { PROBLEM_TYPES } from '@bienestar/contract/api';
import type { Fault } from '@bienestar/contract/check';
import { keepInHouse, refusedBy, useSaveMutation, type Part, type Write } from './api';
import { staleWriteMet } from './staleWrites';
import { useAppDispatch } from './store';

/** How a write ended. */
export type Saved =
  | { readonly ok: true }
  | { readonly ok: false; readonly message: string; readonly faults: readonly Fault[] };

/** Writes of which it is not known whether they were done, by what they change. */
const unsettled = new Map<string, Write>();

/** What a write changes. */
function targetOf({ part, value }: Write): string {
  const of = value as { readonly id?: string; readonly serviceId?: string };
  return `${part}/${of.id ?? of.serviceId ?? ''}`;
}

/**
 * Settles a write whose answer never came, before the same thing is written again: sent once more it is
 * known by its id, and what it made is what the next change begins from.
 */
export function useSettle(): (target: string) => Promise<void> {
  const [save] = useSaveMutation();
  const dispatch = useAppDispatch();
  return useCallback(
    async (target) => {
      const write = unsettled.get(target);
      if (!write) return;
      const result = await save(write);
      if (result.error && refusedBy(result.error).kind === 'away') return;
      unsettled.delete(target);
      if (!result.error) dispatch(keepInHouse(write.part, result.data));
    },
    [dispatch, save],
  );
}

/**
 * Saves one part of the House. A stale write is offered as a choice; anything else that goes wrong is
 * answered in words for the field.
 */
export function useSave(): <P extends Part>(write: Write<P>, name: string) => Promise<Saved> {
  const [save] = useSaveMutation();
  const dispatch = useAppDispatch();
  return useCallback(
    async (write, name) => {
      const result = await save(write);
      if (!result.error) {
        unsettled.delete(targetOf(write));
        /* At once, so that the next write names the version that this one made. */
        dispatch(keepInHouse(write.part, result.data));
        return { ok: true };
      }
      const refused = refusedBy(result.error);
      if (refused.kind === 'away') {
        unsettled.set(targetOf(write), write);
        return { ok: false, message: `Not saved yet. ${refused.message}`, faults: [] };
      }
      unsettled.delete(targetOf(write));
      const { document } = refused;
      if (document.type === PROBLEM_TYPES.stale) {
        const theirs = document.current as { readonly version: number } | null;
        if (theirs) dispatch(keepInHouse(write.part, theirs));
        dispatch(staleWriteMet({ mine: write, theirs, name }));
        return {
          ok: false,
          message: 'Somebody else changed this meanwhile: choose which to keep.',
          faults: [],
        };
      }
      return { ok: false, message: document.detail, faults: document.errors ?? [] };
    },
    [dispatch, save],
  );
}
