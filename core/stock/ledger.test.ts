import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asId, type EntryId, type LotId, type MaterialId } from '../house/ids';
import { cleanser, pack, problemOf, sachet, valueOf } from '../testing/sample';
import type { BoughtMaterial } from '../house/house';
import { daysAfter, daysBetween, isDay } from '../days/days';
import type { StockEntry } from './entries';
import { balancesOf, stockFrom } from './ledger';
import { postEntry } from './post';
import { shelfState } from './shelfLife';
import { onHandOf, type Lot, type MaterialStock, type Movement } from '../house/stock';
import { takenByWeight, weighedQuantity } from './weighed';

const NOW = new Date('2026-11-25T12:00:00Z');
const milk = cleanser({ openLife: { amount: 90, unit: 'days' } });
const powder = sachet({
  packs: [pack({ containers: 20, content: 6 })],
});

/** A ledger in memory: what the server keeps in rows. */
function books(material: BoughtMaterial) {
  const lots: Lot[] = [];
  const movements: Movement[] = [];
  const stock = (): MaterialStock =>
    stockFrom([material.id], lots, balancesOf(movements))[0] ?? {
      materialId: material.id,
      lots: [],
    };
  let entries = 0;
  const enter = (entry: Partial<StockEntry> & { readonly kind: StockEntry['kind'] }) => {
    entries += 1;
    const full = {
      id: asId<EntryId>(`e${entries}`),
      materialId: material.id,
      ...entry,
    } as StockEntry;
    const of = full.kind === 'correction' ? full.corrects : undefined;
    const posted = postEntry(full, {
      material,
      stock: stock(),
      now: NOW,
      timeZone: 'UTC',
      corrected: movements.filter((movement) => movement.entryId === of),
      alreadyCorrected: movements.some((movement) => movement.corrects === of && of !== undefined),
    });
    if (posted.ok) {
      if (posted.value.lot) lots.push(posted.value.lot);
      movements.push(...posted.value.movements);
    }
    return posted;
  };
  const deliver = (lotId: string, expiresOn?: string, packs = 1) =>
    enter({
      kind: 'delivery',
      lotId: asId<LotId>(lotId),
      packId: material.packs[0]!.id,
      packs,
      code: lotId.toUpperCase(),
      deliveredOn: '2026-10-01',
      ...(expiresOn === undefined ? {} : { expiresOn }),
    });
  const state = () => shelfState(material, stock(), { now: NOW, timeZone: 'UTC' });
  return { lots, movements, stock, enter, deliver, state };
}

