import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';

/* The day is that of UTC: it only says what is long past. */
const UP = `CREATE TABLE placed_visits (id ${ID} PRIMARY KEY,
  ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE, version INT UNSIGNED NOT NULL,
  name VARCHAR(120) NOT NULL, body JSON NOT NULL, began_on DATE NOT NULL,
  KEY placed_visits_began (began_on, ordinal)) ${TABLE}`;

/** Visits that the house has placed into its week. */
export const week = {
  name: '0015-week',
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query(UP, { type: QueryTypes.RAW });
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await context.query('DROP TABLE placed_visits', { type: QueryTypes.RAW });
  },
};
