import type { Sequelize } from 'sequelize';
import { referencesOfOffer } from '@bienestar/contract/references';
import type { Offer } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usersOf } from '../aggregates/users';

/** Courses, packages and duo visits in the database. */
export function offerStore(sequelize: Sequelize): Store<Offer> {
  return documentStore(
    sequelize,
    'offers',
    'byOfferId',
    referencesOfOffer,
    usersOf(sequelize, 'offer_id'),
  );
}
