import { Router } from 'express';
import type { CountEntered } from '@bienestar/contract/happened';
import { SCHEMAS } from '@bienestar/contract/rules';
import { betweenCounts, type CountHistory } from '@bienestar/core/restock/countReview';
import type { CountedLine } from '@bienestar/core/house/house';
import { checkedInput } from '../aggregates/checkInput';
import { invalidInput, notFound } from '../http/problems';
import { enterEntry, holdForEntries } from '../ledger/enterEntry';
import type { Door } from '../work/door';

/** Counts of each material that are looked at: that of the round and those before it. */
const COUNTS_LOOKED_AT = 4;
/** As many as a house file takes. */
const MOST_LINES = 20_000;

/**
 * What is done in a round of counting.
 * - `GET /:id/history` what it and the counts before it found against the ledger, and what was used,
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
      const counts = await house.ledger.counts(round.lines, COUNTS_LOOKED_AT);
      const spans = betweenCounts(round.lines, counts, COUNTS_LOOKED_AT);
      return { counts, gone: await house.ledger.goneBetween(spans) };
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
