import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Performed } from '@bienestar/contract/happened';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { drawFromShelf } from '@bienestar/core/restock/performed';
import { balancesOf, stockFrom } from '@bienestar/core/stock/ledger';
import { postEntry } from '@bienestar/core/stock/post';
import type { Lot, MaterialStock, Movement } from '@bienestar/core/house/stock';
import { DEMO_TIME_ZONE, startApi, type demoHouse, type TestApi } from '../testing/api';
import { MATERIALS, now, play, step, type Asked } from '../testing/interleavings';

/* Whatever writes the ledger at the same time leaves what some order of doing it one by one would. */

const STEPS = 200;

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

interface Ledger {
  readonly lots: readonly Lot[];
  readonly movements: readonly Movement[];
  readonly materials: readonly BoughtMaterial[];
}

async function ledgerNow(): Promise<Ledger> {
  const file = await (await fetch(`${api.url}/api/house/file`)).text();
  const { lots, movements, materials } = JSON.parse(file) as Awaited<ReturnType<typeof demoHouse>>;
  const of = <T extends { readonly materialId: string }>(all: readonly T[]): readonly T[] =>
    all.filter(({ materialId }) => (MATERIALS as readonly string[]).includes(materialId));
  return {
    lots: of(lots),
    movements: of(movements),
    materials: materials.filter((each): each is BoughtMaterial => each.kind !== 'linen'),
  };
}

/** Does the entries of one material one by one, in the order in which the ledger has them. */
function replay(id: MaterialId, ledger: Ledger, began: Ledger, asked: Asked): void {
  const bought = ledger.materials.find((each) => each.id === id);
  if (!bought) throw new Error(`${id} is not there`);
  const lots = [...ledger.lots];
  const sofar = began.movements.filter(({ materialId }) => materialId === id);
  const stockNow = (): MaterialStock =>
    stockFrom([id], lots, balancesOf(sofar))[0] ?? { materialId: id, lots: [] };
  const entered = ledger.movements
    .filter(({ materialId }) => materialId === id)
    .slice(sofar.length);
  for (const entryId of new Set(entered.map((movement) => movement.entryId))) {
    const made = entered.filter((movement) => movement.entryId === entryId);
    const known = asked.get(entryId)?.entry;
    const stock = stockNow();
    if (known && known.kind !== 'correction') {
      const counted = sofar.filter(({ kind }) => kind === 'count').map(({ at }) => at);
      const drawn =
        known.kind === 'use' && asked.get(entryId)?.unit !== entryId
          ? drawFromShelf(known, known.at ?? '', stock, counted.sort().at(-1)).entry
          : known;
      const after = sofar.filter(({ at }) => at > (known.at ?? ''));
      const then = stockFrom(
        [id],
        lots,
        balancesOf([...sofar, ...after.map((each) => ({ ...each, quantity: -each.quantity }))]),
      )[0];
      const posted =
        drawn &&
        postEntry(drawn, {
          material: bought,
          stock,
          now: new Date(),
          timeZone: DEMO_TIME_ZONE,
          ...(then && { then }),
        });
      expect(posted?.ok && posted.value.movements, `${entryId} as if it were alone`).toEqual(made);
    }
    sofar.push(...made);
    for (const { sealed, open } of stockNow().lots) {
      expect(Math.min(sealed, ...open.map(({ remaining }) => remaining))).toBeGreaterThanOrEqual(0);
    }
  }
}

/** Whether the units of work can be put in one order that all materials agree with. */
function haveOneOrder(ledger: Ledger, asked: Asked): boolean {
  const after = new Map<string, Set<string>>();
  for (const id of MATERIALS) {
    const units = ledger.movements
      .filter(({ materialId }) => materialId === id)
      .flatMap(({ entryId }) => asked.get(entryId)?.unit ?? []);
    for (const [at, unit] of units.entries()) {
      const next = units[at + 1];
      const later = after.get(unit) ?? new Set();
      after.set(unit, next === undefined || next === unit ? later : later.add(next));
    }
  }
  const state = new Map<string, 'open' | 'done'>();
  const hasCircle = (unit: string): boolean => {
    if (state.get(unit) === 'done') return false;
    if (state.get(unit) === 'open') return true;
    state.set(unit, 'open');
    const circle = [...(after.get(unit) ?? [])].some(hasCircle);
    state.set(unit, 'done');
    return circle;
  };
  return ![...after.keys()].some(hasCircle);
}

