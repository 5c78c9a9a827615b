import { Router } from 'express';
import type { MaterialBatch, Versioned } from '@bienestar/contract/api';
import { AGGREGATES } from '@bienestar/contract/rules';
import type { Fault } from '@bienestar/contract/check';
import type { Material } from '@bienestar/core/house/house';
import { checkedInput, checkReferences, takeVersion } from '../aggregates/checkInput';
import { invalidInput, notFound, staleWrite, within } from '../http/problems';
import type { Door } from '../work/door';

const MOST_AT_ONCE = 5_000;

/**
 * The routes of materials beyond those of every aggregate.
 * - `PUT /` with `materials`, each with the `version` read, and `from` (`hand` or `price-list`): all
 *   of them or none; 400 with faults under `/materials/n`, 409 with both sides of the first that
 *   somebody else changed. Answers them with their new versions.
 * - `GET /:id/prices` what its packs cost from day to day, oldest first; 404.
 */
export function materialRoutes(door: Door): Router {
  const { schema, noun, references } = AGGREGATES.materials;
  const router = Router();

  router.put('/', async (request, response) => {
    const batch = batchFrom(request.body);
    const writes = batch.materials.map((input, at) => {
      const { value, version } = within(`/materials/${at}`, () => takeVersion(input));
      return { value: within(`/materials/${at}`, () => checkedInput(schema, value)), version };
    });
    await door.write(request, response, async (unit) => {
      const { house } = unit;
      const store = batch.from === 'hand' ? house.materials : house.listedMaterials;
      const answers: Versioned<Material>[] = [];
      for (const [at, { value, version }] of writes.entries()) {
        await within(`/materials/${at}`, () => checkReferences(unit, references(value)));
        if (!(await store.replace(value, version))) {
          const current = await store.find(value.id);
          if (!current) throw notFound(noun, value.id);
          throw staleWrite(noun, current, batch.materials[at]);
        }
        answers.push({ ...value, version: version + 1 });
      }
      return { status: 200, body: answers };
    });
  });

  router.get('/:id/prices', async (request, response) => {
    const { id } = request.params;
    const points = await door.read(request, async ({ house }) => {
      if (!(await house.materials.find(id))) throw notFound(noun, id);
      return house.prices.all(id);
    });
    response.json(points);
  });

  return router;
}

function batchFrom(body: unknown): Pick<MaterialBatch, 'from'> & {
  readonly materials: readonly unknown[];
} {
  const { materials, from } = (body ?? {}) as Partial<Record<keyof MaterialBatch, unknown>>;
  const faults: Fault[] = [];
  if (!Array.isArray(materials) || materials.length === 0 || materials.length > MOST_AT_ONCE) {
    faults.push({
      pointer: '/materials',
      code: 'array.base',
      message: `This must be a list of 1 to ${MOST_AT_ONCE} materials.`,
    });
  }
  if (from !== 'hand' && from !== 'price-list') {
    faults.push({
      pointer: '/from',
      code: 'any.only',
      message: 'Choose one of: hand, price-list.',
    });
  }
  if (faults.length > 0) throw invalidInput(faults);
  return { materials: materials as readonly unknown[], from: from as MaterialBatch['from'] };
}
