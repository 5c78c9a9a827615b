import { createHash } from 'node:crypto';
import type { Request, Response } from 'express';
import { UniqueConstraintError, type Sequelize } from 'sequelize';
import { WRITE_ID_HEADER } from '@bienestar/contract/api';
import { reading } from '../db/transactions';
import { idTaken, invalidInput, Refusal } from '../http/problems';
import { answerRepository, type Answer } from './answerRepository';
import { readingUnit, writingUnit, type Actor, type UnitOfWork } from './unitOfWork';

const WRITE_ID = /^[A-Za-z0-9_-]{1,64}$/;

/** The one door through which requests reach the house: nothing else opens a unit of work for them. */
export interface Door {
  /**
   * Looks something up: all of one moment.
   * @param withinMs for what is read by somebody who waits for it, and not by a person
   */
  readonly read: <T>(
    request: Request,
    work: (unit: UnitOfWork) => Promise<T>,
    withinMs?: number,
  ) => Promise<T>;
  /**
   * Does what a request asks and answers it, once: a request that names its write by an id in the header
   * `Idempotency-Key` is answered the same when it is sent again because its answer was lost. What is done
   * and that it was answered are one transaction, so a write either counts and is known, or neither.
   * @throws refusals 400 for an id that is none, 409 for one of another request; what `work` throws
   */
  readonly write: (
    request: Request,
    response: Response,
    work: (unit: UnitOfWork) => Promise<Answer>,
  ) => Promise<void>;
  /** how the write of a request was answered already, for what must not be done twice outside the house */
  readonly answeredBefore: (request: Request) => Promise<Answer | undefined>;
}

/** The door to the house in a database. */
export function openDoor(sequelize: Sequelize): Door {
  const read: Door['read'] = (request, work, withinMs) =>
    readingUnit(sequelize, actorOf(request), work, withinMs);

  const answeredBefore: Door['answeredBefore'] = async (request) => {
    const write = writeOf(request);
    if (!write) return undefined;
    const earlier = await reading(sequelize, (session) => answerRepository(session).find(write.id));
    return earlier && sameRequest(earlier, write);
  };

  const once = (request: Request, work: (unit: UnitOfWork) => Promise<Answer>): Promise<Answer> => {
    const write = writeOf(request);
    return writingUnit(sequelize, actorOf(request), async (unit) => {
      if (!write) return work(unit);
      const answers = answerRepository(unit);
      const earlier = await answers.find(write.id);
      if (earlier) return sameRequest(earlier, write);
      const answer = await work(unit);
      await answers.remember(write.id, { answer, request: write.request });
      return answer;
    });
  };

  return {
    read,
    answeredBefore,
    write: async (request, response, work) => {
      const answer = await once(request, work).catch(async (error: unknown) => {
        /* Sent twice at the same moment: whoever comes second finds it done, and is answered as the first. */
        const isDone = error instanceof UniqueConstraintError || error instanceof Refusal;
        const earlier = isDone ? await answeredBefore(request) : undefined;
        if (earlier) return earlier;
        throw error;
      });
      send(response, answer);
    },
  };
}

/** Until there is sign-in, whoever asks is known by the address of the window. */
function actorOf(request: Request): Actor {
  return { actor: request.ip ?? '', now: new Date() };
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
