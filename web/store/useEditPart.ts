import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { AggregateName, Aggregates, Versioned } from '@bienestar/contract/api';
import type { Demand, Service } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { toast } from 'sonner';
import { refusedBy, useAddMutation, useRemoveMutation, type Write } from './api';
import { snapshotIn } from './house';
import type { RootState } from './store';
import { useSave, useSettle, type Saved } from './useSave';

/** What changes of a thing: given outright, or made from how it is when its turn has come. */
type Changes<T> = Partial<T> | ((latest: T) => Partial<T>);

/** Saves changes of one thing; answers what went wrong, if anything. */
export type ChangePart<T> = (changes: Changes<T>) => Promise<string | undefined>;

const turns = new Map<string, Promise<unknown>>();

/**
 * Does the writes of one thing one after the other: two fields that are left in a hurry are two writes,
 * and the second must know the version that the first has made.
 */
function inTurn<T>(key: string, work: () => Promise<T>): Promise<T> {
  const mine = (turns.get(key) ?? Promise.resolve()).then(work, work);
  const settled = mine.catch(() => undefined);
  turns.set(key, settled);
  void settled.then(() => {
    if (turns.get(key) === settled) turns.delete(key);
  });
  return mine;
}

/** Changes to one aggregate, saved as they are made. */
export function useChange<N extends AggregateName>(
  part: N,
  value: Versioned<Aggregates[N]> | undefined,
): ChangePart<Aggregates[N]> {
  const save = useSave();
  const settle = useSettle();
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      if (!value) return undefined;
      const target = `${part}/${value.id}`;
      return inTurn(target, async () => {
        await settle(target);
        const known = snapshotIn(store.getState())?.[part] as
          readonly Versioned<Aggregates[N]>[] | undefined;
        const latest = known?.find(({ id }) => id === value.id) ?? value;
        const made = typeof changes === 'function' ? changes(latest) : changes;
        const write = { part, value: { ...latest, ...made } } as unknown as Write<N>;
        return faultOf(await save(write, latest.name));
      });
    },
    [part, save, settle, store, value],
  );
}

/** Changes to the house settings, saved as they are made. */
export function useChangeSettings(): (
  changes: Partial<HouseSettings>,
) => Promise<string | undefined> {
  const save = useSave();
  const settle = useSettle();
  const store = useStore<RootState>();
  return useCallback(
    (changes) =>
      inTurn('settings', async () => {
        await settle('settings/');
        const settings = snapshotIn(store.getState())?.settings;
        if (!settings) return undefined;
        const value = { ...settings, ...changes };
        return faultOf(await save({ part: 'settings', value }, 'The house'));
      }),
    [save, settle, store],
  );
}

/** Changes to the plan of a service: its visits a week, its own season and growth. */
export function usePlan(
  service: Service | undefined,
): (changes: Partial<Omit<Demand, 'serviceId'>>) => Promise<string | undefined> {
  const save = useSave();
  const settle = useSettle();
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      if (!service) return undefined;
      const { id: serviceId, name } = service;
      const target = `demand/${serviceId}`;
      return inTurn(target, async () => {
        await settle(target);
        const plan = snapshotIn(store.getState())?.demand;
        const line = plan?.find((each) => each.serviceId === serviceId);
        const before = line ?? { serviceId, visitsPerWeek: 0, version: 0 };
        return faultOf(
          await save({ part: 'demand', value: { ...before, ...changes } }, `The plan for ${name}`),
        );
      });
    },
    [save, service, settle, store],
  );
}

function faultOf(saved: Saved): string | undefined {
  return saved.ok ? undefined : (saved.faults[0]?.message ?? saved.message);
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
