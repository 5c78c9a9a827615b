import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';
import type { Versioned } from '@bienestar/contract/api';
import type { Fault } from '@bienestar/contract/check';
import type { Protocol } from '@bienestar/core/house/house';

const MOST_STEPS_BACK = 200;
/** Changes of one field that follow within this time are undone as one. */
const ONE_CHANGE_MS = 1_500;

/** How the saving of a draft stands. */
export type Saving =
  | { readonly state: 'saved' }
  | { readonly state: 'waiting' }
  | { readonly state: 'saving' }
  | { readonly state: 'away' }
  | { readonly state: 'refused'; readonly message: string; readonly faults: readonly Fault[] }
  /** `theirs` is what somebody else saved meanwhile; nothing when they took it away */
  | { readonly state: 'conflict'; readonly theirs: Versioned<Protocol> | null };

/** Where what is edited is kept. A block is edited as a protocol is. */
export type DraftPart = 'protocols' | 'blocks';

/** A protocol or block that is being edited. */
export interface Draft {
  readonly part: DraftPart;
  /** what the server last confirmed */
  readonly base: Versioned<Protocol>;
  readonly present: Protocol;
  readonly past: readonly Protocol[];
  readonly future: readonly Protocol[];
  /** as it was when it was opened, for what changed since */
  readonly opened: Protocol;
  readonly saving: Saving;
  /** the window in which it was written, when that is gone and it was taken over */
  readonly madeIn?: string;
  readonly lastTyped?: { readonly into: string; readonly at: number };
}

export interface DraftsState {
  readonly byId: Readonly<Record<string, Draft>>;
}

/** A draft as it is taken up: what the house has, and what was typed over it and not yet saved. */
interface Opened {
  readonly part: DraftPart;
  readonly base: Versioned<Protocol>;
  readonly unsaved?: {
    readonly protocol: Protocol;
    readonly madeIn: string;
    readonly saving: Saving;
  };
}

const initialState: DraftsState = { byId: {} };

interface Edit {
  readonly id: string;
  readonly protocol: Protocol;
  /** what is typed into; quick edits of the same field are one step of undo */
  readonly typedInto?: string;
  readonly at: number;
}

const slice = createSlice({
  name: 'drafts',
  initialState: initialState,
  reducers: {
    opened(state, { payload }: PayloadAction<Opened>) {
      const { part, base, unsaved } = payload;
      const plain = withoutVersion(base);
      return withDraft(state, base.id, {
        part,
        base,
        present: unsaved?.protocol ?? plain,
        past: unsaved ? [plain] : [],
        future: [],
        opened: plain,
        saving: unsaved?.saving ?? { state: 'saved' },
        madeIn: unsaved?.madeIn,
      });
    },
    edited(state, { payload }: PayloadAction<Edit>) {
      return change(state, payload.id, (draft) => {
        const { typedInto, at } = payload;
        const { lastTyped } = draft;
        const goesOn =
          typedInto !== undefined &&
          lastTyped?.into === typedInto &&
          at - lastTyped.at < ONE_CHANGE_MS &&
          draft.future.length === 0;
        return {
          ...draft,
          present: payload.protocol,
          past: goesOn ? draft.past : [...draft.past, draft.present].slice(-MOST_STEPS_BACK),
          future: [],
          lastTyped: typedInto === undefined ? undefined : { into: typedInto, at },
          saving: stillOpen(draft.saving),
        };
      });
    },
    undone(state, { payload: id }: PayloadAction<string>) {
      return change(state, id, (draft) => {
        const before = draft.past.at(-1);
        if (!before) return draft;
        return {
          ...draft,
          present: before,
          past: draft.past.slice(0, -1),
          future: [draft.present, ...draft.future],
          lastTyped: undefined,
          saving: stillOpen(draft.saving),
        };
      });
    },
    redone(state, { payload: id }: PayloadAction<string>) {
      return change(state, id, (draft) => {
        const [next, ...rest] = draft.future;
        if (!next) return draft;
        return {
          ...draft,
          present: next,
          past: [...draft.past, draft.present],
          future: rest,
          lastTyped: undefined,
          saving: stillOpen(draft.saving),
        };
      });
    },
    /** what was undone and redone before this page was loaded */
    recalled(
      state,
      {
        payload,
      }: PayloadAction<{
        readonly id: string;
        readonly past: readonly Protocol[];
        readonly future: readonly Protocol[];
      }>,
    ) {
      return change(state, payload.id, (draft) =>
        draft.past.length > 0 || draft.future.length > 0
          ? draft
          : { ...draft, past: payload.past, future: payload.future },
      );
    },
    savingChanged(
      state,
      { payload }: PayloadAction<{ readonly id: string; readonly saving: Saving }>,
    ) {
      return change(state, payload.id, (draft) => ({ ...draft, saving: payload.saving }));
    },
    confirmed(
      state,
      { payload }: PayloadAction<{ readonly base: Versioned<Protocol>; readonly sent: Protocol }>,
    ) {
      return change(state, payload.base.id, (draft) => ({
        ...draft,
        base: payload.base,
        saving: draft.present === payload.sent ? { state: 'saved' } : { state: 'waiting' },
      }));
    },
    /** somebody else saved while nothing was being edited here */
    refreshed(state, { payload: base }: PayloadAction<Versioned<Protocol>>) {
      return change(state, base.id, (draft) => ({
        ...draft,
        base,
        present: withoutVersion(base),
        past: [...draft.past, draft.present],
        future: [],
        lastTyped: undefined,
      }));
    },
    /** a conflict is settled: `present` goes on from what the server has */
    settled(
      state,
      {
        payload,
      }: PayloadAction<{ readonly base: Versioned<Protocol>; readonly present: Protocol }>,
    ) {
      return change(state, payload.base.id, (draft) => ({
        ...draft,
        base: payload.base,
        present: payload.present,
        past: [...draft.past, draft.present],
        future: [],
        lastTyped: undefined,
        saving: { state: 'waiting' },
      }));
    },
    /** a refused draft is to be sent once more */
    retried(state, { payload: id }: PayloadAction<string>) {
      return change(state, id, (draft) => ({ ...draft, saving: { state: 'waiting' } }));
    },
    closed(state, { payload: id }: PayloadAction<string>) {
      const { [id]: _closed, ...byId } = plain(state).byId;
      return { byId };
    },
  },
});

export const {
  opened,
  edited,
  undone,
  redone,
  recalled,
  savingChanged,
  confirmed,
  refreshed,
  settled,
  retried,
  closed,
} = slice.actions;
export const drafts = slice.reducer;

/** A protocol as it is edited, without its version. */
export function withoutVersion({ version: _version, ...protocol }: Versioned<Protocol>): Protocol {
  return protocol;
}

/** The plain values, not Immer's stand-ins for them: drafts are told apart by identity. */
function plain(state: DraftsState): DraftsState {
  return original(state as object) as DraftsState;
}

function change(state: DraftsState, id: string, make: (draft: Draft) => Draft): DraftsState {
  const draft = plain(state).byId[id];
  return draft ? withDraft(state, id, make(draft)) : state;
}

function withDraft(state: DraftsState, id: string, draft: Draft): DraftsState {
  return { byId: { ...plain(state).byId, [id]: draft } };
}

/** An edit waits to be saved, but a conflict stays one until it is settled. */
function stillOpen(saving: Saving): Saving {
  return saving.state === 'conflict' ? saving : { state: 'waiting' };
}
