import { readFile, writeFile } from 'node:fs/promises';
import type { Sequelize } from 'sequelize';
import { latestHouseFile, writeHouseFile } from '@bienestar/contract/houseFile';
import { asOfNow, type HouseArchive } from '@bienestar/core/house/archive';
import { withFile } from '../http/incomingFile';
import { DEMO } from '../places';
import { openHouse } from './openHouse';

/**
 * The demo house as a file, its days moved so that it is as fresh as on the day on which it was written. It is
 * checked when it is opened, as any other, and not twice.
 */
export async function demoHouseFile(now: Date): Promise<string> {
  const file = JSON.parse(await readFile(DEMO, 'utf8')) as Record<string, unknown>;
  const { format: _format, formatVersion: _version, ...house } = latestHouseFile(file);
  return writeHouseFile(asOfNow(house as unknown as HouseArchive, now));
}

/** Opens the demo house in an empty database. */
export async function openDemo(live: Sequelize, url: string): Promise<void> {
  await withFile(async (path) => {
    await writeFile(path, await demoHouseFile(new Date()));
    const opened = await openHouse(live, url, path);
    if (!opened.ok) throw new Error(`The demo house has faults: ${JSON.stringify(opened.faults)}`);
  });
}
