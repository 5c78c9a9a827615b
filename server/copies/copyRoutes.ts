import { createWriteStream } from 'node:fs';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { Router } from 'express';
import { isDiskFull, notFound, Refusal } from '../http/problems';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { withFile } from '../http/incomingFile';
import type { AsideHouses } from '../house/asideHouses';
import type { OpenAndAnswer } from '../house/openAndAnswer';
import type { Copies } from './copies';

/**
 * The routes of safe copies.
 * - `GET /` what there is, the newest first: files, and houses that were put aside whole.
 * - `POST /` makes one now, 201.
 * - `GET /:name` a copy as it lies there, compressed, as a download; 404.
 * - `POST /:name/bring-back` puts a copy in the place of the house, as opening a house file does; 404.
 * @param copies none where the house was started without a folder for them
 */
export function copyRoutes(
  copies: Copies | undefined,
  asides: AsideHouses,
  open: OpenAndAnswer,
): Router {
  const router = Router();
  const kept = (): Copies => {
    if (copies) return copies;
    throw notFound('folder for safe copies', 'COPIES');
  };

  router.get('/', async (_request, response) => {
    const all = [...(copies ? await copies.list() : []), ...(await asides.list())];
    response.json(all.toSorted((a, b) => b.at.localeCompare(a.at)));
  });

  router.post('/', async (_request, response) => {
    const made = await kept().make('by-hand');
    if (!made) throw notFound('house', 'yet');
    response.status(201).json(made);
  });

  router.get('/:name', async (request, response) => {
    const { name } = request.params;
    const file = await kept().read(name);
    if (!file) throw notFound('safe copy', name);
    response.attachment(name).type('application/gzip');
    await pipeline(file, response);
  });

  router.post('/:name/bring-back', async (request, response) => {
    const { name } = request.params;
    if (name.startsWith('aside-')) {
      await open.aside(request, response, name);
      return;
    }
    const file = await kept().read(name);
    if (!file) throw notFound('safe copy', name);
    await withFile(async (path) => {
      await pipeline(file, createGunzip(), createWriteStream(path, { mode: 0o600 })).catch(
        (error: unknown) => {
          if (isDiskFull(error)) throw error;
          throw new Refusal(
            422,
            PROBLEM_TYPES.invalid,
            'This copy is damaged',
            `The copy “${name}” cannot be read to its end. Nothing was changed; take another one.`,
          );
        },
      );
      await open.file(request, response, path);
    });
  });

  return router;
}
