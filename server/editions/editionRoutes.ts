import { Router } from 'express';
import { unversioned, withoutVersions, type Publishing } from '@bienestar/contract/api';
import { problemFaults } from '@bienestar/contract/problemFaults';
import { SCHEMAS } from '@bienestar/contract/rules';
import { indexHouse } from '@bienestar/core/house/houseIndex';
import { editionFrom } from '@bienestar/core/protocol/publish';
import { publishFaults } from '@bienestar/core/review/publishFaults';
import { checkedInput } from '../aggregates/checkInput';
import { readHouse } from '../house/wholeHouse';
import { invalidInput, notFound, staleWrite } from '../http/problems';
import type { Door } from '../work/door';
import { toSecond } from '@bienestar/core/days/instants';

/**
 * The routes of published editions.
 * - `GET /:protocolId/:number` one edition with all that is in it; 404.
 * - `POST /` with `{ protocolId, version, note }` publishes the draft that was read, 201 with the
 *   edition; 400 without a note or with what must be put right first, 404, 409 when the draft has changed since.
 */
export function editionRoutes(door: Door): Router {
  const router = Router();

  router.get('/:protocolId/:number', async (request, response) => {
    const { protocolId, number } = request.params;
    const found = await door.read(request, ({ house }) =>
      house.editions.find(protocolId, Number(number)),
    );
    if (!found) throw notFound('edition', `${protocolId} ${number}`);
    response.json(found);
  });

  router.post('/', async (request, response) => {
    const { protocolId, version, note } = checkedInput<Publishing>(
      SCHEMAS.publishing,
      request.body,
    );
    await door.write(request, response, async (unit) => {
      const { house: kept, now } = unit;
      /* Of two who publish at once each gets a number of its own. */
      await kept.protocols.hold(protocolId);
      const draft = await kept.protocols.find(protocolId);
      if (!draft) throw notFound('protocol', protocolId);
      if (draft.version !== version) throw staleWrite('protocol', draft, request.body);
      const house = await readHouse(unit);
      if (!house) throw notFound('protocol', protocolId);
      const plain = withoutVersions(house);
      const faults = publishFaults(unversioned(draft), plain);
      if (faults.length > 0) throw invalidInput(problemFaults(faults));
      const made = editionFrom(unversioned(draft), indexHouse(plain), {
        number: (await kept.editions.newest(protocolId)) + 1,
        publishedAt: toSecond(now),
        note,
      });
      if (!made.ok) throw invalidInput(problemFaults(made.problems));
      await kept.editions.insert(made.value);
      return { status: 201, body: made.value };
    });
  });

  return router;
}
