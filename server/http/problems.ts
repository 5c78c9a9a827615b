import type { ErrorRequestHandler, Request, RequestHandler, Response } from 'express';
import {
  BaseError,
  ConnectionError,
  DatabaseError,
  ForeignKeyConstraintError,
  UniqueConstraintError,
} from 'sequelize';
import { PROBLEM_TYPES, type ProblemDocument, type Use } from '@bienestar/contract/problems';
import type { Fault } from '@bienestar/contract/check';
import { DiskFull } from '../db/room';
import { codeOf, DatabaseTooSlow } from '../db/transactions';

type Extra = Pick<ProblemDocument, 'errors' | 'current' | 'yours' | 'usedBy'>;

/** A refusal that a handler throws; it is answered as a problem document (RFC 9457). */
export class Refusal extends Error {
  readonly status: number;
  readonly type: string;
  readonly title: string;
  readonly extra: Extra;

  constructor(status: number, type: string, title: string, detail: string, extra: Extra = {}) {
    super(detail);
    this.status = status;
    this.type = type;
    this.title = title;
    this.extra = extra;
  }
}

/** 400: the input has faults, each at its place. */
export function invalidInput(errors: readonly Fault[]): Refusal {
  const detail =
    errors.length === 1 ? (errors[0]?.message ?? '') : `${errors.length} things need another look.`;
  return new Refusal(400, PROBLEM_TYPES.invalid, 'Something in this does not fit', detail, {
    errors,
  });
}

/** Runs `make`; the faults it throws are those of the part at `pointer`. */
export function within<T>(pointer: string, make: () => T): T {
  const placed = (error: unknown): unknown =>
    error instanceof Refusal && error.extra.errors
      ? invalidInput(
          error.extra.errors.map((fault) => ({ ...fault, pointer: `${pointer}${fault.pointer}` })),
        )
      : error;
  try {
    const made = make();
    return made instanceof Promise
      ? (made.catch((error: unknown) => {
          throw placed(error);
        }) as T)
      : made;
  } catch (error) {
    throw placed(error);
  }
}

/** 404: nothing of that id. */
export function notFound(noun: string, id: string): Refusal {
  return new Refusal(
    404,
    PROBLEM_TYPES.notFound,
    'Not found',
    `There is no ${noun} “${id}” in the house.`,
  );
}

/** 409: somebody else saved in the meantime; both sides are answered. */
export function staleWrite(noun: string, current: unknown, yours: unknown): Refusal {
  return new Refusal(
    409,
    PROBLEM_TYPES.stale,
    'Changed by somebody else',
    `This ${noun} was changed in the meantime. Choose which one to keep.`,
    { current: current ?? null, yours },
  );
}

/** 409: the id is already taken. */
export function idTaken(noun: string, id: string): Refusal {
  return new Refusal(
    409,
    PROBLEM_TYPES.taken,
    'Already there',
    `There is already a ${noun} “${id}”.`,
  );
}

/** 409: something else uses it. */
export function inUse(noun: string, usedBy: readonly Use[]): Refusal {
  const names = usedBy.map((use) => `${use.name} (${use.kind})`).join(', ');
  return new Refusal(
    409,
    PROBLEM_TYPES.inUse,
    'Still in use',
    `This ${noun} is still used by: ${names}. Take it out there first.`,
    { usedBy },
  );
}

/** Answers an address that no route knows. */
export const unknownAddress: RequestHandler = (request, response) => {
  answer(response, {
    type: PROBLEM_TYPES.notFound,
    title: 'Not found',
    status: 404,
    detail: 'There is nothing at this address.',
    instance: request.originalUrl,
  });
};

/** Answers every error as a problem document: the client's mistakes as 4xx, a missing database as 503. */
export const answerProblems: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const document = problemDocument(error, request);
  if (document.status === 503 || document.status === 507) response.setHeader('Retry-After', '2');
  answer(response, document);
};

/** An error as the problem document that answers a request; faults of ours go to the log. */
export function problemDocument(error: unknown, request: Request): ProblemDocument {
  const refusal = refusalFor(error);
  if (refusal.status >= 500) request.log.error({ err: error }, refusal.title);
  return {
    type: refusal.type,
    title: refusal.title,
    status: refusal.status,
    detail: refusal.message,
    instance: request.originalUrl,
    ...refusal.extra,
  };
}

function answer(response: Response, document: ProblemDocument): void {
  response.status(document.status).type('application/problem+json').send(JSON.stringify(document));
}

