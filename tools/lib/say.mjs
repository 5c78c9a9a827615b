import { openLog } from './log.mjs';

/** A fault that is told to the person in its one sentence, without a stack. */
export class Told extends Error {}

/**
 * Says what is being done and how long it took; the details go to a log file.
 * @param {string} logFile
 */
export function createSay(logFile) {
  const { write: log } = openLog(logFile);
  log(`=== ${new Date().toISOString()}`);
  const line = (/** @type {string} */ text) => {
    process.stdout.write(`${text}\n`);
    log(text);
  };

  /**
   * @template R
   * @param {string} what
   * @param {() => Promise<R>} work
   * @returns {Promise<R>}
   */
  async function step(what, work) {
    const began = performance.now();
    log(`--- ${what}`);
    try {
      const result = await work();
      line(`  ${what} (${seconds(began)})`);
      return result;
    } catch (error) {
      line(`  ${what}: failed (${seconds(began)})`);
      throw error;
    }
  }

  return { line, log, step, logFile };
}

/** @typedef {ReturnType<typeof createSay>} Say */

/** @param {number} began */
export function seconds(began) {
  return `${((performance.now() - began) / 1000).toFixed(1)} s`;
}
