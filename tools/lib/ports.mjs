import { randomInt } from 'node:crypto';
import { connect, createServer } from 'node:net';

const LOOPBACK = '127.0.0.1';

/**
 * Below what systems give to outgoing connections, which would take it while its server is started again.
 * A house is told its port and finds it taken when somebody chose it meanwhile: what stands beside houses
 * chooses elsewhere.
 */
const RANGES = {
  house: { first: 20_000, beyond: 26_000 },
  standIn: { first: 26_000, beyond: 32_000 },
};

/**
 * A port on loopback that nothing listens on.
 * @param {keyof typeof RANGES} of
 * @returns {Promise<number>}
 */
export async function freePort(of) {
  const { first, beyond } = RANGES[of];
  for (;;) {
    const port = randomInt(first, beyond);
    if (await isFree(port)) return port;
  }
}

/** @param {number} port @returns {Promise<boolean>} */
export function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, LOOPBACK, () => probe.close(() => resolve(true)));
  });
}

/**
 * Whether something that speaks first, as a database does, answers at a port of loopback or a socket.
 * @param {{ port: number } | { path: string }} where
 * @returns {Promise<boolean>}
 */
export function answersAt(where) {
  return new Promise((resolve) => {
    const socket = 'port' in where ? connect(where.port, LOOPBACK) : connect(where.path);
    const answer = (/** @type {boolean} */ is) => {
      socket.destroy();
      resolve(is);
    };
    socket.setTimeout(1_000, () => answer(false));
    socket.once('data', () => answer(true));
    socket.once('error', () => answer(false));
    socket.once('close', () => answer(false));
  });
}
