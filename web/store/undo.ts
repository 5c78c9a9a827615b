import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';
import type { AggregateName, Versioned } from '@bienestar/contract/api';
import type { Demand } from '@bienestar/core/house/house';
import type { Part, PartValue } from './api';

/** As many as a person can remember. */
const MOST = 100;

/** What was done in one go. */
export interface Together {
  readonly id: string;
  readonly words: string;
}

/** What is done from here on in one go, and goes back in one; what that is, in words. */
export function inOneGo(words: string): Together {
  return { id: nanoid(), words };
}

/** Something that a person did and that can be taken back, with the name of what it was done to. */
export type Deed = {
  readonly name: string;
  /** of all that was done in one go, and goes back in one: what that was, in words */
  readonly together?: Together;
} & (
  | {
      readonly kind: 'edit';
      readonly part: Part;
      readonly before: PartValue<Part>;
      readonly after: PartValue<Part>;
    }
  | {
      readonly kind: 'removal' | 'addition';
      readonly part: AggregateName;
      readonly value: { readonly id: string };
      /** the line of the plan that goes with a service */
      readonly plan?: Versioned<Demand>;
    }
);

/** A deed that can be told from others that say the same. */
export type DoneDeed = Deed & { readonly key: string };

/** What was done since the page was opened, the newest last, and what of it was taken back. */
interface UndoState {
  readonly done: readonly DoneDeed[];
  readonly undone: readonly DoneDeed[];
}

const initialState: UndoState = { done: [], undone: [] };

const slice = createSlice({
  name: 'undo',
  initialState: initialState,
  reducers: {
    did: {
      prepare: (deed: Deed) => ({ payload: { ...deed, key: nanoid() } as DoneDeed }),
      reducer: (state, { payload }: PayloadAction<DoneDeed>): UndoState => ({
        done: [...(state as UndoState).done, payload].slice(-MOST),
        undone: [],
      }),
    },
    /** it was not done after all, or cannot be taken back any more */
    forgotten: (state, { payload: key }: PayloadAction<string>): UndoState => ({
      done: (state as UndoState).done.filter((deed) => deed.key !== key),
      undone: (state as UndoState).undone.filter((deed) => deed.key !== key),
    }),
    tookBack: (state, { payload: key }: PayloadAction<string>): UndoState =>
      moved(state as UndoState, 'done', 'undone', key),
    didAgain: (state, { payload: key }: PayloadAction<string>): UndoState =>
      moved(state as UndoState, 'undone', 'done', key),
  },
});

export const { did, forgotten, tookBack, didAgain } = slice.actions;
export const undo = slice.reducer;

function moved(
  state: UndoState,
  from: keyof UndoState,
  to: keyof UndoState,
  key: string,
): UndoState {
  const deed = state[from].find((each) => each.key === key);
  if (!deed) return state;
  return {
    ...state,
    [from]: state[from].filter((each) => each !== deed),
    [to]: [...state[to], deed],
  };
}

/** A deed in words, as they follow “Undo: ”. */
export function deedWords({ kind, name, together }: Deed): string {
  if (together) return together.words.replace(/\.$/u, '');
  switch (kind) {
    case 'edit':
      return `${name} was changed`;
    case 'removal':
      return `${name} was removed`;
    case 'addition':
      return `${name} was added`;
  }
}

/** A deed with all that was done together with it, in the order in which it was done. */
export function togetherWith(deed: DoneDeed, deeds: readonly DoneDeed[]): readonly DoneDeed[] {
  const { together } = deed;
  return together ? deeds.filter((each) => each.together?.id === together.id) : [deed];
}
