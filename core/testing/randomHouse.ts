import { newHouse } from '../house/newHouse';
import { CONDITIONS, DAY_TIMES, SKIN_TYPES } from '../house/traits';
import type {
  Block,
  Device,
  House,
  Material,
  Mix,
  Pack,
  Person,
  Protocol,
  Service,
} from '../house/house';
import { asId } from '../house/ids';
import { NO_VISITS } from '../house/visitLog';
import type { HouseSettings } from '../house/settings';
import type { PurchaseTax } from '../house/supplier';

import { Lots } from './lots';
import { exactly, RandomWriting, triple } from './randomWriting';

/** A house in which anything may stand that the model can say, and all of it can be counted. */
export function randomHouse(seed: number): House {
  const lots = new Lots(seed);
  const base = newHouse('Europe/Madrid');
  const settings = settingsOf(lots, base.settings);
  const people = peopleOf(lots);
  const materials = materialsOf(lots);
  const mixes = mixesOf(lots, materials);
  const devices = devicesOf(lots);
  const maker = new RandomWriting(lots, materials, mixes, devices);
  const blocks = Array.from({ length: 2 }, (_, at): Block => ({
    id: asId(`block-${at}`),
    name: `Block ${at}`,
    summary: '',
    ...maker.writing([], 2),
  }));
  const protocols = Array.from({ length: lots.whole(2, 4) }, (_, at): Protocol => ({
    id: asId(`protocol-${at}`),
    name: `Protocol ${at}`,
    summary: '',
    ...maker.writing(blocks, 5),
    ...(lots.is(0.5) && {
      around: {
        before: [],
        avoid: [],
        expect: [],
        call: [],
        recommends: [
          {
            materialId: asId('home-kit'),
            takeUp: lots.typed(0, 1, 2),
            ...(lots.is(0.5) && { finding: lots.one(CONDITIONS) }),
          },
        ],
      },
    }),
  }));
  const services = protocols.flatMap((protocol, at): Service[] => [
    serviceOf(lots, protocol, at, people),
  ]);
  return {
    ...base,
    settings,
    rooms: Array.from({ length: lots.whole(1, 4) }, (_, at) => ({
      id: asId(`room-${at}`),
      name: `Room ${at}`,
      kind: 'dry' as const,
    })),
    people,
    suppliers: [
      {
        id: asId('supplier'),
        name: 'Supplier',
        leadTimeDays: lots.whole(0, 20),
        leadTimeSdDays: 0,
        reviewDays: lots.one([0, 7]),
        deliveryDays: lots.one([[], [3], [2, 5]]),
        ...(lots.is(0.2) && { purchaseTax: taxOf(lots) }),
      },
    ],
    materials,
    mixes,
    devices,
    blocks,
    protocols,
    services,
    demand: services.map(({ id }) => ({
      serviceId: id,
      visitsPerWeek: lots.is(0.15) ? 0 : lots.typed(0.5, 20),
    })),
    stock: [],
    log: NO_VISITS,
    countedOn: {},
  };
}

function taxOf(lots: Lots): PurchaseTax {
  return { rate: lots.typed(0, 0.25, 2), included: lots.is(0.5), recovered: lots.is(0.5) };
}

function settingsOf(lots: Lots, base: HouseSettings): HouseSettings {
  return {
    ...base,
    spoons: lots.one(['us', 'metric']),
    handlingLoss: lots.typed(0, 0.2, 2),
    slotGridMinutes: lots.one([1, 5, 10, 15]),
    slotQuantile: lots.one([0.5, 0.9, 0.95]),
    paceSpread: lots.one([0, 0.06, 0.2]),
    therapistCharge: lots.one(['attended', 'slot']),
    onCost: lots.typed(0, 0.5, 2),
    bookableShare: lots.typed(0.3, 1, 2),
    roomCost: {
      fixedPerMonthMinor: lots.whole(50_000, 900_000),
      openDaysPerMonth: lots.whole(8, 30),
      openHoursPerDay: lots.typed(4, 14),
      occupancy: lots.typed(0.2, 1, 2),
    },
    vat: lots.typed(0, 0.25, 2),
    ...(lots.is(0.4) && { purchaseTax: taxOf(lots) }),
    commission: lots.typed(0, 0.2, 2),
    cardFee: lots.typed(0, 0.03, 3),
    targetMargin: lots.typed(0, 0.4, 2),
    ...(lots.is(0.5) && { targetPerRoomHourMinor: lots.whole(0, 6_000) }),
    ...(lots.is(0.2) && { withoutExpired: true as const }),
    priceEndings: {
      everyMinor: lots.one([100, 500, 1_000]),
      endingsMinor: lots.one([[0], [0, 90], [50]]),
      rounding: lots.one(['up', 'nearest']),
    },
  };
}

