import type {
  Demand,
  House,
  Material,
  MaterialKind,
  Person,
  Protocol,
  Service,
} from '../house/house';
import { asId, type SupplierId } from '../house/ids';
import {
  LARGEST_MINOR,
  LONGEST_NAME,
  MINUTES_IN_A_DAY,
  MOST_VISITS_PER_WEEK,
} from '../house/limits';
import { newMaterial } from '../house/newMaterial';
import { newSupplier } from '../house/newSupplier';
import type { Supplier } from '../house/supplier';
import { plainHeading } from '../priceLists/listColumns';
import type { DecimalMark } from '../priceLists/listNumber';
import { packFromText, packInName, type PackText } from './packText';
import { markOf, readAmount, type PastedField, type PastedRow } from './pastedRows';

/** What cannot be taken of a row, and what to do about it. */
export interface PastedFault {
  readonly row: number;
  readonly field?: PastedField;
  readonly message: string;
}

/** What rows become: nothing of it may be written while there are faults. */
export interface Pasted<T> {
  readonly things: readonly T[];
  readonly faults: readonly PastedFault[];
}

/** How the house writes, and ids that are not taken. */
export interface PastedTerms {
  readonly minorPerMajor: number;
  readonly decimalMark: DecimalMark;
  readonly newId: () => string;
}

/** What somebody chose for a row where it was guessed. */
export interface RowChoice {
  readonly kind?: MaterialKind;
  readonly supplierId?: SupplierId;
}

/** A material that a row becomes, and what of it was guessed. */
export interface PastedMaterial {
  readonly row: number;
  readonly material: Material;
  readonly pack: PackText;
  /** by which it comes, unless it is linen; new where `suppliers` has it */
  readonly supplier: Supplier | undefined;
  readonly isKindGuessed: boolean;
  readonly isSupplierGuessed: boolean;
}

type FaultOf = (row: PastedRow, field: PastedField | undefined, message: string) => void;

const SINGLE_AT_MOST = 30;

const KIND_WORDS: readonly (readonly [MaterialKind, RegExp])[] = [
  ['linen', /linen|towel|sheet, cotton|washable|textil|toalla/],
  ['single-dose', /single|ampoule|ampolla|sachet|capsule|monodos/],
  ['device-part', /needle|blade|cartridge|device part|aguja/],
  ['fresh', /fresh|fruit|fresco/],
  ['retail', /retail|gift|resale|venta/],
  ['consumable', /consumable|disposable|glove|spatula|gauze|wipe|cotton|desechable|guante/],
  ['back-bar', /back.?bar|professional|cabin|cabina/],
];

/**
 * Materials of rows: packs read from text, supplier and kind guessed where nothing says them.
 * @returns what each row becomes, and suppliers that are new
 */
