import { readFile } from 'node:fs/promises';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { USUAL_RESTOCK } from '@bienestar/core/house/restock';
import { createRestocker } from '@bienestar/core/restock/restocker';
import { houseReport } from '@bienestar/core/report/houseReport';
import { problemsOf } from '@bienestar/core/figures/houseFigures';
import { shelfState } from '@bienestar/core/stock/shelfLife';
import { asOfNow, type HouseArchive } from '@bienestar/core/house/archive';
import { houseOf } from '@bienestar/core/stock/houseOf';
import type { House } from '@bienestar/core/house/house';
import { asKept, onHandOf } from '@bienestar/core/house/stock';
import { checkHouse, readHouseFile, writeHouseFile } from './houseFile';
import { houseFileJsonSchema } from './houseFileSchema';

const whole = JSON.parse(
  await readFile(new URL('../demo/casa-cenera.house.json', import.meta.url), 'utf8'),
) as HouseArchive;
/* A few visits do for what is looked at here; all of them are read by the test of the demo's log. */
const text = JSON.stringify({ ...whole, logbook: whole.logbook.slice(0, 20) }, null, 1);

const read = readHouseFile(text);

/** Read once: to check it takes longer than most of what is asked of it. */
function demo(): HouseArchive {
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

/** The demo file with one value changed, at a path. */
function changed(path: readonly (string | number)[], value: unknown): unknown {
  const file: unknown = JSON.parse(text);
  let at = file as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  at[path.at(-1) ?? ''] = value;
  return file;
}

/** The moment for which the demo house is written. */
const NEWEST = new Date('2026-11-25T11:00:00Z');

function reportOf(archive: HouseArchive, now: Date) {
  const house = houseOf(archive);
  const figures = createCalculator()(house);
  return houseReport(house, figures, createRestocker()(house, figures, now));
}

describe('the demo house', () => {
  it('is a house file whose every figure can be computed, without a conflict', () => {
    const figures = createCalculator()(houseOf(demo()));
    expect(problemsOf(figures)).toEqual([]);
    const clocks = [...figures.services.values()].map((service) => service.schedule);
    expect(clocks.flatMap((clock) => (clock.ok ? clock.value.conflicts : []))).toEqual([]);
  });

  it('has the keys that other programs read', () => {
    const report = reportOf(demo(), NEWEST);
    if (!report.ok) throw new Error('no report');
    const [service] = report.value.services;
    expect(service).toMatchObject({
      id: 'clay-facial',
      visitMinutes: { mean: expect.any(Number) as number, p90: expect.any(Number) as number },
      roomMinutes: { p50: expect.any(Number) as number, sd: expect.any(Number) as number },
    });
    const enzyme = service?.doses.find((dose) => dose.materialId === 'fig-enzyme');
    expect(enzyme).toMatchObject({ unit: 'g', usual: 6 });
    const rows = service?.steps ?? [];
    const attended = rows
      .filter((row) => row.by === 'therapist')
      .reduce((sum, row) => sum + row.handsOn + row.watching, 0);
    expect(attended).toBeCloseTo(service?.attendedMinutes ?? 0, 9);
  });

  it('has to order what is used up, what is over too soon, what is promised', () => {
    const report = reportOf(demo(), NEWEST);
    const due = report.ok ? report.value.materials.filter((material) => material.shouldOrder) : [];
    expect(due.map((material) => material.id)).toEqual([
      'prickly-pear-milk',
      'fig-enzyme',
      'aloe-gel',
      'mineral-sunscreen',
      'cellulose-sheet',
      'after-kit',
    ]);
  });
});

describe('writing and reading', () => {
  it('is the identity', () => {
    expect(readHouseFile(writeHouseFile(demo()))).toEqual({ ok: true, value: demo() });
  });

  it('is the identity for any names and stock', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 120 }).filter((s) => /\S/.test(s)),
        fc.integer({ min: 0, max: 10 ** 9 }),
        (name, millionths) => {
          /* Half the file is the logbook, which holds neither and is written and read above. */
          const house: HouseArchive = { ...demo(), logbookPlans: [], logbook: [] };
          const renamed: HouseArchive = {
            ...house,
            rooms: house.rooms.map((room) => ({ ...room, name })),
            movements: house.movements.map((line) =>
              line.kind === 'delivery'
                ? { ...line, quantity: asKept(line.quantity + millionths / 1e6) }
                : line,
            ),
          };
          expect(readHouseFile(writeHouseFile(renamed))).toEqual({ ok: true, value: renamed });
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('the memory of a house', () => {
  it('adds up to what is on the shelf', () => {
    const { stock } = houseOf(demo());
    const of = (id: string) => stock.find((line) => line.materialId === id);
    expect(onHandOf(of('prickly-pear-milk')!)).toBe(410);
    expect(onHandOf(of('fig-enzyme')!)).toBe(108);
    expect(of('face-towel')).toBeUndefined();
  });

  it('can be moved to another day, figures unchanged, and back', () => {
    const written = new Date(demo().movements.at(-1)!.at);
    const later = asOfNow(demo(), new Date('2031-03-01T23:00:00Z'));
    expect(later.movements.at(-1)?.at).toBe('2031-03-01T23:00:00Z');
    expect(asOfNow(later, written)).toEqual(demo());
    const early = asOfNow(demo(), new Date('2031-03-01T02:00:00Z'));
    expect(early.movements.at(-1)?.at).toBe('2031-03-01T02:00:00Z');
    /* As many days after clocks are changed. */
    const sameHour = new Date('2031-11-26T11:00:00Z');
    expect(reportOf(asOfNow(demo(), sameHour), sameHour)).toEqual(reportOf(demo(), NEWEST));
  });

  it('is as fresh at any hour of the day, and an hour later', () => {
    const over = (house: House, now: Date): string[] => {
      const stock = new Map(house.stock.map((line) => [line.materialId, line]));
      return house.materials.flatMap((material) => {
        const line = stock.get(material.id);
        if (material.kind === 'linen' || !line) return [];
        return shelfState(material, line, { now, timeZone: house.settings.timeZone }).over > 0
          ? [material.id]
          : [];
      });
    };
    for (let hour = 0; hour < 24; hour += 1) {
      const begun = new Date(2031, 2, 1, hour, 30);
      const house = houseOf(asOfNow(demo(), begun));
      expect(over(house, begun)).toEqual(['eye-remover']);
      expect(over(house, new Date(2031, 2, 1, hour + 1, 30))).toEqual(['eye-remover']);
    }
  });

  it('a ledger that tells a line or a day twice is refused', () => {
    const file = JSON.parse(text) as Record<string, object[]>;
    const twice = (list: string) => ({ ...file, [list]: [...(file[list] ?? []), file[list]![0]] });
    for (const list of ['movements', 'prices', 'lots']) {
      const checked = checkHouse(twice(list));
      expect(checked.ok ? [] : checked.faults.map((fault) => fault.code)).toContain('array.unique');
    }
  });
});

describe('a file of version 1', () => {
  const {
    prices: _p,
    lots: _l,
    movements: _m,
    devices: _d,
    blocks: _b,
    editions: _e,
    ...file
  } = JSON.parse(text) as Record<string, never>;
  const materials = demo().materials.filter(({ kind }) =>
    ['back-bar', 'single-dose', 'consumable', 'linen'].includes(kind),
  );
  const before = {
    ...file,
    formatVersion: 1,
    settings: { ...demo().settings, orderDays: undefined },
    suppliers: demo().suppliers,
    mixes: demo().mixes.slice(0, 2),
    protocols: demo()
      .protocols.slice(0, 3)
      .map((protocol) => ({
        ...protocol,
        around: undefined,
        steps: protocol.steps.map((line) => ({ ...line, offers: undefined })),
      })),
    services: demo()
      .services.slice(0, 4)
      .map((service) => ({ ...service, edition: undefined })),
    demand: demo().demand.slice(0, 4),
    materials: materials.map((material) => {
      if (material.kind === 'linen') return material;
      const { packs, preferredPackId: _preferred, care: _care, ...rest } = material;
      const { id: _id, supplierId, containers, content, priceMinor, discount, ...pack } = packs[0]!;
      const { freightMinor, unrecoveredTaxMinor, residual } = pack;
      const terms = { freightMinor, unrecoveredTaxMinor, residual };
      const plain = { containers, content, priceMinor, discount, ...terms };
      return { ...rest, countedPer: undefined, openLife: undefined, supplierId, pack: plain };
    }),
    stock: [
      { materialId: 'aloe-gel', onHand: 360 },
      { materialId: 'glove', onHand: 0 },
    ],
  };

  it('is read: its pack becomes the first of several, its stock a count', () => {
    const read = readHouseFile(JSON.stringify(before));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const house = houseOf(read.value);
    expect(onHandOf(house.stock.find((line) => line.materialId === 'aloe-gel')!)).toBe(360);
    expect(read.value.movements).toHaveLength(1);
    const milk = house.materials[0]!;
    expect(milk.kind !== 'linen' && milk.packs).toMatchObject([{ content: 500, priceMinor: 2100 }]);
    expect(house.settings.orderDays).toBe(28);
  });

  it('of version 4 is read: restocked as before, nothing booked or ordered', () => {
    const { restock: _restock, ...plain } = demo().settings;
    const {
      bookings: _bookings,
      treatments: _treatments,
      soldCourses: _sold,
      orders: _orders,
      counts: _counts,
      ...fourth
    } = JSON.parse(text) as Record<string, never>;
    const read = readHouseFile(JSON.stringify({ ...fourth, formatVersion: 4, settings: plain }));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.value.settings.restock).toEqual(USUAL_RESTOCK);
    expect([read.value.orders, read.value.bookings, read.value.counts]).toEqual([[], [], []]);
  });

  it('of version 8 is read: nothing is known of its visits but that they were', () => {
    const {
      logbookPlans: _plans,
      logbook: _logbook,
      ...eighth
    } = JSON.parse(text) as Record<string, never>;
    const read = readHouseFile(JSON.stringify({ ...eighth, formatVersion: 8 }));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect([read.value.logbookPlans, read.value.logbook]).toEqual([[], []]);
    expect(read.value.treatments.length).toBeGreaterThan(100);
  });

  it('says where a visit of the logbook, or something that happened, belongs to nothing', () => {
    const house = demo();
    const [entry, ...rest] = house.logbook;
    const lost = { ...house, logbook: [{ ...entry, planId: 'nowhere' }, ...rest] };
    expect(checkHouse({ ...JSON.parse(text), ...lost })).toMatchObject({
      ok: false,
      faults: [{ pointer: '/logbook/0/planId', code: 'reference.unknown' }],
    });
  });

  it('of version 7 is read: nothing was run in the room yet', () => {
    const {
      runs: _runs,
      runEvents: _events,
      ...seventh
    } = JSON.parse(text) as Record<string, never>;
    const read = readHouseFile(JSON.stringify({ ...seventh, formatVersion: 7 }));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect([read.value.runs, read.value.runEvents]).toEqual([[], []]);
  });

  it('of version 6 is read: the question and the score of layers are one question', () => {
    const now = JSON.parse(text) as { readonly protocols: Record<string, unknown>[] };
    const group = (of: object) => ({
      id: 'acid-layers',
      name: 'Layers',
      layers: { first: 1, returning: 2 },
      ...of,
    });
    const wait = { least: 1, usual: 1, most: 2 };
    const protocols = now.protocols.map((protocol) =>
      protocol.id === 'layered-fruit-acid'
        ? {
            ...protocol,
            layerGroups: [
              group({
                between: { wait, question: 'How is it?' },
                score: { slowAt: 3, stopAt: 6 },
              }),
            ],
          }
        : { ...protocol, layerGroups: [], steps: [] },
    );
    const read = readHouseFile(JSON.stringify({ ...now, formatVersion: 6, protocols }));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const acid = read.value.protocols.find(({ id }) => id === 'layered-fruit-acid');
    expect(acid?.layerGroups).toEqual([
      group({
        between: { wait },
        asks: [
          {
            id: 'acid-layers-ask',
            ask: 'How is it?',
            answer: { kind: 'score' },
            reactions: [
              { from: 3, response: 'lightly' },
              { from: 6, response: 'off' },
            ],
          },
        ],
      }),
    ]);
  });

  it('is refused with the place of a fault, as a file of today is', () => {
    const broken = { ...before, services: 'none', stock: [null, 3] };
    const read = readHouseFile(JSON.stringify(broken));
    expect(read.ok ? [] : read.faults.map((fault) => fault.pointer)).toEqual(['/services']);
  });
});

describe('faults of a house file', () => {
  it.each<[string, readonly (string | number)[], unknown, string]>([
    ['another format', ['format'], 'x', '/format'],
    ['another version', ['formatVersion'], 11, '/formatVersion'],
    [
      'an unknown material',
      ['mixes', 0, 'parts', 0, 'source', 'materialId'],
      'ghost',
      '/mixes/0/parts/0/source/materialId',
    ],
    ['an unknown protocol', ['services', 1, 'protocolId'], 'ghost', '/services/1/protocolId'],
    [
      'an unknown therapist',
      ['services', 1, 'therapistIds', 0],
      'ghost',
      '/services/1/therapistIds/0',
    ],
    ['demand for an unknown service', ['demand', 0, 'serviceId'], 'ghost', '/demand/0/serviceId'],
    ['a lot of an unknown material', ['lots', 0, 'materialId'], 'ghost', '/lots/0/materialId'],
    [
      'a price of an unknown material',
      ['prices', 0, 'materialId'],
      'ghost',
      '/prices/0/materialId',
    ],
    ['a movement of an unknown lot', ['movements', 3, 'lotId'], 'ghost', '/movements/3/lotId'],
    [
      'an unknown supplier of a pack',
      ['materials', 0, 'packs', 1, 'supplierId'],
      'ghost',
      '/materials/0/packs/1/supplierId',
    ],
    [
      'a preferred pack that is not there',
      ['materials', 0, 'preferredPackId'],
      'ghost',
      '/materials/0/preferredPackId',
    ],
    [
      'a day that the calendar does not know',
      ['lots', 0, 'deliveredOn'],
      '2026-02-30',
      '/lots/0/deliveredOn',
    ],
    [
      'an unknown zone',
      ['protocols', 0, 'steps', 2, 'zones', 0],
      'wing',
      '/protocols/0/steps/2/zones/0',
    ],
    [
      'work beside nothing',
      ['protocols', 0, 'steps', 4, 'meanwhileOf'],
      'ghost',
      '/protocols/0/steps/4/meanwhileOf',
    ],
    [
      'layers of nothing',
      ['protocols', 1, 'layerGroups', 0, 'layers', 'first'],
      0,
      '/protocols/1/layerGroups/0/layers/first',
    ],
    [
      'a negative amount',
      ['protocols', 0, 'steps', 2, 'doses', 0, 'amount', 'quantity', 'low'],
      -1,
      '/protocols/0/steps/2/doses/0/amount/quantity/low',
    ],
    [
      'an unknown way of saying amounts',
      ['protocols', 0, 'steps', 2, 'doses', 0, 'amount', 'how'],
      'guess',
      '/protocols/0/steps/2/doses/0/amount/how',
    ],
    ['a number in quotes', ['settings', 'vat'], '0.13', '/settings/vat'],
    [
      'a spread longer than the lead time',
      ['suppliers', 0, 'leadTimeSdDays'],
      30,
      '/suppliers/0/leadTimeSdDays',
    ],
  ])('%s is refused at its place', (_, path, value, pointer) => {
    const checked = checkHouse(changed(path, value));
    expect(checked.ok ? [] : checked.faults.map((fault) => fault.pointer)).toEqual([pointer]);
    expect(checked.ok ? '' : checked.faults[0]?.message).not.toMatch(/undefined|ref:|\{#/);
  });

  it('a ledger that stands below nothing is no fault: the house opens, and is counted', () => {
    const [first] = demo().movements;
    const checked = checkHouse(changed(['movements', 0, 'quantity'], -1000));
    expect(checked.ok).toBe(true);
    const lots = checked.ok ? houseOf(checked.value).stock.flatMap((line) => line.lots) : [];
    expect(lots.find(({ id }) => id === first?.lotId)?.sealed).toBeLessThan(0);
  });

  it.each(['\ud800', 'a\u0007b', '\udc00\ud800'])(
    'text that cannot be kept (%j) is refused',
    (name) => {
      const checked = checkHouse(changed(['rooms', 0, 'name'], name));
      expect(checked.ok ? [] : checked.faults.map(({ pointer }) => pointer)).toEqual([
        '/rooms/0/name',
      ]);
    },
  );

  it('nesting without end is refused, however deep', () => {
    let deep: unknown = 1;
    for (let at = 0; at < 100_000; at += 1) deep = [deep];
    const checked = checkHouse(changed(['rooms', 0, 'name'], deep));
    expect(checked.ok ? '' : checked.faults[0]?.code).toBe('input.depth');
  });

  it('says that what is not JSON is not JSON', () => {
    const read = readHouseFile('not json');
    expect(read.ok ? '' : read.faults[0]?.message).toContain('not valid JSON');
  });
});

describe('the JSON Schema in docs', () => {
  it('is the one that the server checks with', async () => {
    const written = await readFile(
      new URL('../docs/house-file.schema.json', import.meta.url),
      'utf8',
    );
    expect(JSON.parse(written), 'run npm run docs:schema').toEqual(
      JSON.parse(JSON.stringify(houseFileJsonSchema())),
    );
  });
});
