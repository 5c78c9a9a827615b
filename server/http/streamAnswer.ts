import { once } from 'node:events';
import type { Response } from 'express';
import type { Write } from '../house/writeHouse';

/** A way to write an answer part by part, no faster than it is read; it fails when nobody reads on. */
export function writeTo(response: Response): Write {
  const gone = new AbortController();
  response.once('close', () => gone.abort());
  return async (text) => {
    if (gone.signal.aborted) throw new Error('The reader left.');
    if (!response.write(text)) await once(response, 'drain', { signal: gone.signal });
  };
}
