import { createSelector } from '@reduxjs/toolkit';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import type { House } from '@bienestar/core/house/house';
import { api } from './api';
import { useAppSelector, type RootState } from './store';

const calculate = createCalculator();

const selectSnapshot = createSelector(
  api.endpoints.house.select(),
  (answer): HouseSnapshot | undefined => answer.data,
);
const selectDrafts = (state: RootState) => state.drafts.byId;

/** The House as the server has it, from a state of the app. */
export function snapshotIn(state: RootState): HouseSnapshot | undefined {
  return selectSnapshot(state);
}

/** The House as it is on this screen: the server's, with protocols and blocks as they are being edited. */
export const selectHouse = createSelector(
  [selectSnapshot, selectDrafts],
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

/** The House as the server has it, with the versions that a write must name. */
export function useSnapshot(): HouseSnapshot {
  return present(useAppSelector(selectSnapshot));
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
