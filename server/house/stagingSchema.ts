import { randomBytes } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import { QueryTypes, type Sequelize } from 'sequelize';
import { connect } from '../db/connection';
import { FORMER_TABLES, TABLES } from '../db/tables';
import { codeOf } from '../db/transactions';
import { asideSchema } from './asideName';

/*
 * A house that is opened is made in a schema beside the one in use, where it holds nobody up, and then
 * put in its place by renaming tables, which is done at once or not at all.
 */

const IN = '_in_';
const IN_TURN = '_turn';
const LONGEST_TURN_SECONDS = 120;

/** Two minutes of tries, longer than anything that is streamed to a person takes. */
const TRIES = 6_000;
const PAUSE_MS = 20;
const LAST_WAIT_SECONDS = 5;
const IN_THE_WAY = new Set(['ER_LOCK_WAIT_TIMEOUT', 'ER_LOCK_DEADLOCK']);

/** A schema that has the tables of the house in use and no rows. */
export interface StagingSchema {
  readonly sequelize: Sequelize;
  /** puts its tables in the place of those in use; the former ones are put aside whole */
  readonly putInPlace: () => Promise<void>;
  /** drops what is left of it */
  readonly drop: () => Promise<void>;
}

/**
 * Makes a schema beside that of `live`. The account must be allowed to make schemas whose names begin
 * with that of its own.
 * @param url where `live` connects to
 */
export function makeStagingSchema(live: Sequelize, url: string): Promise<StagingSchema> {
  return makeSchemaBeside(live, url, 'empty');
}

/** Makes a schema beside that of `live`, with the tables that are there, and with their rows if asked for. */
export async function makeSchemaBeside(
  live: Sequelize,
  url: string,
  holds: 'empty' | 'with-rows',
): Promise<StagingSchema> {
  const house = live.getDatabaseName();
  const suffix = randomBytes(4).toString('hex');
  const name = `${house}${IN}${suffix}`;
  /* What is filled into it is checked already. One connection, which holds a lock of the schema's name
     from before it is there and as long as whoever fills it lives: so nobody takes it for left over. */
  const sequelize = connect(url, {
    connections: 1,
    initSql: [
      `DO GET_LOCK('${name}', 0)`,
      `CREATE DATABASE IF NOT EXISTS \`${name}\` CHARACTER SET utf8mb4`,
      `USE \`${name}\``,
      'SET foreign_key_checks = 0, unique_checks = 0',
    ],
  });
  const drop = async (): Promise<void> => {
    await sequelize.close();
    await dropSchema(live, name);
  };
  const make = async (): Promise<void> => {
    await dropLeftOver(live);
    const there = await tablesIn(live);
    for (const table of there) await run(sequelize, await ddlOf(live, table));
    for (const table of holds === 'with-rows' ? there : ['migrations']) {
      await run(sequelize, `INSERT INTO \`${table}\` SELECT * FROM \`${house}\`.\`${table}\``);
    }
  };
  try {
    await inTurn(live, url, make);
    return {
      sequelize,
      putInPlace: () => inTurn(live, url, () => putInPlace(live, name)),
      drop: () => inTurn(live, url, drop),
    };
  } catch (error) {
    await drop().catch(() => undefined);
    throw error;
  }
}

/**
 * Puts the tables of a schema in the place of those in use, at once or not at all; those that were in use are
 * put aside whole, where there was a house. To be done in turn.
 */
export async function putInPlace(live: Sequelize, name: string): Promise<void> {
  const house = live.getDatabaseName();
  const former = asideSchema(house, new Date());
  await run(live, `CREATE DATABASE \`${former}\` CHARACTER SET utf8mb4`);
  const renames = (await tablesIn(live)).map(
    (table) =>
      `\`${house}\`.\`${table}\` TO \`${former}\`.\`${table}\`, \`${name}\`.\`${table}\` TO \`${house}\`.\`${table}\``,
  );
  await whenNobodyIsInTheWay((seconds) =>
    run(
      live,
      `SET STATEMENT lock_wait_timeout = ${seconds}, innodb_lock_wait_timeout = ${LONGEST_TURN_SECONDS}
         FOR RENAME TABLE ${renames.join(', ')}`,
    ),
  );
}

