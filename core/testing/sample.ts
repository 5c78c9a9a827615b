import type {
  BackBarMaterial,
  Dose,
  House,
  Minutes,
  Mix,
  Pack,
  Service,
  SingleDoseMaterial,
  Step,
  WorkedProtocol,
} from '../house/house';
import { glovesAmong, type ShelfIndex } from '../house/houseIndex';
import { asId, type MaterialId, type ServiceId } from '../house/ids';
import { NEW_SETTINGS } from '../house/newHouse';
import type { Outcome } from '../problem/problem';
import type { HouseSettings } from '../house/settings';
import { NO_VISITS } from '../house/visitLog';
import { exactly } from '../quantity/triple';
import type { MaterialStock } from '../house/stock';

/** The house settings of the worked figures. */
export const settings: HouseSettings = {
  paceSpread: 0,
  ...NEW_SETTINGS,
  name: 'Casa Cenera',
  place: 'Isla Cenera',
  roomCost: {
    fixedPerMonthMinor: 216_000,
    openDaysPerMonth: 26,
    openHoursPerDay: 9,
    occupancy: 0.65,
  },
  vat: 0.13,
  commission: 0.1,
};

const supplierId = asId<Pack['supplierId']>('northquay');

/** A bottle of cleanser, 500 ml for 21.00, 3 % left in it. */
export function cleanser(changes: Partial<BackBarMaterial> = {}): BackBarMaterial {
  return {
    id: asId('cleanser'),
    kind: 'back-bar',
    name: 'Cleanser',
    unit: 'ml',
    measures: { mlPerPump: { usual: 1.6 } },
    ...bought({ content: 500, priceMinor: 2100, residual: 0.03 }),
    ...changes,
  };
}

/** Enzyme powder in sachets of 6 g. */
export function sachet(changes: Partial<SingleDoseMaterial> = {}): SingleDoseMaterial {
  return {
    id: asId('sachet'),
    kind: 'single-dose',
    name: 'Enzyme sachet',
    unit: 'g',
    measures: {},
    ...bought({ content: 6, priceMinor: 180 }),
    ...changes,
  };
}

/** How a material is bought that comes in one pack only. */
export function bought(changes: Partial<Pack>): Pick<BackBarMaterial, 'packs' | 'preferredPackId'> {
  const only = pack(changes);
  return { packs: [only], preferredPackId: only.id };
}

/** One lot of a material, all of it sealed. */
export function stockOf(materialId: MaterialId, sealed: number, content = 1): MaterialStock {
  return {
    materialId,
    lots: [
      {
        id: asId('lot'),
        materialId,
        code: 'L1',
        content,
        deliveredOn: '2026-01-05',
        sealed,
        open: [],
      },
    ],
  };
}

/** A pack of one container without discount, freight, tax or residual. */
export function pack(changes: Partial<Pack>): Pack {
  return {
    id: asId('pack'),
    supplierId,
    containers: 1,
    content: 1,
    priceMinor: 0,
    discount: 0,
    freightMinor: 0,
    unrecoveredTaxMinor: 0,
    residual: 0,
    ...changes,
  };
}

export function minutes(least: number, usual = least, most = usual): Minutes {
  return { least, usual, most };
}

let made = 0;

/** A hands-on step of the visit. */
export function step(name: string, time: Minutes, changes: Partial<Step> = {}): Step {
  made += 1;
  return {
    id: asId(`step-${made}`),
    stretch: 'visit',
    name,
    by: 'therapist',
    hands: 'hands-on',
    minutes: time,
    zones: [],
    doses: [],
    ...changes,
  };
}

/** A mix made when it is needed, without standing or an end. */
export function mix(changes: Partial<Mix> = {}): Mix {
  return {
    id: asId('mix'),
    name: 'Mix',
    basis: 'g',
    bowlLoss: 0,
    parts: [],
    made: 'just-in-time',
    mixingMinutes: 0,
    standingMinutes: 0,
    ...changes,
  };
}

/** A dose of a material, freshly opened. */
export function dose(
  materialId: MaterialId,
  amount: Dose['amount'],
  changes: Partial<Dose> = {},
): Dose {
  made += 1;
  return {
    id: asId(`dose-${made}`),
    source: { kind: 'material', materialId },
    amount,
    opening: 'fresh',
    ...changes,
  };
}

export function measured(
  quantity: number,
  unit: 'ml' | 'g' | 'piece',
): Extract<Dose['amount'], { how: 'measured' }> {
  return { how: 'measured', quantity: exactly(quantity), unit };
}

export function protocol(
  steps: readonly Step[],
  changes: Partial<WorkedProtocol> = {},
): WorkedProtocol {
  return {
    id: asId('protocol'),
    name: 'Protocol',
    summary: '',
    steps,
    layerGroups: [],
    choices: [],
    ...changes,
  };
}

export function service(changes: Partial<Service> = {}): Service {
  return {
    id: asId<ServiceId>('service'),
    name: 'Service',
    protocolId: asId('protocol'),
    visitKind: 'returning',
    therapistIds: [asId('ione')],
    ...changes,
  };
}

/** A house of one room, one therapist and one supplier, with what is given. */
export function house(changes: Partial<House> = {}): House {
  return {
    settings,
    rooms: ['lava', 'duna', 'aljibe'].map((id) => ({ id: asId(id), name: id, kind: 'dry' })),
    people: [{ id: asId('ione'), name: 'Ione', role: 'therapist', hourlyPayMinor: 1400 }],
    suppliers: [
      { id: supplierId, name: 'Northquay', leadTimeDays: 6, leadTimeSdDays: 2, reviewDays: 0 },
    ],
    materials: [cleanser(), sachet()],
    mixes: [],
    devices: [],
    blocks: [],
    protocols: [],
    editions: [],
    services: [],
    demand: [],
    offers: [],
    menus: [],
    scenarios: [],
    bookings: [],
    placed: [],
    log: NO_VISITS,
    soldCourses: [],
    orders: [],
    counts: [],
    countedOn: {},
    stock: [],
    ...changes,
  };
}

/** The materials and mixes given, by id. */
export function shelf(
  materials: readonly House['materials'][number][],
  mixes: readonly Mix[] = [],
): ShelfIndex {
  return {
    gloves: glovesAmong(materials),
    materials: new Map(materials.map((material) => [material.id, material])),
    mixes: new Map(mixes.map((mix) => [mix.id, mix])),
  };
}

/** The value of an outcome that must have one. */
export function valueOf<T>(outcome: Outcome<T>): T {
  if (!outcome.ok) throw new Error(outcome.problems.map((p) => p.message).join(' '));
  return outcome.value;
}

/** The first problem of an outcome that must have one. */
export function problemOf(outcome: Outcome<unknown>): {
  code: string;
  message: string;
  where: object;
} {
  if (outcome.ok) throw new Error('There is a value where a problem was expected.');
  const [first] = outcome.problems;
  if (!first) throw new Error('There is neither a value nor a problem.');
  return first;
}

/** A price in which no pay is told apart. */
export const NO_PAY_APART = { fixed: 0, perMonth: 0, share: 0 };

/** Prices of what is bought as they are paid in the end. */
export const AS_PAID = { settings: {}, suppliers: [] };
