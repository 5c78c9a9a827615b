import { createSelector } from '@reduxjs/toolkit';
import type { QueuedWrite } from '../../store/outbox/queuedWrite';

/** What is kept in this browser because nobody answered, or because it cannot be done as it is. */
export const waitingOf = createSelector([(writes: readonly QueuedWrite[]) => writes], (writes) =>
  writes.filter(
    ({ state, isHeld }) => isHeld === true || state.is === 'refused' || state.is === 'clash',
  ),
);
