import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';

/* What happens in a run is only ever added to, in the order in which it came in. */
const UP: readonly string[] = [
  `CREATE TABLE runs (id ${ID} NOT NULL PRIMARY KEY, ordinal INT NOT NULL AUTO_INCREMENT UNIQUE,
     at DATETIME NOT NULL, is_open BOOLEAN NOT NULL DEFAULT TRUE, body JSON NOT NULL,
     KEY runs_open (is_open, ordinal)) ${TABLE}`,
  `CREATE TABLE run_events (ordinal BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY, id ${ID} NOT NULL UNIQUE,
     run_id ${ID} NOT NULL, kind VARCHAR(16) NOT NULL, body JSON NOT NULL,
     KEY run_events_run (run_id, ordinal), KEY run_events_kind (kind, ordinal),
     FOREIGN KEY (run_id) REFERENCES runs (id)) ${TABLE}`,
];
const DOWN: readonly string[] = ['DROP TABLE run_events', 'DROP TABLE runs'];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** Visits that are run in the treatment room, and what happened in them. */
export const runs = {
  name: '0013-runs',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