describe('the ledger', () => {
  it('holds what was delivered, and opening moves a container without changing what is there', () => {
    const shelf = books(milk);
    shelf.deliver('a', '2027-06-30', 2);
    expect(onHandOf(shelf.stock())).toBe(1000);
    shelf.enter({ kind: 'opening', at: '2026-11-15T09:00:00.000Z' });
    const { onHand, sealedContainers, open } = shelf.state();
    expect([onHand, sealedContainers, open.length]).toEqual([1000, 1, 1]);
    expect(open[0]!.remaining).toBe(500);
    expect(Math.round(open[0]!.daysLeft!)).toBe(80);
  });

  it('uses what is open and what expires first', () => {
    const shelf = books(milk);
    shelf.deliver('late', '2027-12-31');
    shelf.deliver('soon', '2027-01-31');
    shelf.enter({ kind: 'use', quantity: 30 });
    expect(shelf.state().open.map(({ lot }) => lot.id)).toEqual(['soon']);
    shelf.enter({ kind: 'use', quantity: 480 });
    const left = shelf.stock().lots.map(({ id, sealed, open }) => [id, sealed, open.length]);
    expect(left).toEqual([['late', 0, 1]]);
    expect(onHandOf(shelf.stock())).toBe(490);
  });

  it('takes single doses from the lot, without opening the box', () => {
    const shelf = books(powder);
    shelf.deliver('a', '2027-01-01');
    shelf.deliver('b', '2026-12-01');
    shelf.enter({ kind: 'use', quantity: 126 });
    expect(shelf.stock().lots.map(({ id, sealed }) => [id, sealed])).toEqual([['a', 114]]);
    expect(shelf.state().open).toEqual([]);
  });

  it('uses what is past its date last, and tells what is over and what soon will be', () => {
    const shelf = books(powder);
    shelf.deliver('over', '2026-11-20');
    shelf.deliver('soon', '2026-12-01');
    shelf.deliver('good', '2027-06-01');
    expect(shelf.state()).toMatchObject({
      onHand: 360,
      usable: 240,
      over: 120,
      expiringSoon: 120,
      firstEndsInDays: 6,
    });
    shelf.enter({ kind: 'use', quantity: 12 });
    expect(shelf.state()).toMatchObject({ over: 120, expiringSoon: 108 });
  });

  it('counts differences, and a weighed container through its tare', () => {
    const shelf = books(milk);
    shelf.deliver('a');
    shelf.enter({ kind: 'opening' });
    const [lot] = shelf.stock().lots;
    const quantity = valueOf(
      weighedQuantity({ grossG: 353.5, tareG: 50.5 }, 'ml', { name: 'Milk', density: 1.01 }, {}),
    );
    expect(quantity).toBe(300);
    shelf.enter({
      kind: 'count',
      found: [{ lotId: lot!.id, containerId: lot!.open[0]!.id, quantity }],
    });
    expect(onHandOf(shelf.stock())).toBe(300);
    expect(shelf.movements.at(-1)).toMatchObject({ kind: 'count', quantity: -200 });
    const jar = { name: 'Balm', density: 0.9, unit: 'ml' } as const;
    expect(valueOf(takenByWeight({ beforeG: 50, afterG: 45.5 }, jar, {}))).toBeCloseTo(5, 6);
    expect(problemOf(takenByWeight({ beforeG: 50, afterG: 51 }, jar, {})).code).toBe(
      'weighs-more-than-before',
    );
    expect(
      problemOf(weighedQuantity({ grossG: 40, tareG: 50 }, 'ml', { name: 'Milk' }, {})).message,
    ).toContain('less than its empty container');
  });

  it('a total count takes from what goes first, and what is found more lies in the newest lot', () => {
    const shelf = books(powder);
    shelf.enter({ kind: 'total-count', quantity: 60, lotId: asId('found') });
    expect(shelf.lots.map((lot) => lot.id)).toEqual(['found']);
    shelf.deliver('a', '2027-01-01');
    shelf.enter({ kind: 'total-count', quantity: 50, lotId: asId('none') });
    expect(shelf.stock().lots.map(({ id, sealed }) => [id, sealed])).toEqual([['found', 50]]);
  });

  it('a correction takes an entry back by its opposite, once, and not after it has been used', () => {
    const shelf = books(milk);
    shelf.deliver('a');
    shelf.enter({ kind: 'use', quantity: 20, id: asId<EntryId>('mistake') });
    const back = {
      kind: 'correction',
      corrects: asId<EntryId>('mistake'),
      note: 'typed twice',
    } as const;
    expect(shelf.enter(back).ok).toBe(true);
    expect(onHandOf(shelf.stock())).toBe(500);
    expect(problemOf(shelf.enter(back)).message).toContain('already been taken back');
    shelf.enter({ kind: 'use', quantity: 10 });
    const delivery = {
      kind: 'correction',
      corrects: asId<EntryId>('e1'),
      note: 'wrong lot',
    } as const;
    expect(problemOf(shelf.enter(delivery)).code).toBe('taken-since');
    expect(problemOf(shelf.enter({ ...delivery, note: ' ' })).where).toMatchObject({
      field: 'note',
    });
  });
});

