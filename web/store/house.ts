import { createSelector } from '@reduxjs/toolkit';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import type { House } from '@bienestar/core/house/house';
import { writeAs } from '../format/locale';
import { api } from './api';
import type { QueuedWrite } from './outbox/queuedWrite';
import { withWrites } from './outbox/withWrites';
import { store, useAppSelector, type RootState } from './store';

const calculate = createCalculator();

const selectSnapshot = createSelector(
  api.endpoints.house.select(),
  (answer): HouseSnapshot | undefined => answer.data,
);
const selectDrafts = (state: RootState) => state.drafts.byId;

const NONE: readonly QueuedWrite[] = [];

/**
 * What is shown before the house has answered: fields at once, so that whatever is changed next goes on from
 * them; entries only when nobody answers, since the ledger tells what they do.
 */
const selectAhead = createSelector(
  (state: RootState) => state.queue.writes,
  (writes) => {
    const ahead = writes.filter(({ isHeld, change }) => isHeld === true || change.kind === 'edit');
    return ahead.length > 0 ? ahead : NONE;
  },
);

/** The House as the server has it, with fields as they were left and with what waits to be sent. */
export const selectShown = createSelector([selectSnapshot, selectAhead], (snapshot, ahead) =>
  snapshot && ahead.length > 0 ? withWrites(snapshot, ahead) : snapshot,
);

/* Before anything is drawn with it. */
store.subscribe(() => {
  const shown = selectShown(store.getState());
  if (shown) writeAs(shown.settings.locale);
});

/** The House as it will be when all is done that is on its way or waits: what a next change goes on from. */
export function houseInHand(state: RootState): HouseSnapshot | undefined {
  const snapshot = selectSnapshot(state);
  return snapshot && withWrites(snapshot, state.queue.writes);
}

/** The House as it is on this screen: the server's, with protocols and blocks as they are being edited. */
export const selectHouse = createSelector(
  [selectShown, selectDrafts],
  (snapshot, drafts): House | undefined => {
    if (!snapshot) return undefined;
    const asEdited = <T extends { readonly id: string }>(things: readonly T[]): readonly T[] =>
      things.some(({ id }) => drafts[id])
        ? things.map((thing) => (drafts[thing.id]?.present as T | undefined) ?? thing)
        : things;
    return {
      ...snapshot,
      protocols: asEdited(snapshot.protocols),
      blocks: asEdited(snapshot.blocks),
    };
  },
);

/** Every figure of the House of this screen. */
export const selectFigures = createSelector([selectHouse], (house) => house && calculate(house));

/** The House as the server has it and with what waits, with the versions that a write must name. */
export function useSnapshot(): HouseSnapshot {
  return present(useAppSelector(selectShown));
}

/** The House of this screen; places are only shown when there is one. */
export function useHouse(): House {
  return present(useAppSelector(selectHouse));
}

/** Every figure of the House of this screen. */
export function useFigures(): HouseFigures {
  return present(useAppSelector(selectFigures));
}

/** What is there whenever a place is shown. */
export function present<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('A place was shown before the house was there.');
  return value;
}
