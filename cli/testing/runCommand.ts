import { execFile } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { inject } from 'vitest';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));

/** How a command ended. */
export interface Ran {
  readonly code: number;
  readonly out: string;
  readonly err: string;
}

/** Runs a command as `npm run -s` does, in a process of its own. */
export function runCommand(
  name: 'card' | 'compute' | 'lines',
  words: readonly string[],
  said?: string,
): Promise<Ran> {
  return new Promise((resolve) => {
    const run = [`${inject('commands')}/${name}.mjs`, ...words];
    const child = execFile(
      process.execPath,
      run,
      {
        cwd: ROOT,
        maxBuffer: 2 ** 26,
        /* Compiled once for the many runs. */
        env: { ...process.env, NODE_COMPILE_CACHE: `${inject('commands')}/compiled` },
      },
      (error, out, err) => {
        resolve({ code: error ? Number(error.code) : 0, out, err });
      },
    );
    if (said !== undefined) child.stdin?.end(said);
  });
}
