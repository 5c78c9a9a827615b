import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import type { Request } from 'express';
import { Refusal } from './problems';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';

/**
 * Keeps what a request sends in a file of its own while `work` reads it: it may be larger than memory.
 * Compressed by gzip it is kept as what it holds.
 * @throws refusals 400 for what breaks off, 415 for another encoding
 */
export async function withIncomingFile<T>(
  request: Request,
  work: (path: string) => Promise<T>,
): Promise<T> {
  return withFile(async (path) => {
    const encoding = request.get('content-encoding') ?? 'identity';
    const file = createWriteStream(path, { mode: 0o600 });
    if (encoding === 'gzip') await received(pipeline(request, createGunzip(), file));
    else if (encoding === 'identity') await received(pipeline(request, file));
    else throw new Refusal(415, PROBLEM_TYPES.notJson, 'Unknown encoding', 'Send JSON in UTF-8.');
    return work(path);
  });
}

/** The path of a file for `work` alone, which goes again with it. */
export async function withFile<T>(work: (path: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'bienestar-'));
  try {
    return await work(join(folder, 'file'));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function received(sending: Promise<void>): Promise<void> {
  try {
    await sending;
  } catch (error) {
    const code = (error as { readonly code?: string }).code ?? '';
    if (code === 'ENOSPC') throw error;
    throw new Refusal(400, PROBLEM_TYPES.notJson, 'Broken off', 'What was sent is not complete.');
  }
}
