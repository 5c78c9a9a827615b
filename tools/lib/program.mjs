import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { commandFor } from './build.mjs';
import { ROOT } from './paths.mjs';
import { Told } from './say.mjs';

const STOP_WITHIN_MS = 8_000;
const READY_WITHIN_MS = 120_000;

/** A program ended before it was ready. */
class NotReady extends Told {
  /** @param {string} message @param {string | null} signal by which it was ended */
  constructor(message, signal) {
    super(message);
    this.signal = signal;
  }
}

/**
 * Starts one of our programs, which says a line of JSON on stdout when it is ready. It ends with whoever
 * started it, because that one holds its stdin.
 * @param {object} what
 * @param {string} what.name as it is said
 * @param {import('./build.mjs').Program} what.program
 * @param {Record<string, string>} what.env besides that of this process
 * @param {(text: string) => void} what.log
 * @param {(said: Record<string, string>) => string | undefined} [what.refusal] why what it said means that it is not ready
 * @returns {Promise<import('./keepRunning.mjs').Running & { said: Record<string, string>, pid: number }>}
 */
export function startProgram({ name, program, env, log, refusal = () => undefined }) {
  const child = spawn(process.execPath, commandFor(program), {
    cwd: ROOT,
    env: { ...process.env, ...env, STOP_WITH_STDIN: '1' },
    stdio: ['pipe', 'pipe', 'pipe'],
    detached: true,
  });
  child.stdin.on('error', () => undefined);
  child.stderr.on('data', (data) => log(String(data)));
  /** @type {Promise<string>} */
  const ended = new Promise((resolve) => {
    child.once('exit', (code, signal) => resolve(signal ?? `code ${code}`));
    child.once('error', (error) => resolve(error.message));
  });
  const stop = async () => {
    child.kill('SIGTERM');
    child.kill('SIGCONT');
    const forced = setTimeout(() => child.kill('SIGKILL'), STOP_WITHIN_MS);
    await ended;
    clearTimeout(forced);
  };
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => {
      child.kill('SIGKILL');
      reject(new NotReady(`${name} is not ready after two minutes.`, null));
    }, READY_WITHIN_MS);
    void ended.then((why) => {
      clearTimeout(late);
      reject(new NotReady(`${name} ended before it was ready (${why}).`, child.signalCode));
    });
    createInterface({ input: child.stdout }).on('line', (line) => {
      log(`${name}: ${line}`);
      const said = JSON.parse(line);
      clearTimeout(late);
      const refused = refusal(said);
      if (refused === undefined) resolve({ said, ended, stop, pid: child.pid ?? 0 });
      else reject(new NotReady(refused, null));
    });
  });
}
