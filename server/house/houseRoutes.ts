import { writeFile } from 'node:fs/promises';
import express, { Router } from 'express';
import Joi from 'joi';
import { BEGINNINGS, type Beginning } from '@bienestar/contract/api';
import { writeHouseFile } from '@bienestar/contract/houseFile';
import { timeZoneHere } from '@bienestar/core/days/timeZones';
import { newHouse } from '@bienestar/core/house/newHouse';
import { checkedInput } from '../aggregates/checkInput';
import { withFile, withIncomingFile } from '../http/incomingFile';
import { idTaken, notFound } from '../http/problems';
import { writeTo } from '../http/streamAnswer';
import type { OpenAndAnswer } from './openAndAnswer';
import { demoHouseFile } from './openDemo';
import { readHouse } from './wholeHouse';
import { writeHouse } from './writeHouse';
import type { Door } from '../work/door';

/** A large house goes out as long as somebody reads it. */
const WRITTEN_WITHIN_MS = 30 * 60_000;

/**
 * The routes of the House as a whole.
 * - `GET /` everything, each aggregate with its `version`; 404 before a house is set up.
 * - `GET /file` the house file, as a download, of any size.
 * - `PUT /file` a house file in the place of the whole House, all or nothing; 400 with every fault at
 *   its place. Answers the new House, or lines of progress (openAndAnswer.ts).
 * - `POST /` with `begin` (`new` or `demo`), where there is no house yet; with `instead` also where there is
 *   one, which is put aside whole; 409 where there is one otherwise.
 */
export function houseRoutes(door: Door, open: OpenAndAnswer): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const house = await door.read(request, readHouse);
    if (!house) throw notFound('house', 'yet');
    response.json(house);
  });

  router.get('/file', async (request, response) => {
    const name = await door.read(request, ({ house: kept }) => kept.settings.find());
    if (!name) throw notFound('house', 'yet');
    response.attachment(`${fileName(name.name)}.house.json`);
    response.type('application/json');
    const write = writeTo(response);
    await door.read(request, (unit) => writeHouse(unit, write), WRITTEN_WITHIN_MS);
    response.end();
  });

  router.put('/file', async (request, response) => {
    await withIncomingFile(request, (path) => open.file(request, response, path));
  });

  router.post('/', express.json({ limit: '1kb' }), async (request, response) => {
    const { begin, instead } = checkedInput<Begun>(beginning, request.body);
    if (!instead && (await door.read(request, ({ house: kept }) => kept.settings.find())))
      throw idTaken('house', 'here');
    const text =
      begin === 'demo' ? await demoHouseFile(new Date()) : writeHouseFile(newHouse(timeZoneHere()));
    await withFile(async (path) => {
      await writeFile(path, text);
      await open.file(request, response, path);
    });
  });

  return router;
}

interface Begun {
  readonly begin: Beginning;
  /** in the place of the house that is here */
  readonly instead?: boolean;
}

const beginning = Joi.object<Begun>({
  begin: Joi.valid(...BEGINNINGS).required(),
  instead: Joi.boolean(),
}).required();

function fileName(house: string): string {
  const plain = house
    .normalize('NFD')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-');
  return plain.replaceAll(/^-+|-+$/g, '') || 'house';
}
