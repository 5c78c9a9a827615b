import { QueryTypes, type Sequelize } from 'sequelize';
import {
  mixBody,
  mixPartRows,
  mixRow,
  protocolBody,
  protocolRows,
  type OldRows,
  type Plain,
} from './protocolBodies';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const QUANTITY = 'DECIMAL(16,6)';
const NAME = 'VARCHAR(120)';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';
const ORDINAL = 'ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE';
const BUILDS = '{"small":{"heightCm":155,"weightKg":50},"large":{"heightCm":175,"weightKg":95}}';

const document = (name: string): string =>
  `CREATE TABLE ${name} (id ${ID} PRIMARY KEY, ${ORDINAL}, version INT UNSIGNED NOT NULL,
     name ${NAME} NOT NULL, body JSON NOT NULL) ${TABLE}`;

const PREPARE: readonly string[] = [
  `ALTER TABLE settings ADD builds JSON NOT NULL DEFAULT '${BUILDS}'`,
  `ALTER TABLE materials ADD gloves_kind ENUM('plain','sterile'), ADD gloves_per_pair TINYINT UNSIGNED`,
  `ALTER TABLE mixes ADD body JSON NOT NULL DEFAULT '{}'`,
  `ALTER TABLE protocols ADD body JSON NOT NULL DEFAULT '{}'`,
  document('devices'),
  document('blocks'),
  `CREATE TABLE editions (
     protocol_id ${ID}, number INT UNSIGNED, ${ORDINAL}, published_at DATETIME NOT NULL, note TEXT NOT NULL,
     body JSON NOT NULL, PRIMARY KEY (protocol_id, number),
     FOREIGN KEY (protocol_id) REFERENCES protocols (id)) ${TABLE}`,
  `CREATE TABLE uses (
     id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
     by_mix_id ${ID}, by_device_id ${ID}, by_block_id ${ID}, by_protocol_id ${ID},
     by_edition_of ${ID}, by_edition_number INT UNSIGNED,
     material_id ${ID}, mix_id ${ID}, device_id ${ID}, block_id ${ID}, protocol_id ${ID}, person_id ${ID},
     FOREIGN KEY (by_mix_id) REFERENCES mixes (id) ON DELETE CASCADE,
     FOREIGN KEY (by_device_id) REFERENCES devices (id) ON DELETE CASCADE,
     FOREIGN KEY (by_block_id) REFERENCES blocks (id) ON DELETE CASCADE,
     FOREIGN KEY (by_protocol_id) REFERENCES protocols (id) ON DELETE CASCADE,
     FOREIGN KEY (by_edition_of, by_edition_number) REFERENCES editions (protocol_id, number) ON DELETE CASCADE,
     FOREIGN KEY (material_id) REFERENCES materials (id), FOREIGN KEY (mix_id) REFERENCES mixes (id),
     FOREIGN KEY (device_id) REFERENCES devices (id), FOREIGN KEY (block_id) REFERENCES blocks (id),
     FOREIGN KEY (protocol_id) REFERENCES protocols (id), FOREIGN KEY (person_id) REFERENCES people (id)) ${TABLE}`,
  `ALTER TABLE services ADD edition INT UNSIGNED, ADD shown_for JSON,
     ADD CONSTRAINT services_edition FOREIGN KEY (protocol_id, edition) REFERENCES editions (protocol_id, number)`,
  `INSERT INTO uses (by_mix_id, material_id, mix_id)
     SELECT DISTINCT mix_of_id, material_id, mix_id FROM mix_parts`,
  `INSERT INTO uses (by_protocol_id, material_id, mix_id)
     SELECT DISTINCT protocol_id, material_id, mix_id FROM doses`,
];

const FINISH: readonly string[] = [
  'DROP TABLE doses',
  'DROP TABLE steps',
  'DROP TABLE layer_groups',
  'DROP TABLE mix_parts',
  'ALTER TABLE protocols DROP summary',
  'ALTER TABLE mixes DROP basis, DROP density, DROP bowl_loss',
];

const AMOUNT = `
  amount_how ENUM('measured','counted','named','packs','fingertip','coat','coat-weight') NOT NULL,
  amount_low ${QUANTITY}, amount_usual ${QUANTITY}, amount_high ${QUANTITY},
  amount_unit ${NAME}, amount_name ${NAME}`;

