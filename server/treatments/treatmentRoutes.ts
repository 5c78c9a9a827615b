import { Router } from 'express';
import type { Performed } from '@bienestar/contract/happened';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { Treatment } from '@bienestar/core/house/house';
import type { LogbookVisit } from '@bienestar/core/house/logbook';
import { asId, type MaterialId, type RunEventId } from '@bienestar/core/house/ids';
import { drawFromShelf } from '@bienestar/core/restock/performed';
import type { CorrectionEntry, UseEntry } from '@bienestar/core/stock/entries';
import { beforeFrom, checkedInput, checkReferences } from '../aggregates/checkInput';
import { idTaken, invalidInput, notFound } from '../http/problems';
import { enterEntry, entryIdFor, holdForEntries } from '../ledger/enterEntry';
import { readStockOf } from '../ledger/shelfReader';
import type { Door } from '../work/door';
import type { UnitOfWork } from '../work/unitOfWork';

const TREATMENTS_ON_A_PAGE = 200;
const MOST_ENTRIES = 500;
/** As many visits as a house file takes of a course. */
const MOST_TAKEN = 10_000;

/**
 * The routes of what was performed.
 * - `GET /?before=` in pages of 200, the newest first; `next` is where the next page begins.
 * - `POST /` `{ treatment, uses, log? }` a treatment, the uses it draws, and how it went for the logbook: 201 with what came of it, and what was not there. What
 *   was counted after the treatment is not drawn again. The run of the same id is over with it. Sent again by its id,
 *   or for a booking that is entered already, it counts once. 400, 409.
 * - `POST /:id/take-back` by counter-entries, as a treatment that was not performed; 404.
 */
