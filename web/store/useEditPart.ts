import { useCallback } from 'react';
import { useStore } from 'react-redux';
import {
  unversioned,
  type AggregateName,
  type Aggregates,
  type Versioned,
} from '@bienestar/contract/api';
import { isUsedIn, type ReferredKind } from '@bienestar/contract/references';
import type { Demand, House, Service } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { toast } from '../parts/toast';
import { useAddMutation, useRemoveMutation, type Part, type PartValue } from './api';
import { faultWords, refusalWords } from './refusals';
import { houseInHand, selectShown } from './house';
import { isMeant, type MeantWords } from './menuEffect';
import { isSame, rebase } from './outbox/rebase';
import { outbox, store, useAppDispatch, useAppSelector, type RootState } from './store';
import { takeBack } from './takeBack';
import { did, forgotten, type Deed, type Together } from './undo';

/** What changes of a thing: given outright, or made from how it is when its turn has come. */
type Changes<T> = Partial<T> | ((latest: T) => Partial<T>);

/** Saves changes of one thing; answers what went wrong, if anything. */
export type ChangePart<T> = (changes: Changes<T>) => Promise<string | undefined>;

/** Changes to one aggregate, saved as they are made. */
export function useChange<N extends AggregateName>(
  part: N,
  value: Versioned<Aggregates[N]> | undefined,
): ChangePart<Aggregates[N]> {
  const change = useChangeOf(part);
  return useCallback(
    (changes) => (value ? change(value, changes) : Promise.resolve(undefined)),
    [change, value],
  );
}

/** The same for any one of several: which is told with the changes. */
export function useChangeOf<N extends AggregateName>(
  part: N,
): (
  value: Versioned<Aggregates[N]>,
  changes: Changes<Aggregates[N]>,
  /** with what else it was done in one go */
  together?: Together,
) => Promise<string | undefined> {
  const store = useStore<RootState>();
  return useCallback(
    (value, changes, together) => {
      const known = houseInHand(store.getState())?.[part] as
        | readonly Versioned<Aggregates[N]>[]
        | undefined;
      const now = known?.find(({ id }) => id === value.id) ?? value;
      const mine = changed<Aggregates[N]>(changes, value, now);
      return edited(part, now as PartValue<N>, mine as PartValue<N>, now.name, together);
    },
    [part, store],
  );
}

/**
 * Changes by which something is lost to what says it by its name: asked first where services then cost something else,
 * or nothing can be said. Who does not mean it is told what still holds.
 */
export function useMeantChange<N extends AggregateName>(
  part: N,
  id: string,
  change: ChangePart<Aggregates[N]>,
): (
  words: MeantWords & { readonly still: string },
  make: (latest: Aggregates[N]) => Partial<Aggregates[N]>,
) => Promise<string | undefined> {
  const store = useStore<RootState>();
  return useCallback(
    async ({ still, ...words }, make) => {
      const then = (house: House): House => {
        const things = house[part] as unknown as readonly Aggregates[N][];
        const changed = things.map((each) => (each.id === id ? { ...each, ...make(each) } : each));
        return { ...house, [part]: changed };
      };
      return (await isMeant(store.getState(), then, words)) ? change(make) : still;
    },
    [change, id, part, store],
  );
}

/** Changes to the house settings, saved as they are made. */
export function useChangeSettings(): (
  changes: Changes<HouseSettings>,
  /** with what else it was done in one go */
  together?: Together,
) => Promise<string | undefined> {
  const store = useStore<RootState>();
  const shown = useAppSelector((state) => selectShown(state)?.settings);
  return useCallback(
    async (changes, together) => {
      const now = houseInHand(store.getState())?.settings;
      if (!now || !shown) return undefined;
      return edited('settings', now, changed(changes, shown, now), 'The house', together);
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
  together?: Together,
): Promise<string | undefined> {
  if (isSame(base, mine)) return undefined;
  const { key } = store.dispatch(
    did({ kind: 'edit', part, name, before: base, after: mine, ...(together && { together }) }),
  ).payload;
  const outcome = await outbox.put({ kind: 'edit', part, base, mine }, name).tried;
  if (outcome.is === 'refused' || outcome.is === 'clash') store.dispatch(forgotten(key));
  switch (outcome.is) {
    case 'done':
    case 'held':
      return undefined;
    case 'clash':
      return 'Somebody else changed this meanwhile: choose which to keep.';
    case 'refused':
      return faultWords(outcome.document);
  }
}

/** Adds and removes things of the house; what is refused is said in words, and either can be undone. */
export function useAddAndRemove<N extends AggregateName>(part: N) {
  const [add, adding] = useAddMutation();
  const [remove, removing] = useRemoveMutation();
  const dispatch = useAppDispatch();
  const tell = (error: unknown): false => {
    toast.error(refusalWords(error), {
      duration: 8_000,
    });
    return false;
  };
  return {
    busy: adding.isLoading || removing.isLoading,
    add: async (value: Aggregates[N]): Promise<boolean> => {
      const made = await add({ part, value });
      if (made.error) return tell(made.error);
      dispatch(did({ kind: 'addition', part, name: value.name, value }));
      return true;
    },
    remove: async (value: Versioned<Aggregates[N]>): Promise<boolean> => {
      const { id, name } = value;
      /* What was left in its fields a moment ago is saved first. */
      await outbox.whenQuiet();
      const house = houseInHand(store.getState());
      const now = (house?.[part] as readonly Versioned<Aggregates[N]>[] | undefined)?.find(
        (each) => each.id === id,
      );
      const { version } = now ?? value;
      const kind = REFERRED_AS[part];
      /* What something holds on to is refused, with the names of what does: that needs no question. */
      const isFree = house && !(kind && isUsedIn(house, kind, id));
      const words = { title: `Remove ${name}?`, yes: 'Remove it' };
      if (isFree && !(await isMeant(store.getState(), without(part, id), words))) return false;
      const plan = house?.demand.find(({ serviceId }) => serviceId === id);
      const gone = await remove({ part, id, version });
      if (gone.error) return tell(gone.error);
      const deed = {
        kind: 'removal',
        part,
        name,
        value: unversioned((now ?? value) as Versioned<object>),
      };
      const { key } = dispatch(did({ ...deed, plan } as Deed)).payload;
      toast(`${name} is removed.`, {
        duration: 12_000,
        action: { label: 'Undo', onClick: () => void dispatch(takeBack(key)) },
      });
      return true;
    },
  };
}

const REFERRED_AS: Readonly<Partial<Record<AggregateName, ReferredKind>>> = {
  people: 'person',
  suppliers: 'supplier',
  materials: 'material',
  mixes: 'mix',
  devices: 'device',
  blocks: 'block',
  protocols: 'protocol',
  services: 'service',
  offers: 'offer',
};

/** The house without one thing of it. */
function without(part: AggregateName, id: string): (house: House) => House {
  return (house) => {
    const things: readonly { readonly id: string }[] = house[part];
    return { ...house, [part]: things.filter((each) => each.id !== id) };
  };
}
