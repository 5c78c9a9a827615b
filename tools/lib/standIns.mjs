import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { ROOT } from './paths.mjs';
import { Told } from './say.mjs';

/**
 * The simulated devices and services that are shipped with the house.
 * @typedef {object} StandIns
 * @property {Record<string, string>} env where the server finds them
 * @property {() => Promise<void>} stop
 */

/**
 * Starts the stand-ins of the bench scale, the suppliers and the booking calendar on free ports of
 * loopback. What SCALE_ADDRESS, PRICE_LISTS, ORDERS or BOOKINGS already name is real, and gets none.
 * @param {(text: string) => void} log
 * @returns {Promise<StandIns>}
 */
export async function startStandIns(log) {
  /** @type {Record<string, string>} */
  const env = {};
  /** @type {(() => Promise<void>)[]} */
  const stops = [];
  if (process.env.SCALE_ADDRESS === undefined) {
    const { said, stop } = await startOne('scale', log);
    env.SCALE_ADDRESS = `127.0.0.1:${said.scale}`;
    env.SCALE_CONTROL = `http://127.0.0.1:${said.control}`;
    stops.push(stop);
  }
  if (process.env.PRICE_LISTS === undefined) {
    const { said, stop } = await startOne('supplier', log);
    env.PRICE_LISTS = String(said.ready);
    env.ORDERS = process.env.ORDERS ?? String(said.ready);
    stops.push(stop);
  }
  if (process.env.BOOKINGS === undefined) {
    const { said, stop } = await startOne('bookings', log);
    env.BOOKINGS = `${said.ready}/bookings.ics`;
    stops.push(stop);
  }
  return {
    env,
    stop: async () => {
      await Promise.all(stops.map((stop) => stop()));
    },
  };
}

/**
 * @param {string} name of its folder
 * @param {(text: string) => void} log
 * @returns {Promise<{ said: Record<string, unknown>, stop: () => Promise<void> }>}
 */
function startOne(name, log) {
  const child = spawn(process.execPath, ['--import', 'tsx', `standins/${name}/main.ts`], {
    cwd: ROOT,
    env: { ...process.env, PORT: '0', STOP_WITH_STDIN: '1' },
    stdio: ['pipe', 'pipe', 'pipe'],
    detached: true,
  });
  child.stderr.on('data', (data) => log(String(data)));
  const ended = new Promise((resolve) => child.once('exit', resolve));
  const stop = async () => {
    child.kill('SIGTERM');
    await ended;
  };
  return new Promise((resolve, reject) => {
    child.once('exit', () => reject(new Told(`The simulated ${name} does not start.`)));
    createInterface({ input: child.stdout }).once('line', (line) => {
      log(`${name}: ${line}`);
      resolve({ said: JSON.parse(line), stop });
    });
  });
}