describe('uses, visits, counts, deliveries, receipts and take-backs at the same time', () => {
  it('leave what some order of doing them one by one leaves, and never less than nothing', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: STEPS, maxLength: STEPS }), async (steps) => {
        await api.demoAgain();
        const began = await ledgerNow();
        const asked = await play(api, steps);
        const ledger = await ledgerNow();
        for (const id of MATERIALS) replay(asId(id), ledger, began, asked);
        expect(haveOneOrder(ledger, asked)).toBe(true);
      }),
      { numRuns: 3, endOnFailure: true },
    );
  }, 240_000);

  it.each([
    [10, 20, 1],
    [10, 2, 6],
  ])(
    'of %i, %i visits at once that take %i each leave what is there',
    async (there, visits, each) => {
      await set('gauze', there);
      const answers = await Promise.all(
        Array.from({ length: visits }, () => visit([{ material: 'gauze', quantity: each }])),
      );
      const missing = answers.flatMap(({ body }) => body.missing.map((one) => one.quantity));
      expect(await onHand('gauze')).toBe(Math.max(0, there - visits * each));
      expect(missing.reduce((sum, one) => sum + one, 0)).toBe(Math.max(0, visits * each - there));
    },
  );

  it('a visit that is sent twice at the same moment is one visit', async () => {
    await set('gauze', 30);
    const treatment = treatmentOf(randomUUID());
    const uses = [useOf('gauze', 4)];
    const answers = await Promise.all(
      [1, 2, 3].map(() => api.send<Performed>('POST', 'treatments', { treatment, uses })),
    );
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 200, 201]);
    expect(new Set(answers.map(({ body }) => body.treatment.entryIds.join())).size).toBe(1);
    expect(await onHand('gauze')).toBe(26);
  });

  it('a count beside uses leaves nothing below zero', async () => {
    for (let turn = 0; turn < 5; turn += 1) {
      await set('gauze', 92);
      const entryId = randomUUID();
      const line = { materialId: 'gauze', at: now(), entryId, found: 2, by: 'pieces' };
      const entry = {
        kind: 'total-count',
        id: entryId,
        materialId: 'gauze',
        quantity: 2,
        lotId: randomUUID(),
      };
      const roundId = randomUUID();
      await api.send('POST', 'counts', {
        id: roundId,
        name: 'x',
        startedOn: '2026-11-27',
        blind: true,
        lines: [],
      });
      await Promise.all([
        api.send('POST', `counts/${roundId}/lines`, { line, entry }),
        ...[1, 2, 3].map(() => api.send('POST', 'ledger', useOf('gauze', 30))),
      ]);
      expect(await lowest('gauze')).toBeGreaterThanOrEqual(0);
    }
  });
});

function useOf(materialId: string, of: number): object {
  return { kind: 'use', id: randomUUID(), materialId, quantity: of };
}

function treatmentOf(id: string): object {
  return { id, serviceId: 'clay-facial', at: now(), visitKind: 'returning', entryIds: [] };
}

function visit(uses: readonly { material: string; quantity: number }[]) {
  return api.send<Performed>('POST', 'treatments', {
    treatment: treatmentOf(randomUUID()),
    uses: uses.map((use) => useOf(use.material, use.quantity)),
  });
}

/** Counts a material to what it should hold, long before what follows. */
async function set(materialId: string, of: number): Promise<void> {
  await api.demoAgain();
  const entry = {
    kind: 'total-count',
    id: randomUUID(),
    materialId,
    quantity: of,
    lotId: randomUUID(),
  };
  expect((await api.send('POST', 'ledger', entry)).status).toBe(201);
  await api.sequelize.query('UPDATE movements SET at = at - INTERVAL 1 HOUR WHERE entry_id = :id', {
    type: QueryTypes.UPDATE,
    replacements: { id: entry.id },
  });
}

async function stockOf(materialId: string): Promise<MaterialStock> {
  const { body } = await api.send<MaterialStock[]>('GET', 'ledger');
  const found = body.find((line) => line.materialId === materialId);
  if (!found) throw new Error(`${materialId} is not kept in stock`);
  return found;
}

async function lowest(materialId: string): Promise<number> {
  const { lots } = await stockOf(materialId);
  return Math.min(
    ...lots.flatMap(({ sealed, open }) => [sealed, ...open.map((one) => one.remaining)]),
  );
}

async function onHand(materialId: string): Promise<number> {
  const { lots } = await stockOf(materialId);
  return lots
    .flatMap(({ sealed, open }) => [sealed, ...open.map((one) => one.remaining)])
    .reduce((a, b) => a + b, 0);
}
