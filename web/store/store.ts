import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { setupListeners } from '@reduxjs/toolkit/query';
import { useDispatch, useSelector } from 'react-redux';
import { api } from './api';
import { autosaveInto, draftProgress } from './autosave';
import { drafts } from './drafts';
import { createOutbox } from './outbox/outbox';
import { outboxInBrowser } from './outbox/outboxStorage';
import { opened, queue } from './outbox/queue';
import { senderOf } from './outbox/sendWrite';
import { windowLocks } from './outbox/windowLocks';
import { preferences } from './preferences';
import { undo } from './undo';

/** On which every edit reaches the house. */
export const outbox = createOutbox({
  storage: outboxInBrowser(),
  windows: windowLocks('locks' in navigator ? navigator.locks : undefined),
});

export const reducer = combineReducers({
  [api.reducerPath]: api.reducer,
  drafts,
  queue,
  preferences,
  undo,
});

/** The state of the app: the server's House, what is edited and sent, and what the person prefers. */
export const store = configureStore({
  reducer,
  middleware: (defaults) =>
    /* Houses are large plain values that reducers replace and never change: no need to search them. */
    defaults({ serializableCheck: false, immutableCheck: false })
      .prepend(autosaveInto(outbox))
      .concat(api.middleware),
});

/* Another window may have saved meanwhile: coming back to this one looks again. */
setupListeners(store.dispatch);

void outbox
  .open(
    store,
    senderOf(store.dispatch, () => store.getState()),
    draftProgress(store, outbox.window),
  )
  .finally(() => store.dispatch(opened()));

export type RootState = ReturnType<typeof store.getState>;
export type AppDispatch = typeof store.dispatch;

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
