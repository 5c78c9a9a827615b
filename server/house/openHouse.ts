import { stat } from 'node:fs/promises';
import type { Sequelize } from 'sequelize';
import type { Checked } from '@bienestar/contract/check';
import { requireRoom } from '../db/room';
import { byItself, readingUnit, writingUnit } from '../work/unitOfWork';
import { asideHouses } from './asideHouses';
import { readHouseHeld, readHouseStream, type OpenOptions, type TakeRows } from './readHouseStream';
import { makeStagingSchema } from './stagingSchema';
import { fillHouse, fillRows, versionAbove } from './wholeHouse';

const ROOM_FOR_A_BYTE = 4;
/** Up to this size a file is held and found right before anything is made: to make and drop tables takes longest. */
export const HELD_WHOLE = 2 * 1024 * 1024;
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
  options: OpenOptions = {},
): Promise<Checked<undefined>> {
  /* Rows take more room than their text, with their indexes and until the former house is gone. */
  const { size } = await stat(path);
  requireRoom(live, size * ROOM_FOR_A_BYTE);
  const held = size <= HELD_WHOLE ? await readHouseHeld(path, options) : undefined;
  if (held?.ok === false) return held;
  await options.beforeOpening?.();
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
        const take: TakeRows = (list, rows) => fill[list](rows as never);
        const read = held ? await held.value(take) : await readHouseStream(path, take, options);
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