export function materialsFrom(
  rows: readonly PastedRow[],
  house: Pick<House, 'materials' | 'suppliers'>,
  terms: PastedTerms,
  choices: ReadonlyMap<number, RowChoice> = new Map(),
): Pasted<PastedMaterial> & { readonly suppliers: readonly Supplier[] } {
  const suppliers: Supplier[] = [];
  const mark = markOf(rows, 'price', terms.decimalMark);
  const supplierOf = (said: string): Supplier => {
    const known = [...house.suppliers, ...suppliers];
    const same = known.find(({ name }) => plainHeading(name) === plainHeading(said));
    if (same) return same;
    const made = newSupplier(asId(terms.newId()), said);
    suppliers.push(made);
    return made;
  };
  const read = each(rows, house.materials, (row, fault): PastedMaterial | undefined => {
    const { said } = row;
    const priceMinor = money(row, 'price', mark, terms, fault);
    const inName = said.pack === '' ? packInName(said.name) : { name: said.name };
    const pack = inName.pack ?? (said.pack === '' ? undefined : packFromText(said.pack));
    const chosen = choices.get(row.row);
    const saidKind = said.kind === '' ? undefined : kindIn(said.kind);
    const kind = chosen?.kind ?? saidKind ?? kindOf(inName.name, pack);
    if (said.pack !== '' && !pack) {
      fault(row, 'pack', `“${said.pack}” is no pack: write 500 ml, 10 x 2 ml or box of 100.`);
    }
    if (!pack && said.pack === '' && kind !== 'linen') {
      fault(row, 'pack', 'Say what the pack holds, such as 500 ml, 10 x 2 ml or box of 100.');
    }
    const [first] = house.suppliers;
    const chosenSupplier = house.suppliers.find(({ id }) => id === chosen?.supplierId);
    const supplier = chosenSupplier ?? (said.supplier === '' ? first : supplierOf(said.supplier));
    if (!supplier && kind !== 'linen') fault(row, 'supplier', 'Say from whom it is bought.');
    const taken = pack ?? (kind === 'linen' ? ONE_PIECE : undefined);
    if (priceMinor === undefined || !taken || (!supplier && kind !== 'linen')) return undefined;
    const { containers, content, unit } = inUnitsOf(kind, taken);
    return {
      row: row.row,
      material: newMaterial(
        {
          kind,
          name: inName.name,
          unit,
          supplierId: supplier?.id,
          containers,
          content,
          priceMinor,
        },
        terms.newId,
      ),
      pack: { containers, content, unit },
      supplier: kind === 'linen' ? undefined : supplier,
      isKindGuessed: chosen?.kind === undefined && saidKind === undefined,
      isSupplierGuessed: chosenSupplier === undefined && said.supplier === '',
    };
  });
  return { ...read, suppliers };
}

const ONE_PIECE: PackText = { containers: 1, content: 1, unit: 'piece' };

/** A single dose is a container of its own; other pieces are counted all together. */
function inUnitsOf(kind: MaterialKind, pack: PackText): PackText {
  if (kind === 'linen') return ONE_PIECE;
  if (kind === 'single-dose' && pack.unit === 'piece' && pack.containers === 1)
    return { containers: pack.content, content: 1, unit: 'piece' };
  return pack;
}

function kindIn(words: string): MaterialKind | undefined {
  const plain = plainHeading(words);
  return KIND_WORDS.find(([, is]) => is.test(plain))?.[0];
}

function kindOf(name: string, pack: PackText | undefined): MaterialKind {
  const named = kindIn(name);
  if (named !== undefined && named !== 'linen') return named;
  if (pack?.unit === 'piece') return 'consumable';
  const isSmall = pack !== undefined && pack.containers > 1 && pack.content <= SINGLE_AT_MOST;
  return isSmall ? 'single-dose' : 'back-bar';
}

/** A service that a row becomes, with a protocol of one step that takes its minutes. */
export interface PastedService {
  readonly row: number;
  readonly service: Service;
  readonly protocol: Protocol;
}

/**
 * Services of rows, each with a price of its own and a protocol of a single step: its steps are written later.
 */
export function servicesFrom(
  rows: readonly PastedRow[],
  house: Pick<House, 'services' | 'people'>,
  terms: PastedTerms,
): Pasted<PastedService> {
  const priceMark = markOf(rows, 'price', terms.decimalMark);
  const minutesMark = markOf(rows, 'minutes', terms.decimalMark);
  return each(rows, house.services, (row, fault) => {
    const ownMinor = money(row, 'price', priceMark, terms, fault);
    const minutes = amount(row, 'minutes', minutesMark, MINUTES_IN_A_DAY, fault);
    if (ownMinor === undefined || minutes === undefined) return undefined;
    const name = row.said.name;
    const protocol: Protocol = {
      id: asId(terms.newId()),
      name,
      summary: '',
      steps: [
        {
          id: asId(terms.newId()),
          stretch: 'visit',
          name,
          by: 'therapist',
          hands: 'hands-on',
          minutes: { least: minutes, usual: minutes, most: minutes },
          zones: [],
          doses: [],
        },
      ],
      layerGroups: [],
      choices: [],
    };
    const service: Service = {
      id: asId(terms.newId()),
      name,
      protocolId: protocol.id,
      visitKind: 'returning',
      therapistIds: house.people.flatMap(({ id, role }) => (role === 'therapist' ? [id] : [])),
      pricing: { by: 'own', ownMinor },
    };
    return { row: row.row, service, protocol };
  });
}

