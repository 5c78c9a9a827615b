import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { runCommand, type Ran } from './testing/runCommand';

const root = fileURLToPath(new URL('..', import.meta.url));
const demo = join(root, 'demo/casa-cenera.house.json');

const compute = (...args: string[]): Promise<Ran> => runCommand('compute', args);

interface Report {
  readonly services: readonly {
    readonly id: string;
    readonly slotMinutes: number;
    readonly visitMinutes: { readonly mean: number; readonly p90: number };
    readonly roomMinutes: { readonly mean: number; readonly sd: number; readonly p50: number };
    readonly attendedMinutes: number;
    readonly steps: readonly { readonly id: string; readonly roomMinutes: number }[];
    readonly doses: readonly { readonly materialId: string; readonly usual: number }[];
    readonly cost: Readonly<Record<string, number>>;
    readonly price: Readonly<Record<string, number>>;
    readonly chargedBy: string;
    readonly ladders: Readonly<Record<string, number>>;
  }[];
  readonly materials: readonly { readonly id: string; readonly reorderPoint: number | null }[];
}

describe('the command line', () => {
  let folder: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'bienestar-compute-'));
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));

  it('prints every figure of the demo house, whose parts make up its sums', async () => {
    const { code, out, err } = await compute(demo);
    expect([code, err]).toEqual([0, '']);
    const report = JSON.parse(out) as Report;
    expect(report.services).toHaveLength(20);
    expect(report.materials).toHaveLength(48);
    for (const { cost, price, chargedBy, ladders, steps, roomMinutes } of report.services) {
      const { direct = 0, full, room = 0, ...parts } = cost;
      const sum = Object.values(parts).reduce((total, part) => total + part, 0);
      expect(Object.keys(parts)).toHaveLength(8);
      expect(direct).toBeCloseTo(sum, 9);
      expect(full).toBeCloseTo(direct + room, 9);
      const taken = (price.fees ?? 0) + (price.sharedPay ?? 0);
      expect(price.contribution).toBeCloseTo((price.net ?? 0) - taken - direct, 9);
      if (chargedBy === 'own') expect(price.gross).toBe(price.computedGross);
      else expect([price.gross, (price.gross ?? 1) % 500]).toEqual([ladders[chargedBy], 0]);
      const minutes = steps.reduce((sum, step) => sum + step.roomMinutes, 0);
      expect(minutes).toBeCloseTo(roomMinutes.mean, 6);
    }
  });

  it.each<[string, (text: string) => string, RegExp]>([
    ['is not JSON', () => 'buy towels', /not valid JSON/],
    [
      'is of another version',
      (text) => text.replace('"formatVersion": 10', '"formatVersion": 11'),
      /\/formatVersion: .*version 11/,
    ],
    [
      'names a material that is not there',
      (text) => text.replaceAll('"materialId": "aloe-gel"', '"materialId": "ghost"'),
      /no material “ghost”/,
    ],
    [
      'has an amount below zero',
      (text) => text.replace('"usual": 3,', '"usual": -3,'),
      /\/usual: /,
    ],
    [
      'states grams of what has no density',
      (text) => text.replaceAll('"density": 1.02', '"handlingLoss": 0.05'),
      /Mineral sunscreen is stated in g but kept in ml/,
    ],
    [
      'has fees that take the whole price',
      (text) => text.replace('"commission": 0.1', '"commission": 0.7'),
      /take the whole price/,
    ],
    ['has no rooms', (text) => text.replace(/"rooms": \[[^\]]*\]/, '"rooms": []'), /no room yet/],
  ])('ends with 1 and the reason when the file %s', async (name, spoil, reason) => {
    const file = join(folder, `${name.replaceAll(' ', '-')}.json`);
    const text = await readFile(demo, 'utf8');
    const spoiled = spoil(text);
    expect(spoiled).not.toBe(text);
    await writeFile(file, spoiled);
    const { code, out, err } = await compute(file);
    expect([code, out]).toEqual([1, '']);
    expect(err).toMatch(reason);
  });

  it('ends with 1 for no file, and a file that is not there', async () => {
    expect((await compute()).err).toContain('Name a house file');
    const { code, err } = await compute('/nowhere.json');
    expect([code, err]).toEqual([1, expect.stringContaining('/nowhere.json')]);
  });
});
