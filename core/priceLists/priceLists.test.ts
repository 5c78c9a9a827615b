import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import { asId } from '../house/ids';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  pack,
  protocol,
  sachet,
  service,
  step,
} from '../testing/sample';
import { applyList, isHeld } from './applyList';
import { compareList, keyOfChange } from './compareList';
import { headingsOf, matchColumns } from './listColumns';
import { decimalMarkOf, readListNumber } from './listNumber';
import { movedServices } from '../figures/movedServices';
import { readList, type ListTerms } from './readList';

const terms: ListTerms = { currency: 'EUR', minorPerMajor: 100 };
const HEAD = ['Article no.', 'Description', 'Content', 'Unit', 'Price', 'Currency'];
const read = (...rows: string[][]) => readList([HEAD, ...rows], matchColumns(HEAD), terms);

describe('numbers of a list', () => {
  it.each([
    ['1.234,50', undefined, 'ambiguous'],
    ['1.234,50', ',', 1234.5],
    ['1,234.50', '.', 1234.5],
    ['1 234,5', ',', 1234.5],
    ['€ 21,00', ',', 21],
    ['12', undefined, 12],
    ['1,234', undefined, 'ambiguous'],
    ['1.234.567', ',', 1234567],
    ['12.34.5', ',', 'nothing'],
    ['1,2,3', ',', 'nothing'],
    ['abc', '.', 'nothing'],
    ['', '.', 'nothing'],
    ['1e5', '.', 'nothing'],
  ] as const)('reads %s with %s as %s', (text, mark, expected) => {
    const found = readListNumber(text, mark);
    expect(found.is === 'number' ? found.value : found.is).toBe(expected);
  });

  it('learns the mark of a column from the cells that leave no doubt', () => {
    expect(decimalMarkOf(['1,234', '12,5'])).toBe(',');
    expect(decimalMarkOf(['1.234,00'])).toBe(',');
    expect(decimalMarkOf(['1,234,567'])).toBe('.');
    expect(decimalMarkOf(['1,234', '900'])).toBeUndefined();
  });

  it('writes and reads any price back, in either way', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 999_999_999 }), fc.boolean(), (minor, comma) => {
        const written = new Intl.NumberFormat(comma ? 'de' : 'en', {
          minimumFractionDigits: 2,
        }).format(minor / 100);
        expect(readListNumber(written, comma ? ',' : '.')).toEqual({
          is: 'number',
          value: minor / 100,
        });
      }),
    );
  });
});

describe('columns of a list', () => {
  it('are matched by their headings, accents and marks aside, and by what was matched before', () => {
    expect(matchColumns(['Código', 'DESCRIPCIÓN', 'Precio'])).toEqual({
      code: 0,
      name: 1,
      price: 2,
    });
    expect(matchColumns(['Kennung', 'Preis'], { code: 'Kennung' })).toEqual({ code: 0, price: 1 });
  });

  it('are remembered by their headings', () => {
    const match = matchColumns(HEAD);
    expect(matchColumns(HEAD.toReversed(), headingsOf(match, HEAD))).toEqual({
      code: 5,
      name: 4,
      content: 3,
      unit: 2,
      price: 1,
      currency: 0,
    });
  });

  it('that are needed are asked for', () => {
    const { faults } = readList([['a', 'b']], {}, terms);
    expect(faults.map(({ message }) => message)).toEqual([
      'Say which column holds the article number.',
      'Say which column holds the price.',
    ]);
  });
});

describe('reading a list', () => {
  it('takes units, thousands and the currency of the house', () => {
    const { articles, faults } = read(
      ['N1', 'Milk', '0,5', 'l', '1.021,00', 'EUR'],
      ['', '', '', '', '', ''],
      ['N2', 'Sachet', '6', 'g', '36,00', '€'],
    );
    expect(faults).toEqual([]);
    expect(articles).toMatchObject([
      { row: 2, code: 'N1', content: 500, unit: 'ml', priceMinor: 102_100 },
      { row: 4, code: 'N2', content: 6, unit: 'g', priceMinor: 3600 },
    ]);
  });

  it.each([
    [
      'a code twice',
      [
        ['N1', '', '', '', '1', 'EUR'],
        ['N1', '', '', '', '2', 'EUR'],
      ],
      3,
      'already in row 2',
    ],
    ['another currency', [['N1', '', '', '', '1', 'CHF']], 2, 'in CHF'],
    ['a sign of another currency', [['N1', '', '', '', '$1', '']], 2, 'in USD'],
    ['a formula for a price', [['N1', '', '', '', '=1+1', '']], 2, 'formula'],
    ['a formula for a name', [['N1', '=HYPERLINK("x")', '', '', '1', '']], 2, 'formula'],
    ['a wrong encoding', [['N1', 'Cr\ufffdme', '', '', '1', '']], 2, 'UTF-8'],
    ['no code', [['', 'Milk', '', '', '1', '']], 2, 'article number is missing'],
    ['no price', [['N1', 'Milk', '', '', '', '']], 2, 'price is missing'],
    ['a negative price', [['N1', '', '', '', '-3', '']], 2, 'from 0'],
    ['more decimals than cents', [['N1', '', '', '', '1.2345', '']], 2, 'decimals'],
    ['an ambiguous number', [['N1', '', '', '', '1,234', '']], 2, 'two ways'],
    ['a pack of nothing', [['N1', '', '0', 'ml', '1', '']], 2, 'more than 0'],
    ['an unknown unit', [['N1', '', '1', 'gallon', '1', '']], 2, 'not known'],
  ])('finds %s with its row', (_, rows, row, words) => {
    const { faults } = read(...rows);
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatchObject({ row });
    expect(faults[0]!.message).toContain(words);
  });

  it('says when there is nothing below the headings', () => {
    expect(read().faults[0]!.message).toContain('no row');
  });
});

