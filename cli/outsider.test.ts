import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';

/*
 * The demo house worked out as somebody with a spreadsheet would, sharing no code with `core`: doses,
 * cost and price by plain arithmetic, minutes by drawing lots.
 */

const root = fileURLToPath(new URL('..', import.meta.url));
const file = `${root}demo/casa-cenera.house.json`;

interface Thing {
  readonly id: string;
  readonly [key: string]: unknown;
}
interface Amount {
  readonly how: string;
  readonly quantity?: { readonly usual: number };
  readonly mgPerCm2?: { readonly usual: number };
  readonly unit?: string;
  readonly measure?: string;
  readonly name?: string;
  readonly coat?: string;
}
interface Source {
  readonly materialId?: string;
  readonly mixId?: string;
}
interface Choice {
  readonly id: string;
  readonly by: string;
  readonly options: readonly { readonly id: string }[];
}
interface ForSome {
  readonly option: { readonly choiceId: string; readonly optionId: string };
}
interface Step {
  readonly id: string;
  readonly by: string;
  readonly hands: string;
  readonly minutes: { readonly least: number; readonly usual: number; readonly most: number };
  readonly zones: readonly string[];
  readonly doses: readonly {
    readonly source: Source;
    readonly amount: Amount;
    readonly opening: string;
  }[];
  readonly meanwhileOf?: string;
  readonly layerGroupId?: string;
  readonly device?: { readonly deviceId: string };
  readonly running?: readonly string[];
  readonly otherwise?: readonly ForSome[];
}
interface Material {
  readonly id: string;
  readonly kind: string;
  readonly unit: string;
  readonly measures: Record<string, { readonly usual: number } & number> & {
    readonly named?: readonly { readonly name: string; readonly usual: number }[];
  };
  readonly countedPer?: string;
  readonly packs: readonly Record<string, number>[];
  readonly laundry: Record<string, number>;
  readonly openLife?: {
    readonly amount: number;
    readonly unit: 'months' | 'weeks' | 'days' | 'hours';
  };
  readonly yieldPerPiece?: { readonly usual: number };
}
interface Mix {
  readonly id: string;
  readonly bowlLoss: number;
  readonly parts: readonly { readonly source: Source; readonly amount: Amount }[];
}
interface House {
  readonly materials: readonly Material[];
  readonly mixes: readonly Mix[];
  readonly devices: readonly {
    readonly id: string;
    readonly economics: {
      readonly priceMinor: number;
      readonly resaleMinor: number;
      readonly life: { readonly amount: number; readonly unit: string };
      readonly servicePerYearMinor: number;
      readonly usesPerYear: number;
    };
  }[];
  readonly protocols: readonly {
    readonly id: string;
    readonly steps: readonly Step[];
    readonly choices: readonly Choice[];
    readonly layerGroups: readonly {
      readonly id: string;
      readonly layers: Record<string, number>;
      readonly between: { readonly wait: Step['minutes'] };
      readonly otherwise?: readonly ForSome[];
    }[];
  }[];
  readonly services: readonly (Thing & {
    readonly protocolId: string;
    readonly visitKind: string;
    readonly therapistIds: readonly string[];
    readonly targetMargin?: number;
    readonly pricing?: {
      readonly by: string;
      readonly ownMinor?: number;
      readonly neighbourhood?: { readonly usual: number };
    };
  })[];
  readonly demand: readonly { readonly serviceId: string; readonly visitsPerWeek: number }[];
  readonly people: readonly {
    readonly id: string;
    readonly role: string;
    readonly hourlyPayMinor: number;
    readonly hoursPerWeek: number;
    readonly paidWhenWorking?: boolean;
    readonly monthlyPayMinor?: number;
    readonly shareOfPrice?: number;
  }[];
}

const house = JSON.parse(readFileSync(file, 'utf8')) as House;
const report = JSON.parse(
  execFileSync(process.execPath, ['--import', 'tsx', 'cli/compute.ts', file], {
    cwd: root,
    encoding: 'utf8',
  }),
) as {
  services: {
    id: string;
    slotMinutes: number;
    attendedMinutes: number;
    doses: { materialId: string; low: number; usual: number; high: number }[];
    cost: Record<string, number>;
    price: Record<string, number>;
    ladders: Record<string, number>;
    roomMinutes: { mean: number; sd: number; p90: number };
  }[];
};