function peopleOf(lots: Lots): Person[] {
  const person = (id: string, role: Person['role']): Person => ({
    id: asId(id),
    name: id,
    role,
    hourlyPayMinor: lots.whole(800, 3_000),
    ...(lots.is(0.4) && { onCost: lots.typed(0, 0.6, 2) }),
    ...(lots.is(0.5) && { hoursPerWeek: lots.whole(5, 40) }),
    ...(lots.is(0.3) && { paidWhenWorking: true as const }),
    ...(lots.is(0.3) && { monthlyPayMinor: lots.whole(10_000, 250_000) }),
    ...(lots.is(0.3) && { shareOfPrice: lots.typed(0, 0.1, 2) }),
  });
  return [
    ...Array.from({ length: lots.whole(1, 3) }, (_, at) => person(`therapist-${at}`, 'therapist')),
    ...Array.from({ length: lots.whole(1, 2) }, (_, at) => person(`assistant-${at}`, 'assistant')),
  ];
}

function packOf(lots: Lots, id: string, content: number, containers = 1): Pack {
  return {
    id: asId(id),
    supplierId: asId('supplier'),
    containers,
    content,
    priceMinor: lots.whole(50, 9_000),
    discount: lots.is(0.3) ? lots.typed(0, 0.4, 2) : 0,
    freightMinor: lots.is(0.3) ? lots.whole(0, 600) : 0,
    unrecoveredTaxMinor: lots.is(0.2) ? lots.whole(0, 300) : 0,
    residual: lots.is(0.5) ? lots.typed(0, 0.1, 2) : 0,
  };
}

function materialsOf(lots: Lots): Material[] {
  const spread = (): { spread?: number } => (lots.is(0.4) ? { spread: lots.typed(0, 0.3, 2) } : {});
  const bought = (id: string, content: number, containers = 1) => ({
    id: asId<Material['id']>(id),
    name: id,
    packs: [packOf(lots, `${id}-pack`, content, containers)],
    preferredPackId: asId<Pack['id']>(`${id}-pack`),
  });
  const density = (): number => lots.typed(0.7, 1.6, 2);
  return [
    ...[0, 1, 2].map((at): Material => ({
      ...bought(`bottle-${at}`, lots.whole(20, 600)),
      kind: 'back-bar',
      unit: lots.one(['ml', 'g']),
      measures: {
        density: density(),
        mlPerPump: { usual: lots.typed(0.4, 3), ...spread() },
        mlPerSpray: { usual: lots.typed(0.05, 0.4, 2), ...spread() },
        ...(lots.is(0.5) && { dropsPerMl: { usual: lots.whole(15, 30), ...spread() } }),
        named: [
          { name: 'almond', usual: lots.typed(0.5, 3), unit: lots.one(['ml', 'g']), ...spread() },
        ],
        ...(lots.is(0.5) && { coats: [{ name: 'mask', usual: lots.whole(20, 120), ...spread() }] }),
        ...(lots.is(0.3) && { handlingLoss: lots.typed(0, 0.3, 2) }),
      },
      ...(lots.is(0.6) && {
        openLife: { amount: lots.whole(1, 12), unit: lots.one(['months', 'weeks', 'days']) },
      }),
    })),
    ...[0, 1].map((at): Material => ({
      ...bought(`sachet-${at}`, lots.typed(1, 12), lots.whole(1, 20)),
      kind: 'single-dose',
      unit: lots.one(['ml', 'g']),
      measures: { density: density() },
    })),
    {
      ...bought('pads', 1, lots.whole(10, 200)),
      kind: 'consumable',
      countedPer: lots.one(['client', 'person']),
      unit: 'piece',
      measures: {},
    },
    {
      ...bought('gloves', 1, 100),
      kind: 'consumable',
      countedPer: 'client',
      unit: 'piece',
      measures: {},
      gloves: { kind: 'plain', perPair: lots.one([1, 2]) },
    },
    {
      ...bought('tip', 1, 10),
      kind: 'device-part',
      sterility: 'clean',
      unit: 'piece',
      measures: {},
    },
    {
      ...bought('home-kit', 1),
      kind: 'retail',
      unit: 'piece',
      measures: {},
      retailPriceMinor: lots.whole(500, 9_000),
    },
    {
      ...bought('box', 1, lots.whole(1, 12)),
      kind: 'kit',
      unit: 'piece',
      measures: {},
      parts: [
        {
          id: asId('powder'),
          name: 'powder',
          amount: lots.typed(2, 12),
          unit: 'g',
          measures: { density: density() },
        },
        {
          id: asId('sheets'),
          name: 'sheets',
          amount: lots.whole(1, 3),
          unit: 'piece',
          measures: {},
        },
      ],
      ...(lots.is(0.4) && { forVisits: lots.whole(2, 4) }),
      leftOver: lots.one(['lost', 'goes-home']),
    },
    {
      ...bought('orange', 1),
      kind: 'fresh',
      unit: 'ml',
      measures: { density: density() },
      yieldPerPiece: { usual: lots.whole(20, 90) },
      keeps: { amount: 7, unit: 'days' },
      openLife: { amount: lots.whole(2, 48), unit: 'hours' },
    },
    {
      id: asId('towel'),
      name: 'towel',
      kind: 'linen',
      unit: 'piece',
      measures: {},
      laundry: {
        washMinor: lots.whole(10, 90),
        replacementMinor: lots.whole(200, 2_000),
        washesInLife: lots.whole(20, 200),
      },
    },
  ];
}

