import { useCallback } from 'react';
import type { RestockSettings } from '@bienestar/core/house/restock';
import { useChangeSettings } from '../../../store/useEditPart';

/** Changes of how the house restocks, saved as they are made. */
export function useChangeRestock(): (
  changes: Partial<RestockSettings>,
) => Promise<string | undefined> {
  const change = useChangeSettings();
  return useCallback(
    (changes) => change(({ restock }) => ({ restock: { ...restock, ...changes } })),
    [change],
  );
}