const BSA_CM2 = Math.sqrt((165 * 65) / 3600) * 10_000;
const ZONE_PERCENT: Record<string, number> = {
  face: 3.5,
  'neck-front': 1,
  decollete: 2.5,
  back: 13,
  'upper-arms': 8,
  forearms: 6,
  hands: 5,
  thighs: 19,
  'lower-legs': 14,
};
const COATS: Record<string, number> = { thin: 1, standard: 2, generous: 4 };

function find<T extends { readonly id: string }>(list: readonly T[], id: string | undefined): T {
  const found = list.find((each) => each.id === id);
  if (!found) throw new Error(`no ${String(id)}`);
  return found;
}

/** The steps of a visit as often as they are worked, with the waits between layers as plain minutes. */
function worked(serviceId: string): { steps: Step[]; waits: Step['minutes'][] } {
  const service = find(house.services, serviceId);
  const protocol = find(house.protocols, service.protocolId);
  const steps: Step[] = [];
  const waits: Step['minutes'][] = [];
  for (const step of protocol.steps) {
    const group = protocol.layerGroups.find((each) => each.id === step.layerGroupId);
    const times = group?.layers[service.visitKind] ?? 1;
    for (let layer = 0; layer < times; layer += 1) steps.push(step);
  }
  for (const group of protocol.layerGroups) {
    const times = group.layers[service.visitKind] ?? 1;
    for (let wait = 1; wait < times; wait += 1) waits.push(group.between.wait);
  }
  return { steps, waits };
}

/** ml, g or pieces of a material for an amount, in its own unit, before whole packs. */
function drawn(amount: Amount, material: Material, zones: readonly string[]): number {
  const density = Number(material.measures.density ?? 1);
  const count = amount.quantity?.usual ?? 0;
  const fromMl = (ml: number): number => (material.unit === 'g' ? ml * density : ml);
  const fromG = (g: number): number => (material.unit === 'ml' ? g / density : g);
  switch (amount.how) {
    case 'measured':
      return amount.unit === 'g' ? fromG(count) : amount.unit === 'ml' ? fromMl(count) : count;
    case 'counted': {
      const { measures } = material;
      const each = {
        pump: measures.mlPerPump?.usual,
        spray: measures.mlPerSpray?.usual,
        dropper: measures.mlPerDropper?.usual ?? 1,
        drop: 1 / (measures.dropsPerMl?.usual ?? 20),
      }[amount.measure ?? ''];
      return fromMl(count * (each ?? Number.NaN));
    }
    case 'named':
      return (
        count *
        (material.measures.named?.find((each) => each.name === amount.name)?.usual ?? Number.NaN)
      );
    case 'packs':
      return count * (material.packs[0]?.content ?? Number.NaN);
    default: {
      const weight = amount.mgPerCm2?.usual ?? COATS[amount.coat ?? ''] ?? Number.NaN;
      return fromG((cm2(zones) * weight * 1.05) / 1000);
    }
  }
}

function cm2(zones: readonly string[]): number {
  return zones.reduce((sum, zone) => sum + ((ZONE_PERCENT[zone] ?? Number.NaN) / 100) * BSA_CM2, 0);
}

