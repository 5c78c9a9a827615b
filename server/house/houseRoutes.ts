import express, { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { HouseSnapshot } from '@bienestar/contract/api';
import { LARGEST_HOUSE_FILE, readHouseFile, writeHouseFile } from '@bienestar/contract/houseFile';
import { reading, writing } from '../db/unitOfWork';
import { invalidInput, notFound } from '../http/problems';
import type { Stores } from './stores';
import { readArchive, readHouse, replaceHouse } from './wholeHouse';

/**
 * The routes of the House as a whole.
 * - `GET /` everything, each aggregate with its `version`; 404 before a house is set up.
 * - `GET /file` the house file, as a download.
 * - `PUT /file` a house file in the place of the whole House, all or nothing; 400 with every fault at
 *   its place, 413 above 40 MB. Answers the new House.
 */
export function houseRoutes(stores: Stores, sequelize: Sequelize): Router {
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
    const house = await reading(sequelize, (tx) => readArchive(stores, sequelize, tx));
    if (!house) throw notFound('house', 'yet');
    response.attachment(`${fileName(house.settings.name)}.house.json`);
    response.type('application/json').send(writeHouseFile(house));
  });

  const asText = express.text({ type: () => true, limit: LARGEST_HOUSE_FILE });
  router.put('/file', asText, async (request, response) => {
    const checked = readHouseFile(typeof request.body === 'string' ? request.body : '');
    if (!checked.ok) throw invalidInput(checked.faults);
    const saved = await writing(sequelize, async (tx) => {
      await replaceHouse(stores, checked.value, tx);
      return readHouse(stores, sequelize, tx);
    });
    response.json(saved);
  });

  return router;
}

function fileName(house: string): string {
  const plain = house
    .normalize('NFD')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-');
  return plain.replaceAll(/^-+|-+$/g, '') || 'house';
}
