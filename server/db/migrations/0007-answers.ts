import { QueryTypes, type Sequelize } from 'sequelize';

const UP = `CREATE TABLE answers (
  id VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin PRIMARY KEY, at DATETIME NOT NULL,
  request CHAR(64) CHARACTER SET ascii NOT NULL, status SMALLINT UNSIGNED NOT NULL,
  body LONGBLOB, KEY answers_at (at)) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`;

async function run(context: Sequelize, sql: string): Promise<void> {
  await context.query(sql, { type: QueryTypes.RAW });
}

/** What writes were answered, so that one whose answer was lost is answered the same again. */
export const answers = {
  name: '0007-answers',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, 'DROP TABLE answers'),
};
