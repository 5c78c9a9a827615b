import type { Stores } from '../house/stores';
import { journaling } from './journalStore';
import { SETTINGS_ID } from '@bienestar/core/house/journal';
import { unversioned } from '@bienestar/contract/api';

/** The stores of a House, those of what figures in costs and prices noting how things were. */
export function journalingStores(stores: Stores): Stores {
  const { journal, settings } = stores;
  return {
    ...stores,
    settings: {
      ...settings,
      replace: async (value, version, tx) => {
        const before = await settings.find(tx);
        if (!(await settings.replace(value, version, tx))) return false;
        if (before) {
          const entry = { part: 'settings', id: SETTINGS_ID, before: unversioned(before) } as const;
          await journal.note(entry, tx);
        }
        return true;
      },
    },
    rooms: journaling(stores.rooms, 'rooms', journal),
    people: journaling(stores.people, 'people', journal),
    materials: journaling(stores.materials, 'materials', journal),
    mixes: journaling(stores.mixes, 'mixes', journal),
    devices: journaling(stores.devices, 'devices', journal),
    blocks: journaling(stores.blocks, 'blocks', journal),
    protocols: journaling(stores.protocols, 'protocols', journal),
    services: journaling(stores.services, 'services', journal),
  };
}
