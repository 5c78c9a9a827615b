import { useCallback } from 'react';
import { useStore } from 'react-redux';
import type { AggregateName, Aggregates, Versioned } from '@bienestar/contract/api';
import type { Demand, Service } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { toast } from '../parts/toast';
import { refusedBy, useAddMutation, useRemoveMutation, type Part, type PartValue } from './api';
import { houseInHand, selectShown } from './house';
import { isSame, rebase } from './outbox/rebase';
import { outbox, useAppSelector, type RootState } from './store';

/** What changes of a thing: given outright, or made from how it is when its turn has come. */
type Changes<T> = Partial<T> | ((latest: T) => Partial<T>);

/** Saves changes of one thing; answers what went wrong, if anything. */
export type ChangePart<T> = (changes: Changes<T>) => Promise<string | undefined>;

/** Changes to one aggregate, saved as they are made. */
export function useChange<N extends AggregateName>(
  part: N,
  value: Versioned<Aggregates[N]> | undefined,
): ChangePart<Aggregates[N]> {
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      if (!value) return undefined;
      const known = houseInHand(store.getState())?.[part] as
        | readonly Versioned<Aggregates[N]>[]
        | undefined;
      const now = known?.find(({ id }) => id === value.id) ?? value;
      const mine = changed<Aggregates[N]>(changes, value, now);
      return edited(part, now as PartValue<N>, mine as PartValue<N>, now.name);
    },
    [part, store, value],
  );
}

/** Changes to the house settings, saved as they are made. */
export function useChangeSettings(): ChangePart<HouseSettings> {
  const store = useStore<RootState>();
  const shown = useAppSelector((state) => selectShown(state)?.settings);
  return useCallback(
    async (changes) => {
      const now = houseInHand(store.getState())?.settings;
      if (!now || !shown) return undefined;
      return edited('settings', now, changed(changes, shown, now), 'The house');
    },
    [shown, store],
  );
}

/** Changes to the plan of a service: its visits a week, its own season and growth. */
export function usePlan(
  service: Service | undefined,
): (changes: Partial<Omit<Demand, 'serviceId'>>) => Promise<string | undefined> {
  const store = useStore<RootState>();
  return useCallback(
    async (changes) => {
      if (!service) return undefined;
      const { id: serviceId, name } = service;
      const plan = houseInHand(store.getState())?.demand;
      const line = plan?.find((each) => each.serviceId === serviceId);
      const now = line ?? { serviceId, visitsPerWeek: 0, version: 0 };
      return edited('demand', now, { ...now, ...changes }, `The plan for ${name}`);
    },
    [service, store],
  );
}

/** A change as it is meant, done to how the thing is in this window now. */
function changed<T extends object>(changes: Changes<T>, shown: T, now: T): T {
  return typeof changes === 'function'
    ? { ...now, ...changes(now) }
    : rebase(shown, { ...shown, ...changes }, now).value;
}

/** Puts an edit into the outbox; answers when it is done, or what is in its way. */
async function edited<P extends Part>(
  part: P,
  base: PartValue<P>,
  mine: PartValue<P>,
  name: string,
): Promise<string | undefined> {
  if (isSame(base, mine)) return undefined;
  const outcome = await outbox.put({ kind: 'edit', part, base, mine }, name).settled;
  switch (outcome.is) {
    case 'done':
    case 'held':
      return undefined;
    case 'clash':
      return 'Somebody else changed this meanwhile: choose which to keep.';
    case 'refused':
      return outcome.document.errors?.[0]?.message ?? outcome.document.detail;
  }
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
