import { QueryTypes, type Sequelize } from 'sequelize';

const QUANTITY = 'DECIMAL(16,6)';
const MONEY = 'INT UNSIGNED';
const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const NAME = 'VARCHAR(120)';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';
const AMOUNT_TABLES = ['mix_parts', 'doses'];

const PACK_TERMS = `
  containers INT UNSIGNED NOT NULL, content ${QUANTITY} NOT NULL, price_minor ${MONEY} NOT NULL,
  discount ${QUANTITY} NOT NULL, freight_minor ${MONEY} NOT NULL, unrecovered_tax_minor ${MONEY} NOT NULL,
  residual ${QUANTITY} NOT NULL`;
const COPIED_TERMS =
  'p.containers, p.content, p.price_minor, p.discount, p.freight_minor, p.unrecovered_tax_minor, p.residual';

const UP: readonly string[] = [
  `ALTER TABLE settings ADD order_days ${QUANTITY} NOT NULL DEFAULT 28`,
  `ALTER TABLE suppliers
     ADD delivery_days JSON, ADD least_order_minor ${MONEY}, ADD feed VARCHAR(40), ADD list_columns JSON`,
  `ALTER TABLE materials
     MODIFY kind ENUM('back-bar','single-dose','consumable','linen','device-part','fresh','retail') NOT NULL,
     ADD density_spread ${QUANTITY}, ADD ml_per_spatula ${QUANTITY}, ADD ml_per_spatula_spread ${QUANTITY},
     ADD preferred_pack_id ${ID}, ADD counted_per ENUM('client','person'),
     ADD sterility ENUM('sterile','clean'), ADD yield_per_piece ${QUANTITY}, ADD yield_spread ${QUANTITY},
     ADD keeps_amount ${QUANTITY}, ADD keeps_unit ENUM('days','hours'),
     ADD open_life_amount ${QUANTITY}, ADD open_life_unit ENUM('days','hours'),
     ADD retail_price_minor ${MONEY}, ADD care JSON, ADD archived_on DATE`,
  `UPDATE materials SET counted_per = 'client' WHERE kind = 'consumable'`,
  `UPDATE materials SET preferred_pack_id = CONCAT(LEFT(id, 57), '-pack-1') WHERE kind <> 'linen'`,
  'RENAME TABLE packs TO packs_before',
  `CREATE TABLE packs (
     material_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL, supplier_id ${ID} NOT NULL,
     code ${NAME}, ${PACK_TERMS}, breaks JSON, tare_g ${QUANTITY}, least_packs INT UNSIGNED,
     lead_time_days ${QUANTITY}, lead_time_sd_days ${QUANTITY},
     PRIMARY KEY (material_id, id),
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE,
     FOREIGN KEY (supplier_id) REFERENCES suppliers (id)) ${TABLE}`,
  `INSERT INTO packs (material_id, id, position, supplier_id, containers, content, price_minor, discount,
       freight_minor, unrecovered_tax_minor, residual)
     SELECT m.id, m.preferred_pack_id, 0, m.supplier_id, ${COPIED_TERMS}
     FROM packs_before p JOIN materials m ON m.id = p.material_id`,
  'DROP TABLE packs_before',
  'ALTER TABLE materials DROP FOREIGN KEY materials_ibfk_1',
  'ALTER TABLE materials DROP COLUMN supplier_id',
  `CREATE TABLE coat_weights (
     material_id ${ID}, position SMALLINT UNSIGNED, name ${NAME} NOT NULL, weight ${QUANTITY} NOT NULL,
     spread ${QUANTITY}, PRIMARY KEY (material_id, position),
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE) ${TABLE}`,
  ...AMOUNT_TABLES.map((table) => `ALTER TABLE ${table} MODIFY amount_unit ${NAME}`),
  `CREATE TABLE price_points (
     material_id ${ID}, pack_id ${ID}, on_day DATE, price_minor ${MONEY} NOT NULL,
     discount ${QUANTITY} NOT NULL, freight_minor ${MONEY} NOT NULL,
     told_by ENUM('hand','price-list','opening') NOT NULL,
     PRIMARY KEY (material_id, pack_id, on_day),
     FOREIGN KEY (material_id) REFERENCES materials (id)) ${TABLE}`,
  `INSERT INTO price_points (material_id, pack_id, on_day, price_minor, discount, freight_minor, told_by)
     SELECT material_id, id, CURRENT_DATE, price_minor, discount, freight_minor, 'opening' FROM packs`,
  `CREATE TABLE lots (
     id ${ID} PRIMARY KEY, ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
     material_id ${ID} NOT NULL, code VARCHAR(60) NOT NULL, pack_id ${ID}, content ${QUANTITY} NOT NULL,
     delivered_on DATE NOT NULL, expires_on DATE, paid_minor ${MONEY},
     FOREIGN KEY (material_id) REFERENCES materials (id)) ${TABLE}`,
  /* container_id is empty, not NULL, for what is sealed: the sums are read from the index alone. */
  `CREATE TABLE movements (
     ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
     entry_id ${ID} NOT NULL, line SMALLINT UNSIGNED NOT NULL,
     kind ENUM('delivery','opening','use','discard','count','correction') NOT NULL,
     at DATETIME NOT NULL, material_id ${ID} NOT NULL, lot_id ${ID} NOT NULL,
     container_id ${ID} NOT NULL DEFAULT '', quantity ${QUANTITY} NOT NULL,
     reason ENUM('expired','open-too-long','spilled','broken','contaminated','returned','other'),
     corrects ${ID}, note VARCHAR(500),
     UNIQUE (entry_id, line), KEY (corrects), KEY (material_id, ordinal),
     KEY balances (material_id, lot_id, container_id, quantity, at),
     FOREIGN KEY (material_id) REFERENCES materials (id),
     FOREIGN KEY (lot_id) REFERENCES lots (id)) ${TABLE}`,
  `INSERT INTO lots (id, material_id, code, pack_id, content, delivered_on)
     SELECT CONCAT(LEFT(s.material_id, 58), '-lot-1'), s.material_id, '', p.id, p.content, CURRENT_DATE
     FROM stock s JOIN packs p ON p.material_id = s.material_id WHERE s.on_hand > 0 ORDER BY s.ordinal`,
  `INSERT INTO movements (entry_id, line, kind, at, material_id, lot_id, quantity)
     SELECT CONCAT(LEFT(s.material_id, 56), '-count-1'), 0, 'count', UTC_TIMESTAMP(), s.material_id, l.id, s.on_hand
     FROM stock s JOIN lots l ON l.material_id = s.material_id ORDER BY s.ordinal`,
  'DROP TABLE stock',
];

