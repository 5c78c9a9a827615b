import { QueryTypes, type Sequelize } from 'sequelize';

const UP: readonly string[] = [
  'RENAME TABLE journal TO audit',
  `ALTER TABLE audit DROP PRIMARY KEY,
     ADD ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY FIRST,
     ADD at DATETIME, ADD actor VARCHAR(120) NOT NULL DEFAULT '', ADD difference JSON NOT NULL DEFAULT '[]',
     ADD begins_day BOOLEAN NOT NULL DEFAULT TRUE, ADD KEY audit_thing (part, thing_id, on_day),
     ADD KEY audit_days (begins_day, on_day)`,
  'UPDATE audit SET at = on_day',
  `ALTER TABLE audit MODIFY at DATETIME NOT NULL, ALTER actor DROP DEFAULT, ALTER difference DROP DEFAULT,
     ALTER begins_day DROP DEFAULT`,
];

/* Back to the first change of a day of each thing. */
const DOWN: readonly string[] = [
  'DELETE FROM audit WHERE NOT begins_day',
  `ALTER TABLE audit DROP ordinal, DROP at, DROP actor, DROP difference, DROP begins_day, DROP KEY audit_thing,
     DROP KEY audit_days, ADD PRIMARY KEY (on_day, part, thing_id)`,
  'RENAME TABLE audit TO journal',
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** Who wrote what and when: the journal becomes a part of it. */
export const audit = {
  name: '0009-audit',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
