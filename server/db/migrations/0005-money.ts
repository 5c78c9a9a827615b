import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';

const document = (name: string): string =>
  `CREATE TABLE ${name} (id ${ID} PRIMARY KEY, ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
     version INT UNSIGNED NOT NULL, name VARCHAR(120) NOT NULL, body JSON NOT NULL) ${TABLE}`;

const UP: readonly string[] = [
  'ALTER TABLE settings ADD grades JSON',
  'ALTER TABLE people ADD grade VARCHAR(120), ADD on_cost DECIMAL(16,6)',
  'ALTER TABLE services ADD guest JSON',
  document('offers'),
  document('menus'),
  document('scenarios'),
  `ALTER TABLE uses ADD by_offer_id ${ID}, ADD by_menu_id ${ID}, ADD by_scenario_id ${ID},
     ADD service_id ${ID}, ADD offer_id ${ID},
     ADD CONSTRAINT uses_by_offer FOREIGN KEY (by_offer_id) REFERENCES offers (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_by_menu FOREIGN KEY (by_menu_id) REFERENCES menus (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_by_scenario FOREIGN KEY (by_scenario_id) REFERENCES scenarios (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_service FOREIGN KEY (service_id) REFERENCES services (id),
     ADD CONSTRAINT uses_offer FOREIGN KEY (offer_id) REFERENCES offers (id)`,
  `CREATE TABLE journal (
     on_day DATE NOT NULL, part VARCHAR(20) CHARACTER SET ascii NOT NULL, thing_id ${ID} NOT NULL,
     before_it JSON, PRIMARY KEY (on_day, part, thing_id)) ${TABLE}`,
];

const DOWN: readonly string[] = [
  'DROP TABLE journal',
  'DELETE FROM uses WHERE by_offer_id IS NOT NULL OR by_menu_id IS NOT NULL OR by_scenario_id IS NOT NULL',
  `ALTER TABLE uses DROP FOREIGN KEY uses_by_offer, DROP FOREIGN KEY uses_by_menu,
     DROP FOREIGN KEY uses_by_scenario, DROP FOREIGN KEY uses_service, DROP FOREIGN KEY uses_offer`,
  `ALTER TABLE uses DROP by_offer_id, DROP by_menu_id, DROP by_scenario_id, DROP service_id, DROP offer_id`,
  'DROP TABLE scenarios',
  'DROP TABLE menus',
  'DROP TABLE offers',
  'ALTER TABLE services DROP guest',
  'ALTER TABLE people DROP grade, DROP on_cost',
  'ALTER TABLE settings DROP grades',
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** Grades of pay, courses, packages and duo visits, menus for guests, scenarios, and what was before. */
export const money = {
  name: '0005-money',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
