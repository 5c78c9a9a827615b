import { inject } from 'vitest';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { databaseAt, restoreTemplate } from '../../server/testing/template';

/** Where the demo house stands on the server of each house, to be copied back. */
export const TEMPLATE = 'bienestar_template';

/** The house of the worker that runs this file. */
export function ownHouse() {
  const house = inject('houses')[Number(process.env.VITEST_POOL_ID) - 1];
  if (!house) throw new Error('There is no house for this worker.');
  return house;
}

/** What the house of this worker answers at an address below /api. */
export async function read<T>(path: string): Promise<T> {
  return (await (await fetch(`${ownHouse().url}/api/${path}`)).json()) as T;
}

/** The house of this worker as its server has it. */
export function readHouse(): Promise<HouseSnapshot> {
  return read<HouseSnapshot>('house');
}

/** Puts the demo house in the place of whatever the last journey left. */
export async function freshHouse(): Promise<void> {
  await restoreTemplate(databaseAt(ownHouse().databaseUrl), TEMPLATE);
}
