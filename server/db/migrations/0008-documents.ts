import { QueryTypes, type Sequelize } from 'sequelize';
import {
  COAT_WEIGHTS,
  DEMAND,
  documentOf,
  MATERIALS,
  NAMED_AMOUNTS,
  PACKS,
  parsed,
  PEOPLE,
  ROOMS,
  rowOf,
  SERVICES,
  SETTINGS,
  SUPPLIERS,
  type Column,
  type Plain,
} from './documentColumns';

const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const TABLE = 'ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_520_ci';
const ORDINAL = 'ordinal BIGINT UNSIGNED NOT NULL AUTO_INCREMENT UNIQUE';
const VERSION = 'version INT UNSIGNED NOT NULL';
const HOUSE = 'house';

/** What is kept as columns until now, but for what is in tables of its own. */
const IN_PLACE: readonly (readonly [string, readonly Column[]])[] = [
  ['rooms', ROOMS],
  ['people', PEOPLE],
  ['suppliers', SUPPLIERS],
  ['materials', MATERIALS],
  ['services', SERVICES],
];

/* Who uses what, and which edition a service is worked by. What a scenario changes was never held. */
const USES: readonly string[] = [
  'ALTER TABLE uses DROP FOREIGN KEY uses_by_scenario',
  `ALTER TABLE uses DROP by_scenario_id,
     ADD by_material_id ${ID}, ADD by_service_id ${ID}, ADD edition_of ${ID}, ADD edition_number INT UNSIGNED,
     ADD CONSTRAINT uses_by_material FOREIGN KEY (by_material_id) REFERENCES materials (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_by_service FOREIGN KEY (by_service_id) REFERENCES services (id) ON DELETE CASCADE,
     ADD CONSTRAINT uses_edition FOREIGN KEY (edition_of, edition_number) REFERENCES editions (protocol_id, number)`,
  `INSERT INTO uses (by_material_id, supplier_id) SELECT DISTINCT material_id, supplier_id FROM packs`,
  `INSERT INTO uses (by_service_id, protocol_id) SELECT id, protocol_id FROM services`,
  `INSERT INTO uses (by_service_id, edition_of, edition_number)
     SELECT id, protocol_id, edition FROM services WHERE edition IS NOT NULL`,
  `INSERT INTO uses (by_service_id, person_id) SELECT DISTINCT service_id, person_id FROM service_therapists`,
  'DROP TABLE service_therapists',
  'DROP TABLE coat_weights',
  'DROP TABLE named_amounts',
  'DROP TABLE packs',
  'ALTER TABLE services DROP FOREIGN KEY services_edition',
  'ALTER TABLE services DROP FOREIGN KEY services_ibfk_1',
];

/* Made anew: nothing points to them, but the plan to its services. */
const ANEW: readonly string[] = [
  'DROP TABLE settings',
  `CREATE TABLE settings (id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name VARCHAR(120) NOT NULL,
     body JSON NOT NULL) ${TABLE}`,
  'DROP TABLE demand',
  `CREATE TABLE demand (id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION}, name VARCHAR(120) NOT NULL,
     body JSON NOT NULL, FOREIGN KEY (id) REFERENCES services (id) ON DELETE CASCADE) ${TABLE}`,
];

const BACK_ANEW: readonly string[] = [
  'DROP TABLE settings',
  `CREATE TABLE settings (id TINYINT PRIMARY KEY CHECK (id = 1), ${VERSION}, ${declared(SETTINGS)}) ${TABLE}`,
  'DROP TABLE demand',
  `CREATE TABLE demand (service_id ${ID} PRIMARY KEY, ${ORDINAL}, ${VERSION},
     ${declared(DEMAND.filter(({ name }) => name !== 'service_id'))},
     FOREIGN KEY (service_id) REFERENCES services (id) ON DELETE CASCADE) ${TABLE}`,
];

