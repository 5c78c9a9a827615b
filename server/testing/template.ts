import { QueryTypes, type Sequelize } from 'sequelize';
import { connect } from '../db/connection';
import { TABLES } from '../db/tables';

/*
 * Tests begin with the demo house. Opening its file takes a second, copying its rows back a tenth of that.
 */

const COPIED = TABLES.filter((table) => table !== 'migrations');

/** Keeps what is in a database beside it on its server, under this name, to be copied back. */
export async function keepTemplate(sequelize: Sequelize, template: string): Promise<void> {
  const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW });
  await run(`CREATE DATABASE ${template}`);
  for (const table of COPIED) {
    await run(`CREATE TABLE ${template}.\`${table}\` AS SELECT * FROM \`${table}\``);
  }
}

/** Puts the rows of a template in the place of what is in a database of the same server. */
export async function restoreTemplate(sequelize: Sequelize, template: string): Promise<void> {
  await sequelize.transaction(async (transaction) => {
    const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW, transaction });
    await run('SET foreign_key_checks = 0');
    try {
      for (const table of COPIED) {
        await run(`DELETE FROM \`${table}\``);
        await run(`INSERT INTO \`${table}\` SELECT * FROM ${template}.\`${table}\``);
      }
    } finally {
      await run('SET foreign_key_checks = 1');
    }
  });
}

const open = new Map<string, Sequelize>();

/** The connection of a test to the database of a house that another process serves. */
export function databaseAt(url: string): Sequelize {
  const known = open.get(url);
  if (known) return known;
  const made = connect(url, { connections: 1 });
  open.set(url, made);
  return made;
}

/** Lets the databases go. */
export async function leaveDatabases(): Promise<void> {
  await Promise.all([...open.values()].map((sequelize) => sequelize.close()));
  open.clear();
}
