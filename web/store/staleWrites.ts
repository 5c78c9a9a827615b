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
  initialState: { waiting: [] as readonly StaleWrite[], isLater: false },
  reducers: {
    staleWriteMet: (state, { payload }: PayloadAction<StaleWrite>) => ({
      waiting: [...state.waiting, payload],
      isLater: false,
    }),
    staleWriteSettled: (state) => ({ ...state, waiting: state.waiting.slice(1) }),
    /** the choice is put off, or made now */
    staleWriteLeft: (state, { payload: isLater }: PayloadAction<boolean>) => ({
      ...state,
      isLater,
    }),
  },
});

export const { staleWriteMet, staleWriteSettled, staleWriteLeft } = slice.actions;
export const staleWrites = slice.reducer;
