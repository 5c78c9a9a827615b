import { AsyncLocalStorage } from 'node:async_hooks';
import { setTimeout as pause } from 'node:timers/promises';
import { ConnectionError, DatabaseError, Transaction, type Sequelize } from 'sequelize';
import { requireRoom } from './room';

/** How long the database may take to look something up, so that a person is told within five seconds. */
const READS_WITHIN_MS = 4_000;
/** How long the database may take for a change, so that a person is told within fifteen seconds. */
const WRITES_WITHIN_MS = 13_000;

const TRIES = 8;
const LONGEST_PAUSE_MS = 40;

/**
 * Who lost the wait for the same rows, or read a table that was put in the place of another, did nothing:
 * the same may be done again.
 */
const TRY_AGAIN = new Set([
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_CHECKREAD',
  'ER_TABLE_DEF_CHANGED',
]);

/** A connection of the driver, as far as it is given up here. */
interface DriverConnection {
  readonly destroy: () => void;
}

/** One attempt at a unit of work: it is over when its time is. */
interface Attempt {
  readonly connections: Set<DriverConnection>;
  isOver: boolean;
}

const attempts = new AsyncLocalStorage<Attempt>();
const told = new WeakSet<Sequelize>();

/** A transaction that is open, and the database that it is in. */
export interface Session {
  readonly sequelize: Sequelize;
  readonly transaction: Transaction;
}

/** The database did not answer in time; its connection is given up. */
export class DatabaseTooSlow extends Error {}

/**
 * Looks something up: everything it reads is of one moment, whatever is written meanwhile.
 * @throws DatabaseTooSlow when the database does not answer within five seconds
 */
export function reading<T>(
  sequelize: Sequelize,
  work: (session: Session) => Promise<T>,
  withinMs = READS_WITHIN_MS,
): Promise<T> {
  return unit(sequelize, Transaction.ISOLATION_LEVELS.REPEATABLE_READ, withinMs, work);
}

/**
 * Changes something, all or nothing. Each statement sees what others have committed by then, so what is
 * read after a lock is true. `work` is done again when it lost a wait for the same rows, so it does
 * nothing but read and write in its transaction.
 * @throws DatabaseTooSlow when the database does not answer within fifteen seconds, DiskFull
 */
export async function writing<T>(
  sequelize: Sequelize,
  work: (session: Session) => Promise<T>,
  withinMs = WRITES_WITHIN_MS,
): Promise<T> {
  requireRoom(sequelize);
  return unit(sequelize, Transaction.ISOLATION_LEVELS.READ_COMMITTED, withinMs, work);
}

async function unit<T>(
  sequelize: Sequelize,
  isolationLevel: Transaction.ISOLATION_LEVELS,
  withinMs: number,
  work: (session: Session) => Promise<T>,
): Promise<T> {
  listenToPool(sequelize);
  const until = Date.now() + withinMs;
  for (let tries = 1; ; tries += 1) {
    try {
      return await inTime(until - Date.now(), () =>
        sequelize.transaction({ isolationLevel }, (transaction) =>
          work({ sequelize, transaction }),
        ),
      );
    } catch (error) {
      const again = tries < TRIES && mayBeTriedAgain(error) && Date.now() < until;
      if (!again) throw error;
      /* Of two that wait for each other, one goes first. */
      await pause(Math.random() * LONGEST_PAUSE_MS);
    }
  }
}

/** Runs `work`; when its time is over its connections are given up, and whoever waits is told. */
async function inTime<T>(withinMs: number, work: () => Promise<T>): Promise<T> {
  const attempt: Attempt = { connections: new Set(), isOver: false };
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(
      () => {
        attempt.isOver = true;
        attempt.connections.forEach(giveUp);
        reject(new DatabaseTooSlow(`The database did not answer within ${withinMs} ms.`));
      },
      Math.max(1, withinMs),
    );
  });
  const working = attempts.run(attempt, work);
  /* When it is too late nobody waits for its outcome any more. */
  working.catch(() => undefined);
  try {
    return await Promise.race([working, late]);
  } finally {
    clearTimeout(timer);
  }
}

function giveUp(connection: DriverConnection): void {
  try {
    connection.destroy();
  } catch {
    /* It is gone already. */
  }
}

/** Notes the connections that a unit of work takes from the pool, so that they can be given up. */
function listenToPool(sequelize: Sequelize): void {
  if (told.has(sequelize)) return;
  told.add(sequelize);
  sequelize.addHook('afterPoolAcquire', (connection: unknown) => {
    const attempt = attempts.getStore();
    if (!attempt) return;
    if (attempt.isOver) giveUp(connection as DriverConnection);
    else attempt.connections.add(connection as DriverConnection);
  });
}

function mayBeTriedAgain(error: unknown): boolean {
  return TRY_AGAIN.has(codeOf(error));
}

/** The code by which MariaDB names an error; empty for an error of another kind. */
export function codeOf(error: unknown): string {
  if (!(error instanceof DatabaseError || error instanceof ConnectionError)) return '';
  const cause = (error as { readonly original?: { readonly code?: unknown } }).original;
  return typeof cause?.code === 'string' ? cause.code : '';
}
