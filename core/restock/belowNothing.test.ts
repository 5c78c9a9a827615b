import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { House } from '../house/house';
import { asId, type LotId } from '../house/ids';
import { postEntry } from '../stock/post';
import { cleanser, house } from '../testing/sample';
import { attentionOf } from './attention';
import { drawFromShelf } from './performed';
import { createRestocker } from './restocker';

const NOW = new Date('2026-11-27T10:00:00Z');
const restockOf = (of: House) => createRestocker()(of, createCalculator()(of), NOW);

describe('a house whose ledger stands below nothing', () => {
  const material = cleanser();
  const of = house({ materials: [material] });
  const lotOf = (id: string, sealed: number) => ({
    id: asId<LotId>(id),
    materialId: material.id,
    code: '',
    content: 500,
    deliveredOn: '2026-01-01',
    sealed,
    open: [],
  });
  const below: House = {
    ...of,
    stock: [{ materialId: material.id, lots: [lotOf('old', -30), lotOf('new', 500)] }],
  };

  it('has all its figures, and says first that it is to be counted', () => {
    const [first] = attentionOf(below, restockOf(below), NOW);
    expect(first).toMatchObject({ kind: 'below-nothing', below: -30 });
  });

  it('is right again after one count, and takes nothing more below nothing meanwhile', () => {
    const stock = below.stock[0]!;
    const books = { material, stock, now: NOW, timeZone: 'UTC' };
    const entry = { materialId: material.id, at: NOW.toISOString() };
    const counted = postEntry(
      { ...entry, id: asId('c'), kind: 'total-count', quantity: 420, lotId: asId('made') },
      books,
    );
    const after = new Map([
      ['old', -30],
      ['new', 500],
    ]);
    for (const { lotId, quantity } of counted.ok ? counted.value.movements : []) {
      after.set(lotId, (after.get(lotId) ?? 0) + quantity);
    }
    expect(after).toEqual(
      new Map([
        ['old', 0],
        ['new', 420],
      ]),
    );
    const use = postEntry({ ...entry, id: asId('u'), kind: 'use', quantity: 471 }, books);
    expect(use.ok).toBe(false);
    const visit = drawFromShelf(
      { ...entry, id: asId('v'), kind: 'use', quantity: 9 },
      NOW.toISOString(),
      { lots: [lotOf('old', -30)] },
      undefined,
    );
    expect(visit).toEqual({ missing: 9, counted: false });
  });
});
