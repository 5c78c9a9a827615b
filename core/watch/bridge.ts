import { createCalculator, type Calculator } from '../figures/createCalculator';
import type { OpenUses } from '../cost/serviceCost';
import { pricesOf } from '../figures/trial';
import type { House, Material, Service } from '../house/house';
import type { ServiceId } from '../house/ids';
import type { HouseSettings } from '../house/settings';

/** What can move the margin of a service. */
export const CAUSES = [
  'protocol',
  'material',
  'purchaseTax',
  'expires',
  'pay',
  'devices',
  'rooms',
  'fees',
  'vat',
  'price',
  'house',
] as const;
export type Cause = (typeof CAUSES)[number];

/** One service at one moment. Minor units. */
export interface Standing {
  readonly fullCost: number;
  readonly gross: number;
  readonly margin: number;
  readonly targetMargin: number;
}

/** What one cause moved. Minor units; the margin in parts of 1. */
export interface BridgePart {
  readonly cause: Cause;
  /** of the material */
  readonly name?: string;
  /** how many small ones it stands for */
  readonly several?: number;
  readonly cost: number;
  readonly gross: number;
  readonly margin: number;
}

/** From an old margin to a new one; the parts add up to the difference. */
export interface Bridge {
  readonly service: Service;
  readonly before: Standing;
  readonly after: Standing;
  readonly parts: readonly BridgePart[];
}

const WORTH_TELLING = 1e-6;

/**
 * The figures of one service in a House, without those of the rest.
 * @param opens how much of open containers is used, by all that is planned in the House
 */
export function standingIn(
  house: House,
  serviceId: ServiceId,
  calculate: Calculator,
  opens: OpenUses,
): Standing | undefined {
  const services = house.services.filter(({ id }) => id === serviceId);
  const figures = calculate({ ...house, services, demand: NONE, stock: NONE }, opens);
  const of = figures.services.get(serviceId);
  if (!of?.cost.ok || !of.price.ok) return undefined;
  const { gross, margin, targetMargin } = of.price.value;
  return { fullCost: of.cost.value.full.usual, gross, margin, targetMargin };
}

const NONE: readonly never[] = [];

/** How much of open containers is used in a House, by all that is planned in it. @see C2 */
export function openUsesOf(house: House, calculate: Calculator = createCalculator()): OpenUses {
  return pricesOf(calculate(house).materials).opens;
}

/**
 * What moved the margin of a service between two Houses: one cause after the other is taken over, in the
 * order of the work (protocol, each material, tax of what is bought, what expires open, pay, devices, rooms, fees, VAT, price), and what
 * it moves is its part.
 * @returns nothing when the service cannot be counted on either side
 * @see C2 C7 P6
 */
export function marginBridge(
  before: House,
  after: House,
  serviceId: ServiceId,
  calculate: Calculator = createCalculator(1, 'services'),
  opensOf: (house: House) => OpenUses = openUsesOf,
): Bridge | undefined {
  const service = after.services.find(({ id }) => id === serviceId);
  const old = before.services.find(({ id }) => id === serviceId);
  const [opensBefore, opensAfter] = [opensOf(before), opensOf(after)];
  const start = standingIn(before, serviceId, calculate, opensBefore);
  const end = standingIn(after, serviceId, calculate, opensAfter);
  if (!service || !old || !start || !end) return undefined;
  const parts: BridgePart[] = [];
  let house: House = { ...withWhatIsNew(before, after), services: [old] };
  let at = start;
  let opens = opensBefore;
  let used = opens;
  const take = (cause: Cause, change: (from: House) => House, name?: string): void => {
    const next = change(house);
    if (next === house && opens === used) return;
    [house, used] = [next, opens];
    const now = standingIn(house, serviceId, calculate, opens);
    if (!now) return;
    add(parts, cause, at, now, name);
    at = now;
  };
  const { protocolId, visitKind, therapistIds } = service;
  take('protocol', (from) => ({
    ...from,
    protocols: after.protocols,
    blocks: after.blocks,
    mixes: after.mixes,
    editions: after.editions,
    services: ofService(from, ({ pricing, targetMargin, therapistIds: performers }) => ({
      ...service,
      protocolId,
      visitKind,
      therapistIds: performers,
      pricing,
      targetMargin,
    })),
  }));
  for (const material of changedMaterials(before, after)) {
    take('material', (from) => withMaterial(from, material), material.name);
  }
  take('purchaseTax', (from) => ({
    ...from,
    suppliers: after.suppliers,
    settings: withSettings(from, after, ['purchaseTax']),
  }));
  opens = opensAfter;
  take('expires', (from) => from);
  take('pay', (from) => ({
    ...from,
    people: after.people,
    settings: withSettings(from, after, ['onCost', 'bookableShare', 'grades', 'therapistCharge']),
    services: ofService(from, (each) => ({ ...each, therapistIds })),
  }));
  take('devices', (from) => ({ ...from, devices: after.devices }));
  take('rooms', (from) => ({
    ...from,
    rooms: after.rooms,
    settings: withSettings(from, after, ['roomCost']),
  }));
  take('fees', (from) => ({
    ...from,
    settings: withSettings(from, after, ['commission', 'cardFee']),
  }));
  take('vat', (from) => ({ ...from, settings: withSettings(from, after, ['vat']) }));
  take('price', (from) => ({
    ...from,
    settings: withSettings(from, after, ['targetMargin', 'targetPerRoomHourMinor', 'priceEndings']),
    services: ofService(from, (each) => ({
      ...each,
      pricing: service.pricing,
      targetMargin: service.targetMargin,
    })),
  }));
  add(parts, 'house', at, end);
  return { service, before: start, after: end, parts };
}

