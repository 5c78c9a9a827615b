import type { Sequelize } from 'sequelize';
import { referencesOfWriting } from '@bienestar/contract/references';
import type { Protocol } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usersBy, usersOf } from '../aggregates/users';

/** The drafts of protocols in the database. */
export function protocolStore(sequelize: Sequelize): Store<Protocol> {
  const offered = usersOf(sequelize, 'protocol_id');
  const sold = usersBy(sequelize, {
    service: 'SELECT id, name FROM services WHERE protocol_id = :id ORDER BY ordinal',
    'published edition':
      "SELECT protocol_id AS id, CONCAT('edition ', number) AS name FROM editions WHERE protocol_id = :id ORDER BY number",
  });
  return documentStore<Protocol>(
    sequelize,
    'protocols',
    'byProtocolId',
    referencesOfWriting,
    async (id, tx) => [...(await sold(id, tx)), ...(await offered(id, tx))],
  );
}
