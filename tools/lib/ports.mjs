import { connect, createServer } from 'node:net';

const LOOPBACK = '127.0.0.1';

/** A port on loopback that nothing listens on. @returns {Promise<number>} */
export function freePort() {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, LOOPBACK, () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

/** @param {number} port @returns {Promise<boolean>} */
export function isFree(port) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, LOOPBACK, () => probe.close(() => resolve(true)));
  });
}

/** Whether something answers on a port of loopback. @param {number} port @returns {Promise<boolean>} */
export function answers(port) {
  return new Promise((resolve) => {
    const socket = connect(port, LOOPBACK);
    socket.once('data', () => {
      socket.destroy();
      resolve(true);
    });
    socket.once('error', () => resolve(false));
    socket.once('close', () => resolve(false));
  });
}
