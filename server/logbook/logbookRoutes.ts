import { Router } from 'express';
import type { LogbookCorrected, LogbookPage, LoggedVisitRead } from '@bienestar/contract/happened';
import { SCHEMAS } from '@bienestar/contract/rules';
import { asId, type EntryId, type MaterialId } from '@bienestar/core/house/ids';
import { usesCorrected, type CorrectedUse } from '@bienestar/core/logbook/correct';
import { drawFromShelf } from '@bienestar/core/restock/performed';
import type { CorrectionEntry, UseEntry } from '@bienestar/core/stock/entries';
import { beforeFrom, checkedInput } from '../aggregates/checkInput';
import { invalidInput, notFound } from '../http/problems';
import { enterEntry, entryIdFor, holdForEntries } from '../ledger/enterEntry';
import { readStockOf } from '../ledger/shelfReader';
import type { Door } from '../work/door';
import type { UnitOfWork } from '../work/unitOfWork';

const ON_A_PAGE = 200;
const MOST_ON_A_PAGE = 2_000;

/**
 * The routes of the logbook.
 * - `GET /?before=&most=` visits as they were, the newest first, in pages of `most` (200, at most 2000), with the plans
 *   that they name; `next` is where the next page begins.
 * - `GET /:id` one visit beside what it was to be; 404.
 * - `POST /:id/corrections` `{ id, at, by?, why, told? }` amounts that were others: what stood there stays, and the
 *   ledger gets counter-entries; 200, also when it is sent again by its id; 400 for a draw that the visit does not have,
 *   404, also for a visit that was taken back.
 */
export function logbookRoutes(door: Door): Router {
  const router = Router();

  router.get('/', async (request, response) => {
    const before = beforeFrom(request.query.before);
    const most = mostFrom(request.query.most);
    const page: LogbookPage = await door.read(request, async ({ house: { logbook } }) => ({
      ...(await logbook.page(most, before)),
      all: await logbook.atMost(),
    }));
    response.json(page);
  });

  router.get('/:id', async (request, response) => {
    const { id } = request.params;
    const read: LoggedVisitRead = await door.read(request, async ({ house: { logbook } }) => {
      const found = await logbook.find(id);
      if (!found) throw notFound('visit', id);
      return found;
    });
    response.json(read);
  });

  router.post('/:id/corrections', async (request, response) => {
    const { id } = request.params;
    const correction = checkedInput(SCHEMAS.logbookCorrection, request.body);
    await door.write(request, response, async (unit) => {
      const { logbook } = unit.house;
      const found = await logbook.find(id, 'hold');
      if (!found || found.entry.takenBackAt !== undefined) throw notFound('visit', id);
      const { entry, plan } = found;
      if (entry.corrections?.some((each) => each.id === correction.id)) {
        const known: LogbookCorrected = { ...found, stock: [] };
        return { status: 200, body: known };
      }
      const unknown = (correction.told ?? []).findIndex(({ draw }) => !plan.draws[draw]);
      if (unknown !== -1) {
        const message = 'The visit has no such amount.';
        throw invalidInput([{ pointer: `/told/${unknown}/draw`, code: 'any.only', message }]);
      }
      const stock = await draw(unit, found, correction.id, usesCorrected(found, correction));
      await logbook.correct(id, correction);
      const now = await logbook.find(id);
      if (!now) throw notFound('visit', id);
      const corrected: LogbookCorrected = { ...now, stock };
      return { status: 200, body: corrected };
    });
  });

  /** Takes back what the visit drew of these materials, and draws what it really used. */
  async function draw(
    unit: UnitOfWork,
    { entry }: LoggedVisitRead,
    correctionId: string,
    uses: readonly CorrectedUse[],
  ): Promise<LogbookCorrected['stock']> {
    const { treatments, ledger } = unit.house;
    const treatment = await treatments.hold(entry.id);
    if (!treatment) return [];
    const drawn = new Map<MaterialId, EntryId>();
    for (const each of treatment.entryIds) {
      const [movement] = await ledger.entry(each);
      if (movement && !(await ledger.isCorrected(each))) drawn.set(movement.materialId, each);
    }
    const ids = new Set(treatment.entryIds);
    const stock: LogbookCorrected['stock'][number][] = [];
    /* Of what the visit drew nothing was not kept in stock, or has been counted since: it stays as it is. */
    const meant = uses.filter(({ materialId }) => drawn.has(materialId));
    const back = meant.map(({ materialId }): CorrectionEntry => ({
      kind: 'correction',
      id: asId(entryIdFor(`${correctionId}/back/${materialId}`)),
      materialId,
      corrects: drawn.get(materialId) as EntryId,
      note: 'The visit used another amount.',
    }));
    const held = await holdForEntries(back, unit);
    for (const each of back) {
      await enterEntry(each, held, unit);
      ids.delete(each.corrects);
    }
    for (const { materialId, quantity } of meant) {
      const use: UseEntry = {
        kind: 'use',
        id: asId(entryIdFor(`${correctionId}/use/${materialId}`)),
        materialId,
        quantity,
      };
      const there = await readStockOf(ledger, materialId);
      const { entry: possible } = drawFromShelf(use, entry.at, there, undefined);
      if (!possible) {
        stock.push(there);
        continue;
      }
      stock.push((await enterEntry(possible, held, unit)).posted.stock);
      ids.add(use.id);
    }
    await treatments.drew({ ...treatment, entryIds: [...ids] });
    return stock;
  }

  return router;
}

function mostFrom(value: unknown): number {
  if (value === undefined) return ON_A_PAGE;
  const most = Number(value);
  if (Number.isInteger(most) && most >= 1 && most <= MOST_ON_A_PAGE) return most;
  const message = `This must be a whole number from 1 to ${MOST_ON_A_PAGE}.`;
  throw invalidInput([{ pointer: '/most', code: 'number.base', message }]);
}
