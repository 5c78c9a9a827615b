import { deflateSync, inflateSync } from 'node:zlib';
import { QueryTypes } from 'sequelize';
import { keptMoment } from '../db/moments';
import type { Session } from '../db/transactions';

/** How a write was answered. */
export interface Answer {
  readonly status: number;
  /** as JSON; none for an answer without one */
  readonly body?: unknown;
}

/** An answer, and which request it answers: the same id with another request is a mistake. */
interface Remembered {
  readonly answer: Answer;
  readonly request: string;
}

interface AnswerRow {
  readonly request: string;
  readonly status: number;
  readonly body: Buffer | null;
}

/** Longer than any window waits before it sends a write again. */
const KEPT_DAYS = 2;

/** Answers to writes by the id of the write. */
export interface AnswerRepository {
  readonly find: (id: string) => Promise<Remembered | undefined>;
  readonly remember: (id: string, remembered: Remembered) => Promise<void>;
  /** lets go of those that nobody will ask for any more */
  readonly forgetOld: (now: Date) => Promise<void>;
}

/** The answers in one database. */
export function answerRepository({ sequelize, transaction }: Session): AnswerRepository {
  return {
    find: async (id) => {
      const [row] = await sequelize.query<AnswerRow>(
        'SELECT request, status, body FROM answers WHERE id = :id',
        { type: QueryTypes.SELECT, replacements: { id }, transaction },
      );
      return row && { request: row.request, answer: answerOf(row) };
    },
    remember: async (id, { request, answer }) => {
      const body =
        answer.body === undefined ? null : deflateSync(JSON.stringify(answer.body), { level: 1 });
      await sequelize.query(
        'INSERT INTO answers (id, at, request, status, body) VALUES (:id, UTC_TIMESTAMP(), :request, :status, :body)',
        {
          type: QueryTypes.INSERT,
          replacements: { id, request, status: answer.status, body },
          transaction,
        },
      );
    },
    forgetOld: async (now) => {
      const before = keptMoment(new Date(now.getTime() - KEPT_DAYS * 86_400_000));
      await sequelize.query('DELETE FROM answers WHERE at < :before', {
        type: QueryTypes.RAW,
        replacements: { before },
        transaction,
      });
    },
  };
}

function answerOf({ status, body }: AnswerRow): Answer {
  return body === null ? { status } : { status, body: JSON.parse(String(inflateSync(body))) };
}
