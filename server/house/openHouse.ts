import { stat } from 'node:fs/promises';
import type { Sequelize } from 'sequelize';
import type { Checked } from '@bienestar/contract/check';
import { requireRoom } from '../db/room';
import { byItself, readingUnit, writingUnit } from '../work/unitOfWork';
import { asideHouses } from './asideHouses';
import { readHouseStream, type ReadOptions } from './readHouseStream';
import { makeStagingSchema } from './stagingSchema';
import { fillHouse, fillRows, versionAbove } from './wholeHouse';

const ROOM_FOR_A_BYTE = 4;
/** Nobody waits for these writes but the one who opens the house. */
const FILLED_WITHIN_MS = 30 * 60_000;

/**
 * Opens a house file in the place of the house in use: all of it or nothing. It is read and filled into
 * tables beside those in use, so nobody else waits, and put in their place at once. The former house is put
 * aside whole.
 * @param url where `live` connects to
 * @param path of the file
 */
export async function openHouse(
  live: Sequelize,
  url: string,
  path: string,
  options: ReadOptions = {},
): Promise<Checked<undefined>> {
  /* Rows take more room than their text, with their indexes and until the former house is gone. */
  requireRoom(live, (await stat(path)).size * ROOM_FOR_A_BYTE);
  const version = await readingUnit(live, byItself(), versionAbove);
  const staging = await makeStagingSchema(live, url);
  try {
    const { sequelize } = staging;
    /* One unit of work: what nobody uses yet need not be safe run by run. */
    const checked = await writingUnit(
      sequelize,
      byItself(),
      async ({ house: into }) => {
        const fill = fillRows(into);
        const read = await readHouseStream(
          path,
          (list, rows) => fill[list](rows as never),
          options,
        );
        if (read.ok) await fillHouse(into, read.value, version);
        return read;
      },
      FILLED_WITHIN_MS,
    );
    if (!checked.ok) return checked;
    options.signal?.throwIfAborted();
    await staging.putInPlace();
    await asideHouses(live, url).tidy();
    return { ok: true, value: undefined };
  } finally {
    await staging.drop();
  }
}
