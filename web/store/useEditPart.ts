import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { AggregateName, Aggregates, Versioned } from '@bienestar/contract/api';
import type { Demand, Service } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { toast } from '../parts/toast';
import { refusedBy, useAddMutation, useRemoveMutation, type Write } from './api';
import { snapshotIn } from './house';
import { rebased } from './rebase';
import { useAppSelector, type RootState } from './store';
import { useWriteInTurn } from './writesInTurn';

/** What changes of a thing: given outright, or made from how it is when its turn has come. */
type Changes<T> = Partial<T> | ((latest: T) => Partial<T>);

/** Saves changes of one thing; answers what went wrong, if anything. */
export type ChangePart<T> = (changes: Changes<T>) => Promise<string | undefined>;

/** Changes to one aggregate, saved as they are made. */
export function useChange<N extends AggregateName>(
  part: N,
  value: Versioned<Aggregates[N]> | undefined,
): ChangePart<Aggregates[N]> {
  const writeInTurn = useWriteInTurn();
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      if (!value) return undefined;
      return writeInTurn(`${part}/${value.id}`, () => {
        const known = snapshotIn(store.getState())?.[part] as
          readonly Versioned<Aggregates[N]>[] | undefined;
        const latest = known?.find(({ id }) => id === value.id) ?? value;
        const next =
          typeof changes === 'function'
            ? { ...latest, ...changes(latest) }
            : rebased(value, { ...value, ...changes }, latest);
        const write = { part, value: { ...next, version: latest.version } } as unknown as Write;
        return { write, name: latest.name };
      });
    },
    [part, store, value, writeInTurn],
  );
}

/** Changes to the house settings, saved as they are made. */
export function useChangeSettings(): (
  changes: Partial<HouseSettings>,
) => Promise<string | undefined> {
  const writeInTurn = useWriteInTurn();
  const store = useStore<RootState>();
  const shown = useAppSelector((state) => snapshotIn(state)?.settings);
  return useCallback(
    (changes) =>
      writeInTurn('settings', () => {
        const settings = snapshotIn(store.getState())?.settings;
        if (!settings || !shown) return undefined;
        const next = rebased(shown, { ...shown, ...changes }, settings);
        const value = { ...next, version: settings.version };
        return { write: { part: 'settings', value }, name: 'The house' };
      }),
    [shown, store, writeInTurn],
  );
}

/** Changes to the plan of a service: its visits a week, its own season and growth. */
export function usePlan(
  service: Service | undefined,
): (changes: Partial<Omit<Demand, 'serviceId'>>) => Promise<string | undefined> {
  const writeInTurn = useWriteInTurn();
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      if (!service) return undefined;
      const { id: serviceId, name } = service;
      return writeInTurn(`demand/${serviceId}`, () => {
        const plan = snapshotIn(store.getState())?.demand;
        const line = plan?.find((each) => each.serviceId === serviceId);
        const before = line ?? { serviceId, visitsPerWeek: 0, version: 0 };
        return {
          write: { part: 'demand', value: { ...before, ...changes } },
          name: `The plan for ${name}`,
        };
      });
    },
    [service, store, writeInTurn],
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
