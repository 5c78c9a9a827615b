import { readFile } from 'node:fs/promises';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { calendarOn } from './bookings/calendar';
import { answerLine } from './scale/protocol';
import { SimulatedScale } from './scale/simulatedScale';
import { editionOf } from './supplier/priceList';
import { isOrder, takeOrder } from './supplier/takeOrder';

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

describe('orders of the simulated supplier', () => {
  const list = () => readFile(new URL('supplier/lists/northquay.csv', import.meta.url), 'utf8');
  const now = new Date('2026-11-25T12:00:00Z');
  const order = {
    id: 'order-1',
    lines: [
      { code: 'N-1204', packs: 10 },
      { code: 'N-9999', packs: 1 },
    ],
  };

  it('are confirmed with a number and a day; what is not in the list does not come', async () => {
    const answer = takeOrder(order, await list(), 'confirm', now);
    expect(answer).toEqual({
      reference: takeOrder(order, await list(), 'late', now).reference,
      dueOn: '2026-11-27',
      lines: [
        { code: 'N-1204', packs: 10 },
        { code: 'N-9999', packs: 0, words: 'No longer in our list.' },
      ],
    });
  });

  it('come late, short, or in another size', async () => {
    const text = await list();
    expect(takeOrder(order, text, 'late', now).dueOn).toBe('2026-12-01');
    expect(takeOrder(order, text, 'short', now).lines[0]).toMatchObject({ packs: 5 });
    expect(takeOrder(order, text, 'substitute', now).lines[0]).toMatchObject({
      packs: 10,
      instead: 'N-1205',
    });
  });

  it('are told from anything else', () => {
    expect(isOrder(order)).toBe(true);
    for (const other of [
      null,
      7,
      {},
      { id: 'x', lines: [null] },
      { id: 'x', lines: [{ code: 1, packs: 1 }] },
    ]) {
      expect(isOrder(other)).toBe(false);
    }
  });
});

describe('the simulated booking calendar', () => {
  const now = new Date('2026-11-25T12:00:00Z');

  it('is the same for the same day, fewer the farther ahead', () => {
    expect(calendarOn(now)).toBe(calendarOn(now));
    const days = [...calendarOn(now).matchAll(/DTSTART;TZID=Atlantic\/Canary:(\d{8})/g)].map(
      ([, day]) => day ?? '',
    );
    const within = (from: string, to: string) =>
      days.filter((day) => day >= from && day < to).length;
    expect(within('20261130', '20261207')).toBeGreaterThan(within('20261221', '20261228'));
    expect(within('20261116', '20261123')).toBeGreaterThan(10);
  });

  it('folds nothing and ends every event', () => {
    const text = calendarOn(now);
    expect(text.match(/BEGIN:VEVENT/g)?.length).toBe(text.match(/END:VEVENT/g)?.length);
    expect(text.split('\r\n').every((line) => line.length <= 75)).toBe(true);
  });
});
