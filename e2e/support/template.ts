import { QueryTypes, type Sequelize } from 'sequelize';
import { connect } from '../../server/db/connection';
import { TABLES } from '../../server/db/tables';

/*
 * Each journey begins with the demo house. Opening its file takes a second, copying its rows back a tenth of
 * that.
 */

const COPIED = TABLES.filter((table) => table !== 'migrations');

const open = new Map<string, Sequelize>();

function databaseAt(url: string): Sequelize {
  const known = open.get(url);
  if (known) return known;
  const made = connect(url, { connections: 1, initSql: ['SET foreign_key_checks = 0'] });
  open.set(url, made);
  return made;
}

function templateOf(sequelize: Sequelize): string {
  return `${sequelize.getDatabaseName()}_template`;
}

/** Keeps what is in a house's database, to be copied back. */
export async function keepTemplate(url: string): Promise<void> {
  const sequelize = databaseAt(url);
  const template = templateOf(sequelize);
  const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW });
  await run(`CREATE DATABASE ${template}`);
  for (const table of COPIED) {
    await run(`CREATE TABLE ${template}.\`${table}\` AS SELECT * FROM \`${table}\``);
  }
  await leaveTemplates();
}

/** Puts the house of the template in the place of whatever the last journey left. */
export async function restoreTemplate(url: string): Promise<void> {
  const sequelize = databaseAt(url);
  const template = templateOf(sequelize);
  await sequelize.transaction(async (transaction) => {
    const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW, transaction });
    for (const table of COPIED) {
      await run(`DELETE FROM \`${table}\``);
      await run(`INSERT INTO \`${table}\` SELECT * FROM ${template}.\`${table}\``);
    }
  });
}

/** Lets the databases go. */
export async function leaveTemplates(): Promise<void> {
  await Promise.all([...open.values()].map((sequelize) => sequelize.close()));
  open.clear();
}
