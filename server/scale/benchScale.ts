import { createConnection } from 'node:net';
import { createInterface } from 'node:readline';
import type { ScaleState } from '@bienestar/contract/api';

const ANSWERS_WITHIN_MS = 1_500;
/** Lines beyond this are not from a scale. */
const LONGEST_LINE = 200;

/** A scale that speaks the line protocol of docs/bench-scale.md. */
export interface BenchScale {
  readonly read: () => Promise<ScaleState>;
  /** counts what lies on it as nothing; false while it is not stable */
  readonly zero: () => Promise<boolean>;
}

/**
 * The scale at a TCP address, simulated or real. Each question opens a connection of its own, so that
 * a scale that was unplugged is back as soon as it answers again.
 * @param address host:port
 */
export function benchScale(address: string): BenchScale {
  return {
    read: async () => {
      try {
        const [about = '', reading = ''] = await ask(address, ['I', 'R']);
        return stateOf(reading, about.includes('simulated'));
      } catch {
        return AWAY;
      }
    },
    zero: async () => {
      const [answer] = await ask(address, ['Z']).catch(() => ['']);
      return answer === 'Z';
    },
  };
}

/** Where no scale has been set up. */
export const noScale: BenchScale = {
  read: () =>
    Promise.resolve({
      state: 'away',
      message: 'No scale is set up. Type the weight, or start the house with SCALE_ADDRESS.',
    }),
  zero: () => Promise.resolve(false),
};

const AWAY: ScaleState = {
  state: 'away',
  message: 'The scale does not answer: check its plug and cable. Weighings so far are kept.',
};

function stateOf(line: string, simulated: boolean): ScaleState {
  if (line === 'O') return { state: 'overload', simulated };
  const [, how, grams] = /^([SD]) (-?\d{1,7}(?:\.\d{1,4})?) g$/.exec(line) ?? [];
  if (grams === undefined) return AWAY;
  return { state: how === 'S' ? 'stable' : 'settling', grams: Number(grams), simulated };
}

function ask(address: string, questions: readonly string[]): Promise<string[]> {
  const at = address.lastIndexOf(':');
  return new Promise((resolve, reject) => {
    const socket = createConnection({
      host: address.slice(0, at),
      port: Number(address.slice(at + 1)),
      timeout: ANSWERS_WITHIN_MS,
    });
    const give = (why: string): void => {
      socket.destroy();
      reject(new Error(why));
    };
    const deadline = setTimeout(() => give('too slow'), ANSWERS_WITHIN_MS);
    const answers: string[] = [];
    socket.on('error', (error) => give(error.message));
    socket.on('close', () => {
      clearTimeout(deadline);
      reject(new Error('closed'));
    });
    const lines = createInterface({ input: socket });
    /* It passes the socket's error on, which is already answered above. */
    lines.on('error', () => undefined);
    lines.on('line', (line) => {
      answers.push(line.slice(0, LONGEST_LINE).trim());
      if (answers.length < questions.length) return;
      resolve(answers);
      socket.destroy();
    });
    socket.write(`${questions.join('\n')}\n`);
  });
}