describe('entries that cannot be', () => {
  const shelf = books(milk);
  shelf.deliver('a', '2026-12-31');
  const none = asId<LotId>('nowhere');
  const delivery = {
    kind: 'delivery',
    lotId: asId<LotId>('b'),
    packId: milk.packs[0]!.id,
    packs: 1,
    code: '',
    deliveredOn: '2026-11-01',
  } as const;

  it.each<[string, Parameters<typeof shelf.enter>[0], string]>([
    ['a delivery of tomorrow', { ...delivery, deliveredOn: '2026-11-26' }, 'deliveredOn'],
    ['an expiry before the delivery', { ...delivery, expiresOn: '2026-10-31' }, 'expiresOn'],
    ['a day that is none', { ...delivery, deliveredOn: '2026-02-30' }, 'deliveredOn'],
    ['half a pack', { ...delivery, packs: 0.5 }, 'packs'],
    ['a pack of another material', { ...delivery, packId: asId('other') }, 'packId'],
    ['opening a lot that is not there', { kind: 'opening', lotId: none }, 'lotId'],
    ['a use of nothing', { kind: 'use', quantity: 0 }, 'quantity'],
    ['a use of more than there is', { kind: 'use', quantity: 501 }, 'quantity'],
    ['a use in an hour', { kind: 'use', quantity: 1, at: '2026-11-25T23:00:00.000Z' }, 'at'],
    [
      'a use before the delivery',
      { kind: 'use', quantity: 1, lotId: asId<LotId>('a'), at: '2026-09-01T09:00:00.000Z' },
      'at',
    ],
    [
      'more thrown away than is sealed',
      { kind: 'discard', lotId: asId<LotId>('a'), quantity: 501, reason: 'broken' },
      'quantity',
    ],
    [
      'something thrown away for no reason',
      { kind: 'discard', lotId: asId<LotId>('a'), quantity: 1, reason: 'other' },
      'note',
    ],
    [
      'a count below nothing',
      { kind: 'count', found: [{ lotId: asId<LotId>('a'), quantity: -1 }] },
      'found',
    ],
    ['a count of nothing', { kind: 'count', found: [] }, 'found'],
    [
      'a count of one lot twice',
      {
        kind: 'count',
        found: [
          { lotId: asId<LotId>('a'), quantity: 1 },
          { lotId: asId<LotId>('a'), quantity: 2 },
        ],
      },
      'found',
    ],
    ['a total below nothing', { kind: 'total-count', quantity: -1, lotId: none }, 'quantity'],
    [
      'taking back what was never entered',
      { kind: 'correction', corrects: asId('x'), note: 'y' },
      'corrects',
    ],
  ])('refuses %s at its field', (_, entry, field) => {
    const before = shelf.movements.length;
    expect(problemOf(shelf.enter(entry)).where).toMatchObject({ materialId: milk.id, field });
    expect(shelf.movements.length).toBe(before);
  });

  it('opens no more than there is', () => {
    const one = books(milk);
    one.deliver('a');
    expect(one.enter({ kind: 'opening' }).ok).toBe(true);
    expect(problemOf(one.enter({ kind: 'opening' })).code).toBe('nothing-sealed');
  });
});

describe('a jar that was started before anything was entered', () => {
  it.each([
    [300, [300]],
    [500, [500]],
    [650, [500, 150]],
  ])('of %s ml in all is opened, counted, and thrown away', (quantity, contents) => {
    const shelf = books(milk);
    shelf.enter({ kind: 'total-count', quantity, lotId: asId<LotId>('first') });
    for (const _ of contents) expect(shelf.enter({ kind: 'opening' }).ok).toBe(true);
    expect(problemOf(shelf.enter({ kind: 'opening' })).code).toBe('nothing-sealed');
    const [lot] = shelf.stock().lots;
    expect(lot?.sealed).toBe(0);
    expect(lot?.open.map(({ remaining }) => remaining)).toEqual(contents);
    const found = lot!.open.map(({ id }) => ({ lotId: lot!.id, containerId: id, quantity: 40 }));
    expect(shelf.enter({ kind: 'count', found }).ok).toBe(true);
    expect(onHandOf(shelf.stock())).toBe(40 * contents.length);
    const [{ containerId, lotId } = found[0]!] = found;
    const gone = { kind: 'discard', lotId, containerId, quantity: 40, reason: 'expired' } as const;
    expect(shelf.enter(gone).ok).toBe(true);
  });
});

