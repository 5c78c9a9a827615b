import { QueryTypes, type Sequelize } from 'sequelize';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';

/* Records are read by window: each says by a column of its own whether it goes on, or since when it is. */
const UP: readonly string[] = [
  /* Compared as the ids of the book are, so that its key serves. */
  `ALTER TABLE treatments MODIFY booking_id VARCHAR(64) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin,
     ADD taken_back_at DATETIME, ADD KEY treatments_booking (booking_id),
     ADD KEY treatments_log (at, service_id, taken_back_at)`,
  'ALTER TABLE orders ADD is_open BOOLEAN NOT NULL DEFAULT TRUE, ADD KEY orders_open (is_open, ordinal)',
  "UPDATE orders SET is_open = JSON_VALUE(body, '$.state') NOT IN ('closed', 'cancelled')",
  'ALTER TABLE counts ADD is_open BOOLEAN NOT NULL DEFAULT TRUE, ADD KEY counts_open (is_open, ordinal)',
  "UPDATE counts SET is_open = JSON_VALUE(body, '$.endedOn') IS NULL",
  'ALTER TABLE sold_courses ADD began_on DATE, ADD KEY sold_courses_began (began_on)',
  "UPDATE sold_courses SET began_on = JSON_VALUE(body, '$.soldOn')",
  `ALTER TABLE uses ADD entry_id ${ID}, ADD KEY uses_entry (entry_id)`,
  `INSERT INTO uses (by_order_id, entry_id)
     SELECT o.id, r.entry_id FROM orders o,
       JSON_TABLE(o.body, '$.lines[*].received[*]' COLUMNS (entry_id VARCHAR(64) PATH '$.entryId')) r`,
  'ALTER TABLE movements ADD KEY movements_kind (material_id, kind, at, quantity, entry_id)',
  `CREATE TABLE balances (material_id ${ID} NOT NULL, lot_id ${ID} NOT NULL, container_id ${ID} NOT NULL,
     quantity DECIMAL(20,6) NOT NULL, first_at DATETIME NOT NULL,
     PRIMARY KEY (material_id, lot_id, container_id),
     FOREIGN KEY (material_id) REFERENCES materials (id), FOREIGN KEY (lot_id) REFERENCES lots (id)) ${TABLE}`,
  `INSERT INTO balances (material_id, lot_id, container_id, quantity, first_at)
     SELECT material_id, lot_id, container_id, SUM(quantity), MIN(at) FROM movements
     GROUP BY material_id, lot_id, container_id HAVING SUM(quantity) <> 0`,
];

/* What was taken back was removed before. */
const DOWN: readonly string[] = [
  'DROP TABLE balances',
  'ALTER TABLE movements DROP KEY movements_kind',
  'DELETE FROM uses WHERE entry_id IS NOT NULL',
  'ALTER TABLE uses DROP KEY uses_entry, DROP entry_id',
  'ALTER TABLE sold_courses DROP KEY sold_courses_began, DROP began_on',
  'ALTER TABLE counts DROP KEY counts_open, DROP is_open',
  'ALTER TABLE orders DROP KEY orders_open, DROP is_open',
  'DELETE FROM treatments WHERE taken_back_at IS NOT NULL',
  `ALTER TABLE treatments DROP KEY treatments_log, DROP KEY treatments_booking, DROP taken_back_at,
     MODIFY booking_id VARCHAR(64)`,
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** Records are read by window, and what is left of a lot is kept beside the ledger. */
export const records = {
  name: '0010-records',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
