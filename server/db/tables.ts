import {
  DataTypes,
  QueryTypes,
  type Model,
  type ModelAttributeColumnOptions,
  type ModelAttributes,
  type ModelStatic,
  type Sequelize,
  type Transaction,
} from 'sequelize';

/** A table whose rows are plain values of `Row`. */
export type Table<Row extends object> = ModelStatic<Model<Row, Row>>;

/** A row that belongs to an aggregate: its order among its kind and its version. */
export interface Kept {
  readonly version: number;
  readonly ordinal?: number;
}

const quantity = DataTypes.DECIMAL(16, 6);
const money = DataTypes.INTEGER.UNSIGNED;
const { DATEONLY, INTEGER, JSON: json, STRING, TEXT } = DataTypes;
/* Made anew for each column: Sequelize writes the column's name into what it is given. */
const key = () => ({ type: STRING(64), primaryKey: true });
const kept = { version: INTEGER, ordinal: INTEGER };
const documents = () => ({ id: key(), ...kept, name: STRING, body: json });

const COLUMNS = {
  settings: {
    id: { type: INTEGER, primaryKey: true },
    version: INTEGER,
    name: STRING,
    place: STRING,
    currency: STRING,
    spoons: STRING,
    clientHeightCm: quantity,
    clientWeightKg: quantity,
    builds: json,
    decolletePercent: quantity,
    abdomenPercent: quantity,
    faceShares: json,
    handlingLoss: quantity,
    coatThin: quantity,
    coatStandard: quantity,
    coatGenerous: quantity,
    slotGridMinutes: quantity,
    slotQuantile: quantity,
    therapistCharge: STRING,
    onCost: quantity,
    bookableShare: quantity,
    roomFixedPerMonthMinor: money,
    openDaysPerMonth: quantity,
    openHoursPerDay: quantity,
    occupancy: quantity,
    vat: quantity,
    commission: quantity,
    cardFee: quantity,
    targetMargin: quantity,
    targetPerRoomHourMinor: money,
    grades: json,
    priceEveryMinor: money,
    priceEndings: json,
    priceRounding: STRING,
    serviceLevel: quantity,
    orderDays: quantity,
    restock: json,
  },
  rooms: { id: key(), ...kept, name: STRING, kind: STRING },
  people: {
    id: key(),
    ...kept,
    name: STRING,
    role: STRING,
    hourlyPayMinor: money,
    grade: STRING,
    onCost: quantity,
  },
  suppliers: {
    id: key(),
    ...kept,
    name: STRING,
    leadTimeDays: quantity,
    leadTimeSdDays: quantity,
    reviewDays: quantity,
    deliveryDays: json,
    leastOrderMinor: money,
    feed: STRING,
    listColumns: json,
  },
  materials: {
    id: key(),
    ...kept,
    name: STRING,
    kind: STRING,
    unit: STRING,
    preferredPackId: STRING,
    density: quantity,
    densitySpread: quantity,
    handlingLoss: quantity,
    mlPerPump: quantity,
    mlPerPumpSpread: quantity,
    dropsPerMl: quantity,
    dropsPerMlSpread: quantity,
    mlPerDropper: quantity,
    mlPerDropperSpread: quantity,
    mlPerSpray: quantity,
    mlPerSpraySpread: quantity,
    mlPerSpatula: quantity,
    mlPerSpatulaSpread: quantity,
    countedPer: STRING,
    glovesKind: STRING,
    glovesPerPair: INTEGER,
    sterility: STRING,
    yieldPerPiece: quantity,
    yieldSpread: quantity,
    keepsAmount: quantity,
    keepsUnit: STRING,
    openLifeAmount: quantity,
    openLifeUnit: STRING,
    retailPriceMinor: money,
    care: json,
    archivedOn: DATEONLY,
    keptAt: STRING,
    sealedDays: quantity,
    restock: json,
    linenLoop: json,
    washMinor: money,
    replacementMinor: money,
    washesInLife: INTEGER,
  },
  packs: {
    materialId: key(),
    id: key(),
    position: INTEGER,
    supplierId: STRING(64),
    code: STRING,
    containers: INTEGER,
    content: quantity,
    priceMinor: money,
    discount: quantity,
    freightMinor: money,
    unrecoveredTaxMinor: money,
    residual: quantity,
    breaks: json,
    tareG: quantity,
    leastPacks: INTEGER,
    leadTimeDays: quantity,
    leadTimeSdDays: quantity,
  },
  coat_weights: {
    materialId: key(),
    position: { type: INTEGER, primaryKey: true },
    name: STRING,
    weight: quantity,
    spread: quantity,
  },
  named_amounts: {
    materialId: key(),
    position: { type: INTEGER, primaryKey: true },
    name: STRING,
    amount: quantity,
    spread: quantity,
    unit: STRING,
  },
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
    byMixId: STRING(64),
    byDeviceId: STRING(64),
    byBlockId: STRING(64),
    byProtocolId: STRING(64),
    byOfferId: STRING(64),
    byMenuId: STRING(64),
    byScenarioId: STRING(64),
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
  },
  offers: { ...documents() },
  menus: { ...documents() },
  scenarios: { ...documents() },
  sold_courses: { ...documents() },
  orders: { ...documents() },
  counts: { ...documents() },
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
  },
  journal: {
    onDay: { type: DATEONLY, primaryKey: true },
    part: { type: STRING, primaryKey: true },
    thingId: key(),
    beforeIt: json,
  },
  services: {
    id: key(),
    ...kept,
    name: STRING,
    protocolId: STRING(64),
    edition: INTEGER,
    visitKind: STRING,
    shownFor: json,
    targetMargin: quantity,
    pricing: json,
    guest: json,
  },
  service_therapists: {
    serviceId: key(),
    position: { type: INTEGER, primaryKey: true },
    personId: STRING(64),
  },
  demand: {
    serviceId: key(),
    ...kept,
    visitsPerWeek: quantity,
    months: json,
    trendPerYear: quantity,
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
export const TABLES: readonly string[] = [...Object.keys(COLUMNS), 'answers', 'migrations'];

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

/** Rows that are read, or written, at once: few enough that nobody else waits for them. */
const ROWS_AT_ONCE = 500;

/**
 * All rows of a table in the order in which they were written, page by page, so that neither memory nor
 * anybody's patience has to hold all of them.
 */
export async function* pagesOf<Row extends { readonly ordinal?: number }>(
  from: Table<Row>,
  tx: Transaction,
): AsyncGenerator<Row[]> {
  const columns = columnsOf(from).map(({ name, column }) => `${column} AS ${name}`);
  for (let after = 0; ;) {
    const rows: Row[] = await sequelizeOf(from).query<Row>(
      `SELECT ${columns.join(', ')} FROM ${from.tableName} WHERE ordinal > :after ORDER BY ordinal LIMIT ${ROWS_AT_ONCE}`,
      { type: QueryTypes.SELECT, replacements: { after }, transaction: tx },
    );
    if (rows.length > 0) yield rows;
    if (rows.length < ROWS_AT_ONCE) return;
    after = rows.at(-1)?.ordinal ?? Number.MAX_SAFE_INTEGER;
  }
}

/** Writes rows of a table, some at a time. Keys that a row lacks are left to the database. */
export async function writeRows<Row extends object>(
  to: Table<Row>,
  rows: readonly Row[],
  tx: Transaction,
): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const columns = columnsOf(to).filter(({ name }) => Object.hasOwn(first, name));
  const into = columns.map(({ column }) => column).join(', ');
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
    const values = rows
      .slice(at, at + ROWS_AT_ONCE)
      .map((row) => columns.map(({ name, kept }) => kept((row as Record<string, unknown>)[name])));
    await sequelizeOf(to).query(`INSERT INTO ${to.tableName} (${into}) VALUES :values`, {
      type: QueryTypes.INSERT,
      replacements: { values },
      transaction: tx,
    });
  }
}

