import { configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { autosave } from './autosave';
import { preferences } from './preferences';
import { drafts } from './drafts';
import { staleWrites } from './staleWrites';

/** The state of the app: the server's House, drafts of protocols and blocks, and what the person prefers. */
export const store = configureStore({
  reducer: { [api.reducerPath]: api.reducer, drafts, staleWrites, preferences },
  middleware: (defaults) =>
    /* Houses are large plain values that reducers replace and never change: no need to search them. */
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(autosave.middleware)
      .concat(api.middleware),
});

/* Another window may have saved meanwhile: coming back to this one looks again. */
setupListeners(store.dispatch);

export type RootState = ReturnType<typeof store.getState>;

export const useAppDispatch = useDispatch.withTypes<typeof store.dispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
