import { useCallback } from 'react';
import type { AggregateName, Aggregates, Versioned } from '@bienestar/contract/api';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { toast } from 'sonner';
import { refusedBy, useAddMutation, useRemoveMutation, type Write } from './api';
import { useSnapshot } from './house';
import { useSave } from './useSave';

/** Saves changes of one thing; answers what went wrong, if anything. */
export type ChangePart<T> = (changes: Partial<T>) => Promise<string | undefined>;

/** Changes to one aggregate, saved as they are made. */
export function useChange<N extends AggregateName>(
  part: N,
  value: Versioned<Aggregates[N]> | undefined,
): ChangePart<Aggregates[N]> {
  const save = useSave();
  return useCallback(
    async (changes) => {
      if (!value) return undefined;
      const write = { part, value: { ...value, ...changes } } as unknown as Write<N>;
      const saved = await save(write, value.name);
      return saved.ok ? undefined : (saved.faults[0]?.message ?? saved.message);
    },
    [part, save, value],
  );
}

/** Changes to the house settings, saved as they are made. */
export function useChangeSettings(): ChangePart<HouseSettings> {
  const save = useSave();
  const { settings } = useSnapshot();
  return useCallback(
    async (changes) => {
      const saved = await save(
        { part: 'settings', value: { ...settings, ...changes } },
        'The house',
      );
      return saved.ok ? undefined : (saved.faults[0]?.message ?? saved.message);
    },
    [save, settings],
  );
}

/** Adds and removes things of the house; what is refused is said in words. */
export function useAddAndRemove<N extends AggregateName>(part: N) {
  const [add, adding] = useAddMutation();
  const [remove, removing] = useRemoveMutation();
  const tell = (error: unknown): false => {
    const refused = refusedBy(error);
    toast.error(refused.kind === 'away' ? refused.message : refused.document.detail, {
      duration: 8_000,
    });
    return false;
  };
  return {
    busy: adding.isLoading || removing.isLoading,
    add: async (value: Aggregates[N]): Promise<boolean> => {
      const made = await add({ part, value });
      return made.error ? tell(made.error) : true;
    },
    remove: async (value: Versioned<Aggregates[N]>): Promise<boolean> => {
      const gone = await remove({ part, id: value.id, version: value.version });
      return gone.error ? tell(gone.error) : true;
    },
  };
}
