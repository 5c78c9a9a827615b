import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import type { Protocol } from '@bienestar/core/house/house';
import {
  confirmed,
  edited,
  opened,
  redone,
  retried,
  savingChanged,
  settled,
  undone,
  type Draft,
  type DraftsState,
} from './drafts';
import { keepHistory } from './history';
import type { Outbox } from './outbox/outbox';
import type { Progress } from './outbox/outcome';

const PAUSE_MS = 500;

interface Kept {
  readonly drafts: DraftsState;
}

const anyEdit = isAnyOf(opened, edited, undone, redone, settled, retried);

/** Puts drafts into the outbox as they are edited, and lets them go after a pause. */
export function autosaveInto(outbox: Outbox) {
  const autosave = createListenerMiddleware();
  autosave.startListening({
    matcher: anyEdit,
    effect: async (action, listener) => {
      const id = idOf(action);
      const read = (): Draft | undefined => (listener.getState() as Kept).drafts.byId[id];
      const begun = read();
      if (!begun || begun.saving.state === 'saved') return;
      /* Not within the keystroke, which waits for its figures. */
      await listener.delay(0);
      const draft = read();
      if (!draft) return;
      const { part, base, present: mine, madeIn = outbox.window, saving } = draft;
      const isConflict = saving.state === 'conflict';
      outbox.keepDraft({ change: { kind: 'draft', part, base, mine }, madeIn, isConflict });
      /* Whose stands is chosen later; what is written until then is kept. */
      if (isConflict) return;
      await listener.delay(PAUSE_MS);
      const paused = read();
      if (paused?.present !== mine) return;
      void keepHistory(id, paused);
      outbox.letGo(`${part}/${id}`);
    },
  });
  return autosave.middleware;
}

interface DraftStore {
  readonly dispatch: (
    action: ReturnType<typeof savingChanged> | ReturnType<typeof confirmed>,
  ) => unknown;
  readonly getState: () => Kept;
}

/** Tells a draft how its write goes. */
export function draftProgress(store: DraftStore, window: string): Progress {
  return ({ change, madeIn, state }, outcome) => {
    if (change.kind !== 'draft') return;
    const { id } = change.mine;
    const draft = store.getState().drafts.byId[id];
    if (!draft || madeIn !== (draft.madeIn ?? window)) return;
    const saving = (next: Draft['saving']): void => {
      store.dispatch(savingChanged({ id, saving: next }));
    };
    switch (outcome.is) {
      case 'sending':
        if (draft.saving.state !== 'away') saving({ state: 'saving' });
        return;
      case 'done': {
        const base = outcome.data as Versioned<Protocol>;
        store.dispatch(confirmed({ base, sent: change.mine }));
        return;
      }
      case 'held':
        saving({ state: 'away' });
        return;
      case 'clash': {
        const theirs = state.is === 'clash' ? state.theirs : null;
        saving({ state: 'conflict', theirs: theirs as Versioned<Protocol> | null });
        return;
      }
      case 'refused': {
        const { detail, errors = [] } = outcome.document;
        saving({ state: 'refused', message: detail, faults: errors });
      }
    }
  };
}

function idOf({ payload }: { payload: unknown }): string {
  if (typeof payload === 'string') return payload;
  const { id, base } = payload as { readonly id?: string; readonly base?: { readonly id: string } };
  return id ?? base?.id ?? '';
}
