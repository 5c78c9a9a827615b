import type { Sequelize } from 'sequelize';
import type { Demand } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { storeOf, type Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';
import { fromJson, orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface DemandRow extends Kept {
  readonly serviceId: string;
  readonly visitsPerWeek: number;
  readonly months: NonNullable<Demand['months']> | string | null;
  readonly trendPerYear: number | null;
}

/** The demand plan in the database, one line a service. */
export function demandStore(sequelize: Sequelize): Store<Demand> {
  return storeOf<Demand, DemandRow>({
    table: table(sequelize, 'demand'),
    key: 'serviceId',
    keyOf: (line) => line.serviceId,
    toRow: ({ serviceId, visitsPerWeek, months, trendPerYear }) => ({
      serviceId,
      visitsPerWeek,
      months: orNull(months),
      trendPerYear: orNull(trendPerYear),
    }),
    fromRow: ({ serviceId, visitsPerWeek, months, trendPerYear }) => ({
      serviceId: asId(serviceId),
      visitsPerWeek,
      ...present({ months: months === null ? null : fromJson(months), trendPerYear }),
    }),
    children: [],
    usedBy: usedByNothing,
  });
}
