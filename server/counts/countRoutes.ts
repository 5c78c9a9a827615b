import { Router } from 'express';
import type { CountEntered } from '@bienestar/contract/api';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { CountHistory } from '@bienestar/core/restock/countReview';
import type { CountedLine } from '@bienestar/core/house/house';
import { checkedInput } from '../aggregates/checkInput';
import { invalidInput, notFound } from '../http/problems';
import { enterEntry, holdForEntries } from '../ledger/enterEntry';
import type { Door } from '../work/door';

/** Counts of each material that are looked at: the newest. */
const COUNTS_LOOKED_AT = 4;
/** As many as a house file takes. */
const MOST_LINES = 20_000;

/**
 * What is done in a round of counting.
 * - `GET /:id/history` what the newest counts of its materials found against the ledger, and what was used,
 *   opened and thrown away from day to day meanwhile; 404.
 * - `POST /:id/lines` with a `line` and its count `entry`: into the ledger and the round, both or none.
 *   Several may count one round at once. 201; 400 with faults, also when the round has ended; 404. Sent
 *   again by its entry it counts once.
 */
export function countRoutes(door: Door): Router {
  const router = Router();

  router.get('/:id/history', async (request, response) => {
    const { id } = request.params;
    const history = await door.read(request, async ({ house }): Promise<CountHistory> => {
      const round = await house.counts.find(id);
      if (!round) throw notFound('count', id);
      const materials = round.lines.map(({ materialId }) => materialId);
      const counts = await house.ledger.counts(materials, COUNTS_LOOKED_AT);
      return { counts, gone: await house.ledger.goneByDay(firstOf(counts)) };
    });
    response.json(history);
  });

  router.post('/:id/lines', async (request, response) => {
    const { id } = request.params;
    const { line, entry } = inputFrom(request.body);
    await door.write(request, response, async (unit) => {
      const { counts } = unit.house;
      await counts.hold(id);
      const found = await counts.find(id);
      if (!found) throw notFound('count', id);
      const { version, ...round } = found;
      if (round.endedOn !== undefined || round.lines.length >= MOST_LINES) {
        throw invalidInput([
          {
            pointer: '/endedOn',
            code: 'count.ended',
            message:
              round.endedOn === undefined
                ? 'This count holds as many lines as it can: end it, and begin another one.'
                : 'This count has ended: begin another one.',
          },
        ]);
      }
      const held = await holdForEntries([entry], unit);
      const { posted, isNew } = await enterEntry(entry, held, unit);
      if (isNew) await counts.replace({ ...round, lines: [...round.lines, line] }, version);
      const after = await counts.find(id);
      const { stock, movements } = posted;
      const entered: CountEntered = { round: after ?? found, stock, movements };
      return { status: 201, body: entered };
    });
  });
  return router;
}

/** The first day of the counts of each material. */
function firstOf(counts: CountHistory['counts']): { materialId: string; at: string }[] {
  const first = new Map<string, string>();
  for (const { materialId, at } of counts) {
    if (!first.has(materialId)) first.set(materialId, `${at.slice(0, 10)}T00:00:00Z`);
  }
  return [...first].map(([materialId, at]) => ({ materialId, at }));
}

function inputFrom(body: unknown) {
  const { line, entry } = (typeof body === 'object' && body !== null ? body : {}) as Partial<
    Record<'line' | 'entry', unknown>
  >;
  const counted = checkedInput<CountedLine>(SCHEMAS.countedLine, line);
  const checked = checkedInput(SCHEMAS.stockEntry, entry);
  if (
    (checked.kind === 'count' || checked.kind === 'total-count') &&
    checked.id === counted.entryId &&
    checked.materialId === counted.materialId
  ) {
    return { line: counted, entry: checked };
  }
  throw invalidInput([
    { pointer: '/entry', code: 'any.only', message: 'The entry must be the count of this line.' },
  ]);
}
