import type { ProblemDocument } from '@bienestar/contract/problems';
import { Refusal } from './problems';

const ANSWERS_WITHIN_MS = 5_000;
/** The largest text that is read from outside, in bytes. */
const LARGEST_TEXT = 20 * 1024 * 1024;

/** Whom a text is fetched from, for the words of what goes wrong. */
export interface Fetched {
  readonly who: string;
  /** what is fetched, as in "The list of …" */
  readonly what: string;
  readonly type: ProblemDocument['type'];
}

/**
 * A text of another program on the network, or a refusal 424: it does not answer within five seconds,
 * answers with an error, sends more than 20 MB.
 */
export async function fetchText(
  url: string,
  fetched: Fetched,
  request: Pick<RequestInit, 'method' | 'body' | 'headers'> = {},
): Promise<string> {
  const { who, what } = fetched;
  const signal = AbortSignal.timeout(ANSWERS_WITHIN_MS);
  const answer = await fetch(url, { ...request, signal, redirect: 'error' }).catch(() => undefined);
  if (!answer) {
    throw away(
      fetched,
      signal.aborted
        ? `${who} did not answer within ${ANSWERS_WITHIN_MS / 1000} seconds.`
        : `${who} cannot be reached.`,
    );
  }
  if (!answer.ok) throw away(fetched, `${who} answered with an error (${answer.status}).`);
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const chunk of answer.body ?? []) {
      size += chunk.byteLength;
      if (size > LARGEST_TEXT) {
        throw away(fetched, `The ${what} of ${who} is larger than 20 MB.`);
      }
      chunks.push(chunk);
    }
  } catch (error) {
    throw error instanceof Refusal
      ? error
      : away(fetched, `${who} broke off in the middle of its ${what}.`);
  }
  return Buffer.concat(chunks).toString('utf8');
}

function away({ type, what }: Fetched, reason: string): Refusal {
  return new Refusal(
    424,
    type,
    `No ${what} from outside`,
    `${reason} Nothing was changed; try again later, or go another way.`,
  );
}
