import { spawn } from 'node:child_process';
import { ROOT } from './paths.mjs';

/**
 * Runs a command to its end.
 * @param {string} command
 * @param {readonly string[]} args
 * @param {object} options
 * @param {NodeJS.ProcessEnv} [options.env]
 * @param {(text: string) => void} options.log
 * @param {boolean} [options.show] what it says goes on to whoever runs this
 * @param {boolean} [options.gives] gives way to whatever else wants the processor
 * @returns {Promise<{ code: number, output: string }>}
 */
export function run(command, args, { env = process.env, log, show = false, gives = false }) {
  const whole = gives ? ['nice', '-n', '19', command, ...args] : [command, ...args];
  return new Promise((resolve) => {
    const child = spawn(whole[0] ?? '', whole.slice(1), {
      cwd: ROOT,
      env,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
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
