/*
 * Between the columns of the migrations before 0008 and the documents of 0008, both ways from one table. It
 * stands by itself, so that what the app says today does not change what a database of then becomes.
 */

/** A row or document as the database has it. */
export type Plain = Record<string, unknown>;

/** A column: where its value stands in the document, and how it was declared. */
export interface Column {
  readonly name: string;
  readonly path: string;
  readonly type: string;
}

const Q = 'DECIMAL(16,6)';
const M = 'INT UNSIGNED';
const NAME = 'VARCHAR(120)';
const ID = 'VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin';
const KEEPS = "ENUM('days','hours','weeks','months')";

function column(name: string, type: string, path = camel(name)): Column {
  return { name, path, type };
}

function camel(name: string): string {
  return name.replaceAll(/_(\w)/g, (_all, letter: string) => letter.toUpperCase());
}

function calibrated(name: string, path: string): Column[] {
  return [column(name, Q, `${path}.usual`), column(`${name}_spread`, Q, `${path}.spread`)];
}

export const SETTINGS: readonly Column[] = [
  column('name', NAME),
  column('place', NAME),
  column('currency', 'CHAR(3)'),
  column('spoons', "ENUM('us','metric')"),
  column('client_height_cm', Q, 'referenceClient.heightCm'),
  column('client_weight_kg', Q, 'referenceClient.weightKg'),
  column('builds', 'JSON'),
  column('decollete_percent', Q, 'trunkPercent.decollete'),
  column('abdomen_percent', Q, 'trunkPercent.abdomen'),
  column('face_shares', 'JSON'),
  column('handling_loss', Q),
  column('coat_thin', Q, 'coatMgPerCm2.thin'),
  column('coat_standard', Q, 'coatMgPerCm2.standard'),
  column('coat_generous', Q, 'coatMgPerCm2.generous'),
  column('slot_grid_minutes', Q),
  column('slot_quantile', Q),
  column('therapist_charge', "ENUM('attended','slot')"),
  column('on_cost', Q),
  column('bookable_share', Q),
  column('room_fixed_per_month_minor', M, 'roomCost.fixedPerMonthMinor'),
  column('open_days_per_month', Q, 'roomCost.openDaysPerMonth'),
  column('open_hours_per_day', Q, 'roomCost.openHoursPerDay'),
  column('occupancy', Q, 'roomCost.occupancy'),
  column('vat', Q),
  column('commission', Q),
  column('card_fee', Q),
  column('target_margin', Q),
  column('target_per_room_hour_minor', M),
  column('grades', 'JSON'),
  column('price_every_minor', M, 'priceEndings.everyMinor'),
  column('price_endings', 'JSON', 'priceEndings.endingsMinor'),
  column('price_rounding', "ENUM('up','nearest')", 'priceEndings.rounding'),
  column('service_level', Q),
  column('order_days', Q),
  column('restock', 'JSON'),
];

export const ROOMS: readonly Column[] = [column('kind', "ENUM('dry','wet')")];

export const PEOPLE: readonly Column[] = [
  column('role', "ENUM('therapist','assistant')"),
  column('hourly_pay_minor', M),
  column('grade', NAME),
  column('on_cost', Q),
];

export const SUPPLIERS: readonly Column[] = [
  column('lead_time_days', Q),
  column('lead_time_sd_days', Q),
  column('review_days', Q),
  column('delivery_days', 'JSON'),
  column('least_order_minor', M),
  column('feed', 'VARCHAR(40)'),
  column('list_columns', 'JSON', 'columns'),
];

