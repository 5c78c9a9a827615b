import {
  DataTypes,
  type Model,
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
const { INTEGER, JSON: json, STRING, TEXT } = DataTypes;
/* Made anew for each column: Sequelize writes the column's name into what it is given. */
const key = () => ({ type: STRING(64), primaryKey: true });
const kept = { version: INTEGER, ordinal: INTEGER };
const amount = {
  amountHow: STRING,
  amountLow: quantity,
  amountUsual: quantity,
  amountHigh: quantity,
  amountUnit: STRING,
  amountName: STRING,
};
const source = { materialId: STRING(64), mixId: STRING(64) };

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
    priceEveryMinor: money,
    priceEndings: json,
    priceRounding: STRING,
    serviceLevel: quantity,
  },
  rooms: { id: key(), ...kept, name: STRING, kind: STRING },
  people: { id: key(), ...kept, name: STRING, role: STRING, hourlyPayMinor: money },
  suppliers: {
    id: key(),
    ...kept,
    name: STRING,
    leadTimeDays: quantity,
    leadTimeSdDays: quantity,
    reviewDays: quantity,
  },
  materials: {
    id: key(),
    ...kept,
    name: STRING,
    kind: STRING,
    unit: STRING,
    supplierId: STRING,
    density: quantity,
    handlingLoss: quantity,
    mlPerPump: quantity,
    mlPerPumpSpread: quantity,
    dropsPerMl: quantity,
    dropsPerMlSpread: quantity,
    mlPerDropper: quantity,
    mlPerDropperSpread: quantity,
    mlPerSpray: quantity,
    mlPerSpraySpread: quantity,
    washMinor: money,
    replacementMinor: money,
    washesInLife: INTEGER,
  },
  packs: {
    materialId: key(),
    containers: INTEGER,
    content: quantity,
    priceMinor: money,
    discount: quantity,
    freightMinor: money,
    unrecoveredTaxMinor: money,
    residual: quantity,
  },
  named_amounts: {
    materialId: key(),
    position: { type: INTEGER, primaryKey: true },
    name: STRING,
    amount: quantity,
    spread: quantity,
    unit: STRING,
  },
  mixes: { id: key(), ...kept, name: STRING, basis: STRING, density: quantity, bowlLoss: quantity },
  mix_parts: {
    mixOfId: key(),
    position: { type: INTEGER, primaryKey: true },
    ...amount,
    ...source,
  },
  protocols: { id: key(), ...kept, name: STRING, summary: TEXT },
  layer_groups: {
    protocolId: key(),
    id: key(),
    position: INTEGER,
    name: STRING,
    layersFirst: INTEGER,
    layersReturning: INTEGER,
    waitLeast: quantity,
    waitUsual: quantity,
    waitMost: quantity,
    question: TEXT,
  },
  steps: {
    protocolId: key(),
    id: key(),
    position: INTEGER,
    stretch: STRING,
    name: STRING,
    doneBy: STRING,
    hands: STRING,
    leastMinutes: quantity,
    usualMinutes: quantity,
    mostMinutes: quantity,
    zones: json,
    meanwhileOf: STRING(64),
    layerGroupId: STRING(64),
    capMinutes: quantity,
    note: TEXT,
  },
  doses: {
    protocolId: key(),
    stepId: key(),
    id: key(),
    position: INTEGER,
    ...amount,
    opening: STRING,
    ...source,
  },
  services: {
    id: key(),
    ...kept,
    name: STRING,
    protocolId: STRING(64),
    visitKind: STRING,
    targetMargin: quantity,
  },
  service_therapists: {
    serviceId: key(),
    position: { type: INTEGER, primaryKey: true },
    personId: STRING(64),
  },
  demand: { serviceId: key(), ...kept, visitsPerWeek: quantity },
  stock: { materialId: key(), ...kept, onHand: quantity },
} satisfies Record<string, ModelAttributes>;

export type TableName = keyof typeof COLUMNS;

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