const BACK_TABLES: readonly string[] = [
  `CREATE TABLE packs (
     material_id ${ID}, position SMALLINT UNSIGNED NOT NULL, ${declared(PACKS)}, PRIMARY KEY (material_id, id),
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE,
     FOREIGN KEY (supplier_id) REFERENCES suppliers (id)) ${TABLE}`,
  `CREATE TABLE named_amounts (
     material_id ${ID}, position SMALLINT UNSIGNED, ${declared(NAMED_AMOUNTS)}, PRIMARY KEY (material_id, position),
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE) ${TABLE}`,
  `CREATE TABLE coat_weights (
     material_id ${ID}, position SMALLINT UNSIGNED, ${declared(COAT_WEIGHTS)}, PRIMARY KEY (material_id, position),
     FOREIGN KEY (material_id) REFERENCES materials (id) ON DELETE CASCADE) ${TABLE}`,
  `CREATE TABLE service_therapists (
     service_id ${ID}, position SMALLINT UNSIGNED, person_id ${ID} NOT NULL, PRIMARY KEY (service_id, position),
     FOREIGN KEY (service_id) REFERENCES services (id) ON DELETE CASCADE,
     FOREIGN KEY (person_id) REFERENCES people (id)) ${TABLE}`,
];

const BACK_USES: readonly string[] = [
  `ALTER TABLE services
     ADD CONSTRAINT services_ibfk_1 FOREIGN KEY (protocol_id) REFERENCES protocols (id),
     ADD CONSTRAINT services_edition FOREIGN KEY (protocol_id, edition) REFERENCES editions (protocol_id, number)`,
  'DELETE FROM uses WHERE by_material_id IS NOT NULL OR by_service_id IS NOT NULL',
  `ALTER TABLE uses DROP FOREIGN KEY uses_by_material, DROP FOREIGN KEY uses_by_service,
     DROP FOREIGN KEY uses_edition`,
  `ALTER TABLE uses DROP by_material_id, DROP by_service_id, DROP edition_of, DROP edition_number,
     ADD by_scenario_id ${ID},
     ADD CONSTRAINT uses_by_scenario FOREIGN KEY (by_scenario_id) REFERENCES scenarios (id) ON DELETE CASCADE`,
];

function declared(columns: readonly Column[]): string {
  return columns.map(({ name, type }) => `${name} ${type}`).join(', ');
}

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

const select = (context: Sequelize, sql: string): Promise<Plain[]> =>
  context.query<Plain>(sql, { type: QueryTypes.SELECT });

async function insert(context: Sequelize, table: string, rows: readonly Plain[]): Promise<void> {
  if (rows.length > 0) await context.getQueryInterface().bulkInsert(table, rows as object[]);
}

function of(rows: readonly Plain[], key: string): (id: unknown) => Plain[] {
  return (id) => rows.filter((row) => row[key] === id);
}

