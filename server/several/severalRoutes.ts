import { Router } from 'express';
import type Joi from 'joi';
import type { AggregateName, Versioned } from '@bienestar/contract/api';
import { AGGREGATES, SCHEMAS } from '@bienestar/contract/rules';
import type { Fault } from '@bienestar/contract/check';
import type { Demand } from '@bienestar/core/house/house';
import type { Reference } from '@bienestar/contract/references';
import { checkedInput, checkReferences, takeVersion } from '../aggregates/checkInput';
import { invalidInput, staleWrite, within } from '../http/problems';
import type { Repository } from '../documents/documentRepository';
import type { Door } from '../work/door';

/** The lists that may be written together, in the order in which they are. */
const LISTS = [
  'suppliers',
  'rooms',
  'people',
  'materials',
  'mixes',
  'devices',
  'blocks',
  'protocols',
  'services',
  'demand',
  'scenarios',
  'placed',
] as const;
type ListName = (typeof LISTS)[number];
const MOST_AT_ONCE = 5_000;

interface Rules {
  readonly noun: string;
  readonly schema: Joi.Schema<object>;
  readonly references: (value: never) => readonly Reference[];
  readonly faults?: (value: never) => readonly Fault[];
}

const DEMAND: Rules = {
  noun: 'plan',
  schema: SCHEMAS.demand,
  references: ({ serviceId }: Demand) => [
    { pointer: '/serviceId', kind: 'service', id: serviceId },
  ],
};

function rulesOf(name: ListName): Rules {
  return name === 'demand' ? DEMAND : AGGREGATES[name as AggregateName];
}

/**
 * The route by which several parts of the House are written together.
 * - `PUT /` with `settings` and lists of `suppliers`, `rooms`, `people`, `materials`, `mixes`, `devices`, `blocks`, `protocols`, `services`,
 *   `demand`, `scenarios`, `placed`, each thing with the `version` read: all of them or none. 400 with faults at their places,
 *   409 with both sides of the first that somebody else changed. Answers them with their new versions.
 */
export function severalRoutes(door: Door): Router {
  const router = Router();

  router.put('/', async (request, response) => {
    const body = bodyOf(request.body);
    const settings =
      body.settings === undefined
        ? undefined
        : within('/settings', () => {
            const { value, version } = takeVersion(body.settings);
            return { value: checkedInput(SCHEMAS.settings, value), version };
          });
    const writes = LISTS.flatMap((list) =>
      listIn(body, list).map((input, at) => ({ list, input, ...checked(list, input, at) })),
    );
    await door.write(request, response, async (unit) => {
      const { house } = unit;
      const answer: Partial<Record<ListName | 'settings', unknown>> = {};
      if (settings) {
        if (!(await house.settings.replace(settings.value, settings.version))) {
          throw staleWrite('house', await house.settings.find(), body.settings);
        }
        answer.settings = { ...settings.value, version: settings.version + 1 };
      }
      for (const { list, input, pointer, value, version } of writes) {
        const store = house[list] as unknown as Repository<object>;
        await within(pointer, () =>
          checkReferences(unit, rulesOf(list).references(value as never)),
        );
        await write(store, list, value, version, input);
        const written: Versioned<object> = { ...value, version: version + 1 };
        answer[list] = [...((answer[list] as object[] | undefined) ?? []), written];
      }
      return { status: 200, body: answer };
    });
  });

  return router;
}

function checked(
  list: ListName,
  input: unknown,
  at: number,
): { readonly pointer: string; readonly value: object; readonly version: number } {
  const pointer = `/${list}/${at}`;
  return within(pointer, () => {
    const { value, version } = takeVersion(input);
    const { schema, faults } = rulesOf(list);
    const further = (of: object): readonly Fault[] => faults?.(of as never) ?? [];
    return { pointer, value: checkedInput(schema, value, further), version };
  });
}

/** What was never written has version 0. */
async function write(
  store: Repository<object>,
  list: ListName,
  value: object,
  version: number,
  input: unknown,
): Promise<void> {
  const of = value as { readonly id?: string; readonly serviceId?: string };
  const id = (list === 'demand' ? of.serviceId : of.id) ?? '';
  if (version === 0 && !(await store.find(id))) {
    await store.insert(value);
    return;
  }
  if (await store.replace(value, version)) return;
  throw staleWrite(rulesOf(list).noun, (await store.find(id)) ?? null, input);
}

function bodyOf(body: unknown): Partial<Record<string, unknown>> {
  if (typeof body === 'object' && body !== null && !Array.isArray(body)) {
    const unknown = Object.keys(body).find(
      (key) => key !== 'settings' && !(LISTS as readonly string[]).includes(key),
    );
    if (unknown === undefined) return { ...body };
    throw invalidInput([
      { pointer: `/${unknown}`, code: 'object.unknown', message: 'This is not known here.' },
    ]);
  }
  throw invalidInput([{ pointer: '', code: 'object.base', message: 'This must be an object.' }]);
}

function listIn(body: Partial<Record<string, unknown>>, name: ListName): readonly unknown[] {
  const list = body[name] ?? [];
  if (Array.isArray(list) && list.length <= MOST_AT_ONCE) return list as readonly unknown[];
  const message = `This must be a list of at most ${MOST_AT_ONCE}.`;
  throw invalidInput([{ pointer: `/${name}`, code: 'array.base', message }]);
}
