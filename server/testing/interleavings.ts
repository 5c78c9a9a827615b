import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { expect } from 'vitest';
import type { Performed } from '@bienestar/contract/happened';
import type { Order } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { StockEntry, UseEntry } from '@bienestar/core/stock/entries';
import type { TestApi } from './api';
import { toSecond } from '@bienestar/core/days/instants';

/** The materials over which everybody meets. */
export const MATERIALS = ['gauze', 'couch-paper', 'mask-brush'] as const;
const CONNECTIONS = 8;

const material = fc.constantFrom(...MATERIALS);
const quantity = fc.integer({ min: 1, max: 12 });
/** One thing that somebody does to the stock. */
export const step = fc.oneof(
  { weight: 5, arbitrary: fc.record({ kind: fc.constant('use' as const), material, quantity }) },
  {
    weight: 3,
    arbitrary: fc.record({
      kind: fc.constant('visit' as const),
      uses: fc.uniqueArray(fc.record({ material, quantity }), {
        minLength: 1,
        maxLength: 3,
        selector: (use) => use.material,
      }),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({
      kind: fc.constant('count' as const),
      material,
      quantity: fc.integer({ min: 0, max: 40 }),
    }),
  },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('delivery' as const), material }) },
  { weight: 1, arbitrary: fc.record({ kind: fc.constant('receipt' as const) }) },
  {
    weight: 2,
    arbitrary: fc.record({ kind: fc.constant('take-back' as const), which: fc.nat({ max: 99 }) }),
  },
);
type Step = typeof step extends fc.Arbitrary<infer S> ? S : never;

/** What was asked for, by the id of its entry: how much a visit wants, or the entry as it was sent. */
export type Asked = ReadonlyMap<string, { readonly unit: string; readonly entry: StockEntry }>;

/** The moment, as the ledger has it. */
export const now = (): string => toSecond(new Date());

/** Does all of it, from several connections at once. */
export async function play(api: TestApi, steps: readonly Step[]): Promise<Asked> {
  const asked = new Map<string, { unit: string; entry: StockEntry }>();
  const done: { kind: 'entry' | 'visit'; id: string; materialId: string }[] = [];
  const roundId = randomUUID();
  const round = { id: roundId, name: 'All', startedOn: now().slice(0, 10), blind: true, lines: [] };
  await api.send('POST', 'counts', round);
  const statuses = new Set<number>();
  const heard = (status: number): boolean => {
    statuses.add(status);
    return status < 300;
  };
  const enter = async (entry: StockEntry): Promise<void> => {
    asked.set(entry.id, { unit: entry.id, entry });
    const { status } = await api.send('POST', 'ledger', entry);
    if (heard(status) && entry.kind !== 'correction') {
      done.push({ kind: 'entry', id: entry.id, materialId: entry.materialId });
    }
  };
  const doOne = async (one: Step): Promise<void> => {
    const id = asId<StockEntry['id']>(randomUUID());
    const at = now();
    switch (one.kind) {
      case 'use':
        return enter({
          kind: 'use',
          id,
          materialId: asId(one.material),
          quantity: one.quantity,
          at,
        });
      case 'delivery':
        return enter({
          kind: 'delivery',
          id,
          materialId: asId(one.material),
          lotId: asId(`lot-${id}`),
          packId: asId(`${one.material}-pack-1`),
          packs: 1,
          code: '',
          deliveredOn: at.slice(0, 10),
          at,
        });
      case 'count': {
        const entry: StockEntry = {
          kind: 'total-count',
          id,
          materialId: asId(one.material),
          quantity: one.quantity,
          lotId: asId(`lot-${id}`),
          at,
        };
        asked.set(id, { unit: id, entry });
        const line = {
          materialId: one.material,
          at,
          entryId: id,
          found: one.quantity,
          by: 'pieces',
        };
        heard((await api.send('POST', `counts/${roundId}/lines`, { line, entry })).status);
        return;
      }
      case 'visit': {
        const uses = one.uses.map((use): UseEntry => ({
          kind: 'use',
          id: asId(randomUUID()),
          materialId: asId(use.material),
          quantity: use.quantity,
          at,
        }));
        for (const entry of uses) asked.set(entry.id, { unit: id, entry });
        const treatment = {
          id,
          serviceId: 'clay-facial',
          at,
          visitKind: 'returning',
          entryIds: [],
        };
        const { status } = await api.send<Performed>('POST', 'treatments', { treatment, uses });
        if (heard(status)) done.push({ kind: 'visit', id, materialId: '' });
        return;
      }
      case 'receipt': {
        const read = await api.send<Order & { version: number }>('GET', 'orders/order-32');
        const line = {
          lineId: 'l1',
          entryId: id,
          lotId: `lot-${id}`,
          packId: 'gauze-pack-1',
          packs: 1,
          code: '',
          refused: 0,
          tooMany: 'keep',
        };
        const { status } = await api.send('POST', 'orders/order-32/receive', {
          version: read.body.version,
          on: at.slice(0, 10),
          lines: [line],
          rest: 'awaited',
        });
        if (heard(status)) done.push({ kind: 'entry', id, materialId: 'gauze' });
        return;
      }
      case 'take-back': {
        const what = done[one.which % Math.max(1, done.length)];
        if (!what) return;
        if (what.kind === 'visit') {
          heard((await api.send('POST', `treatments/${what.id}/take-back`, {})).status);
          return;
        }
        return enter({
          kind: 'correction',
          id,
          materialId: asId(what.materialId),
          corrects: asId(what.id),
          note: 'Not so',
          at,
        });
      }
    }
  };
  const queue = [...steps];
  const worker = async (): Promise<void> => {
    for (let one = queue.shift(); one; one = queue.shift()) await doOne(one);
  };
  await Promise.all(Array.from({ length: CONNECTIONS }, worker));
  expect([...statuses].filter((status) => ![200, 201, 400, 404, 409].includes(status))).toEqual([]);
  return asked;
}
