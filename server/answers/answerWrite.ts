import { createHash } from 'node:crypto';
import type { Request, Response } from 'express';
import { UniqueConstraintError, type Sequelize, type Transaction } from 'sequelize';
import { WRITE_ID_HEADER } from '@bienestar/contract/api';
import { reading, writing } from '../db/unitOfWork';
import { idTaken, invalidInput, Refusal } from '../http/problems';
import { answerStore, type Answer } from './answerStore';

const WRITE_ID = /^[A-Za-z0-9_-]{1,64}$/;

/**
 * Does what a request asks and answers it, once: a request that names its write by an id in the header
 * `Idempotency-Key` is answered the same when it is sent again because its answer was lost. What is done
 * and that it was answered are one transaction, so a write either counts and is known, or neither.
 * @throws refusals 400 for an id that is none, 409 for one of another request; what `work` throws
 */
export async function answerWrite(
  request: Request,
  response: Response,
  sequelize: Sequelize,
  work: (tx: Transaction) => Promise<Answer>,
): Promise<void> {
  const write = writeOf(request);
  const once = (): Promise<Answer> =>
    writing(sequelize, async (tx) => {
      const store = answerStore(sequelize);
      if (!write) return work(tx);
      const earlier = await store.find(write.id, tx);
      if (earlier) return sameRequest(earlier, write);
      const answer = await work(tx);
      await store.remember(write.id, { answer, request: write.request }, tx);
      return answer;
    });
  const answer = await once().catch(async (error: unknown) => {
    /* Sent twice at the same moment: whoever comes second finds it done, and is answered as the first. */
    const isDone = error instanceof UniqueConstraintError || error instanceof Refusal;
    const earlier = isDone ? await answeredBefore(request, sequelize) : undefined;
    if (earlier) return earlier;
    throw error;
  });
  send(response, answer);
}

/** How the write of a request was answered already, for what must not be done twice outside the house. */
export async function answeredBefore(
  request: Request,
  sequelize: Sequelize,
): Promise<Answer | undefined> {
  const write = writeOf(request);
  if (!write) return undefined;
  const earlier = await reading(sequelize, (tx) => answerStore(sequelize).find(write.id, tx));
  return earlier && sameRequest(earlier, write);
}

/** Sends an answer to a write. */
export function send(response: Response, { status, body }: Answer): void {
  response.status(status);
  if (body === undefined) response.end();
  else response.json(body);
}

interface Write {
  readonly id: string;
  /** what is asked, as a digest */
  readonly request: string;
}

function writeOf(request: Request): Write | undefined {
  const id = request.get(WRITE_ID_HEADER);
  if (id === undefined) return undefined;
  if (!WRITE_ID.test(id)) {
    const message = 'The id of a write has up to 64 letters, digits, - and _.';
    throw invalidInput([{ pointer: '', code: 'write.id', message }]);
  }
  const digest = createHash('sha256')
    .update(`${request.method} ${request.originalUrl}\n`)
    .update(JSON.stringify(request.body ?? null));
  return { id, request: digest.digest('hex') };
}

function sameRequest(
  earlier: { readonly answer: Answer; readonly request: string },
  write: Write,
): Answer {
  if (earlier.request !== write.request) throw idTaken('write', write.id);
  return earlier.answer;
}
