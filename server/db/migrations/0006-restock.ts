import { QueryTypes, type Sequelize } from 'sequelize';
import { RESTOCK_OF_VERSION_5 } from '@bienestar/contract/upgrade';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';

const document = (name: string): string =>
  `CREATE TABLE ${name} (id ${ID} PRIMARY KEY, ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
     version INT UNSIGNED NOT NULL, name VARCHAR(120) NOT NULL, body JSON NOT NULL) ${TABLE}`;

const UP: readonly string[] = [
  'ALTER TABLE settings ADD restock JSON',
  `ALTER TABLE materials ADD kept_at VARCHAR(120), ADD sealed_days DECIMAL(16,6), ADD restock JSON,
     ADD linen_loop JSON`,
  'ALTER TABLE demand ADD months JSON, ADD trend_per_year DECIMAL(16,6)',
  document('sold_courses'),
  document('orders'),
  document('counts'),
  `ALTER TABLE uses ADD by_sold_course_id ${ID}, ADD by_order_id ${ID}, ADD supplier_id ${ID},
     ADD CONSTRAINT uses_by_sold_course FOREIGN KEY (by_sold_course_id) REFERENCES sold_courses (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_by_order FOREIGN KEY (by_order_id) REFERENCES orders (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_supplier FOREIGN KEY (supplier_id) REFERENCES suppliers (id)`,
  `CREATE TABLE bookings (id VARCHAR(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin PRIMARY KEY,
     at DATETIME NOT NULL, minutes DECIMAL(16,6) NOT NULL, title VARCHAR(120) NOT NULL, KEY bookings_at (at)) ${TABLE}`,
  `CREATE TABLE treatments (id ${ID} PRIMARY KEY, ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
     at DATETIME NOT NULL, service_id ${ID} NOT NULL, visit_kind VARCHAR(20) NOT NULL,
     booking_id VARCHAR(64), sold_course_id ${ID}, entry_ids JSON NOT NULL, KEY treatments_at (at)) ${TABLE}`,
];

const DOWN: readonly string[] = [
  'DROP TABLE treatments',
  'DROP TABLE bookings',
  'DELETE FROM uses WHERE by_sold_course_id IS NOT NULL OR by_order_id IS NOT NULL',
  `ALTER TABLE uses DROP FOREIGN KEY uses_by_sold_course, DROP FOREIGN KEY uses_by_order,
     DROP FOREIGN KEY uses_supplier`,
  'ALTER TABLE uses DROP by_sold_course_id, DROP by_order_id, DROP supplier_id',
  'DROP TABLE counts',
  'DROP TABLE orders',
  'DROP TABLE sold_courses',
  'ALTER TABLE demand DROP months, DROP trend_per_year',
  'ALTER TABLE materials DROP kept_at, DROP sealed_days, DROP restock, DROP linen_loop',
  'ALTER TABLE settings DROP restock',
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** How the house restocks, its book, orders, counts, courses sold and treatments performed. */
export const restock = {
  name: '0006-restock',
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await run(context, UP);
    const replacements = { usual: JSON.stringify(RESTOCK_OF_VERSION_5) };
    await context.query('UPDATE settings SET restock = :usual', {
      type: QueryTypes.RAW,
      replacements,
    });
    /* What was remembered of the settings is read with the same rules. */
    await context.query(
      `UPDATE journal SET before_it = JSON_SET(before_it, '$.restock', JSON_COMPACT(:usual))
         WHERE part = 'settings' AND before_it IS NOT NULL`,
      { type: QueryTypes.RAW, replacements },
    );
  },
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