function consumed(serviceId: string): Map<string, number> {
  const total = new Map<string, number>();
  const add = (id: string, amount: number): void =>
    void total.set(id, (total.get(id) ?? 0) + amount);
  const open = new Map<string, number>();
  for (const step of worked(serviceId).steps) {
    for (const { source, amount, opening } of step.doses) {
      if (source.mixId !== undefined) {
        const mix = find(house.mixes, source.mixId);
        const need =
          amount.how === 'measured'
            ? (amount.quantity?.usual ?? 0)
            : (cm2(step.zones) * (amount.mgPerCm2?.usual ?? 0) * 1.05) / 1000;
        const grams = mix.parts.map((part) => {
          const material = find(house.materials, part.source.materialId);
          const own = drawn(part.amount, material, []);
          return material.unit === 'ml' ? own * Number(material.measures.density) : own;
        });
        const batches = need / (grams.reduce((a, b) => a + b, 0) * (1 - mix.bowlLoss));
        for (const part of mix.parts) {
          const material = find(house.materials, part.source.materialId);
          const put = drawn(part.amount, material, []) * batches;
          const content = material.packs[0]?.content ?? Number.NaN;
          add(
            material.id,
            material.kind === 'single-dose' ? Math.ceil(put / content - 1e-9) * content : put,
          );
        }
        continue;
      }
      const material = find(house.materials, source.materialId);
      const need = drawn(amount, material, step.zones);
      if (material.kind !== 'single-dose') {
        add(material.id, need);
        continue;
      }
      const content = material.packs[0]?.content ?? Number.NaN;
      const left = opening === 'left-over-first' ? (open.get(material.id) ?? 0) : 0;
      const packs = Math.max(0, Math.ceil((need - left) / content - 1e-9));
      open.set(material.id, left + packs * content - need);
      add(material.id, packs * content);
    }
  }
  return total;
}

function unitCost({ kind, packs, laundry }: Material): number {
  if (kind === 'linen')
    return (laundry.washMinor ?? 0) + (laundry.replacementMinor ?? 0) / (laundry.washesInLife ?? 1);
  const {
    priceMinor = 0,
    discount = 0,
    freightMinor = 0,
    unrecoveredTaxMinor = 0,
    containers = 1,
    content = 1,
    residual = 0,
  } = packs[0] ?? {};
  return (
    (priceMinor * (1 - discount) + freightMinor + unrecoveredTaxMinor) /
    (containers * content * (1 - residual))
  );
}

/** Of an open jar, the share that is used: one use opens it, others come by chance while it keeps. */
function usedShare(material: Material): number {
  const { openLife, packs } = material;
  if (!openLife) return 1;
  const [pack = {}] = packs;
  const days =
    openLife.amount * { months: 365.25 / 12, weeks: 7, days: 1, hours: 1 / 24 }[openLife.unit];
  const uses = house.demand.flatMap(({ serviceId, visitsPerWeek }) => {
    const dose = find(report.services, serviceId).doses.find(
      (each) => each.materialId === material.id,
    );
    return dose ? [{ perDay: visitsPerWeek / 7, amount: dose.usual }] : [];
  });
  const perDay = uses.reduce((sum, use) => sum + use.perDay, 0);
  if (perDay === 0) return 1;
  const amount = uses.reduce((sum, use) => sum + use.perDay * use.amount, 0) / perDay;
  const each = material.kind === 'fresh' ? (material.yieldPerPiece?.usual ?? Number.NaN) : 1;
  const content = (pack.content ?? 0) * each * (1 - (pack.residual ?? 0));
  const room = Math.max(1, Math.floor(content / amount + 1e-9));
  /* In logarithms: the chance of none at all in a year may be 0. */
  const logUses = Math.log(perDay * days);
  let log = -perDay * days;
  let used = 0;
  for (let further = 0; further < 4000; further += 1) {
    used += Math.exp(log) * Math.min(1 + further, room);
    log += logUses - Math.log(further + 1);
  }
  return used / room;
}

/** Guests and hands are slower or quicker as a whole: one visit in six by so much, one in six the other way. */
const OFF_PACE = 0.06 * Math.sqrt(3);

/** Draws numbers from 0 to 1. */
function chance(seed: number): () => number {
  let now = seed;
  return () => {
    now = (now * 1_664_525 + 1_013_904_223) % 2 ** 32;
    return now / 2 ** 32;
  };
}

/** Draws lots for a step's minutes by the shape of its three estimates. */
function lots(next: () => number): (minutes: Step['minutes']) => number {
  const tables = new Map<string, Float64Array>();
  return ({ least, usual, most }) => {
    if (least === most) return least;
    const key = `${least} ${usual} ${most}`;
    let table = tables.get(key);
    if (!table) {
      const rise = (4 * (usual - least)) / (most - least);
      const fall = (4 * (most - usual)) / (most - least);
      table = new Float64Array(1000);
      let sum = 0;
      for (let at = 0; at < 1000; at += 1) {
        const x = (at + 0.5) / 1000;
        sum += x ** rise * (1 - x) ** fall;
        table[at] = sum;
      }
      for (let at = 0; at < 1000; at += 1) table[at] = (table[at] ?? 0) / sum;
      tables.set(key, table);
    }
    const wanted = next();
    let [low, high] = [0, 999];
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((table[middle] ?? 0) < wanted) low = middle + 1;
      else high = middle;
    }
    return least + ((low + next()) / 1000) * (most - least);
  };
}

