import type { Sequelize } from 'sequelize';
import { referencesOfWriting } from '@bienestar/contract/references';
import type { Block } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usersOf } from '../aggregates/users';

/** Blocks in the database. */
export function blockStore(sequelize: Sequelize): Store<Block> {
  return documentStore<Block>(
    sequelize,
    'blocks',
    'byBlockId',
    referencesOfWriting,
    usersOf(sequelize, 'block_id'),
  );
}
