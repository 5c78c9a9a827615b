import { Router } from 'express';
import type { Sequelize, Transaction } from 'sequelize';
import type { Performed } from '@bienestar/contract/api';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { Treatment } from '@bienestar/core/house/house';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { drawFromShelf } from '@bienestar/core/restock/performed';
import type { UseEntry } from '@bienestar/core/stock/entries';
import { checkedInput, checkReferences } from '../aggregates/checkInput';
import { idTaken, invalidInput, notFound } from '../http/problems';
import type { Stores } from '../house/stores';
import { enterEntry } from '../ledger/enterEntry';
import { readStockOf } from '../ledger/shelfReader';

type PerformedStores = Pick<
  Stores,
  'treatments' | 'ledger' | 'materials' | 'orders' | 'soldCourses'
>;
const MOST_ENTRIES = 500;

/**
 * The routes of what was performed.
 * - `GET /` of the last months, the oldest first.
 * - `POST /` a treatment and the uses it draws: 201 with what came of it, and what was not there. What
 *   was counted after the treatment is not drawn again. Sent again by its id it counts once. 400, 409.
 * - `POST /:id/take-back` by counter-entries, as a treatment that was not performed; 404.
 */
export function treatmentRoutes(stores: PerformedStores, sequelize: Sequelize): Router {
  const { treatments, ledger, soldCourses } = stores;
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await sequelize.transaction((tx) => treatments.recent(tx)));
  });

  router.post('/', async (request, response) => {
    const { treatment, uses } = inputFrom(request.body);
    const performed = await sequelize.transaction(async (tx) => {
      const earlier = await treatments.find(treatment.id, tx);
      if (earlier) {
        if (earlier.serviceId !== treatment.serviceId) throw idTaken('treatment', treatment.id);
        return { treatment: earlier, stock: [], missing: [], counted: [], isNew: false };
      }
      const pointer = '/treatment/serviceId';
      await checkReferences(sequelize, [{ pointer, kind: 'service', id: treatment.serviceId }], tx);
      const drawn = await draw(treatment, uses, tx);
      const kept = { ...treatment, entryIds: drawn.entryIds };
      await treatments.insert([kept], tx);
      await taken(treatment, 1, tx);
      return { ...drawn, treatment: kept, isNew: true };
    });
    const { isNew, treatment: kept, stock, missing, counted } = performed;
    const answer: Performed = { treatment: kept, stock, missing, counted };
    response.status(isNew ? 201 : 200).json(answer);
  });

  router.post('/:id/take-back', async (request, response) => {
    const { id } = request.params;
    const stock = await sequelize.transaction(async (tx) => {
      const found = await treatments.find(id, tx);
      if (!found) throw notFound('treatment', id);
      const after: Performed['stock'][number][] = [];
      for (const [at, entryId] of found.entryIds.entries()) {
        const [movement] = await ledger.entry(entryId, tx);
        if (!movement) continue;
        const { posted } = await enterEntry(
          {
            kind: 'correction',
            id: asId(`${id.slice(0, 48)}-back-${at}`),
            materialId: movement.materialId,
            corrects: entryId,
            note: 'This treatment was not performed.',
          },
          stores,
          tx,
        );
        after.push(posted.stock);
      }
      await treatments.remove(id, tx);
      await taken(found, -1, tx);
      return after;
    });
    response.json({ stock });
  });

  async function draw(
    treatment: Treatment,
    uses: readonly UseEntry[],
    tx: Transaction,
  ): Promise<Omit<Performed, 'treatment'> & { readonly entryIds: Treatment['entryIds'] }> {
    const stock: Performed['stock'][number][] = [];
    const missing: Performed['missing'][number][] = [];
    const counted: MaterialId[] = [];
    const entryIds: Treatment['entryIds'][number][] = [];
    for (const use of uses.toSorted((a, b) => (a.materialId < b.materialId ? -1 : 1))) {
      await ledger.hold(use.materialId, tx);
      const there = await readStockOf(ledger, use.materialId, tx);
      const plan = drawFromShelf(
        use,
        treatment.at,
        there,
        await ledger.countedAt(use.materialId, tx),
      );
      if (plan.counted) counted.push(use.materialId);
      if (plan.missing > 0) missing.push({ materialId: use.materialId, quantity: plan.missing });
      if (!plan.entry) continue;
      const { posted } = await enterEntry(plan.entry, stores, tx);
      stock.push(posted.stock);
      entryIds.push(use.id);
    }
    return { stock, missing, counted, entryIds };
  }

  /** A visit of a sold course is taken, or given back. */
  async function taken({ soldCourseId }: Treatment, by: number, tx: Transaction): Promise<void> {
    if (soldCourseId === undefined) return;
    const sold = await soldCourses.find(soldCourseId, tx);
    if (!sold) return;
    const { version, ...plain } = sold;
    const next = { ...plain, taken: Math.max(0, plain.taken + by) };
    await soldCourses.replace(next, version, tx);
  }

  return router;
}

function inputFrom(body: unknown): {
  readonly treatment: Treatment;
  readonly uses: readonly UseEntry[];
} {
  const { treatment, uses } = (typeof body === 'object' && body !== null ? body : {}) as Partial<
    Record<'treatment' | 'uses', unknown>
  >;
  const list: unknown = uses ?? [];
  if (!Array.isArray(list) || list.length > MOST_ENTRIES) {
    const message = `This must be a list of at most ${MOST_ENTRIES}.`;
    throw invalidInput([{ pointer: '/uses', code: 'array.base', message }]);
  }
  return {
    treatment: checkedInput<Treatment>(SCHEMAS.treatment, treatment),
    uses: list.map((use: unknown) => {
      const entry = checkedInput(SCHEMAS.stockEntry, use);
      if (entry.kind === 'use') return entry;
      throw invalidInput([
        { pointer: '/uses', code: 'any.only', message: 'A treatment only uses things.' },
      ]);
    }),
  };
}
