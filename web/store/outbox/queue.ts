import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { QueuedWrite } from './queuedWrite';

/** What this window has to send, in its order. */
export interface QueueState {
  readonly writes: readonly QueuedWrite[];
  /** what this browser kept of earlier windows is at hand */
  readonly isOpen: boolean;
}

const initialState: QueueState = { writes: [], isOpen: false };

const slice = createSlice({
  name: 'queue',
  initialState,
  reducers: {
    /** new, or changed; its place is its turn */
    queued: (state, { payload }: PayloadAction<readonly QueuedWrite[]>) => {
      const changed = new Map(payload.map((write) => [write.id, write]));
      const kept = state.writes.filter(({ id }) => !changed.has(id));
      const writes = [...kept, ...payload].sort((one, other) => one.turn - other.turn);
      return { ...state, writes };
    },
    dequeued: (state, { payload: id }: PayloadAction<string>) => ({
      ...state,
      writes: state.writes.filter((write) => write.id !== id) as readonly QueuedWrite[],
    }),
    opened: (state) => ({ ...state, isOpen: true }),
  },
});

export const { queued, dequeued, opened } = slice.actions;
export const queue = slice.reducer;
