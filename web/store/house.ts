import { createSelector } from '@reduxjs/toolkit';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import type { House, Protocol } from '@bienestar/core/house/house';
import { api } from './api';
import { useAppSelector, type RootState } from './store';

const calculate = createCalculator();
const calculateOpened = createCalculator();

const selectSnapshot = createSelector(
  api.endpoints.house.select(),
  (answer): HouseSnapshot | undefined => answer.data,
);
const selectDrafts = (state: RootState) => state.protocolDrafts.byId;

/** The House as it is on this screen: the server's, with protocols as they are being edited. */
const selectHouse = createSelector(
  [selectSnapshot, selectDrafts],
  (snapshot, drafts): House | undefined => withDrafts(snapshot, (id) => drafts[id]?.present),
);

const selectFigures = createSelector([selectHouse], (house) => house && calculate(house));

/** The figures as they were when the drafts were opened, for what changed since. */
const selectOpenedFigures = createSelector([selectSnapshot, selectDrafts], (snapshot, drafts) => {
  const house = withDrafts(snapshot, (id) => drafts[id]?.opened);
  return house && calculateOpened(house);
});

function withDrafts(
  snapshot: HouseSnapshot | undefined,
  draftOf: (id: string) => Protocol | undefined,
): House | undefined {
  return (
    snapshot && {
      ...snapshot,
      protocols: snapshot.protocols.map((protocol) => draftOf(protocol.id) ?? protocol),
    }
  );
}

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

/** Every figure as it was when what is edited was opened. */
export function useOpenedFigures(): HouseFigures {
  return present(useAppSelector(selectOpenedFigures));
}

function present<T>(value: T | undefined): T {
  if (value === undefined) throw new Error('A place was shown before the house was there.');
  return value;
}