function simulate(serviceId: string, visits: number): number[] {
  const { steps, waits } = worked(serviceId);
  const next = chance(20_261_124);
  const draw = lots(next);
  const lengths: number[] = [];
  for (let visit = 0; visit < visits; visit += 1) {
    const which = next() * 6;
    const pace = which < 1 ? 1 - OFF_PACE : which < 5 ? 1 : 1 + OFF_PACE;
    const lasting = (minutes: Step['minutes']): number =>
      minutes.least === minutes.most ? minutes.least : draw(minutes) * pace;
    let room = waits.reduce((sum, wait) => sum + lasting(wait), 0);
    for (const step of steps) {
      if (step.meanwhileOf !== undefined) continue;
      const beside = steps.filter((each) => each.meanwhileOf === step.id);
      const work = beside.reduce((sum, each) => sum + lasting(each.minutes), 0);
      room += Math.max(lasting(step.minutes), work);
    }
    lengths.push(room);
  }
  return lengths.sort((a, b) => a - b);
}

const mean = ({ least, usual, most }: Step['minutes']): number => (least + 4 * usual + most) / 6;

/** Wear and service of the devices that are on, for services that use none beside another step. */
function deviceUse(serviceId: string): number {
  const on = new Map<string, number>();
  for (const { device, running = [], minutes } of worked(serviceId).steps) {
    for (const id of [...(device ? [device.deviceId] : []), ...running])
      on.set(id, (on.get(id) ?? 0) + mean(minutes));
  }
  return [...on].reduce((sum, [id, minutes]) => {
    const { priceMinor, resaleMinor, life, servicePerYearMinor, usesPerYear } = find(
      house.devices,
      id,
    ).economics;
    const share = (life.unit === 'minutes' ? minutes : 1) / life.amount;
    return sum + (priceMinor - resaleMinor) * share + servicePerYearMinor / usesPerYear;
  }, 0);
}

const PEOPLE_MINUTE = 1.24 / 60 / 0.78;
const ROOM_MINUTE = 216_000 / (3 * 26 * 9 * 60 * 0.65);

function isPerPerson(id: string | undefined): boolean {
  return house.materials.some((material) => material.id === id && material.countedPer === 'person');
}

/** Whether something is only said for what is decided otherwise than usually at the couch. */
function isNotUsual(choices: readonly Choice[], { option }: ForSome): boolean {
  const choice = choices.find(({ id }) => id === option.choiceId);
  return choice?.by === 'couch' && choice.options[0]?.id !== option.optionId;
}

/** What this script has learnt to work out: no blocks, steps by choice, gloves by the pair, halves. */
function isPlain({ protocolId }: { readonly protocolId: string }): boolean {
  const { steps, layerGroups, choices } = find(house.protocols, protocolId);
  const beyond = ['blockId', 'option', 'optional', 'removal', 'gloves', 'inLayers', 'never'];
  return (
    layerGroups.every(
      (group) =>
        !('halves' in group) &&
        !('testSpot' in group) &&
        (group.otherwise ?? []).every((each) => isNotUsual(choices, each)),
    ) &&
    steps.every(
      (step) =>
        beyond.every((key) => !(key in step)) &&
        (step.otherwise ?? []).every((each) => isNotUsual(choices, each)) &&
        step.doses.every((dose) => !('option' in dose) && !isPerPerson(dose.source.materialId)),
    )
  );
}

const plain = house.services.filter(isPlain);

it('knows half a dozen services', () => {
  expect(plain.length).toBeGreaterThanOrEqual(6);
});

