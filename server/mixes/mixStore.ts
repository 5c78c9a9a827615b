import type { Sequelize } from 'sequelize';
import { referencesOfMix } from '@bienestar/contract/references';
import type { Mix } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usersOf } from '../aggregates/users';

/** Mixes in the database. */
export function mixStore(sequelize: Sequelize): Store<Mix> {
  return documentStore(
    sequelize,
    'mixes',
    'byMixId',
    referencesOfMix,
    usersOf(sequelize, 'mix_id'),
  );
}