export const MATERIALS: readonly Column[] = [
  column(
    'kind',
    "ENUM('back-bar','single-dose','consumable','linen','device-part','fresh','retail')",
  ),
  column('unit', "ENUM('ml','g','piece')"),
  column('preferred_pack_id', ID),
  column('density', Q, 'measures.density'),
  column('density_spread', Q, 'measures.densitySpread'),
  column('handling_loss', Q, 'measures.handlingLoss'),
  ...calibrated('ml_per_pump', 'measures.mlPerPump'),
  ...calibrated('drops_per_ml', 'measures.dropsPerMl'),
  ...calibrated('ml_per_dropper', 'measures.mlPerDropper'),
  ...calibrated('ml_per_spray', 'measures.mlPerSpray'),
  ...calibrated('ml_per_spatula', 'measures.mlPerSpatula'),
  column('counted_per', "ENUM('client','person')"),
  column('gloves_kind', "ENUM('plain','sterile')", 'gloves.kind'),
  column('gloves_per_pair', 'TINYINT UNSIGNED', 'gloves.perPair'),
  column('sterility', "ENUM('sterile','clean')"),
  column('yield_per_piece', Q, 'yieldPerPiece.usual'),
  column('yield_spread', Q, 'yieldPerPiece.spread'),
  column('keeps_amount', Q, 'keeps.amount'),
  column('keeps_unit', KEEPS, 'keeps.unit'),
  column('open_life_amount', Q, 'openLife.amount'),
  column('open_life_unit', KEEPS, 'openLife.unit'),
  column('retail_price_minor', M),
  column('wash_minor', M, 'laundry.washMinor'),
  column('replacement_minor', M, 'laundry.replacementMinor'),
  column('washes_in_life', M, 'laundry.washesInLife'),
  column('care', 'JSON'),
  column('archived_on', 'DATE'),
  column('kept_at', NAME),
  column('sealed_days', Q),
  column('restock', 'JSON'),
  column('linen_loop', 'JSON', 'loop'),
];

export const PACKS: readonly Column[] = [
  column('id', ID),
  column('supplier_id', ID),
  column('code', NAME),
  column('containers', M),
  column('content', Q),
  column('price_minor', M),
  column('discount', Q),
  column('freight_minor', M),
  column('unrecovered_tax_minor', M),
  column('residual', Q),
  column('breaks', 'JSON'),
  column('tare_g', Q),
  column('least_packs', M),
  column('lead_time_days', Q),
  column('lead_time_sd_days', Q),
];

export const NAMED_AMOUNTS: readonly Column[] = [
  column('name', NAME),
  column('amount', Q, 'usual'),
  column('spread', Q),
  column('unit', "ENUM('ml','g')"),
];

export const COAT_WEIGHTS: readonly Column[] = [
  column('name', NAME),
  column('weight', Q, 'usual'),
  column('spread', Q),
];

export const SERVICES: readonly Column[] = [
  column('protocol_id', ID),
  column('edition', M),
  column('visit_kind', "ENUM('first','returning')"),
  column('shown_for', 'JSON'),
  column('target_margin', Q),
  column('pricing', 'JSON'),
  column('guest', 'JSON'),
];

export const DEMAND: readonly Column[] = [
  column('service_id', ID),
  column('visits_per_week', Q),
  column('months', 'JSON'),
  column('trend_per_year', Q),
];

/** The document of a row; what is NULL is not in it. */
export function documentOf(row: Plain, columns: readonly Column[]): Plain {
  const made: Plain = {};
  for (const { name, path, type } of columns) {
    const held = row[name];
    if (held === null || held === undefined) continue;
    const keys = path.split('.');
    const last = keys.pop() ?? path;
    let at = made;
    for (const key of keys) {
      const inner = (at[key] ?? {}) as Plain;
      at[key] = inner;
      at = inner;
    }
    at[last] = type === 'JSON' ? parsed(held) : held instanceof Date ? dayOf(held) : held;
  }
  return made;
}

function dayOf(held: Date): string {
  return held.toISOString().slice(0, 10);
}

/** The row of a document; what is not in it is NULL. */
export function rowOf(document: Plain, columns: readonly Column[]): Plain {
  return Object.fromEntries(
    columns.map(({ name, path, type }) => {
      const held = path
        .split('.')
        .reduce<unknown>((at, key) => (at as Plain | undefined)?.[key], document);
      const value = held ?? null;
      return [name, type === 'JSON' && value !== null ? JSON.stringify(value) : value];
    }),
  );
}

/** A JSON column, whether the driver has parsed it or not. */
export function parsed(held: unknown): unknown {
  return typeof held === 'string' ? JSON.parse(held) : held;
}
