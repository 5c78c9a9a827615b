import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import { PROBLEM_TYPES, type FetchedList } from '@bienestar/contract/api';
import type { Supplier } from '@bienestar/core/house/house';
import type { Store } from '../aggregates/store';
import { invalidInput, notFound, Refusal } from '../http/problems';

const ANSWERS_WITHIN_MS = 5_000;
/** The largest list that is read, in bytes. */
const LARGEST_LIST = 20 * 1024 * 1024;

/**
 * The routes of suppliers' price lists.
 * - `GET /:supplierId` the list that the supplier publishes now, as its text; 404 for an unknown
 *   supplier, 400 for one without a feed, 424 when the supplier does not answer within 5 seconds,
 *   answers with an error, or sends more than 20 MB.
 * @param base where the lists lie; a feed is a name under it, so nobody can name another address
 */
export function priceListRoutes(
  suppliers: Store<Supplier>,
  base: string | undefined,
  sequelize: Sequelize,
): Router {
  const router = Router();
  router.get('/:supplierId', async (request, response) => {
    const { supplierId } = request.params;
    const supplier = await sequelize.transaction((tx) => suppliers.find(supplierId, tx));
    if (!supplier) throw notFound('supplier', supplierId);
    if (supplier.feed === undefined || base === undefined) {
      throw invalidInput([
        {
          pointer: '/feed',
          code: 'feed.missing',
          message: `${supplier.name} publishes no list that can be fetched: paste it, or choose a file.`,
        },
      ]);
    }
    const text = await fetchList(`${base}/${supplier.feed}.csv`, supplier.name);
    response.json({ name: `${supplier.feed}.csv`, text } satisfies FetchedList);
  });
  return router;
}

async function fetchList(url: string, name: string): Promise<string> {
  const signal = AbortSignal.timeout(ANSWERS_WITHIN_MS);
  const answer = await fetch(url, { signal, redirect: 'error' }).catch(() => undefined);
  if (!answer) {
    throw away(
      signal.aborted
        ? `${name} did not answer within ${ANSWERS_WITHIN_MS / 1000} seconds.`
        : `${name} cannot be reached.`,
    );
  }
  if (!answer.ok) throw away(`${name} answered with an error (${answer.status}).`);
  const chunks: Uint8Array[] = [];
  let size = 0;
  try {
    for await (const chunk of answer.body ?? []) {
      size += chunk.byteLength;
      if (size > LARGEST_LIST) throw away(`The list of ${name} is larger than 20 MB.`);
      chunks.push(chunk);
    }
  } catch (error) {
    throw error instanceof Refusal ? error : away(`${name} broke off in the middle of its list.`);
  }
  return Buffer.concat(chunks).toString('utf8');
}

function away(reason: string): Refusal {
  return new Refusal(
    424,
    PROBLEM_TYPES.supplierAway,
    'No list from the supplier',
    `${reason} Nothing was changed; try again later, paste the list, or choose a file.`,
  );
}
