import { QueryTypes, type Sequelize } from 'sequelize';

const QUANTITY = 'DECIMAL(16,6)';
const MONEY = 'INT UNSIGNED NOT NULL';
const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const NAME = 'VARCHAR(120) NOT NULL';
const ORDINAL = 'ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE';
const VERSION = 'version INT UNSIGNED NOT NULL';
const AMOUNT = `
  amount_how ENUM('measured','counted','named','packs','fingertip','coat','coat-weight') NOT NULL,
  amount_low ${QUANTITY}, amount_usual ${QUANTITY}, amount_high ${QUANTITY},
  amount_unit VARCHAR(16), amount_name VARCHAR(120)`;
const SOURCE = `
  material_id ${ID}, mix_id ${ID},
  CHECK ((material_id IS NULL) <> (mix_id IS NULL))`;

/* Tables in the order in which they point to one another. */
const TABLES: readonly (readonly [string, string])[] = [
  [
    'settings',
    `id TINYINT PRIMARY KEY CHECK (id = 1), ${VERSION},
     name ${NAME}, place ${NAME}, currency CHAR(3) NOT NULL, spoons ENUM('us','metric') NOT NULL,
     client_height_cm ${QUANTITY} NOT NULL, client_weight_kg ${QUANTITY} NOT NULL,
     decollete_percent ${QUANTITY} NOT NULL, abdomen_percent ${QUANTITY} NOT NULL, face_shares JSON NOT NULL,
     handling_loss ${QUANTITY} NOT NULL,
     coat_thin ${QUANTITY} NOT NULL, coat_standard ${QUANTITY} NOT NULL, coat_generous ${QUANTITY} NOT NULL,
     slot_grid_minutes ${QUANTITY} NOT NULL, slot_quantile ${QUANTITY} NOT NULL,
     therapist_charge ENUM('attended','slot') NOT NULL,
     on_cost ${QUANTITY} NOT NULL, bookable_share ${QUANTITY} NOT NULL,
     room_fixed_per_month_minor ${MONEY}, open_days_per_month ${QUANTITY} NOT NULL,
     open_hours_per_day ${QUANTITY} NOT NULL, occupancy ${QUANTITY} NOT NULL,
     vat ${QUANTITY} NOT NULL, commission ${QUANTITY} NOT NULL, card_fee ${QUANTITY} NOT NULL,
     target_margin ${QUANTITY} NOT NULL, price_every_minor ${MONEY}, price_endings JSON NOT NULL,
     price_rounding ENUM('up','nearest') NOT NULL, service_level ${QUANTITY} NOT NULL`,
  ],
  [
    'rooms',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME}, kind ENUM('dry','wet') NOT NULL`,
  ],
  [
    'people',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME},
     role ENUM('therapist','assistant') NOT NULL, hourly_pay_minor ${MONEY}`,
  ],
  [
    'suppliers',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME}, lead_time_days ${QUANTITY} NOT NULL,
     lead_time_sd_days ${QUANTITY} NOT NULL, review_days ${QUANTITY} NOT NULL`,
  ],
  [
    'materials',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME},
     kind ENUM('back-bar','single-dose','consumable','linen') NOT NULL,
     unit ENUM('ml','g','piece') NOT NULL, supplier_id ${ID},
     density ${QUANTITY}, handling_loss ${QUANTITY},
     ml_per_pump ${QUANTITY}, ml_per_pump_spread ${QUANTITY},
     drops_per_ml ${QUANTITY}, drops_per_ml_spread ${QUANTITY},
     ml_per_dropper ${QUANTITY}, ml_per_dropper_spread ${QUANTITY},
     ml_per_spray ${QUANTITY}, ml_per_spray_spread ${QUANTITY},
     wash_minor INT UNSIGNED, replacement_minor INT UNSIGNED, washes_in_life INT UNSIGNED,
     FOREIGN KEY (supplier_id) REFERENCES suppliers (id)`,
  ],
  [
    'packs',
    `material_id ${ID} PRIMARY KEY, containers INT UNSIGNED NOT NULL, content ${QUANTITY} NOT NULL,
     price_minor ${MONEY}, discount ${QUANTITY} NOT NULL, freight_minor ${MONEY},
     unrecovered_tax_minor ${MONEY}, residual ${QUANTITY} NOT NULL,
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE`,
  ],
  [
    'named_amounts',
    `material_id ${ID}, position SMALLINT UNSIGNED, name ${NAME}, amount ${QUANTITY} NOT NULL,
     spread ${QUANTITY}, unit ENUM('ml','g') NOT NULL, PRIMARY KEY (material_id, position),
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE`,
  ],
  [
    'mixes',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME}, basis ENUM('ml','g') NOT NULL,
     density ${QUANTITY}, bowl_loss ${QUANTITY} NOT NULL`,
  ],
  [
    'mix_parts',
    `mix_of_id ${ID}, position SMALLINT UNSIGNED, ${AMOUNT}, ${SOURCE}, PRIMARY KEY (mix_of_id, position),
     FOREIGN KEY (mix_of_id) REFERENCES mixes (id) ON DELETE CASCADE,
     FOREIGN KEY (material_id) REFERENCES materials (id), FOREIGN KEY (mix_id) REFERENCES mixes (id)`,
  ],
  [
    'protocols',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME}, summary TEXT NOT NULL`,
  ],
  [
    'layer_groups',
    `protocol_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL, name ${NAME},
     layers_first SMALLINT UNSIGNED NOT NULL, layers_returning SMALLINT UNSIGNED NOT NULL,
     wait_least ${QUANTITY}, wait_usual ${QUANTITY}, wait_most ${QUANTITY}, question TEXT,
     PRIMARY KEY (protocol_id, id),
     FOREIGN KEY (protocol_id) REFERENCES protocols (id) ON DELETE CASCADE`,
  ],
  [
    'steps',
    `protocol_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL,
     stretch ENUM('set-up','visit','reset') NOT NULL, name ${NAME},
     done_by ENUM('therapist','assistant') NOT NULL,
     hands ENUM('hands-on','watching','free') NOT NULL,
     least_minutes ${QUANTITY} NOT NULL, usual_minutes ${QUANTITY} NOT NULL, most_minutes ${QUANTITY} NOT NULL,
     zones JSON NOT NULL, meanwhile_of ${ID}, layer_group_id ${ID}, cap_minutes ${QUANTITY}, note TEXT,
     PRIMARY KEY (protocol_id, id),
     FOREIGN KEY (protocol_id) REFERENCES protocols (id) ON DELETE CASCADE`,
  ],
  [
    'doses',
    `protocol_id ${ID}, step_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL,
     ${AMOUNT}, opening ENUM('fresh','left-over-first') NOT NULL, ${SOURCE},
     PRIMARY KEY (protocol_id, step_id, id),
     FOREIGN KEY (protocol_id, step_id) REFERENCES steps (protocol_id, id) ON DELETE CASCADE,
     FOREIGN KEY (material_id) REFERENCES materials (id), FOREIGN KEY (mix_id) REFERENCES mixes (id)`,
  ],
  [
    'services',
    `id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name ${NAME}, protocol_id ${ID} NOT NULL,
     visit_kind ENUM('first','returning') NOT NULL, target_margin ${QUANTITY},
     FOREIGN KEY (protocol_id) REFERENCES protocols (id)`,
  ],
  [
    'service_therapists',
    `service_id ${ID}, position SMALLINT UNSIGNED, person_id ${ID} NOT NULL,
     PRIMARY KEY (service_id, position),
     FOREIGN KEY (service_id) REFERENCES services (id) ON DELETE CASCADE,
     FOREIGN KEY (person_id) REFERENCES people (id)`,
  ],
  [
    'demand',
    `service_id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, visits_per_week ${QUANTITY} NOT NULL,
     FOREIGN KEY (service_id) REFERENCES services (id) ON DELETE CASCADE`,
  ],
  [
    'stock',
    `material_id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, on_hand ${QUANTITY} NOT NULL,
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE`,
  ],
];

/** Creates the tables of a House. */
async function up({ context }: { context: Sequelize }): Promise<void> {
  for (const [table, columns] of TABLES) {
    await context.query(
      `CREATE TABLE ${table} (${columns}) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci`,
      { type: QueryTypes.RAW },
    );
  }
}

/** Removes them. */
async function down({ context }: { context: Sequelize }): Promise<void> {
  for (const [table] of TABLES.toReversed()) {
    await context.query(`DROP TABLE ${table}`, { type: QueryTypes.RAW });
  }
}

/** The first migration: a House. */
export const house = { name: '0001-house', up, down };
