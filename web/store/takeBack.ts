import { unversioned, type Versioned } from '@bienestar/contract/api';
import type { Demand } from '@bienestar/core/house/house';
import { toast } from '../parts/toast';
import { api, type PartValue } from './api';
import { refusalWords } from './refusals';
import { houseInHand } from './house';
import { editedThing } from './outbox/queuedWrite';
import { isSame, rebase } from './outbox/rebase';
import { outbox, type AppDispatch, type RootState } from './store';
import {
  deedWords,
  didAgain,
  forgotten,
  togetherWith,
  tookBack,
  type Deed,
  type DoneDeed,
} from './undo';

type Thunk = (dispatch: AppDispatch, getState: () => RootState) => Promise<void>;

/**
 * Takes a deed back; without a key the last one, with all that was done together with it. Only what it changed
 * goes back, whatever was changed since.
 */
export function takeBack(key?: string): Thunk {
  return async (dispatch, getState) => {
    const { done } = getState().undo;
    const deed = key === undefined ? done.at(-1) : done.find((each) => each.key === key);
    /* What was added last may hold on to what was added before it. */
    if (deed) await goThrough(togetherWith(deed, done).toReversed(), tookBack, dispatch, getState);
  };
}

/** Does again what was taken back last, with all that went together. */
export function doAgain(): Thunk {
  return async (dispatch, getState) => {
    const { undone } = getState().undo;
    const deed = undone.at(-1);
    if (deed)
      await goThrough(togetherWith(deed, undone).toReversed(), didAgain, dispatch, getState);
  };
}

function reverse(deed: Deed): Deed {
  switch (deed.kind) {
    case 'edit':
      return { ...deed, before: deed.after, after: deed.before };
    case 'removal':
      return { ...deed, kind: 'addition' };
    case 'addition':
      return { ...deed, kind: 'removal' };
  }
}

async function goThrough(
  deeds: readonly DoneDeed[],
  then: typeof tookBack | typeof didAgain,
  dispatch: AppDispatch,
  getState: () => RootState,
): Promise<void> {
  const isBack = then === tookBack;
  /* At once, so that pressed twice it is two deeds and not the same one twice. */
  for (const { key } of deeds) dispatch(then(key));
  for (const deed of deeds) {
    const fault = await done(isBack ? reverse(deed) : deed, dispatch, getState);
    if (fault === undefined) continue;
    dispatch(forgotten(deed.key));
    toast.error(`Not ${isBack ? 'undone' : 'done'}. ${fault}`, { duration: 8_000 });
    if (deeds.length === 1) return;
  }
  const [deed] = deeds;
  if (deed) toast(`${isBack ? 'Undone' : 'Done again'}: ${deedWords(deed)}.`);
}

/** Does it; answers what is in its way, if anything. */
async function done(
  deed: Deed,
  dispatch: AppDispatch,
  getState: () => RootState,
): Promise<string | undefined> {
  /* What was left in its fields a moment ago is saved before it goes. */
  if (deed.kind === 'removal') await outbox.whenQuiet();
  const house = houseInHand(getState());
  if (!house) return 'The house is not open.';
  switch (deed.kind) {
    case 'edit': {
      const { part, before, after, name } = deed;
      const key = editedThing(part, before);
      const list: readonly object[] = part === 'settings' ? [house.settings] : house[part];
      const now = list.find((each) => editedThing(part, each) === key) as
        | Versioned<PartValue<typeof part>>
        | undefined;
      if (!now) return `${name} is no longer there.`;
      const mine = { ...rebase<object>(before, after, now).value, version: now.version };
      if (isSame(now, mine)) return undefined;
      const edit = { kind: 'edit', part, base: now, mine: mine as typeof now } as const;
      const outcome = await outbox.put(edit, name).tried;
      if (outcome.is === 'refused') return outcome.document.detail;
      return outcome.is === 'clash' ? 'Somebody else changed the same.' : undefined;
    }
    case 'addition': {
      const { part, value, plan } = deed;
      const added = await dispatch(api.endpoints.add.initiate({ part, value }));
      if (added.error) return refusalWords(added.error);
      if (plan) await putPlan(plan, deed.name);
      return undefined;
    }
    case 'removal': {
      const { part, value, name } = deed;
      const list: readonly Versioned<{ id: string }>[] = house[part];
      const now = list.find(({ id }) => id === value.id);
      if (!now) return `${name} is no longer there.`;
      const { id, version } = now;
      const removed = await dispatch(api.endpoints.remove.initiate({ part, id, version }));
      return removed.error ? refusalWords(removed.error) : undefined;
    }
  }
}

/** The plan of a service that is there again, as it was. */
async function putPlan(plan: Versioned<Demand>, name: string): Promise<void> {
  const base = { serviceId: plan.serviceId, visitsPerWeek: 0, version: 0 };
  const mine = { ...unversioned<Demand>(plan), version: 0 };
  await outbox.put({ kind: 'edit', part: 'demand', base, mine }, `The plan for ${name}`).tried;
}
