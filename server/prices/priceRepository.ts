import type { PricePoint } from '@bienestar/core/house/pricePoint';
import { asId } from '@bienestar/core/house/ids';
import { rowsOf } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';

interface PriceRow {
  readonly materialId: string;
  readonly packId: string;
  readonly onDay: string;
  readonly priceMinor: number;
  readonly discount: number;
  readonly freightMinor: number;
  readonly toldBy: PricePoint['from'];
}

/** What packs cost from day to day, in one unit of work. */
export interface PriceRepository {
  /** of one material, or of all, oldest first */
  readonly all: (materialId?: string) => Promise<PricePoint[]>;
  /** puts points into a database that nobody uses yet */
  readonly load: (points: readonly PricePoint[]) => Promise<void>;
  /** keeps a point; the last of a day counts */
  readonly note: (points: readonly PricePoint[]) => Promise<void>;
  readonly remove: (materialId: string) => Promise<void>;
}

/** The history of prices in the database. */
export function priceRepository({ sequelize, transaction }: Session): PriceRepository {
  const prices = table<PriceRow>(sequelize, 'price_points');
  const write = async (points: readonly PricePoint[], options: object): Promise<void> => {
    if (points.length === 0) return;
    await prices.bulkCreate(points.map(rowOf), { transaction, ...options });
  };
  return {
    all: async (materialId) => {
      const where = materialId === undefined ? {} : { materialId };
      const rows = await rowsOf<PriceRow>(
        prices,
        ['onDay', 'materialId', 'packId'],
        transaction,
        where,
      );
      return rows.map(pointOf);
    },
    load: (points) => write(points, {}),
    note: (points) =>
      write(points, {
        updateOnDuplicate: ['priceMinor', 'discount', 'freightMinor', 'toldBy'],
      }),
    remove: async (materialId) => {
      await prices.destroy({ where: { materialId } as never, transaction });
    },
  };
}

function rowOf({ on, from, ...point }: PricePoint): PriceRow {
  return { ...point, onDay: on, toldBy: from };
}

function pointOf({ onDay, toldBy, materialId, packId, ...row }: PriceRow): PricePoint {
  return { materialId: asId(materialId), packId: asId(packId), on: onDay, ...row, from: toldBy };
}
