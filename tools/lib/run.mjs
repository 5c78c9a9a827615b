import { spawn } from 'node:child_process';
import { ROOT } from './paths.mjs';

/**
 * Runs a command to its end.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {{ env?: NodeJS.ProcessEnv, log: (text: string) => void, show?: boolean }} options
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(command, args, { env = process.env, log, show = false }) {
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    const take = (/** @type {Buffer} */ data) => {
      output += data;
      log(data.toString());
      if (show) process.stdout.write(data);
    };
    child.stdout.on('data', take);
    child.stderr.on('data', take);
    child.on('error', (error) => resolve({ code: 127, output: error.message }));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}
