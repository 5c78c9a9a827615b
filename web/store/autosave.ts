import { createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import { PROBLEM_TYPES } from '@bienestar/contract/api';
import type { Protocol } from '@bienestar/core/house/house';
import { api, refusedBy, type Write } from './api';
import {
  confirmed,
  edited,
  opened,
  redone,
  retried,
  savingChanged,
  settled,
  undone,
  withoutVersion,
  type Draft,
  type DraftsState,
  type Saving,
} from './drafts';
import { keepHistory } from './history';
import { forgetUnsaved, keepUnsaved } from './unsavedDrafts';

const PAUSE_MS = 500;
const TRY_AGAIN_MS = 1_500;

interface Kept {
  readonly drafts: DraftsState;
}

/** Saves drafts as they are edited: after a pause, one write at a time, again while nobody answers. */
export const autosave = createListenerMiddleware();

/** The write of each draft that is under way. */
const writing = new Map<string, PromiseLike<unknown>>();

/** The write of each draft whose answer never came: it may have been done. */
const unanswered = new Map<string, Write>();

const anyEdit = isAnyOf(opened, edited, undone, redone, settled, retried);

autosave.startListening({
  matcher: anyEdit,
  effect: async (action, listener) => {
    const id = idOf(action);
    const read = (): Draft | undefined => (listener.getState() as Kept).drafts.byId[id];
    const saving = (state: Saving): void => {
      listener.dispatch(savingChanged({ id, saving: state }));
    };
    const begun = read();
    if (!begun) return;
    const { state } = begun.saving;
    if (state !== 'waiting' && state !== 'conflict') return;
    /* Not within the keystroke, which waits for its figures. */
    await listener.delay(0);
    keepUnsaved(id, { protocol: begun.present, base: begun.base });
    /* Whose stands is chosen later; what is written until then is kept. */
    if (state === 'conflict') return;

    /* A newer edit of this draft starts its own round, which waits for a write that is under way. */
    const newest = begun.present;
    await listener.delay(PAUSE_MS);
    const paused = read();
    if (paused?.present === newest) void keepHistory(id, paused);
    for (;;) {
      await writing.get(id);
      const draft = read();
      if (!draft || draft.present !== newest) return;
      if (draft.saving.state !== 'waiting' && draft.saving.state !== 'away') return;
      if (sameContent(draft) && !unanswered.has(id)) {
        saving({ state: 'saved' });
        forgetUnsaved(id);
        return;
      }
      saving({ state: 'saving' });
      /* What was typed since goes on from what that one made, if it was done. */
      const write = unanswered.get(id) ?? {
        part: draft.part,
        value: { ...draft.present, version: draft.base.version },
      };
      const sent = listener.dispatch(api.endpoints.save.initiate(write));
      writing.set(id, sent);
      const result = await sent;
      writing.delete(id);
      if (!result.error) {
        const base = result.data as Versioned<Protocol>;
        const wasLost = unanswered.delete(id);
        const was = wasLost ? withoutVersion(write.value as Versioned<Protocol>) : draft.present;
        listener.dispatch(confirmed({ base, sent: was }));
        if (wasLost) continue;
        if (read()?.saving.state === 'saved') forgetUnsaved(id);
        return;
      }
      const refused = refusedBy(result.error);
      if (refused.kind === 'away') unanswered.set(id, write);
      else if (unanswered.delete(id)) {
        saving({ state: 'waiting' });
        continue;
      }
      if (refused.kind === 'refused') {
        const { document } = refused;
        if (document.type === PROBLEM_TYPES.stale || document.type === PROBLEM_TYPES.notFound) {
          const theirs = (document.current ?? null) as Versioned<Protocol> | null;
          listener.dispatch(api.util.invalidateTags(['House']));
          saving({ state: 'conflict', theirs });
        } else {
          saving({ state: 'refused', message: document.detail, faults: document.errors ?? [] });
        }
        return;
      }
      saving({ state: 'away', message: refused.message });
      await listener.delay(TRY_AGAIN_MS);
    }
  },
});

function idOf({ payload }: { payload: unknown }): string {
  if (typeof payload === 'string') return payload;
  const { id, base } = payload as { readonly id?: string; readonly base?: { readonly id: string } };
  return id ?? base?.id ?? '';
}

function sameContent({ base, present }: Draft): boolean {
  return JSON.stringify(withoutVersion(base)) === JSON.stringify(present);
}