/** What an error means to whoever asked. */
export function refusalFor(error: unknown): Refusal {
  if (error instanceof Refusal) return error;
  if (isDiskFull(error)) {
    return new Refusal(
      507,
      PROBLEM_TYPES.diskFull,
      'The disk is full',
      'Nothing can be saved just now: the disk of this machine is full. What you typed is kept. Looking things up goes on.',
    );
  }
  if (isDatabaseAway(error)) {
    return new Refusal(
      503,
      PROBLEM_TYPES.databaseAway,
      'The database does not answer',
      'The database does not answer just now. What you typed is kept.',
    );
  }
  if (error instanceof UniqueConstraintError) return idTaken('thing', error.errors[0]?.value ?? '');
  if (error instanceof ForeignKeyConstraintError) {
    return invalidInput([
      {
        pointer: '',
        code: 'reference.unknown',
        message: 'This points to something that is no longer in the house.',
      },
    ]);
  }
  const parserType = hasType(error) ? error.type : undefined;
  switch (parserType) {
    case 'entity.too.large':
      return new Refusal(
        413,
        PROBLEM_TYPES.tooLarge,
        'Too large',
        'This is larger than the house can take in at once.',
      );
    case 'entity.parse.failed':
      return new Refusal(
        400,
        PROBLEM_TYPES.notJson,
        'Not JSON',
        'What was sent is not valid JSON.',
      );
    case 'encoding.unsupported':
    case 'charset.unsupported':
      return new Refusal(415, PROBLEM_TYPES.notJson, 'Unknown encoding', 'Send JSON in UTF-8.');
    case 'request.aborted':
    case 'request.size.invalid':
      return new Refusal(
        400,
        PROBLEM_TYPES.notJson,
        'Broken off',
        'What was sent is not complete.',
      );
    case undefined:
    default:
  }
  if (isSentBroken(error)) {
    return new Refusal(
      400,
      PROBLEM_TYPES.notJson,
      'Broken off',
      'What was sent is not complete, or is not packed as it says.',
    );
  }
  if (error instanceof URIError) {
    return new Refusal(
      400,
      PROBLEM_TYPES.notFound,
      'Not an address',
      'This address cannot be read.',
    );
  }
  return new Refusal(
    500,
    PROBLEM_TYPES.internal,
    'A fault of ours',
    'Something went wrong here. It is in the log under this request’s id.',
  );
}

/** What MariaDB says when nothing more can be written to the disk. */
const FULL_CODES = new Set([
  'ER_DISK_FULL',
  'ER_RECORD_FILE_FULL',
  'ER_TEMP_FILE_WRITE_FAILURE',
  'ER_ERROR_ON_WRITE',
  'ENOSPC',
]);
/** The number of the operating system for a full disk, in what MariaDB says of it. */
const NO_SPACE = /\b(?:errno|error)[: ]+28\b|No space left on device/i;

/** Whether a body could not be read for a reason that lies with whoever sent it. */
function isSentBroken(error: unknown): boolean {
  const { code, status } = (error ?? {}) as { readonly code?: unknown; readonly status?: unknown };
  if (typeof code === 'string' && code.startsWith('Z_')) return true;
  return typeof status === 'number' && status >= 400 && status < 500;
}

/** Whether something failed because nothing more can be written. */
export function isDiskFull(error: unknown): boolean {
  if (error instanceof DiskFull || (hasCode(error) && error.code === 'ENOSPC')) return true;
  return (
    FULL_CODES.has(codeOf(error)) || (error instanceof BaseError && NO_SPACE.test(error.message))
  );
}

/* Deadlocks and lock waits end by themselves, so a client may try again as with a missing database. */
const PASSING_CODES = new Set([
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_QUERY_INTERRUPTED',
  'ER_STATEMENT_TIMEOUT',
  'ER_TABLE_DEF_CHANGED',
  'ER_CHECKREAD',
]);

function isDatabaseAway(error: unknown): boolean {
  if (error instanceof ConnectionError || error instanceof DatabaseTooSlow) return true;
  if (!(error instanceof BaseError)) return false;
  if (error.name === 'SequelizeConnectionAcquireTimeoutError') return true;
  if (!(error instanceof DatabaseError)) return false;
  const cause = error.original as Error & { readonly code?: string; readonly fatal?: boolean };
  return cause.fatal === true || PASSING_CODES.has(cause.code ?? '');
}

function hasCode(error: unknown): error is { readonly code: unknown } {
  return typeof error === 'object' && error !== null && 'code' in error;
}

function hasType(error: unknown): error is { readonly type: string } {
  return (
    typeof error === 'object' && error !== null && 'type' in error && typeof error.type === 'string'
  );
}
