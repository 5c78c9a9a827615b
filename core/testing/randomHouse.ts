import { newHouse } from '../house/newHouse';
import { CONDITIONS, DAY_TIMES, SKIN_TYPES } from '../house/client';
import type {
  Amount,
  Block,
  Choice,
  Device,
  Dose,
  House,
  Line,
  Material,
  Minutes,
  Mix,
  Pack,
  Person,
  Protocol,
  Service,
  Step,
  Writing,
} from '../house/house';
import { asId } from '../house/ids';
import { NO_VISITS } from '../house/visitLog';
import type { HouseSettings } from '../house/settings';
import type { PurchaseTax } from '../house/supplier';
import type { ZoneId } from '../zone/zones';
import { Lots } from './lots';

const ZONES: readonly ZoneId[] = [
  'face',
  'forehead',
  'nose',
  'neck-front',
  'decollete',
  'hands',
  'forearms',
  'back',
  'lower-legs',
];

/** A house in which anything may stand that the model can say, and all of it can be counted. */
export function randomHouse(seed: number): House {
  const lots = new Lots(seed);
  const base = newHouse('Europe/Madrid');
  const settings = settingsOf(lots, base.settings);
  const people = peopleOf(lots);
  const materials = materialsOf(lots);
  const mixes = mixesOf(lots, materials);
  const devices = devicesOf(lots);
  const maker = new Maker(lots, materials, mixes, devices);
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
    { ...bought('kit', 1), kind: 'retail', unit: 'piece', measures: {} },
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

const exactly = (value: number) => ({ low: value, usual: value, high: value });

function triple(lots: Lots, least: number, most: number) {
  const usual = lots.typed(least, most);
  if (lots.is(0.5)) return exactly(usual);
  return {
    low: Number((usual * lots.between(0.5, 1)).toFixed(2)),
    usual,
    high: Number((usual * lots.between(1, 2)).toFixed(2)),
  };
}

/** Writes protocols and blocks. */
class Maker {
  #made = 0;

  constructor(
    private readonly lots: Lots,
    private readonly materials: readonly Material[],
    private readonly mixes: readonly Mix[],
    private readonly devices: readonly Device[],
  ) {}

  writing(blocks: readonly Block[], steps: number): Writing {
    const { lots } = this;
    const choices = this.#choices();
    const layers = {
      id: asId<never>(this.#id('layers')),
      name: 'Layers',
      layers: { first: lots.whole(1, 3), returning: lots.whole(1, 4) },
      ...(lots.is(0.5) && { between: { wait: this.#minutes() } }),
      ...(lots.is(0.2) && { halves: true as const }),
    };
    const lines: Line[] = [
      this.#step('set-up', choices, { by: lots.one(['therapist', 'assistant']) }),
    ];
    /* One step for everybody, so that nobody is left with nothing. */
    lines.push(this.#step('visit', []));
    for (let at = 0; at < steps; at += 1) {
      if (blocks.length > 0 && lots.is(0.2)) {
        lines.push({
          id: asId(this.#id('line')),
          stretch: 'visit',
          name: 'A block',
          blockId: lots.one(blocks).id,
          ...this.#option(choices, 0.5),
        });
        continue;
      }
      const host = this.#step('visit', choices);
      lines.push(host);
      if (lots.is(0.35)) {
        lines.push(
          this.#step('visit', choices, {
            meanwhileOf: host.id,
            by: lots.one(['therapist', 'assistant']),
          }),
        );
      }
    }
    const layered = lots.is(0.6);
    if (layered) {
      for (let at = 0; at < 2; at += 1) {
        lines.push({
          ...this.#step('visit', choices),
          layerGroupId: layers.id,
          ...(at === 1 &&
            lots.is(0.5) && { inLayers: lots.one(['first', 'last', 'all-but-last'] as const) }),
        });
      }
    }
    lines.push(this.#step('reset', []));
    return { steps: lines, layerGroups: layered ? [layers] : [], choices };
  }

  #id(of: string): string {
    this.#made += 1;
    return `${of}-${this.#made}`;
  }

  #choices(): Choice[] {
    const { lots } = this;
    const skin: Choice = {
      id: asId(this.#id('choice')),
      name: 'Skin',
      by: 'skin-type',
      take: 'first',
      options: [
        { id: asId(this.#id('option')), name: 'Some', for: [lots.one(SKIN_TYPES)] },
        { id: asId(this.#id('option')), name: 'Others', for: [] },
      ],
    };
    const time: Choice = {
      ...skin,
      id: asId(this.#id('choice')),
      name: 'When',
      by: 'day-time',
      options: [{ id: asId(this.#id('option')), name: 'Then', for: [lots.one(DAY_TIMES)] }],
      noneIsFine: true,
    };
    const seen: Choice = {
      ...time,
      id: asId(this.#id('choice')),
      name: 'Seen',
      by: 'condition',
      take: 'each',
      options: CONDITIONS.slice(0, 2).map((each) => ({
        id: asId(this.#id('option')),
        name: each,
        for: [each],
      })),
    };
    return [skin, time, seen];
  }

  #option(choices: readonly Choice[], chance: number): Pick<Step, 'option'> {
    if (choices.length === 0 || !this.lots.is(chance)) return {};
    const choice = this.lots.one(choices);
    return { option: { choiceId: choice.id, optionId: this.lots.one(choice.options).id } };
  }

  #minutes(): Minutes {
    const { lots } = this;
    if (lots.is(0.3)) {
      const fixed = lots.one([0.25, 1, 2.5, 1 / 3, lots.typed(1, 20)]);
      return { least: fixed, usual: fixed, most: fixed };
    }
    const least = lots.typed(0.5, 12);
    const usual = Number((least + lots.typed(0.1, 6)).toFixed(1));
    return { least, usual, most: Number((usual + lots.typed(0.1, 8)).toFixed(1)) };
  }

  #step(stretch: Step['stretch'], choices: readonly Choice[], changes: Partial<Step> = {}): Step {
    const { lots } = this;
    const device = lots.one(this.devices);
    return {
      id: asId(this.#id('step')),
      stretch,
      name: this.#id('Step'),
      by: 'therapist',
      hands: lots.one(['hands-on', 'hands-on', 'watching', 'free']),
      minutes: this.#minutes(),
      zones: [lots.one(ZONES), lots.one(ZONES)],
      ...(lots.is(0.15) && { never: [lots.one(ZONES)] }),
      doses: Array.from({ length: lots.whole(0, 3) }, () => this.#dose(choices)),
      ...(lots.is(0.2) && { device: { deviceId: device.id, settings: [] } }),
      ...(lots.is(0.2) && { running: [lots.one(this.devices).id] }),
      ...(lots.is(0.15) && {
        removal: {
          how: 'warm-towel' as const,
          taking: { materialId: asId<Material['id']>('towel'), pieces: lots.whole(1, 3) },
        },
      }),
      ...(lots.is(0.2) && { gloves: 'plain' as const }),
      ...(lots.is(0.2) && {
        optional: { usually: lots.one(['done', 'left-out'] as const), if: 'it is' },
      }),
      ...(lots.is(0.1) && { makes: [lots.one(this.mixes).id] }),
      ...this.#option(choices, 0.3),
      ...changes,
      ...(stretch !== 'visit' && { optional: undefined, option: undefined }),
    };
  }

  #dose(choices: readonly Choice[]): Dose {
    const { lots } = this;
    const isMixed = lots.is(0.2);
    const material = lots.one(this.materials.filter(({ id }) => id !== asId('gloves')));
    const mix = lots.one(this.mixes);
    return {
      id: asId(this.#id('dose')),
      source: isMixed
        ? { kind: 'mix', mixId: mix.id }
        : { kind: 'material', materialId: material.id },
      amount: isMixed ? this.#ofMix() : this.#of(material),
      opening: lots.one(['fresh', 'fresh', 'left-over-first']),
      ...this.#option(choices, 0.2),
    };
  }

  #ofMix(): Amount {
    const { lots } = this;
    return lots.one<() => Amount>([
      () => ({ how: 'measured', quantity: triple(lots, 2, 60), unit: lots.one(['ml', 'g']) }),
      () => ({ how: 'coat-weight', mgPerCm2: triple(lots, 2, 40) }),
      () => ({ how: 'all' }),
      () => ({ how: 'rest' }),
    ])();
  }

  #of({ kind, unit, measures }: Material): Amount {
    const { lots } = this;
    if (unit === 'piece') return { how: 'measured', quantity: exactly(lots.whole(1, 6)), unit };
    if (kind === 'single-dose' && lots.is(0.6))
      return { how: 'packs', quantity: exactly(lots.one([0.5, 1, 1.5, 2])) };
    const coats = [
      'thin',
      'standard',
      'generous',
      ...(measures.coats ?? []).map(({ name }) => name),
    ];
    return lots.one<() => Amount>([
      () => ({
        how: 'measured',
        quantity: triple(lots, 0.5, 12),
        unit: lots.one(['ml', 'g', 'tsp', 'tbsp', 'us-fl-oz', 'oz'] as const),
      }),
      () => ({ how: 'fingertip', quantity: triple(lots, 1, 4) }),
      () => ({ how: 'coat', coat: lots.one(coats) }),
      () => ({ how: 'coat-weight', mgPerCm2: triple(lots, 1, 60) }),
      ...(kind === 'back-bar'
        ? [
            (): Amount => ({
              how: 'counted',
              quantity: triple(lots, 1, 5),
              measure: lots.one(['pump', 'spray', 'drop', 'dropper'] as const),
            }),
            (): Amount => ({ how: 'named', quantity: triple(lots, 1, 2), name: 'almond' }),
          ]
        : []),
    ])();
  }
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
