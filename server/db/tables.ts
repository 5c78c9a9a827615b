import {
  DataTypes,
  type Model,
  type ModelAttributes,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';

/** A table whose rows are plain values of `Row`. */
export type Table<Row extends object> = ModelStatic<Model<Row, Row>>;

const quantity = DataTypes.DECIMAL(16, 6);
const money = DataTypes.INTEGER.UNSIGNED;
const { DATEONLY, INTEGER, JSON: json, STRING, TEXT } = DataTypes;
/* Made anew for each column: Sequelize writes the column's name into what it is given. */
const key = () => ({ type: STRING(64), primaryKey: true });
const kept = { version: INTEGER, ordinal: INTEGER };
const documents = () => ({ id: key(), ...kept, name: STRING, body: json });

const COLUMNS = {
  settings: { ...documents() },
  rooms: { ...documents() },
  people: { ...documents() },
  suppliers: { ...documents() },
  materials: { ...documents() },
  services: { ...documents() },
  demand: { ...documents() },
  mixes: { ...documents() },
  devices: { ...documents() },
  blocks: { ...documents() },
  protocols: { ...documents() },
  editions: {
    protocolId: key(),
    number: { type: INTEGER, primaryKey: true },
    ordinal: INTEGER,
    publishedAt: DataTypes.DATE,
    note: TEXT,
    body: json,
  },
  uses: {
    id: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    byMaterialId: STRING(64),
    byServiceId: STRING(64),
    byMixId: STRING(64),
    byDeviceId: STRING(64),
    byBlockId: STRING(64),
    byProtocolId: STRING(64),
    byOfferId: STRING(64),
    byMenuId: STRING(64),
    bySoldCourseId: STRING(64),
    byOrderId: STRING(64),
    byEditionOf: STRING(64),
    byEditionNumber: INTEGER,
    materialId: STRING(64),
    mixId: STRING(64),
    deviceId: STRING(64),
    blockId: STRING(64),
    protocolId: STRING(64),
    personId: STRING(64),
    serviceId: STRING(64),
    offerId: STRING(64),
    supplierId: STRING(64),
    editionOf: STRING(64),
    editionNumber: INTEGER,
    entryId: STRING(64),
  },
  offers: { ...documents() },
  menus: { ...documents() },
  scenarios: { ...documents() },
  placed_visits: { ...documents(), beganOn: DATEONLY },
  sold_courses: { ...documents(), beganOn: DATEONLY },
  orders: { ...documents(), isOpen: DataTypes.BOOLEAN },
  counts: { ...documents(), isOpen: DataTypes.BOOLEAN },
  bookings: { id: key(), at: DataTypes.DATE, minutes: quantity, title: STRING },
  treatments: {
    id: key(),
    ordinal: INTEGER,
    at: DataTypes.DATE,
    serviceId: STRING(64),
    visitKind: STRING,
    bookingId: STRING(64),
    soldCourseId: STRING(64),
    entryIds: json,
    takenBackAt: DataTypes.DATE,
  },
  runs: {
    id: key(),
    ordinal: INTEGER,
    at: DataTypes.DATE,
    isOpen: DataTypes.BOOLEAN,
    body: json,
  },
  run_events: {
    ordinal: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    id: STRING(64),
    runId: STRING(64),
    kind: STRING(16),
    body: json,
  },
  logbook_plans: { ordinal: INTEGER, id: key(), digest: STRING(44), body: json },
  logbook: {
    ordinal: INTEGER,
    id: key(),
    planId: STRING(64),
    at: DataTypes.DATE,
    body: json,
  },
  audit: {
    ordinal: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    at: DataTypes.DATE,
    onDay: DATEONLY,
    actor: STRING,
    part: STRING,
    thingId: STRING(64),
    difference: json,
    beginsDay: DataTypes.BOOLEAN,
    beforeIt: json,
  },
  price_points: {
    materialId: key(),
    packId: key(),
    onDay: { type: DATEONLY, primaryKey: true },
    priceMinor: money,
    discount: quantity,
    freightMinor: money,
    toldBy: STRING,
  },
  lots: {
    id: key(),
    ordinal: INTEGER,
    materialId: STRING(64),
    code: STRING,
    packId: STRING(64),
    content: quantity,
    deliveredOn: DATEONLY,
    expiresOn: DATEONLY,
    paidMinor: money,
  },
  movements: {
    ordinal: { type: DataTypes.BIGINT, primaryKey: true, autoIncrement: true },
    entryId: STRING(64),
    line: INTEGER,
    kind: STRING,
    at: DataTypes.DATE,
    materialId: STRING(64),
    lotId: STRING(64),
    containerId: STRING(64),
    quantity,
    reason: STRING,
    corrects: STRING(64),
    note: STRING(500),
  },
} satisfies Record<string, ModelAttributes>;

export type TableName = keyof typeof COLUMNS;

/** Every table of a house, also those that are only written in SQL. */
export const TABLES: readonly string[] = [
  ...Object.keys(COLUMNS),
  'balances',
  'answers',
  'migrations',
];

/** The tables whose rows have a version. */
export const VERSIONED_TABLES: readonly string[] = Object.entries(COLUMNS).flatMap(
  ([name, columns]) => ('version' in columns ? [name] : []),
);

/** The tables that an earlier version had besides. */
export const FORMER_TABLES: readonly string[] = [
  'packs',
  'named_amounts',
  'coat_weights',
  'service_therapists',
  'journal',
];

/** The table of that name, its rows plain values of `Row`. */
export function table<Row extends object>(sequelize: Sequelize, name: TableName): Table<Row> {
  const known = sequelize.models[name];
  if (known) return known;
  return sequelize.define<Model<Row, Row>>(
    name,
    COLUMNS[name] as unknown as ModelAttributes<Model<Row, Row>, Row>,
    { tableName: name },
  );
}