describe('laying a list over the shelf', () => {
  const milk = cleanser({
    packs: [
      pack({ id: asId('m500'), code: 'N1', content: 500, priceMinor: 2000 }),
      pack({ id: asId('m1000'), code: 'N9', content: 1000, priceMinor: 3500 }),
      pack({
        id: asId('else'),
        supplierId: asId('other'),
        code: 'N1',
        content: 400,
        priceMinor: 1,
      }),
    ],
    preferredPackId: asId('m500'),
  });
  const powder = sachet({
    packs: [pack({ id: asId('s20'), code: 'N2', containers: 20, content: 6, priceMinor: 3600 })],
    preferredPackId: asId('s20'),
  });
  const demo = house({
    materials: [milk, powder],
    protocols: [
      protocol([step('cleanse', minutes(3), { doses: [dose(milk.id, measured(5, 'ml'))] })]),
    ],
    services: [service()],
  });
  const supplierId = milk.packs[0]!.supplierId;
  const { articles } = read(
    ['N1', 'Milk', '500', 'ml', '22', ''],
    ['N2', 'Sachets', '6', 'g', '36', ''],
    ['N7', 'New balm', '30', 'ml', '12', ''],
  );
  const changes = compareList(demo, supplierId, articles);

  it('tells dearer, gone, new and same, by the supplier’s own article numbers', () => {
    expect(changes.map(({ kind }) => kind)).toEqual(['dearer', 'gone', 'new', 'same']);
    expect(changes[0]).toMatchObject({ change: expect.closeTo(0.1, 9) as number });
  });

  it('takes a larger pack at the same price for cheaper', () => {
    const { articles: larger } = read(['N1', 'Milk', '600', 'ml', '20', '']);
    expect(compareList(demo, supplierId, larger)[0]).toMatchObject({ kind: 'cheaper' });
  });

  it('applies what is ticked and nothing else, and says which services move by how much', () => {
    const ticked = new Set(['pack/m500', 'pack/m1000', 'new/N7']);
    const places = new Map([['N7', { materialId: powder.id, packId: asId<never>('p7') }]]);
    const after = applyList(demo, supplierId, changes, ticked, places);
    expect(after.map(({ id }) => id)).toEqual([milk.id, powder.id]);
    const [milkAfter, powderAfter] = after as (typeof milk)[];
    expect(milkAfter!.packs.map(({ id, priceMinor }) => [id, priceMinor])).toEqual([
      ['m500', 2200],
      ['else', 1],
    ]);
    expect(powderAfter!.packs[1]).toMatchObject({ code: 'N7', priceMinor: 1200, supplierId });
    const compute = createCalculator();
    const before = compute(demo);
    const moved = movedServices(
      demo,
      before,
      compute({ ...demo, materials: [milkAfter!, powder] }),
    );
    expect(moved).toHaveLength(1);
    expect(moved[0]!.costAfter - moved[0]!.costBefore).toBeCloseTo((5 * (2200 - 2000)) / 500, 9);
    expect(applyList(demo, supplierId, changes, new Set(), places)).toEqual([]);
  });

  it('keeps the preferred pack when it is no longer listed', () => {
    const gone = compareList(demo, supplierId, articles.slice(1));
    const all = new Set(gone.map(keyOfChange));
    const milkAfter = applyList(demo, supplierId, gone, all, new Map())[0];
    expect(milkAfter?.kind !== 'linen' && milkAfter?.packs.map(({ id }) => id)).toEqual([
      'm500',
      'else',
    ]);
  });

  it('holds the pack that is counted with, and nothing else', () => {
    const gone = compareList(demo, supplierId, articles.slice(1));
    const held = gone.filter((change) => isHeld(change, demo.materials));
    expect(held.map(keyOfChange)).toEqual(['pack/m500']);
    expect(
      gone
        .filter(({ kind }) => kind === 'gone')
        .map(keyOfChange)
        .toSorted(),
    ).toEqual(['pack/m1000', 'pack/m500']);
    expect(applyList(demo, supplierId, held, new Set(['pack/m500']), new Map())).toEqual([]);
  });
});