/**
 * Makes, renames and drops tables one after the other: two who do so at once are in each other's way in the
 * dictionary, and can leave tables half here and half there.
 */
export async function inTurn(
  live: Sequelize,
  url: string,
  work: () => Promise<void>,
): Promise<void> {
  const lock = `${live.getDatabaseName()}${IN_TURN}`;
  /* A connection of its own: it lets go of the lock when it ends, also when this process does. */
  const turn = connect(url, { connections: 1 });
  try {
    await run(turn, `DO GET_LOCK('${lock}', ${LONGEST_TURN_SECONDS})`);
    await work();
  } finally {
    await turn.close();
  }
}

/** Drops the schemas of houses whose opening was broken off. */
async function dropLeftOver(live: Sequelize): Promise<void> {
  for (const { name, suffix } of await schemasOf(live, IN, /^[0-9a-f]{8}$/)) {
    const [lock] = await live.query<{ readonly isFree: number }>(
      'SELECT IS_FREE_LOCK(:lock) AS isFree',
      {
        type: QueryTypes.SELECT,
        replacements: { lock: `${live.getDatabaseName()}${IN}${suffix}` },
      },
    );
    if (lock?.isFree === 1) await dropSchema(live, name);
  }
}

/** The schemas beside that of a house whose names go on in a way. */
export async function schemasOf(
  live: Sequelize,
  infix: string,
  pattern: RegExp,
): Promise<readonly { readonly name: string; readonly suffix: string }[]> {
  const begins = `${live.getDatabaseName()}${infix}`;
  const rows = await live.query<{ readonly name: string }>(
    'SELECT schema_name AS name FROM information_schema.schemata ORDER BY schema_name',
    { type: QueryTypes.SELECT },
  );
  return rows.flatMap(({ name }) => {
    const suffix = name.slice(begins.length);
    return name.startsWith(begins) && pattern.test(suffix) ? [{ name, suffix }] : [];
  });
}

/** Drops a schema whole, so that nothing is left that could point to what is gone. */
export async function dropSchema(live: Sequelize, name: string): Promise<void> {
  await run(live, `SET STATEMENT foreign_key_checks = 0 FOR DROP DATABASE IF EXISTS \`${name}\``);
}

/**
 * Renames as soon as no unit of work is under way: whoever waits for that would keep all others waiting
 * behind it, so it is tried again and again instead, and only at last waited for. What is not waited for are
 * the units of work: the locks of all tables are had before the first is renamed. The dictionary is waited
 * for, since giving up in the middle would leave some tables here and some there.
 */
async function whenNobodyIsInTheWay(rename: (seconds: number) => Promise<void>): Promise<void> {
  for (let tries = 1; ; tries += 1) {
    try {
      await rename(tries < TRIES ? 0 : LAST_WAIT_SECONDS);
      return;
    } catch (error) {
      if (!IN_THE_WAY.has(codeOf(error)) || tries >= TRIES) throw error;
      await pause(PAUSE_MS);
    }
  }
}

/** Which tables there are, whatever version made them; others than ours are none of our business. */
async function tablesIn(live: Sequelize): Promise<readonly string[]> {
  const rows = await live.query<{ readonly name: string }>(
    'SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()',
    { type: QueryTypes.SELECT },
  );
  const there = new Set(rows.map(({ name }) => name));
  return [...TABLES, ...FORMER_TABLES].filter((table) => there.has(table));
}

async function ddlOf(live: Sequelize, table: string): Promise<string> {
  const [row] = await live.query<Record<string, string>>(`SHOW CREATE TABLE \`${table}\``, {
    type: QueryTypes.SELECT,
  });
  /* While another house is put in place, a key may be told to point into the one that goes. */
  return (row?.['Create Table'] ?? '')
    .replace(/ AUTO_INCREMENT=\d+/, '')
    .replaceAll(/REFERENCES `[^`]+`\.`/g, 'REFERENCES `');
}

async function run(sequelize: Sequelize, sql: string): Promise<void> {
  await sequelize.query(sql, { type: QueryTypes.RAW });
}
