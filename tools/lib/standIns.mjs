import { startFirst } from './keepRunning.mjs';
import { freePort } from './ports.mjs';
import { startProgram } from './program.mjs';

const MOST_TRIES = 3;

/**
 * One of the simulated devices and services that are shipped with the house, kept at one address.
 * @typedef {object} StandIn
 * @property {string} name as it is said
 * @property {import('./keepRunning.mjs').Running & { pid: number }} running
 * @property {() => Promise<import('./keepRunning.mjs').Running>} again starts it again at the same address
 */

/**
 * Starts the stand-ins of the bench scale, the suppliers and the booking calendar on free ports of
 * loopback. What SCALE_ADDRESS, PRICE_LISTS, ORDERS or BOOKINGS already name is real, and gets none.
 * @param {(text: string) => void} log
 * @returns {Promise<{ env: Record<string, string>, all: StandIn[], stop: () => Promise<void> }>} where the server finds them
 */
export async function startStandIns(log) {
  /** @type {Record<string, string>} */
  const env = {};
  /** @type {StandIn[]} */
  const all = [];
  /** @param {string} name @param {import('./build.mjs').Program} program */
  const startOne = async (name, program) => {
    /* A port that was free may be somebody else's by now: then others are tried. */
    for (let tries = 1; ; tries += 1) {
      const [port, control] = [
        String(await freePort('standIn')),
        String(await freePort('standIn')),
      ];
      const ports = { PORT: port, SCALE_PORT: port, SCALE_CONTROL_PORT: control };
      const again = () => startProgram({ name, program, env: ports, log });
      try {
        const running = await startFirst(again, log);
        all.push({ name, running, again });
        return running.said;
      } catch (error) {
        if (tries >= MOST_TRIES) throw error;
      }
    }
  };
  if (process.env.SCALE_ADDRESS === undefined) {
    const said = await startOne('the simulated scale', 'scale');
    env.SCALE_ADDRESS = `127.0.0.1:${said.scale}`;
    env.SCALE_CONTROL = `http://127.0.0.1:${said.control}`;
  }
  if (process.env.PRICE_LISTS === undefined) {
    const said = await startOne('the simulated supplier', 'supplier');
    env.PRICE_LISTS = String(said.ready);
    env.ORDERS = process.env.ORDERS ?? String(said.ready);
  }
  if (process.env.BOOKINGS === undefined) {
    const said = await startOne('the simulated booking program', 'bookings');
    env.BOOKINGS = `${said.ready}/bookings.ics`;
  }
  return {
    env,
    all,
    stop: async () => {
      await Promise.all(all.map(({ running }) => running.stop()));
    },
  };
}
