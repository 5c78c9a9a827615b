import { Router } from 'express';
import { type FetchedList } from '@bienestar/contract/api';
import { PROBLEM_TYPES } from '@bienestar/contract/problems';
import { fetchText } from '../http/fetchText';
import { invalidInput, notFound } from '../http/problems';
import type { Door } from '../work/door';

/**
 * The routes of suppliers' price lists.
 * - `GET /:supplierId` the list that the supplier publishes now, as its text; 404 for an unknown
 *   supplier, 400 for one without a feed, 424 when the supplier does not answer within 5 seconds,
 *   answers with an error, or sends more than 20 MB.
 * @param base where the lists lie; a feed is a name under it, so nobody can name another address
 */
export function priceListRoutes(door: Door, base: string | undefined): Router {
  const router = Router();
  router.get('/:supplierId', async (request, response) => {
    const { supplierId } = request.params;
    const supplier = await door.read(request, ({ house }) => house.suppliers.find(supplierId));
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
    const text = await fetchText(`${base}/${supplier.feed}.csv`, {
      who: supplier.name,
      what: 'list',
      type: PROBLEM_TYPES.supplierAway,
    });
    response.json({ name: `${supplier.feed}.csv`, text } satisfies FetchedList);
  });
  return router;
}
