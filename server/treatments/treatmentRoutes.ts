import { createHash } from 'node:crypto';
import { Router } from 'express';
import type { Sequelize, Transaction } from 'sequelize';
import type { Performed } from '@bienestar/contract/api';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { Treatment } from '@bienestar/core/house/house';
import { asId, type MaterialId } from '@bienestar/core/house/ids';
import { drawFromShelf } from '@bienestar/core/restock/performed';
import type { CorrectionEntry, UseEntry } from '@bienestar/core/stock/entries';
import { answerWrite } from '../answers/answerWrite';
import { reading } from '../db/unitOfWork';
import { checkedInput, checkReferences } from '../aggregates/checkInput';
import { idTaken, invalidInput, notFound } from '../http/problems';
import type { Stores } from '../house/stores';
import { enterEntry, holdForEntries } from '../ledger/enterEntry';
import { readStockOf } from '../ledger/shelfReader';

type PerformedStores = Pick<
  Stores,
  'treatments' | 'ledger' | 'materials' | 'orders' | 'soldCourses'
>;
const MOST_ENTRIES = 500;
/** As many visits as a house file takes of a course. */
const MOST_TAKEN = 10_000;

/**
 * The routes of what was performed.
 * - `GET /` of the last months, the oldest first.
 * - `POST /` a treatment and the uses it draws: 201 with what came of it, and what was not there. What
 *   was counted after the treatment is not drawn again. Sent again by its id,
 *   or for a booking that is entered already, it counts once. 400, 409.
 * - `POST /:id/take-back` by counter-entries, as a treatment that was not performed; 404.
 */
export function treatmentRoutes(stores: PerformedStores, sequelize: Sequelize): Router {
  const { treatments, ledger, soldCourses } = stores;
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await reading(sequelize, (tx) => treatments.recent(tx)));
  });

  router.post('/', async (request, response) => {
    const { treatment, uses } = inputFrom(request.body);
    await answerWrite(request, response, sequelize, async (tx) => {
      /* Who claims the id first performs it; who sends it at the same moment waits, and is told. */
      if (!(await treatments.claim(treatment, tx))) {
        const earlier = await treatments.find(treatment.id, tx);
        if (earlier?.serviceId !== treatment.serviceId) throw idTaken('treatment', treatment.id);
        const known: Performed = { treatment: earlier, stock: [], missing: [], counted: [] };
        return { status: 200, body: known };
      }
      const same = await treatments.ofBooking(treatment, tx);
      if (same) {
        await treatments.remove(treatment.id, tx);
        const known: Performed = { treatment: same, stock: [], missing: [], counted: [] };
        return { status: 200, body: known };
      }
      const pointer = '/treatment/serviceId';
      await checkReferences(sequelize, [{ pointer, kind: 'service', id: treatment.serviceId }], tx);
      const { entryIds, ...drawn } = await draw(treatment, uses, tx);
      const kept = { ...treatment, entryIds };
      await treatments.drew(treatment.id, entryIds, tx);
      await taken(treatment, 1, tx);
      const performed: Performed = { ...drawn, treatment: kept };
      return { status: 201, body: performed };
    });
  });

  router.post('/:id/take-back', async (request, response) => {
    const { id } = request.params;
    await answerWrite(request, response, sequelize, async (tx) => {
      const found = await treatments.hold(id, tx);
      if (!found) throw notFound('treatment', id);
      const back = await takenBack(found, tx);
      const held = await holdForEntries(back, stores, tx);
      const stock: Performed['stock'][number][] = [];
      for (const entry of back) {
        /* What was taken back in the ledger already is there again. */
        if (await ledger.isCorrected(entry.corrects, tx)) continue;
        stock.push((await enterEntry(entry, held, stores, tx)).posted.stock);
      }
      await treatments.remove(id, tx);
      await taken(found, -1, tx);
      return { status: 200, body: { stock } };
    });
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
    const held = await holdForEntries(uses, stores, tx);
    for (const use of uses) {
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
      const { posted } = await enterEntry(plan.entry, held, stores, tx);
      stock.push(posted.stock);
      entryIds.push(use.id);
    }
    return { stock, missing, counted, entryIds };
  }

  /** The counter-entries of what a treatment drew. */
  async function takenBack(
    { id, entryIds }: Treatment,
    tx: Transaction,
  ): Promise<readonly CorrectionEntry[]> {
    const back: CorrectionEntry[] = [];
    for (const corrects of entryIds) {
      const [movement] = await ledger.entry(corrects, tx);
      if (!movement) continue;
      back.push({
        kind: 'correction',
        id: asId(entryIdFor(`${id}/${corrects}`)),
        materialId: movement.materialId,
        corrects,
        note: 'This treatment was not performed.',
      });
    }
    return back;
  }

  /** A visit of a sold course is taken, or given back. */
  async function taken({ soldCourseId }: Treatment, by: number, tx: Transaction): Promise<void> {
    if (soldCourseId === undefined) return;
    await soldCourses.hold(soldCourseId, tx);
    const sold = await soldCourses.find(soldCourseId, tx);
    if (!sold) return;
    const { version, ...plain } = sold;
    const next = { ...plain, taken: Math.min(MOST_TAKEN, Math.max(0, plain.taken + by)) };
    await soldCourses.replace(next, version, tx);
  }

  return router;
}

/** The same id for the same counter-entry, however long the ids are that it is made of. */
function entryIdFor(text: string): string {
  return createHash('sha256').update(text).digest('base64url').slice(0, 32);
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
