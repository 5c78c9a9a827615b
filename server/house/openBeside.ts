import { fork } from 'node:child_process';
import { once } from 'node:events';
import { stat } from 'node:fs/promises';
import type { Sequelize } from 'sequelize';
import type { Checked } from '@bienestar/contract/check';
import { Refusal } from '../http/problems';
import { OPENING } from '../places';
import { HELD_WHOLE, openHouse } from './openHouse';
import type { OpenOptions } from './readHouseStream';

/** What the process that opens a house is told. */
export type ToOpening =
  | { readonly kind: 'open'; readonly url: string; readonly path: string }
  | { readonly kind: 'stop' };

/** What it says. */
export type FromOpening =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'done'; readonly outcome: Checked<undefined> }
  | {
      readonly kind: 'failed';
      readonly status: number;
      readonly type: string;
      readonly title: string;
      readonly message: string;
      readonly trace: string;
    };

/**
 * Opens a house file of any size in the place of the house in use, as `openHouse` does; a large one in a
 * process of its own, so that others are answered meanwhile.
 * @throws refusals, and an AbortError when the signal says so
 */
export async function openBeside(
  live: Sequelize,
  url: string,
  path: string,
  options: OpenOptions = {},
): Promise<Checked<undefined>> {
  const { onProgress = () => undefined, signal } = options;
  /* Such a file is read faster than another process is started. */
  if ((await stat(path)).size <= HELD_WHOLE) return openHouse(live, url, path, options);
  await options.beforeOpening?.();
  const child = fork(OPENING.program, { execArgv: OPENING.execArgv, stdio: 'ignore' });
  const ended = once(child, 'exit');
  const say = (message: ToOpening): void => {
    if (child.connected) child.send(message);
  };
  const stop = (): void => say({ kind: 'stop' });
  signal?.addEventListener('abort', stop, { once: true });
  try {
    return await new Promise<Checked<undefined>>((resolve, reject) => {
      child.on('message', (said: FromOpening) => {
        switch (said.kind) {
          case 'progress':
            onProgress(said.share);
            return;
          case 'done':
            resolve(said.outcome);
            return;
          case 'failed':
            reject(failure(said));
        }
      });
      child.once('error', reject);
      child.once('exit', () => reject(new Error('The process that opens a house ended.')));
      say({ kind: 'open', url, path });
    });
  } finally {
    signal?.removeEventListener('abort', stop);
    await ended;
  }
}

function failure(said: Extract<FromOpening, { kind: 'failed' }>): Error {
  const refusal = new Refusal(said.status, said.type, said.title, said.message);
  refusal.stack = said.trace;
  return refusal;
}
