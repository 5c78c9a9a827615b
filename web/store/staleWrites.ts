import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Write } from './api';

/** A write that met a newer version: what was meant, and what is there now. */
interface StaleWrite {
  readonly mine: Write;
  readonly theirs: { readonly version: number } | null;
  /** what the thing is called */
  readonly name: string;
}

const slice = createSlice({
  name: 'staleWrites',
  initialState: { waiting: [] as readonly StaleWrite[] },
  reducers: {
    staleWriteMet: (state, { payload }: PayloadAction<StaleWrite>) => ({
      waiting: [...state.waiting, payload],
    }),
    staleWriteSettled: (state) => ({ waiting: state.waiting.slice(1) }),
  },
});

export const { staleWriteMet, staleWriteSettled } = slice.actions;
export const staleWrites = slice.reducer;
