import type { Sequelize } from 'sequelize';
import { referencesOfMenu } from '@bienestar/contract/references';
import type { GuestMenu } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';

/** Menus as guests read them in the database. */
export function menuStore(sequelize: Sequelize): Store<GuestMenu> {
  return documentStore(sequelize, 'menus', 'byMenuId', referencesOfMenu, usedByNothing);
}