/** Materials, people, suppliers, rooms, services, settings and the plan as the documents they are. */
export const documents = {
  name: '0008-documents',
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    const [packs, named, coats, therapists] = [
      of(await select(context, 'SELECT * FROM packs ORDER BY position'), 'material_id'),
      of(await select(context, 'SELECT * FROM named_amounts ORDER BY position'), 'material_id'),
      of(await select(context, 'SELECT * FROM coat_weights ORDER BY position'), 'material_id'),
      of(await select(context, 'SELECT * FROM service_therapists ORDER BY position'), 'service_id'),
    ];
    const further: Readonly<Record<string, (document: Plain, id: unknown) => Plain>> = {
      materials: ({ measures, ...material }, id) => ({
        ...material,
        measures: {
          ...(measures as Plain | undefined),
          ...listed('named', named(id), NAMED_AMOUNTS),
          ...listed('coats', coats(id), COAT_WEIGHTS),
        },
        ...(material.kind !== 'linen' && { packs: packs(id).map((row) => documentOf(row, PACKS)) }),
      }),
      services: (service, id) => ({
        ...service,
        therapistIds: therapists(id).map((row) => row.person_id),
      }),
    };
    const settings = await select(context, 'SELECT * FROM settings');
    const demand = await select(context, 'SELECT * FROM demand ORDER BY ordinal');
    const bodies: (readonly [string, unknown, Plain])[] = [];
    for (const [table, columns] of IN_PLACE) {
      for (const row of await select(context, `SELECT * FROM ${table}`)) {
        const plain = { id: row.id, name: row.name, ...documentOf(row, columns) };
        bodies.push([table, row.id, further[table]?.(plain, row.id) ?? plain]);
      }
    }
    await run(context, USES);
    for (const [table, columns] of IN_PLACE) {
      const gone = columns.map(({ name }) => `DROP ${name}`).join(', ');
      await run(context, [`ALTER TABLE ${table} ${gone}, ADD body JSON NOT NULL DEFAULT '{}'`]);
    }
    for (const [table, id, body] of bodies) {
      await context.query(`UPDATE ${table} SET body = :body WHERE id = :id`, {
        type: QueryTypes.UPDATE,
        replacements: { id, body: JSON.stringify(body) },
      });
    }
    for (const [table] of IN_PLACE) {
      await run(context, [`ALTER TABLE ${table} MODIFY body JSON NOT NULL`]);
    }
    await run(context, ANEW);
    await insert(
      context,
      'settings',
      settings.map((row) => ({
        id: HOUSE,
        version: row.version,
        name: row.name,
        body: JSON.stringify(documentOf(row, SETTINGS)),
      })),
    );
    await insert(
      context,
      'demand',
      demand.map((row) => ({
        id: row.service_id,
        version: row.version,
        name: '',
        body: JSON.stringify(documentOf(row, DEMAND)),
      })),
    );
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    const settings = await select(context, 'SELECT * FROM settings');
    const demand = await select(context, 'SELECT * FROM demand ORDER BY ordinal');
    const bodies: Plain[] = [];
    for (const [table, columns] of IN_PLACE) {
      const rows = await select(context, `SELECT id, body FROM ${table} ORDER BY ordinal`);
      const again = columns.map(({ name, type }) => `ADD ${name} ${type}`).join(', ');
      await run(context, [`ALTER TABLE ${table} DROP body, ${again}`]);
      for (const row of rows) {
        const body = parsed(row.body) as Plain;
        bodies.push({ ...body, table });
        const set = columns.map(({ name }) => `${name} = :${name}`).join(', ');
        await context.query(`UPDATE ${table} SET ${set} WHERE id = :id`, {
          type: QueryTypes.UPDATE,
          replacements: { id: row.id, ...rowOf(body, columns) },
        });
      }
    }
    await run(context, BACK_TABLES);
    for (const { table, id, packs, measures, therapistIds } of bodies) {
      const { named, coats } = (measures ?? {}) as Plain;
      if (table === 'materials') {
        await insert(context, 'packs', placed('material_id', id, packs, PACKS));
        await insert(context, 'named_amounts', placed('material_id', id, named, NAMED_AMOUNTS));
        await insert(context, 'coat_weights', placed('material_id', id, coats, COAT_WEIGHTS));
      }
      if (table === 'services') {
        const people = (therapistIds as unknown[]).map((personId, position) => ({
          service_id: id,
          position,
          person_id: personId,
        }));
        await insert(context, 'service_therapists', people);
      }
    }
    await run(context, BACK_USES);
    await run(context, BACK_ANEW);
    await insert(
      context,
      'settings',
      settings.map(({ version, body }) => ({
        id: 1,
        version,
        ...rowOf(parsed(body) as Plain, SETTINGS),
      })),
    );
    await insert(
      context,
      'demand',
      demand.map(({ version, body }) => ({ version, ...rowOf(parsed(body) as Plain, DEMAND) })),
    );
  },
};

function listed(name: string, rows: readonly Plain[], columns: readonly Column[]): Plain {
  return rows.length === 0 ? {} : { [name]: rows.map((row) => documentOf(row, columns)) };
}

function placed(owner: string, id: unknown, list: unknown, columns: readonly Column[]): Plain[] {
  return ((list ?? []) as Plain[]).map((document, position) => ({
    [owner]: id,
    position,
    ...rowOf(document, columns),
  }));
}
