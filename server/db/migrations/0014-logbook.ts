import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';

/* Visits that were to be the same share one plan, which is found by what it says. */
const UP: readonly string[] = [
  `CREATE TABLE logbook_plans (ordinal INT NOT NULL AUTO_INCREMENT UNIQUE, id ${ID} NOT NULL PRIMARY KEY,
     digest CHAR(44) CHARACTER SET ascii COLLATE ascii_bin NOT NULL, body JSON NOT NULL,
     KEY logbook_plans_digest (digest)) ${TABLE}`,
  `CREATE TABLE logbook (ordinal INT NOT NULL AUTO_INCREMENT UNIQUE, id ${ID} NOT NULL PRIMARY KEY,
     plan_id ${ID} NOT NULL, at DATETIME NOT NULL, body JSON NOT NULL, KEY logbook_at (at, ordinal),
     FOREIGN KEY (plan_id) REFERENCES logbook_plans (id)) ${TABLE}`,
];
const DOWN: readonly string[] = ['DROP TABLE logbook', 'DROP TABLE logbook_plans'];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** Visits as they were, beside what they were to be. */
export const logbook = {
  name: '0014-logbook',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
