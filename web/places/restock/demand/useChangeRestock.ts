import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { RestockSettings } from '@bienestar/core/house/restock';
import { snapshotIn } from '../../../store/house';
import type { RootState } from '../../../store/store';
import { useChangeSettings } from '../../../store/useEditPart';

/** Changes of how the house restocks, saved as they are made. */
export function useChangeRestock(): (
  changes: Partial<RestockSettings>,
) => Promise<string | undefined> {
  const change = useChangeSettings();
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      const now = snapshotIn(store.getState())?.settings.restock;
      return now ? change({ restock: { ...now, ...changes } }) : undefined;
    },
    [change, store],
  );
}
