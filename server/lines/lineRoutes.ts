import { Router } from 'express';
import type { Sequelize } from 'sequelize';
import type { Lines } from '@bienestar/contract/api';
import type { ReferredKind } from '@bienestar/contract/references';
import { SCHEMAS } from '@bienestar/contract/rules';
import { answerWrite } from '../answers/answerWrite';
import { reading } from '../db/unitOfWork';
import { checkedInput, checkReferences, takeVersion } from '../aggregates/checkInput';
import type { Store } from '../documents/documentStore';
import { invalidInput, staleWrite } from '../http/problems';

interface LineRules<T> {
  readonly keyOf: (line: T) => string;
  readonly key: string;
  readonly of: ReferredKind;
  readonly noun: string;
}

const RULES: { readonly [K in keyof Lines]: LineRules<Lines[K]> } = {
  demand: { key: 'serviceId', keyOf: (line) => line.serviceId, of: 'service', noun: 'plan' },
};

/**
 * The routes of figures kept beside another aggregate.
 * - `GET /` every line.
 * - `PUT /:id` the line of that service or material, `version` as read, or 0 for the first; 400 when
 *   there is no such service or material, 409 with both sides on a stale write.
 */
export function lineRoutes<N extends keyof Lines>(
  name: N,
  store: Store<Lines[N]>,
  sequelize: Sequelize,
): Router {
  const { key, keyOf, of, noun } = RULES[name];
  const router = Router();

  router.get('/', async (_request, response) => {
    response.json(await reading(sequelize, (tx) => store.all(tx)));
  });

  router.put('/:id', async (request, response) => {
    const { id } = request.params;
    const { value: input, version } = takeVersion(request.body);
    const value = checkedInput<Lines[N]>(SCHEMAS[name], input);
    if (keyOf(value) !== id) {
      throw invalidInput([
        { pointer: `/${key}`, code: 'id', message: 'The id cannot be changed.' },
      ]);
    }
    await answerWrite(request, response, sequelize, async (tx) => {
      await checkReferences(sequelize, [{ pointer: `/${key}`, kind: of, id }], tx);
      if (await store.replace(value, version, tx)) {
        return { status: 200, body: await store.find(id, tx) };
      }
      const current = await store.find(id, tx);
      if (current || version !== 0) throw staleWrite(noun, current, request.body);
      await store.insert([value], 1, tx);
      return { status: 200, body: await store.find(id, tx) };
    });
  });

  return router;
}