/* Back to one row a step: blocks, choices and editions have no place there. */
const BACK: readonly string[] = [
  `ALTER TABLE mixes ADD basis ENUM('ml','g') NOT NULL DEFAULT 'ml', ADD density ${QUANTITY},
     ADD bowl_loss ${QUANTITY} NOT NULL DEFAULT 0`,
  `ALTER TABLE protocols ADD summary TEXT NOT NULL DEFAULT ''`,
  `CREATE TABLE mix_parts (
     mix_of_id ${ID}, position SMALLINT UNSIGNED, ${AMOUNT}, material_id ${ID}, mix_id ${ID},
     PRIMARY KEY (mix_of_id, position),
     FOREIGN KEY (mix_of_id) REFERENCES mixes (id) ON DELETE CASCADE,
     FOREIGN KEY (material_id) REFERENCES materials (id), FOREIGN KEY (mix_id) REFERENCES mixes (id)) ${TABLE}`,
  `CREATE TABLE layer_groups (
     protocol_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL, name ${NAME},
     layers_first SMALLINT UNSIGNED NOT NULL, layers_returning SMALLINT UNSIGNED NOT NULL,
     wait_least ${QUANTITY}, wait_usual ${QUANTITY}, wait_most ${QUANTITY}, question TEXT,
     PRIMARY KEY (protocol_id, id),
     FOREIGN KEY (protocol_id) REFERENCES protocols (id) ON DELETE CASCADE) ${TABLE}`,
  `CREATE TABLE steps (
     protocol_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL,
     stretch ENUM('set-up','visit','reset') NOT NULL, name ${NAME},
     done_by ENUM('therapist','assistant') NOT NULL, hands ENUM('hands-on','watching','free') NOT NULL,
     least_minutes ${QUANTITY} NOT NULL, usual_minutes ${QUANTITY} NOT NULL, most_minutes ${QUANTITY} NOT NULL,
     zones JSON NOT NULL, meanwhile_of ${ID}, layer_group_id ${ID}, cap_minutes ${QUANTITY}, note TEXT,
     PRIMARY KEY (protocol_id, id),
     FOREIGN KEY (protocol_id) REFERENCES protocols (id) ON DELETE CASCADE) ${TABLE}`,
  `CREATE TABLE doses (
     protocol_id ${ID}, step_id ${ID}, id ${ID}, position SMALLINT UNSIGNED NOT NULL, ${AMOUNT},
     opening ENUM('fresh','left-over-first') NOT NULL, material_id ${ID}, mix_id ${ID},
     PRIMARY KEY (protocol_id, step_id, id),
     FOREIGN KEY (protocol_id, step_id) REFERENCES steps (protocol_id, id) ON DELETE CASCADE,
     FOREIGN KEY (material_id) REFERENCES materials (id), FOREIGN KEY (mix_id) REFERENCES mixes (id)) ${TABLE}`,
];

const FORGET: readonly string[] = [
  'ALTER TABLE services DROP FOREIGN KEY services_edition',
  'ALTER TABLE services DROP edition, DROP shown_for',
  'DROP TABLE uses',
  'DROP TABLE editions',
  'DROP TABLE blocks',
  'DROP TABLE devices',
  'ALTER TABLE protocols DROP body',
  'ALTER TABLE mixes DROP body',
  'ALTER TABLE materials DROP gloves_kind, DROP gloves_per_pair',
  'ALTER TABLE settings DROP builds',
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

const select = (context: Sequelize, sql: string): Promise<Plain[]> =>
  context.query<Plain>(sql, { type: QueryTypes.SELECT });

async function put(context: Sequelize, table: string, id: unknown, body: object): Promise<void> {
  await context.query(`UPDATE ${table} SET body = :body WHERE id = :id`, {
    type: QueryTypes.UPDATE,
    replacements: { id, body: JSON.stringify(body) },
  });
}

async function insert(context: Sequelize, table: string, rows: readonly Plain[]): Promise<void> {
  if (rows.length > 0) await context.getQueryInterface().bulkInsert(table, rows as object[]);
}

/** Protocols and mixes as documents with what they use, devices, blocks and published editions. */
export const protocols = {
  name: '0003-protocols',
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    await run(context, PREPARE);
    const old: OldRows = {
      parts: await select(context, 'SELECT * FROM mix_parts ORDER BY position'),
      groups: await select(context, 'SELECT * FROM layer_groups ORDER BY position'),
      steps: await select(context, 'SELECT * FROM steps ORDER BY position'),
      doses: await select(context, 'SELECT * FROM doses ORDER BY position'),
    };
    for (const row of await select(context, 'SELECT * FROM mixes')) {
      await put(context, 'mixes', row.id, mixBody(row, old));
    }
    for (const row of await select(context, 'SELECT * FROM protocols')) {
      await put(context, 'protocols', row.id, protocolBody(row, old));
    }
    await run(context, FINISH);
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    await run(context, BACK);
    for (const { id, body } of await select(context, 'SELECT id, body FROM mixes')) {
      const { basis, density, bowlLoss } = mixRow(body);
      await context.query(
        'UPDATE mixes SET basis = :basis, density = :density, bowl_loss = :bowlLoss WHERE id = :id',
        { type: QueryTypes.UPDATE, replacements: { id, basis, density, bowlLoss } },
      );
      await insert(context, 'mix_parts', mixPartRows(id, body));
    }
    for (const { id, body } of await select(context, 'SELECT id, body FROM protocols')) {
      const { summary, groups, steps, doses } = protocolRows(id, body);
      await context.query('UPDATE protocols SET summary = :summary WHERE id = :id', {
        type: QueryTypes.UPDATE,
        replacements: { id, summary },
      });
      await insert(context, 'layer_groups', groups);
      await insert(context, 'steps', steps);
      await insert(context, 'doses', doses);
    }
    await run(context, FORGET);
  },
};
