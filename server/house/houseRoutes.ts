import { Router, type Request, type Response } from 'express';
import type { Sequelize } from 'sequelize';
import type { HouseSnapshot, OpeningLine } from '@bienestar/contract/api';
import { reading } from '../db/unitOfWork';
import { withIncomingFile } from '../http/incomingFile';
import { invalidInput, notFound, problemDocument } from '../http/problems';
import { writeTo } from '../http/streamAnswer';
import { openBeside } from './openBeside';
import { readHouse } from './wholeHouse';
import { writeHouse } from './writeHouse';
import type { Stores } from './stores';

/** Lines of progress while a file is opened. */
export const PROGRESS_LINES = 'application/x-ndjson';
/** A large house goes out as long as somebody reads it. */
const WRITTEN_WITHIN_MS = 30 * 60_000;
const TOLD_EVERY = 0.01;

/**
 * The routes of the House as a whole.
 * - `GET /` everything, each aggregate with its `version`; 404 before a house is set up.
 * - `GET /file` the house file, as a download, of any size.
 * - `PUT /file` a house file in the place of the whole House, all or nothing; 400 with every fault at
 *   its place. Answers the new House. Asked for `application/x-ndjson` it answers lines instead: `progress`
 *   from 0 to 1, and at last the `house` or the `problem`. Whoever leaves breaks it off.
 * @param url where `sequelize` connects to
 * @param beforeOpening is done before another house is put in the place of the one in use
 */
export function houseRoutes(
  stores: Stores,
  sequelize: Sequelize,
  url: string,
  beforeOpening: () => Promise<void>,
): Router {
  const router = Router();
  const read = async (): Promise<HouseSnapshot> => {
    const house = await reading(sequelize, (tx) => readHouse(stores, sequelize, tx));
    if (!house) throw notFound('house', 'yet');
    return house;
  };

  router.get('/', async (_request, response) => {
    response.json(await read());
  });

  router.get('/file', async (_request, response) => {
    const name = await reading(sequelize, (tx) => stores.settings.find(tx));
    if (!name) throw notFound('house', 'yet');
    response.attachment(`${fileName(name.name)}.house.json`);
    response.type('application/json');
    const write = writeTo(response);
    await reading(sequelize, (tx) => writeHouse(stores, sequelize, tx, write), WRITTEN_WITHIN_MS);
    response.end();
  });

  router.put('/file', async (request, response) => {
    await withIncomingFile(request, (path) => openAndAnswer(request, response, path));
  });

  /** Opens a file that lies here, and answers the House that it holds, or lines of how it goes. */
  async function openAndAnswer(request: Request, response: Response, path: string): Promise<void> {
    const left = new AbortController();
    response.once('close', () => {
      if (!response.writableEnded) left.abort();
    });
    const open = async (onProgress: (share: number) => void): Promise<HouseSnapshot> => {
      await beforeOpening();
      const checked = await openBeside(sequelize, url, path, { onProgress, signal: left.signal });
      if (!checked.ok) throw invalidInput(checked.faults);
      return read();
    };
    if (request.get('accept') !== PROGRESS_LINES) {
      response.json(await open(() => undefined));
      return;
    }
    response.type(PROGRESS_LINES);
    const write = writeTo(response);
    const tell = (line: OpeningLine): Promise<void> => write(`${JSON.stringify(line)}\n`);
    let told = 0;
    try {
      const house = await open((share) => {
        if (share - told < TOLD_EVERY) return;
        told = share;
        void tell({ progress: share }).catch(() => undefined);
      });
      await tell({ house });
    } catch (error) {
      if (left.signal.aborted) return;
      await tell({ problem: problemDocument(error, request) });
    }
    response.end();
  }

  return router;
}

function fileName(house: string): string {
  const plain = house
    .normalize('NFD')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-');
  return plain.replaceAll(/^-+|-+$/g, '') || 'house';
}