export function treatmentRoutes(door: Door): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const before = beforeFrom(request.query.before);
    response.json(
      await door.read(request, ({ house }) => house.treatments.page(TREATMENTS_ON_A_PAGE, before)),
    );
  });

  router.post('/', async (request, response) => {
    const { treatment, uses, log } = inputFrom(request.body);
    await door.write(request, response, async (unit) => {
      const { treatments } = unit.house;
      /* Who claims the id first performs it; who sends it at the same moment waits, and is told. */
      if (!(await treatments.claim(treatment))) {
        const earlier = await treatments.find(treatment.id);
        if (earlier?.serviceId !== treatment.serviceId) throw idTaken('treatment', treatment.id);
        const known: Performed = { treatment: earlier, stock: [], missing: [], counted: [] };
        return { status: 200, body: known };
      }
      const same = await treatments.ofBooking(treatment);
      if (same) {
        await treatments.unclaim(treatment.id);
        const known: Performed = { treatment: same, stock: [], missing: [], counted: [] };
        return { status: 200, body: known };
      }
      const pointer = '/treatment/serviceId';
      await checkReferences(unit, [{ pointer, kind: 'service', id: treatment.serviceId }]);
      const { entryIds, ...drawn } = await draw(unit, treatment, uses);
      const kept = { ...treatment, entryIds };
      await treatments.drew(kept);
      if (log) await unit.house.logbook.enter(log);
      await closeRun(unit, kept);
      await taken(unit, treatment, 1);
      const performed: Performed = { ...drawn, treatment: kept };
      return { status: 201, body: performed };
    });
  });

  router.post('/:id/take-back', async (request, response) => {
    const { id } = request.params;
    await door.write(request, response, async (unit) => {
      const { treatments, ledger } = unit.house;
      const found = await treatments.hold(id);
      if (!found || found.takenBackAt !== undefined) throw notFound('performed treatment', id);
      const back = await takenBack(unit, found);
      const held = await holdForEntries(back, unit);
      const stock: Performed['stock'][number][] = [];
      for (const entry of back) {
        /* What was taken back in the ledger already is there again. */
        if (await ledger.isCorrected(entry.corrects)) continue;
        stock.push((await enterEntry(entry, held, unit)).posted.stock);
      }
      await treatments.takeBack(found);
      await taken(unit, found, -1);
      return { status: 200, body: { stock } };
    });
  });

  async function draw(
    unit: UnitOfWork,
    treatment: Treatment,
    uses: readonly UseEntry[],
  ): Promise<Omit<Performed, 'treatment'> & { readonly entryIds: Treatment['entryIds'] }> {
    const stock: Performed['stock'][number][] = [];
    const missing: Performed['missing'][number][] = [];
    const counted: MaterialId[] = [];
    const entryIds: Treatment['entryIds'][number][] = [];
    const { ledger } = unit.house;
    const held = await holdForEntries(uses, unit);
    for (const use of uses) {
      const there = await readStockOf(ledger, use.materialId);
      const plan = drawFromShelf(use, treatment.at, there, await ledger.countedAt(use.materialId));
      if (plan.counted) counted.push(use.materialId);
      if (plan.missing > 0) missing.push({ materialId: use.materialId, quantity: plan.missing });
      if (!plan.entry) continue;
      const { posted } = await enterEntry(plan.entry, held, unit);
      stock.push(posted.stock);
      entryIds.push(use.id);
    }
    return { stock, missing, counted, entryIds };
  }

  /** A run whose visit is entered is over, also where its tablet went out before it could say so. */
  async function closeRun({ house: { runs }, now }: UnitOfWork, { id }: Treatment): Promise<void> {
    const run = await runs.find(id);
    if (!run) return;
    const event = asId<RunEventId>(entryIdFor(`${id}/entered`));
    await runs.add(run.id, [{ id: event, runId: run.id, at: now.toISOString(), kind: 'entered' }]);
  }

  /** The counter-entries of what a treatment drew. */
  async function takenBack(
    { house: { ledger } }: UnitOfWork,
    { id, entryIds }: Treatment,
  ): Promise<readonly CorrectionEntry[]> {
    const back: CorrectionEntry[] = [];
    for (const corrects of entryIds) {
      const [movement] = await ledger.entry(corrects);
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
  async function taken(
    { house: { soldCourses } }: UnitOfWork,
    { soldCourseId }: Treatment,
    by: number,
  ): Promise<void> {
    if (soldCourseId === undefined) return;
    await soldCourses.hold(soldCourseId);
    const sold = await soldCourses.find(soldCourseId);
    if (!sold) return;
    const { version, ...plain } = sold;
    const next = { ...plain, taken: Math.min(MOST_TAKEN, Math.max(0, plain.taken + by)) };
    await soldCourses.replace(next, version);
  }

  return router;
}

function inputFrom(body: unknown): {
  readonly treatment: Treatment;
  readonly uses: readonly UseEntry[];
  readonly log?: LogbookVisit;
} {
  const { treatment, uses, log } = (
    typeof body === 'object' && body !== null ? body : {}
  ) as Partial<Record<'treatment' | 'uses' | 'log', unknown>>;
  const list: unknown = uses ?? [];
  if (!Array.isArray(list) || list.length > MOST_ENTRIES) {
    const message = `This must be a list of at most ${MOST_ENTRIES}.`;
    throw invalidInput([{ pointer: '/uses', code: 'array.base', message }]);
  }
  return {
    treatment: checkedInput<Treatment>(SCHEMAS.treatment, treatment),
    ...(log !== undefined && { log: checkedLog(log, treatment) }),
    uses: list.map((use: unknown) => {
      const entry = checkedInput(SCHEMAS.stockEntry, use);
      if (entry.kind === 'use') return entry;
      throw invalidInput([
        { pointer: '/uses', code: 'any.only', message: 'A treatment only uses things.' },
      ]);
    }),
  };
}

/** How a visit went, where each of its places is one of the plan. */
function checkedLog(log: unknown, treatment: unknown): LogbookVisit {
  const { plan, entry } = checkedInput<LogbookVisit>(SCHEMAS.logbookVisit, log);
  const { acts, draws } = plan;
  const isRight =
    entry.id === (treatment as Partial<Treatment>).id &&
    entry.minutes.length === acts.length &&
    draws.every(({ act }) => act < acts.length) &&
    entry.told.every(({ draw }) => draw < draws.length) &&
    entry.answers.every(({ act }) => act < acts.length);
  if (isRight) return { plan, entry };
  const message = 'What is logged does not fit to what was planned.';
  throw invalidInput([{ pointer: '/log', code: 'any.only', message }]);
}