/* Back to one pack and one count a material: the kinds that were not there become consumables. */
const DOWN: readonly string[] = [
  `CREATE TABLE stock (
     material_id ${ID} PRIMARY KEY, ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE,
     version INT UNSIGNED NOT NULL, on_hand ${QUANTITY} NOT NULL,
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE) ${TABLE}`,
  `INSERT INTO stock (material_id, version, on_hand)
     SELECT material_id, 1, SUM(quantity) FROM movements GROUP BY material_id`,
  'DROP TABLE movements',
  'DROP TABLE lots',
  'DROP TABLE price_points',
  'DROP TABLE coat_weights',
  `DELETE FROM packs WHERE id <> (SELECT preferred_pack_id FROM materials WHERE id = material_id)`,
  'RENAME TABLE packs TO packs_after',
  `CREATE TABLE packs (material_id ${ID} PRIMARY KEY, ${PACK_TERMS},
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE) ${TABLE}`,
  `INSERT INTO packs SELECT p.material_id, ${COPIED_TERMS} FROM packs_after p`,
  `ALTER TABLE materials ADD supplier_id ${ID}`,
  `UPDATE materials m JOIN packs_after p ON p.material_id = m.id SET m.supplier_id = p.supplier_id`,
  'DROP TABLE packs_after',
  `UPDATE materials SET kind = 'consumable' WHERE kind IN ('device-part','fresh','retail')`,
  `ALTER TABLE materials
     MODIFY kind ENUM('back-bar','single-dose','consumable','linen') NOT NULL,
     DROP density_spread, DROP ml_per_spatula, DROP ml_per_spatula_spread, DROP preferred_pack_id,
     DROP counted_per, DROP sterility, DROP yield_per_piece, DROP yield_spread, DROP keeps_amount,
     DROP keeps_unit, DROP open_life_amount, DROP open_life_unit, DROP retail_price_minor, DROP care,
     DROP archived_on, ADD CONSTRAINT materials_ibfk_1 FOREIGN KEY (supplier_id) REFERENCES suppliers (id)`,
  'ALTER TABLE settings DROP order_days',
  `ALTER TABLE suppliers DROP delivery_days, DROP least_order_minor, DROP feed, DROP list_columns`,
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** Several packs a material, prices by day, and the shelf as a ledger of lots. */
export const shelf = {
  name: '0002-shelf',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
