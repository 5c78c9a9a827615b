import { setTimeout as wait } from 'node:timers/promises';
import { Told } from './say.mjs';

const FIRST_PAUSE_MS = 100;
const LONGEST_PAUSE_MS = 1_500;
/** What ran as long as this was well. */
const WELL_AFTER_MS = 20_000;
/** Starts that fail by themselves, one after the other, before it is given up. */
const MOST_FAILURES = 6;

/**
 * Something that runs: a program that may end, by itself or because it was killed.
 * @typedef {object} Running
 * @property {Promise<string>} ended resolves with a word when it ends
 * @property {() => Promise<void>} stop
 */

/**
 * Something that is kept running.
 * @typedef {object} Kept
 * @property {() => Promise<void>} stop for good; also while it is being started
 */

/**
 * Whether a start failed for a reason that may pass: it was killed meanwhile, or the disk is full.
 * @param {Error} reason
 */
function isPassing(reason) {
  const isKilled = 'signal' in reason && Boolean(reason.signal);
  return isKilled || /ENOSPC|disk is full/.test(reason.message);
}

/**
 * Starts something for the first time: who is killed meanwhile is started once more.
 * @template R
 * @param {() => Promise<R>} start
 * @param {(text: string) => void} say
 * @returns {Promise<R>}
 */
export async function startFirst(start, say) {
  for (let tries = 1; ; tries += 1) {
    try {
      return await start();
    } catch (error) {
      const isKilled = error instanceof Error && 'signal' in error && Boolean(error.signal);
      if (!isKilled || tries >= MOST_FAILURES) throw error;
      say(`  ${error.message} It is started again`);
      await wait(FIRST_PAUSE_MS);
    }
  }
}

/**
 * Keeps a program running: started again each time that it ends, after a pause that grows while it ends
 * soon, with a word on the screen. Given up only when it does not start, several times and by itself.
 * @param {object} what
 * @param {string} what.name with its article, as it is said
 * @param {Running} what.running as it was started first
 * @param {() => Promise<Running>} what.start
 * @param {(text: string) => void} what.say
 * @param {(reason: Error) => void} what.onGivenUp
 * @returns {Kept}
 */
export function keepRunning({ name, running, start, say, onGivenUp }) {
  const stopping = new AbortController();
  /** @type {Running | undefined} */
  let now = running;

  async function keep() {
    let pause = FIRST_PAUSE_MS;
    while (now) {
      const began = Date.now();
      const why = await now.ended;
      now = undefined;
      if (stopping.signal.aborted) return;
      pause =
        Date.now() - began > WELL_AFTER_MS ? FIRST_PAUSE_MS : Math.min(pause * 2, LONGEST_PAUSE_MS);
      say(`  ${name} ended (${why}); it is started again`);
      now = await startAgain(pause);
      if (now && stopping.signal.aborted) {
        await now.stop();
        return;
      }
      if (now) say(`  ${name} is back`);
    }
  }

  /**
   * @param {number} pause
   * @returns {Promise<Running | undefined>} nothing when it is stopped, or given up
   */
  async function startAgain(pause) {
    let last = '';
    for (let failures = 0; ;) {
      await wait(pause, undefined, { signal: stopping.signal }).catch(() => undefined);
      if (stopping.signal.aborted) return undefined;
      try {
        return await start();
      } catch (error) {
        if (stopping.signal.aborted) return undefined;
        const reason = error instanceof Error ? error : new Error(String(error));
        /* Who is killed while it starts did not fail. */
        if (!isPassing(reason)) failures += 1;
        if (reason.message !== last) say(`  ${name} does not start: ${reason.message}`);
        last = reason.message;
        if (failures >= MOST_FAILURES) {
          onGivenUp(new Told(`Given up: ${reason.message}`));
          return undefined;
        }
        pause = Math.min(pause * 2, LONGEST_PAUSE_MS);
      }
    }
  }

  const keeping = keep();
  return {
    stop: async () => {
      stopping.abort();
      await now?.stop();
      await keeping;
    },
  };
}
