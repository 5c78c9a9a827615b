import { readFile } from 'node:fs/promises';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { answerLine } from './scale/protocol';
import { SimulatedScale } from './scale/simulatedScale';
import { editionOf } from './supplier/priceList';

describe('the simulated scale', () => {
  function scaleAt() {
    const clock = { now: 0 };
    return { clock, scale: new SimulatedScale(() => clock.now) };
  }

  it('swings towards a new weight and is stable only when it has settled', () => {
    const { clock, scale } = scaleAt();
    scale.put(100);
    clock.now = 100;
    const swinging = scale.read();
    expect(swinging).toMatchObject({ is: 'settling' });
    expect('grams' in swinging && swinging.grams).toBeLessThan(50);
    clock.now = 4000;
    const settled = scale.read();
    expect(settled.is).toBe('stable');
    expect('grams' in settled && Math.abs(settled.grams - 100)).toBeLessThan(0.05);
  });

  it('takes what lies on it for nothing, but not while it swings', () => {
    const { clock, scale } = scaleAt();
    scale.put(50);
    expect(answerLine('Z', scale)).toBe('E not stable');
    clock.now = 4000;
    expect(answerLine('z', scale)).toBe('Z');
    scale.add(8.08);
    clock.now = 8000;
    expect(answerLine('R', scale)).toMatch(/^S 8\.(0[5-9]|1[01]) g$/);
  });

  it('fails as a scale does', () => {
    const { clock, scale } = scaleAt();
    scale.put(2100);
    clock.now = 5000;
    expect(answerLine('R', scale)).toBe('O');
    scale.put(10);
    scale.fail('unstable');
    clock.now = 10_000;
    expect(answerLine('R', scale)).toMatch(/^D /);
    expect(answerLine('X', scale)).toBe('E unknown command');
    expect(answerLine('I', scale)).toContain('simulated');
  });
});

describe.each(['northquay', 'atalaya'])('the price list of %s', (name) => {
  const list = () => readFile(new URL(`supplier/lists/${name}.csv`, import.meta.url), 'utf8');
  const rowsOf = (text: string) => Papa.parse<string[]>(text.trim()).data;

  it('is in its first edition what the house pays', async () => {
    expect(editionOf(await list(), 0)).toBe(await list());
  });

  it('changes from edition to edition: some prices, one article gone, one new; always the same', async () => {
    const base = await list();
    const [before, after] = [rowsOf(base), rowsOf(editionOf(base, 1))];
    expect(editionOf(base, 1)).toBe(editionOf(base, 1));
    const codes = (rows: string[][]) => new Set(rows.slice(1).map(([code]) => code));
    const [was, is] = [codes(before), codes(after)];
    expect([...was].filter((code) => !is.has(code))).toHaveLength(1);
    expect([...is].filter((code) => !was.has(code))).toHaveLength(1);
    const priced = new Map(before.map((row) => [row[0], row[5]]));
    const moved = after
      .slice(1)
      .filter((row) => priced.has(row[0]) && priced.get(row[0]) !== row[5]);
    expect(moved.length).toBeGreaterThan(1);
    expect(moved.length).toBeLessThan(after.length / 2);
    expect(editionOf(base, 3)).not.toBe(editionOf(base, 2));
  });
});
