import type { Request, Response } from 'express';
import type { Sequelize } from 'sequelize';
import type { Checked } from '@bienestar/contract/check';
import type { HouseSnapshot, OpeningLine } from '@bienestar/contract/api';
import { invalidInput, notFound, problemDocument } from '../http/problems';
import { writeTo } from '../http/streamAnswer';
import { asideHouses } from './asideHouses';
import { openBeside } from './openBeside';
import type { OpenOptions } from './readHouseStream';
import type { Door } from '../work/door';
import { readHouse } from './wholeHouse';

/** Lines of progress while a file is opened. */
const PROGRESS_LINES = 'application/x-ndjson';
const TOLD_EVERY = 0.01;

/** Puts another house in the place of the one in use, and answers it, or lines of how it goes. */
export interface OpenAndAnswer {
  /** a house file that lies here */
  readonly file: (request: Request, response: Response, path: string) => Promise<void>;
  /** a house that was put aside; 404 when it is not there */
  readonly aside: (request: Request, response: Response, name: string) => Promise<void>;
}

type Open = (options: OpenOptions) => Promise<Checked<undefined>>;

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
  const asides = asideHouses(sequelize, url);
  const answer = async (request: Request, response: Response, openOther: Open): Promise<void> => {
    const left = new AbortController();
    response.once('close', () => {
      if (!response.writableEnded) left.abort();
    });
    const open = async (onProgress: (share: number) => void): Promise<HouseSnapshot> => {
      const checked = await openOther({ beforeOpening, onProgress, signal: left.signal });
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
  return {
    file: (request, response, path) =>
      answer(request, response, (options) => openBeside(sequelize, url, path, options)),
    aside: (request, response, name) =>
      answer(request, response, async () => {
        await beforeOpening();
        if (!(await asides.bringBack(name))) throw notFound('house that was put aside', name);
        return { ok: true, value: undefined };
      }),
  };
}