interface Column {
  /** as in a row */
  readonly name: string;
  /** as in the table */
  readonly column: string;
  /** a value as the database keeps it */
  readonly kept: (value: unknown) => unknown;
}

const columns = new WeakMap<object, readonly Column[]>();

function columnsOf<Row extends object>(of: Table<Row>): readonly Column[] {
  const known = columns.get(of);
  if (known) return known;
  const attributes = Object.entries<ModelAttributeColumnOptions>(of.getAttributes());
  const made = attributes.map(([name, { field = name, type }]): Column => ({
    name,
    column: field,
    kept: keptAs(type),
  }));
  columns.set(of, made);
  return made;
}

function keptAs(type: unknown): Column['kept'] {
  const plain = (value: unknown): unknown => value ?? null;
  if (type instanceof DataTypes.JSON) {
    return (value) => (value === undefined || value === null ? null : JSON.stringify(value));
  }
  if (type instanceof DataTypes.DATE) {
    return (value) =>
      typeof value === 'string' ? value.slice(0, 19).replace('T', ' ') : plain(value);
  }
  return plain;
}

function sequelizeOf<Row extends object>(of: Table<Row>): Sequelize {
  if (!of.sequelize) throw new Error(`${of.name} is in no database.`);
  return of.sequelize;
}

/** The rows of a table as plain values, in the order asked for. */
export async function rowsOf<Row extends object>(
  from: Table<Row>,
  order: readonly (keyof Row & string)[],
  tx: Transaction,
  where: Partial<Record<keyof Row & string, string | readonly string[]>> = {},
): Promise<Row[]> {
  const found = await from.findAll({
    raw: true,
    transaction: tx,
    where: where as never,
    order: order.map((column) => [column, 'ASC']),
  });
  return found as unknown as Row[];
}