/** People of rows, paid by the hour. */
export function peopleFrom(
  rows: readonly PastedRow[],
  house: Pick<House, 'people'>,
  terms: PastedTerms,
): Pasted<Person & { readonly row: number }> {
  const mark = markOf(rows, 'pay', terms.decimalMark);
  return each(rows, house.people, (row, fault) => {
    const hourlyPayMinor = money(row, 'pay', mark, terms, fault);
    if (hourlyPayMinor === undefined) return undefined;
    const role = /assist|ayud|auxil/.test(plainHeading(row.said.role)) ? 'assistant' : 'therapist';
    return { row: row.row, id: asId(terms.newId()), name: row.said.name, role, hourlyPayMinor };
  });
}

/** Planned visits of rows, by the names of services that are on the menu. */
export function visitsFrom(
  rows: readonly PastedRow[],
  house: Pick<House, 'services' | 'demand'>,
  terms: Pick<PastedTerms, 'decimalMark'>,
): Pasted<Demand & { readonly row: number }> {
  const mark = markOf(rows, 'visits', terms.decimalMark);
  return each(rows, [], (row, fault) => {
    const plain = plainHeading(row.said.name);
    const service = house.services.find(({ name }) => plainHeading(name) === plain);
    if (!service) fault(row, 'name', `There is no service “${row.said.name}” on the menu.`);
    const visitsPerWeek = amount(row, 'visits', mark, MOST_VISITS_PER_WEEK, fault);
    if (!service || visitsPerWeek === undefined) return undefined;
    const line = house.demand.find(({ serviceId }) => serviceId === service.id);
    return { ...line, row: row.row, serviceId: service.id, visitsPerWeek };
  });
}

/** Makes each row into something; a name that is missing, too long or there already is a fault. */
function each<T>(
  rows: readonly PastedRow[],
  there: readonly { readonly name: string }[],
  make: (row: PastedRow, fault: FaultOf) => T | undefined,
): Pasted<T> {
  const faults: PastedFault[] = [];
  const fault: FaultOf = ({ row }, field, message) =>
    faults.push({ row, message, ...(field !== undefined && { field }) });
  const taken = new Map(there.map(({ name }) => [plainHeading(name), 'in the house']));
  const things = rows.flatMap((row): T[] => {
    const name = row.said.name;
    const plain = plainHeading(name);
    const where = taken.get(plain);
    if (name === '') fault(row, 'name', 'The name is missing.');
    else if (name.length > LONGEST_NAME)
      fault(row, 'name', `A name has at most ${LONGEST_NAME} characters.`);
    else if (where !== undefined)
      fault(row, 'name', `“${name}” is already ${where}: leave the row out, or name it otherwise.`);
    taken.set(plain, `in row ${row.row}`);
    const thing = make(row, fault);
    return thing === undefined ? [] : [thing];
  });
  return { things, faults };
}

function money(
  row: PastedRow,
  field: 'price' | 'pay',
  mark: DecimalMark,
  { minorPerMajor }: PastedTerms,
  fault: FaultOf,
): number | undefined {
  const most = LARGEST_MINOR / minorPerMajor;
  const value = amount(row, field, mark, most, fault);
  return value === undefined ? undefined : Math.round(value * minorPerMajor);
}

function amount(
  row: PastedRow,
  field: PastedField,
  mark: DecimalMark,
  most: number,
  fault: FaultOf,
): number | undefined {
  const said = row.said[field];
  if (said === '') {
    fault(row, field, 'This is missing.');
    return undefined;
  }
  const read = readAmount(said, mark);
  if (read.is === 'number' && read.value >= 0 && read.value <= most) return read.value;
  fault(
    row,
    field,
    read.is === 'number' ? `Must be from 0 to ${most}.` : `“${said}” is no number.`,
  );
  return undefined;
}