function mixesOf(lots: Lots, materials: readonly Material[]): Mix[] {
  return [0, 1].map((at): Mix => ({
    id: asId(`mix-${at}`),
    name: `Mix ${at}`,
    basis: lots.one(['ml', 'g']),
    density: lots.typed(0.8, 1.4, 2),
    bowlLoss: lots.typed(0, 0.2, 2),
    parts: [
      {
        source: { kind: 'material', materialId: asId('bottle-0') },
        amount: { how: 'measured', quantity: triple(lots, 2, 60), unit: 'ml' },
      },
      lots.is(0.5)
        ? {
            source: { kind: 'material', materialId: asId('sachet-0') },
            amount: { how: 'packs', quantity: exactly(lots.one([0.5, 1, 2])) },
          }
        : {
            source: { kind: 'material', materialId: materials[1]?.id ?? asId('bottle-1') },
            amount: { how: 'ratio', parts: exactly(lots.whole(1, 4)), unit: lots.one(['ml', 'g']) },
          },
    ],
    made: 'just-in-time',
    mixingMinutes: 1,
    standingMinutes: 0,
    ...(lots.is(0.3) && { wholeBatches: true as const }),
    ...(lots.is(0.5) && { workingLifeMinutes: lots.whole(5, 40) }),
  }));
}

function devicesOf(lots: Lots): Device[] {
  return [0, 1].map((at): Device => ({
    id: asId(`device-${at}`),
    name: `Device ${at}`,
    count: 1,
    hazards: [],
    settings: [],
    neverZones: [],
    eyeProtection: false,
    trainedIds: [],
    ...(lots.is(0.8) && {
      economics: {
        priceMinor: lots.whole(10_000, 900_000),
        resaleMinor: lots.whole(0, 9_000),
        life: { amount: lots.whole(100, 90_000), unit: lots.one(['uses', 'minutes']) },
        servicePerYearMinor: lots.whole(0, 40_000),
        usesPerYear: lots.whole(20, 900),
      },
    }),
  }));
}

function serviceOf(lots: Lots, protocol: Protocol, at: number, people: readonly Person[]): Service {
  const therapists = people.filter(({ role }) => role === 'therapist');
  const low = lots.whole(1_000, 9_000);
  return {
    id: asId(`service-${at}`),
    name: `Service ${at}`,
    protocolId: protocol.id,
    visitKind: lots.one(['first', 'returning']),
    ...(lots.is(0.5) && {
      shownFor: {
        skinType: lots.one(SKIN_TYPES),
        dayTime: lots.one(DAY_TIMES),
        conditions: CONDITIONS.filter(() => lots.is(0.3)),
      },
    }),
    therapistIds: therapists.filter((_, which) => which === 0 || lots.is(0.6)).map(({ id }) => id),
    ...(lots.is(0.3) && { targetMargin: lots.typed(0, 0.5, 2) }),
    ...(lots.is(0.5) && {
      pricing: {
        by: lots.one(['cost-plus', 'own', 'neighbourhood']),
        ownMinor: lots.whole(1_000, 30_000),
        neighbourhood: { low, usual: low + 1_000, high: low + 3_000 },
      },
    }),
  };
}
