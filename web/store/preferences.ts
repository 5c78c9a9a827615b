import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type Theme = 'light' | 'dim';

const KEY = 'bienestar.theme';

function keptTheme(): Theme {
  const kept = localStorage.getItem(KEY);
  if (kept === 'light' || kept === 'dim') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dim' : 'light';
}

const slice = createSlice({
  name: 'preferences',
  initialState: { theme: keptTheme() },
  reducers: {
    themeChosen(state, { payload }: PayloadAction<Theme>) {
      state.theme = payload;
    },
  },
});

export const { themeChosen } = slice.actions;
export const preferences = slice.reducer;

/** Shows a theme, and keeps it for the next time. */
export function applyTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
  localStorage.setItem(KEY, theme);
}
