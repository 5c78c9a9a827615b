import type { Sequelize } from 'sequelize';
import { referencesOfDevice } from '@bienestar/contract/references';
import type { Device } from '@bienestar/core/house/device';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usersOf } from '../aggregates/users';

/** Devices in the database. */
export function deviceStore(sequelize: Sequelize): Store<Device> {
  return documentStore(
    sequelize,
    'devices',
    'byDeviceId',
    referencesOfDevice,
    usersOf(sequelize, 'device_id'),
  );
}