/** A part that moves the margin by less than a twentieth of a point is a small one. */
const SMALL = 0.0005;

/** The parts of a bridge with the small ones of materials as one part, behind the others; they add up to the same. */
export function gatheredParts(parts: readonly BridgePart[]): readonly BridgePart[] {
  const isSmall = ({ cause, margin }: BridgePart): boolean =>
    cause === 'material' && Math.abs(margin) < SMALL;
  const small = parts.filter(isSmall);
  if (small.length < 2) return parts;
  const total = (of: (part: BridgePart) => number): number =>
    small.reduce((sum, part) => sum + of(part), 0);
  const together: BridgePart = {
    cause: 'material',
    several: small.length,
    cost: total(({ cost }) => cost),
    gross: total(({ gross }) => gross),
    margin: total(({ margin }) => margin),
  };
  return [...parts.filter((part) => !isSmall(part)), together];
}

function add(parts: BridgePart[], cause: Cause, was: Standing, is: Standing, name?: string): void {
  const part: BridgePart = {
    cause,
    ...(name !== undefined && { name }),
    cost: is.fullCost - was.fullCost,
    gross: is.gross - was.gross,
    margin: is.margin - was.margin,
  };
  const told = Math.max(Math.abs(part.cost), Math.abs(part.gross), Math.abs(part.margin));
  if (told > WORTH_TELLING) parts.push(part);
}

function ofService(house: House, change: (service: Service) => object): House['services'] {
  return house.services.map((each) => compact(change(each)) as Service);
}

/** Without the keys that hold nothing: a service that never had them says nothing of them. */
function compact(value: object): object {
  return Object.fromEntries(Object.entries(value).filter(([, held]) => held !== undefined));
}

function withSettings(
  from: House,
  after: House,
  keys: readonly (keyof HouseSettings)[],
): HouseSettings {
  const taken = Object.fromEntries(keys.map((key) => [key, after.settings[key]]));
  return { ...from.settings, ...taken };
}

/** A protocol may draw what was not there before: it is there from the start, and moves nothing. */
function withWhatIsNew(before: House, after: House): House {
  const joined = <T extends { readonly id: string }>(
    was: readonly T[],
    is: readonly T[],
  ): readonly T[] => {
    const known = new Set(was.map(({ id }) => id));
    const added = is.filter(({ id }) => !known.has(id));
    return added.length === 0 ? was : [...was, ...added];
  };
  return {
    ...before,
    materials: joined(before.materials, after.materials),
    suppliers: joined(before.suppliers, after.suppliers),
    devices: joined(before.devices, after.devices),
    people: joined(before.people, after.people),
  };
}

function changedMaterials(before: House, after: House): readonly Material[] {
  const was = new Map(before.materials.map((material) => [material.id, material]));
  return after.materials.filter((material) => {
    const old = was.get(material.id);
    return (
      old !== undefined && old !== material && JSON.stringify(old) !== JSON.stringify(material)
    );
  });
}

function withMaterial(house: House, material: Material): House {
  return {
    ...house,
    materials: house.materials.map((each) => (each.id === material.id ? material : each)),
  };
}
