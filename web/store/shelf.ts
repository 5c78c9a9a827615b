import { createSelector } from '@reduxjs/toolkit';
import type { HouseClock } from '@bienestar/core/days/days';
import type { House } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import { shelfState, type ShelfState } from '@bienestar/core/stock/shelfLife';

/** Of a material that has only just been added. */
const NOTHING = { lots: [] } as const;

/** What is left of every material that is kept in stock, at a moment. */
export const shelfStates = createSelector(
  [
    (house: House) => house.materials,
    (house: House) => house.stock,
    (_house: House, clock: HouseClock) => clock,
  ],
  (materials, stock, clock): ReadonlyMap<MaterialId, ShelfState> => {
    const lots = new Map(stock.map((line) => [line.materialId, line]));
    return new Map(
      materials.flatMap((material) =>
        material.kind === 'linen'
          ? []
          : [[material.id, shelfState(material, lots.get(material.id) ?? NOTHING, clock)] as const],
      ),
    );
  },
);
