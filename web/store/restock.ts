import { createSelector } from '@reduxjs/toolkit';
import type { MaterialId } from '@bienestar/core/house/ids';
import { createRestocker, type RestockFigures } from '@bienestar/core/restock/restocker';
import type { Restocking } from '@bienestar/core/restock/restocking';
import { HOUR_MS, thisHour } from './clock';
import { present, selectFigures, selectHouse } from './house';
import { useAppSelector } from './store';

/* Apart from the House, so that the first view does not wait for what only the shelf needs. */

const restock = createRestocker();

const selectRestock = createSelector(
  [selectHouse, selectFigures, thisHour],
  (house, figures, hour): RestockFigures | undefined =>
    house && figures && restock(house, figures, new Date(hour * HOUR_MS)),
);

/** When to order what, for the House of this screen. */
export function useRestock(): RestockFigures {
  return present(useAppSelector(selectRestock));
}

/** When to order one material; nothing for linen, or where it cannot be counted. */
export function useRestocking(id: MaterialId): Restocking | undefined {
  const of = useRestock().materials.get(id);
  return of?.ok ? of.value : undefined;
}
