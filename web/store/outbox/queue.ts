import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { QueuedWrite } from './queuedWrite';

/** What this window has to send, in its order. */
export interface QueueState {
  readonly writes: readonly QueuedWrite[];
}

const initialState: QueueState = { writes: [] };

const slice = createSlice({
  name: 'queue',
  initialState,
  reducers: {
    /** new, or changed; its place is its turn */
    queued: (state, { payload }: PayloadAction<readonly QueuedWrite[]>) => {
      const changed = new Map(payload.map((write) => [write.id, write]));
      const kept = state.writes.filter(({ id }) => !changed.has(id));
      return { writes: [...kept, ...payload].sort((one, other) => one.turn - other.turn) };
    },
    dequeued: (state, { payload: id }: PayloadAction<string>) => ({
      writes: state.writes.filter((write) => write.id !== id) as readonly QueuedWrite[],
    }),
  },
});

export const { queued, dequeued } = slice.actions;
export const queue = slice.reducer;
