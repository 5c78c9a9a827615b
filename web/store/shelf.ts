import { createSelector } from '@reduxjs/toolkit';
import { useSyncExternalStore } from 'react';
import type { House } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import { shelfState, type ShelfState } from '@bienestar/core/stock/shelfLife';

const TICK_MS = 60_000;
let now = new Date();

function subscribe(changed: () => void): () => void {
  const timer = setInterval(() => {
    now = new Date();
    changed();
  }, TICK_MS);
  return () => clearInterval(timer);
}

/** The time by the minute: fresh goods are good for hours. */
export function useNow(): Date {
  return useSyncExternalStore(subscribe, () => now);
}

/** Of a material that has only just been added. */
const NOTHING = { lots: [] } as const;

/** What is left of every material that is kept in stock, at a moment. */
export const shelfStates = createSelector(
  [
    (house: House) => house.materials,
    (house: House) => house.stock,
    (_house: House, at: Date) => at,
  ],
  (materials, stock, at): ReadonlyMap<MaterialId, ShelfState> => {
    const lots = new Map(stock.map((line) => [line.materialId, line]));
    return new Map(
      materials.flatMap((material) =>
        material.kind === 'linen'
          ? []
          : [[material.id, shelfState(material, lots.get(material.id) ?? NOTHING, at)] as const],
      ),
    );
  },
);
