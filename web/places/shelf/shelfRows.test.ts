import { describe, expect, it } from 'vitest';
import { createRestocker } from '@bienestar/core/restock/restocker';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House, Material } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import {
  bought,
  cleanser,
  dose,
  house,
  measured,
  minutes,
  pack,
  protocol,
  sachet,
  stockOf,
  step,
} from '@bienestar/core/testing/sample';
import { packAdvice } from '@bienestar/core/cost/packAdvice';
import { shelfStates } from '../../store/shelf';
import { timeLeft } from '../../format/figures';
import { adviceWords } from './adviceWords';
import { placesOfUse } from './placesOfUse';
import { filterRows, groupRows, shelfRows, type ShelfView } from './shelfRows';

const milk = cleanser({
  name: 'Crème lavée',
  care: { warnings: ['fragrance'], allergens: ['limonene'] },
  ...bought({ code: 'N-7', content: 500, priceMinor: 2100 }),
});
const old: Material = { ...sachet(), archivedOn: '2026-01-01' };
const of: House = house({
  materials: [milk, old],
  protocols: [
    protocol([step('cleanse', minutes(2), { doses: [dose(milk.id, measured(5, 'ml'))] })]),
  ],
  stock: [
    {
      materialId: milk.id,
      lots: [{ ...stockOf(milk.id, 500, 500).lots[0]!, code: 'Q77', expiresOn: '2026-11-30' }],
    },
  ],
});
const now = new Date('2026-11-25T00:00:00Z');
const figures = createCalculator()(of);
const rows = shelfRows(
  of,
  figures,
  createRestocker()(of, figures, now),
  shelfStates(of, { now, timeZone: 'UTC' }),
  placesOfUse(of),
);
const everything: ShelfView = { query: '', show: 'all', kind: 'all', supplierId: 'all' };
const found = (changes: Partial<ShelfView>): string[] =>
  filterRows(rows, { ...everything, ...changes }).map(({ material }) => material.id);

describe('the lines of the shelf', () => {
  it.each([
    ['creme', ['cleanser']],
    ['lavee creme', ['cleanser']],
    ['n-7', ['cleanser']],
    ['q77', ['cleanser']],
    ['limonene', ['cleanser']],
    ['fragrance', ['cleanser']],
    ['northquay', ['cleanser']],
    ['enzyme', []],
  ])('are found by %s', (query, ids) => {
    expect(found({ query })).toEqual(ids);
  });

  it('are shown by what they are, the archive apart', () => {
    expect(found({ show: 'soon' })).toEqual(['cleanser']);
    expect(found({ show: 'over' })).toEqual([]);
    expect(found({ show: 'care' })).toEqual(['cleanser']);
    expect(found({ show: 'archived' })).toEqual(['sachet']);
    expect(found({ kind: 'single-dose' })).toEqual([]);
    expect(found({ supplierId: 'another' })).toEqual([]);
  });

  it('know what they are used in, and stand under the titles of their groups', () => {
    expect(rows[0]?.usedIn).toBe(1);
    expect(
      groupRows(rows, 'kind').map((item) => (item.is === 'group' ? item.title : item.is)),
    ).toEqual(['Back bar', 'row', 'Single doses', 'row']);
    expect(groupRows(rows, 'none').map(({ is }) => is)).toEqual(['row', 'row']);
    expect(groupRows(rows, 'supplier')[0]).toMatchObject({ title: 'Northquay', count: 2 });
  });
});

describe('what the adviser says', () => {
  const two = cleanser({
    openLife: { amount: 60, unit: 'days' },
    packs: [
      pack({ id: asId('small'), content: 100, priceMinor: 900 }),
      pack({ id: asId('large'), content: 500, priceMinor: 3000 }),
    ],
    preferredPackId: asId('large'),
  });
  const words = (usesPerDay: number): string => {
    const advice = packAdvice(two, { usesPerDay, perDay: usesPerDay * 2 }, 28, {
      settings: {},
      suppliers: [],
    });
    return advice.ok ? adviceWords(advice.value, two, 'EUR') : '';
  };

  it('names the larger pack that only looks cheaper, and what switching saves', () => {
    expect(words(1)).toMatch(
      /^The 500 ml is cheaper per ml, but \d\d% of it would be over before it is used: the 100 ml is cheapest in use\. Switching saves €\d/,
    );
  });

  it('says when the pack that is bought is the best, and when nothing uses it', () => {
    expect(words(12)).toBe(
      'The 500 ml is cheapest both per ml and in use; it is used up in time. You already buy it.',
    );
    expect(words(0)).toContain('No planned visit uses it');
  });
});

describe('time that is left', () => {
  it.each([
    [9.4, '9 days left'],
    [1, '24 hours left'],
    [0.06, '1 hour left'],
    [0, '0 days left'],
    [-0.1, '2 hours over'],
    [-3.2, '3 days over'],
  ])('of %s days is %s', (days, words) => {
    expect(timeLeft(days)).toBe(words);
  });
});
