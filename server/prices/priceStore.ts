import type { Sequelize, Transaction } from 'sequelize';
import { priceDiffers, pricePoint } from '@bienestar/core/cost/pricePoint';
import type { PricePoint } from '@bienestar/core/house/pricePoint';
import type { Material } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { dayOf } from '@bienestar/core/days/days';
import type { Store } from '../documents/documentStore';
import { rowsOf } from '../db/rows';
import { table } from '../db/tables';

interface PriceRow {
  readonly materialId: string;
  readonly packId: string;
  readonly onDay: string;
  readonly priceMinor: number;
  readonly discount: number;
  readonly freightMinor: number;
  readonly toldBy: PricePoint['from'];
}

/** What packs cost from day to day, inside the caller's transaction. */
export interface PriceStore {
  /** of one material, or of all, oldest first */
  readonly all: (tx: Transaction, materialId?: string) => Promise<PricePoint[]>;
  readonly insert: (points: readonly PricePoint[], tx: Transaction) => Promise<void>;
  /** keeps a point; the last of a day counts */
  readonly note: (points: readonly PricePoint[], tx: Transaction) => Promise<void>;
  readonly remove: (materialId: string, tx: Transaction) => Promise<void>;
  readonly removeAll: (tx: Transaction) => Promise<void>;
}

/** The history of prices in the database. */
export function priceStore(sequelize: Sequelize): PriceStore {
  const prices = table<PriceRow>(sequelize, 'price_points');
  const write = async (
    points: readonly PricePoint[],
    tx: Transaction,
    options: object,
  ): Promise<void> => {
    if (points.length === 0) return;
    await prices.bulkCreate(points.map(rowOf), { transaction: tx, ...options });
  };
  return {
    all: async (tx, materialId) => {
      const where = materialId === undefined ? {} : { materialId };
      const rows = await rowsOf<PriceRow>(prices, ['onDay', 'materialId', 'packId'], tx, where);
      return rows.map(pointOf);
    },
    insert: (points, tx) => write(points, tx, {}),
    note: (points, tx) =>
      write(points, tx, {
        updateOnDuplicate: ['priceMinor', 'discount', 'freightMinor', 'toldBy'],
      }),
    remove: async (materialId, tx) => {
      await prices.destroy({ where: { materialId } as never, transaction: tx });
    },
    removeAll: async (tx) => {
      await prices.destroy({ where: {}, transaction: tx });
    },
  };
}

/**
 * A store of materials that keeps the history: every new or changed price of a pack becomes a point
 * of today, in the same transaction.
 */
export function notingPrices(
  materials: Store<Material>,
  prices: PriceStore,
  from: 'hand' | 'price-list',
): Store<Material> {
  const today = (): string => dayOf(new Date());
  return {
    ...materials,
    insert: async (values, version, tx) => {
      await materials.insert(values, version, tx);
      const points = values.flatMap((material) =>
        pointsBetween(undefined, material, today(), from),
      );
      await prices.note(points, tx);
    },
    replace: async (value, version, tx) => {
      const before = await materials.find(value.id, tx);
      if (!(await materials.replace(value, version, tx))) return false;
      await prices.note(pointsBetween(before, value, today(), from), tx);
      return true;
    },
    remove: async (id, version, tx) => {
      const before = await materials.find(id, tx);
      if (before?.version !== version) return false;
      await prices.remove(id, tx);
      return materials.remove(id, version, tx);
    },
  };
}

function pointsBetween(
  before: Material | undefined,
  after: Material,
  on: string,
  from: 'hand' | 'price-list',
): PricePoint[] {
  if (after.kind === 'linen') return [];
  const known = before && before.kind !== 'linen' ? before.packs : [];
  return after.packs.flatMap((pack) => {
    const was = known.find((each) => each.id === pack.id);
    if (was && !priceDiffers(was, pack)) return [];
    return [pricePoint(after.id, pack, on, was ? from : 'opening')];
  });
}

function rowOf({ on, from, ...point }: PricePoint): PriceRow {
  return { ...point, onDay: on, toldBy: from };
}

function pointOf({ onDay, toldBy, materialId, packId, ...row }: PriceRow): PricePoint {
  return { materialId: asId(materialId), packId: asId(packId), on: onDay, ...row, from: toldBy };
}
