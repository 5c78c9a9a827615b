import { useCallback } from 'react';
import { PROBLEM_TYPES } from '@bienestar/contract/api';
import type { Fault } from '@bienestar/contract/check';
import { keepInHouse, refusedBy, useSaveMutation, type Part, type Write } from './api';
import { staleWriteMet } from './staleWrites';
import { useAppDispatch } from './store';

/** How a write ended. */
export type Saved =
  | { readonly ok: true }
  | {
      readonly ok: false;
      /** nobody answered: it is not known whether it was done */
      readonly isAway: boolean;
      readonly message: string;
      readonly faults: readonly Fault[];
    };

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
        /* At once, so that the next write names the version that this one made. */
        dispatch(keepInHouse(write.part, result.data));
        return { ok: true };
      }
      const refused = refusedBy(result.error);
      if (refused.kind === 'away') {
        return { ok: false, isAway: true, message: refused.message, faults: [] };
      }
      const { document } = refused;
      if (document.type === PROBLEM_TYPES.stale) {
        const theirs = document.current as { readonly version: number } | null;
        if (theirs) dispatch(keepInHouse(write.part, theirs));
        dispatch(staleWriteMet({ mine: write, theirs, name }));
        return {
          ok: false,
          isAway: false,
          message: 'Somebody else changed this meanwhile: choose which to keep.',
          faults: [],
        };
      }
      return {
        ok: false,
        isAway: false,
        message: document.detail,
        faults: document.errors ?? [],
      };
    },
    [dispatch, save],
  );
}
