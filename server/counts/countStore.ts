import type { Sequelize } from 'sequelize';
import type { CountRound } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';

/** Rounds of counting in the database. */
export function countStore(sequelize: Sequelize): Store<CountRound> {
  return documentStore(sequelize, 'counts', undefined, () => [], usedByNothing);
}
