import { Router } from 'express';
import type { Lines } from '@bienestar/contract/api';
import type { ReferredKind } from '@bienestar/contract/references';
import { SCHEMAS } from '@bienestar/contract/rules';
import { checkedInput, checkReferences, takeVersion } from '../aggregates/checkInput';
import { invalidInput, staleWrite } from '../http/problems';
import type { Door } from '../work/door';

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
export function lineRoutes<N extends keyof Lines>(name: N, door: Door): Router {
  const { key, keyOf, of, noun } = RULES[name];
  const router = Router();

  router.get('/', async (request, response) => {
    response.json(await door.read(request, ({ house }) => house[name].all()));
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
    await door.write(request, response, async (unit) => {
      const store = unit.house[name];
      await checkReferences(unit, [{ pointer: `/${key}`, kind: of, id }]);
      if (await store.replace(value, version)) {
        return { status: 200, body: await store.find(id) };
      }
      const current = await store.find(id);
      if (current || version !== 0) throw staleWrite(noun, current, request.body);
      await store.insert(value);
      return { status: 200, body: await store.find(id) };
    });
  });

  return router;
}