describe.each(plain.map((service) => [service.id]))('%s, worked out by hand', (id) => {
  const service = find(house.services, id);
  const found = find(report.services, id);

  it('draws the same amounts', () => {
    const byHand = consumed(id);
    expect(found.doses.map((dose) => dose.materialId).sort()).toEqual([...byHand.keys()].sort());
    for (const dose of found.doses)
      expect(dose.usual).toBeCloseTo(byHand.get(dose.materialId) ?? 0, 6);
  });

  it('takes as long as lots say', () => {
    const lengths = simulate(id, 20_000);
    const mean = lengths.reduce((a, b) => a + b, 0) / lengths.length;
    expect(Math.abs(mean - found.roomMinutes.mean)).toBeLessThan(0.1);
    expect(Math.abs((lengths[18_000] ?? 0) - found.roomMinutes.p90)).toBeLessThan(0.25);
    expect(found.slotMinutes % 5).toBe(0);
    expect(found.slotMinutes).toBeGreaterThanOrEqual(found.roomMinutes.p90);
    expect(found.slotMinutes - found.roomMinutes.p90).toBeLessThan(5);
  });

  it('costs and is sold for the same', () => {
    const sums = { product: 0, consumables: 0, linen: 0 };
    let expires = 0;
    for (const { materialId, low, usual, high } of found.doses) {
      const amount = (low + 4 * usual + high) / 6;
      const material = find(house.materials, materialId);
      const part =
        material.kind === 'linen'
          ? 'linen'
          : material.kind === 'consumable'
            ? 'consumables'
            : 'product';
      sums[part] += amount * unitCost(material);
      expires += amount * unitCost(material) * (1 / usedShare(material) - 1);
    }
    expect(found.cost.expires).toBeCloseTo(expires, 6);
    for (const part of ['product', 'consumables', 'linen'] as const)
      expect(found.cost[part]).toBeCloseTo(sums[part], 6);

    const pay = (people: typeof house.people): number =>
      people.reduce((sum, person) => {
        /* Hours at guests alone carry no time that is not booked. */
        const hourly = person.hourlyPayMinor * (person.paidWhenWorking ? 0.78 : 1);
        const monthly = ((person.monthlyPayMinor ?? 0) * 12) / 52 / person.hoursPerWeek;
        return sum + (hourly + monthly) * PEOPLE_MINUTE;
      }, 0) / people.length;
    const therapists = house.people.filter((person) => service.therapistIds.includes(person.id));
    const assistant = worked(id)
      .steps.filter((step) => step.by === 'assistant')
      .reduce((sum, step) => sum + mean(step.minutes), 0);
    const hands =
      found.attendedMinutes * pay(therapists) +
      assistant * pay(house.people.filter((person) => person.role === 'assistant'));
    expect(found.cost.therapist).toBeCloseTo(hands, 0);

    const devices = deviceUse(id);
    expect(found.cost.devices).toBeCloseTo(devices, 1);
    const direct =
      sums.product +
      sums.consumables +
      sums.linen +
      expires +
      (found.cost.devices ?? 0) +
      (found.cost.therapist ?? 0);
    const full = direct + found.slotMinutes * ROOM_MINUTE;
    expect(found.cost.full).toBeCloseTo(full, 6);
    const shared =
      (therapists.reduce((sum, person) => sum + (person.shareOfPrice ?? 0), 0) /
        therapists.length) *
      1.24;
    const fees = 0.1 + shared + 0.015 * 1.13;
    const next = (computed: number): number => Math.ceil(computed / 500) * 500;
    const { by = 'cost-plus', ownMinor, neighbourhood } = service.pricing ?? {};
    const ladders: Record<string, number> = {
      'cost-plus': next((full / (1 - (service.targetMargin ?? 0.35) - fees)) * 1.13),
      'room-hour': next(((direct + (2800 * found.slotMinutes) / 60) / (1 - fees)) * 1.13),
      ...(neighbourhood && { neighbourhood: next(neighbourhood.usual) }),
    };
    expect(found.ladders).toEqual(ladders);
    const gross = (by === 'own' ? ownMinor : ladders[by]) ?? Number.NaN;
    expect(found.price.gross).toBe(gross);
    const contribution = (gross / 1.13) * (1 - 0.1 - shared) - gross * 0.015 - direct;
    expect(found.price.contribution).toBeCloseTo(contribution, 6);
    expect(found.price.margin).toBeCloseTo(
      (contribution - found.slotMinutes * ROOM_MINUTE) / (gross / 1.13),
      9,
    );
  });
});
