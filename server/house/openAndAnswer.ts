import type { Request, Response } from 'express';
import type { Sequelize } from 'sequelize';
import type { HouseSnapshot, OpeningLine } from '@bienestar/contract/api';
import { invalidInput, notFound, problemDocument } from '../http/problems';
import { writeTo } from '../http/streamAnswer';
import { openBeside } from './openBeside';
import type { Door } from '../work/door';
import { readHouse } from './wholeHouse';

/** Lines of progress while a file is opened. */
const PROGRESS_LINES = 'application/x-ndjson';
const TOLD_EVERY = 0.01;

/** Opens a house file that lies here, and answers the House that it holds, or lines of how it goes. */
export type OpenAndAnswer = (request: Request, response: Response, path: string) => Promise<void>;

/**
 * How house files are opened and answered: with the new House, or, asked for `application/x-ndjson`, with
 * lines of `progress` from 0 to 1, and at last the `house` or the `problem`. Whoever leaves breaks it off.
 * @param url where `sequelize` connects to
 * @param beforeOpening is done before another house is put in the place of the one in use
 */
export function openingHouses(
  door: Door,
  sequelize: Sequelize,
  url: string,
  beforeOpening: () => Promise<unknown>,
): OpenAndAnswer {
  return async (request, response, path) => {
    const left = new AbortController();
    response.once('close', () => {
      if (!response.writableEnded) left.abort();
    });
    const open = async (onProgress: (share: number) => void): Promise<HouseSnapshot> => {
      await beforeOpening();
      const checked = await openBeside(sequelize, url, path, { onProgress, signal: left.signal });
      if (!checked.ok) throw invalidInput(checked.faults);
      const house = await door.read(request, readHouse);
      if (!house) throw notFound('house', 'yet');
      return house;
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
        tell({ progress: share }).catch(() => undefined);
      });
      await tell({ house });
    } catch (error) {
      if (left.signal.aborted) return;
      await tell({ problem: problemDocument(error, request) });
    }
    response.end();
  };
}