describe('laws of the ledger', () => {
  const entry = fc.oneof(
    fc.record({ kind: fc.constant('deliver' as const), packs: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ kind: fc.constant('opening' as const) }),
    fc.record({
      kind: fc.constant('use' as const),
      quantity: fc.integer({ min: 1, max: 900_000_000 }),
    }),
    fc.record({
      kind: fc.constant('total-count' as const),
      quantity: fc.integer({ min: 0, max: 900_000_000 }),
    }),
    fc.record({ kind: fc.constant('correction' as const), of: fc.nat({ max: 20 }) }),
  );

  it('nothing is ever below zero, what is on hand is the sum of all movements, and parts sum to it', () => {
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 25 }), fc.boolean(), (entries, opens) => {
        const shelf = books(opens ? milk : powder);
        for (const [at, one] of entries.entries()) {
          if (one.kind === 'deliver')
            shelf.deliver(`lot${at}`, daysAfter('2026-11-20', at), one.packs);
          else if (one.kind === 'opening') shelf.enter({ kind: 'opening' });
          else if (one.kind === 'use') shelf.enter({ kind: 'use', quantity: one.quantity / 1e6 });
          else if (one.kind === 'total-count') {
            shelf.enter({
              kind: 'total-count',
              quantity: one.quantity / 1e6,
              lotId: asId(`found${at}`),
            });
          } else {
            shelf.enter({
              kind: 'correction',
              corrects: asId<EntryId>(`e${one.of}`),
              note: 'back',
            });
          }
          const { lots } = shelf.stock();
          for (const lot of lots) {
            expect(lot.sealed).toBeGreaterThanOrEqual(0);
            for (const { remaining } of lot.open) expect(remaining).toBeGreaterThan(0);
          }
          const millionths = shelf.movements.reduce(
            (sum, { quantity }) => sum + Math.round(quantity * 1e6),
            0,
          );
          const state = shelf.state();
          expect(state.onHand).toBe(millionths / 1e6);
          expect(state.usable + state.over).toBeCloseTo(state.onHand, 6);
          if (one.kind === 'total-count') expect(state.onHand).toBe(one.quantity / 1e6);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('lots are used first expired first, whatever order they came in', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 400 }), { minLength: 2, maxLength: 8 }),
        (days) => {
          const shelf = books(powder);
          for (const each of days) shelf.deliver(`d${each}`, daysAfter('2026-11-25', each));
          shelf.enter({ kind: 'use', quantity: 120 });
          const left = new Set(shelf.stock().lots.map(({ id }) => String(id)));
          expect(left.has(`d${Math.min(...days)}`)).toBe(false);
          expect(left.size).toBe(days.length - 1);
        },
      ),
    );
  });
});

describe('days', () => {
  it('are those of the calendar', () => {
    expect(daysBetween('2026-02-27', '2026-03-01')).toBe(2);
    expect(daysAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect([isDay('2026-02-30'), isDay('2026-2-3'), isDay('2028-02-29')]).toEqual([
      false,
      false,
      true,
    ]);
  });
});

describe('fresh goods', () => {
  const orange: BoughtMaterial = {
    id: asId<MaterialId>('orange'),
    kind: 'fresh',
    name: 'Orange',
    unit: 'ml',
    measures: {},
    yieldPerPiece: { usual: 60, spread: 0.25 },
    keeps: { amount: 6, unit: 'days' },
    openLife: { amount: 6, unit: 'hours' },
    packs: [pack({ containers: 6, content: 1, priceMinor: 300 })],
    preferredPackId: pack({}).id,
  };

  it('come by the piece, are cut open, and are over in hours', () => {
    const shelf = books(orange);
    shelf.deliver('net', '2026-12-01');
    expect(shelf.state()).toMatchObject({ onHand: 360, sealedContainers: 6 });
    shelf.enter({ kind: 'use', quantity: 80, at: '2026-11-25T04:00:00Z' });
    const { open, over, usable } = shelf.state();
    expect(open.map(({ remaining }) => remaining)).toEqual([40]);
    expect(open[0]!.daysLeft).toBeCloseTo(-2 / 24, 6);
    expect([over, usable]).toEqual([40, 240]);
  });
});
