import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Sequelize } from 'sequelize';
import { readHouseFile, writeHouseFile } from '@bienestar/contract/houseFile';
import { asOfNow } from '@bienestar/core/house/archive';
import { openHouse } from './openHouse';

const DEMO = new URL('../../demo/casa-cenera.house.json', import.meta.url);

/** Opens the demo house, its days moved so that it is as fresh as on the day on which it was written. */
export async function openDemo(live: Sequelize, url: string): Promise<void> {
  const house = readHouseFile(await readFile(DEMO, 'utf8'));
  if (!house.ok) throw new Error(`The demo house has faults: ${JSON.stringify(house.faults)}`);
  const folder = await mkdtemp(join(tmpdir(), 'bienestar-demo-'));
  try {
    const path = join(folder, 'demo.house.json');
    await writeFile(path, writeHouseFile(asOfNow(house.value, new Date())));
    const opened = await openHouse(live, url, path);
    if (!opened.ok) throw new Error(`The demo house has faults: ${JSON.stringify(opened.faults)}`);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
