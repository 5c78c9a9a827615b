import { readFile } from 'node:fs/promises';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { houseReport } from '@bienestar/core/figures/houseReport';
import { problemsOf } from '@bienestar/core/figures/houseFigures';
import type { House } from '@bienestar/core/house/house';
import { checkHouse, readHouseFile, writeHouseFile } from './houseFile';
import { houseFileJsonSchema } from './houseFileSchema';

const text = await readFile(new URL('../demo/casa-cenera.house.json', import.meta.url), 'utf8');

function demo(): House {
  const house = readHouseFile(text);
  if (!house.ok) throw new Error(JSON.stringify(house.faults));
  return house.value;
}

/** The demo file with one value changed, at a path. */
function changed(path: readonly (string | number)[], value: unknown): unknown {
  const file: unknown = JSON.parse(text);
  let at = file as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as Record<string | number, unknown>;
  at[path.at(-1) ?? ''] = value;
  return file;
}

describe('the demo house', () => {
  it('is a house file whose every figure can be computed, without a conflict', () => {
    const figures = createCalculator()(demo());
    expect(problemsOf(figures)).toEqual([]);
    const clocks = [...figures.services.values()].map((service) => service.schedule);
    expect(clocks.flatMap((clock) => (clock.ok ? clock.value.conflicts : []))).toEqual([]);
  });

  it('has the keys that other programs read', () => {
    const report = houseReport(demo(), createCalculator()(demo()));
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

  it('has two materials to order', () => {
    const report = houseReport(demo(), createCalculator()(demo()));
    const due = report.ok ? report.value.materials.filter((material) => material.shouldOrder) : [];
    expect(due.map((material) => material.id)).toEqual(['fig-enzyme', 'mineral-sunscreen']);
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
          const house = demo();
          const renamed: House = {
            ...house,
            rooms: house.rooms.map((room) => ({ ...room, name })),
            stock: house.stock.map((line) => ({ ...line, onHand: millionths / 1e6 })),
          };
          expect(readHouseFile(writeHouseFile(renamed))).toEqual({ ok: true, value: renamed });
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('faults of a house file', () => {
  it.each<[string, readonly (string | number)[], unknown, string]>([
    ['another format', ['format'], 'x', '/format'],
    ['another version', ['formatVersion'], 2, '/formatVersion'],
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
    ['stock of an unknown material', ['stock', 0, 'materialId'], 'ghost', '/stock/0/materialId'],
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
