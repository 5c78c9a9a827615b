import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import type { Block, Edition, Protocol, Service, Step } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import { migrations } from '../db/migrate';
import { freshDatabase, startApi, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

const draft = async (id: string): Promise<Versioned<Protocol>> =>
  (await api.send<Versioned<Protocol>>('GET', `protocols/${id}`)).body;
const edition = async (id: string, number: number): Promise<Edition> =>
  (await api.send<Edition>('GET', `editions/${id}/${number}`)).body;
const publish = (protocolId: string, version: number, note = 'new') =>
  api.send<Edition>('POST', 'editions', { protocolId, version, note });

describe('publishing', () => {
  it('makes the next edition, in which later edits of draft, block and mix change nothing', async () => {
    const read = await draft('prickly-pear-calm');
    const made = await publish(read.id, read.version, 'cooler');
    expect([made.status, made.body.number, made.body.note]).toEqual([201, 2, 'cooler']);
    const [block] = (await api.send<Versioned<Block>[]>('GET', 'blocks')).body;
    const steps = block!.steps.map((line) => ({ ...line, name: `${line.name}!` }));
    expect((await api.send('PUT', `blocks/${block!.id}`, { ...block, steps })).status).toBe(200);
    const mix = (
      await api.send<Versioned<{ id: string; bowlLoss: number }>>('GET', 'mixes/calm-mask')
    ).body;
    expect((await api.send('PUT', 'mixes/calm-mask', { ...mix, bowlLoss: 0.5 })).status).toBe(200);
    expect((await api.send('PUT', `protocols/${read.id}`, { ...read, steps: [] })).status).toBe(
      200,
    );
    expect(await edition(read.id, 2)).toEqual(made.body);
    expect(made.body.protocol.steps.every(isStep)).toBe(true);
    expect(made.body.mixes.map(({ id }) => id)).toContain('calm-mask');
  });

  it('asks for a note, and for the draft as it is', async () => {
    const read = await draft('warm-sand-back');
    expect((await publish(read.id, read.version, ' ')).status).toBe(400);
    const stale = await api.send('POST', 'editions', {
      protocolId: read.id,
      version: read.version + 1,
      note: 'x',
    });
    expect([stale.status, (stale.body.current as { id: string }).id]).toEqual([409, read.id]);
    expect((await publish('nobody', 1)).status).toBe(404);
  });

  it('is refused with what must be put right first', async () => {
    const read = await draft('fine-needle-renewal');
    const steps = read.steps.map((line): unknown =>
      isStep(line) && line.device
        ? {
            ...line,
            device: {
              ...line.device,
              settings: [{ zones: ['cheeks'], values: [{ kind: 'depth', value: 3 }] }],
            },
          }
        : line,
    );
    const saved = await api.send<Versioned<Protocol>>('PUT', `protocols/${read.id}`, {
      ...read,
      steps,
    });
    expect(saved.status).toBe(200);
    const refused = await api.send('POST', 'editions', {
      protocolId: read.id,
      version: saved.body.version,
      note: 'deeper',
    });
    expect([refused.status, refused.body.detail]).toEqual([
      400,
      'Fine-needle pen, cheeks: depth goes from 0.2 to 1 mm, not 3.',
    ]);
  });

  it('gives each of many at once a number of its own', async () => {
    const read = await draft('warmth-lift');
    const all = await Promise.all(Array.from({ length: 5 }, () => publish(read.id, read.version)));
    const numbers = all.filter(({ status }) => status === 201).map(({ body }) => body.number);
    expect(new Set(numbers).size).toBe(numbers.length);
    for (const { status } of all) expect([201, 409, 503]).toContain(status);
  });
});

describe('services and their editions', () => {
  it('are worked by one that is there', async () => {
    const service = (await api.send<Versioned<Service>>('GET', 'services/warm-sand')).body;
    expect(service.edition).toBe(1);
    const answer = await api.send('PUT', 'services/warm-sand', { ...service, edition: 9 });
    expect([answer.status, answer.body.errors?.[0]?.pointer]).toEqual([400, '/edition']);
  });

  it('bring their edition into the house, and the heads of all others', async () => {
    const house = await api.house();
    expect(house.editionHeads.length).toBeGreaterThan(house.editions.length);
    expect(house.editions.every(({ number }) => number === 1)).toBe(true);
    expect(house.editionHeads.every((head) => !('protocol' in head))).toBe(true);
  });

  it.each([
    ['materials/copper-ampoule', 'published edition'],
    ['devices/needle-pen', 'published edition'],
    ['blocks/opening-ritual', 'protocol'],
    ['protocols/warm-sand-back', 'published edition'],
    ['people/nerea', 'device'],
  ])('%s is not deleted while it is used', async (path, kind) => {
    const { version } = (await api.send<{ version: number }>('GET', path)).body;
    const answer = await api.send('DELETE', `${path}?version=${version}`);
    expect(answer.status).toBe(409);
    expect(answer.body.usedBy?.map((use) => use.kind)).toContain(kind);
  });
});

describe('what a protocol may say', () => {
  it.each<[string, (step: Step) => object, string]>([
    [
      'an endpoint without a cap',
      (step) => ({ ...step, until: 'pink', capMinutes: undefined }),
      'capMinutes',
    ],
    [
      'an option that is not there',
      (step) => ({ ...step, option: { choiceId: 'x', optionId: 'y' } }),
      'option',
    ],
    [
      'a device that is not there',
      (step) => ({ ...step, device: { deviceId: 'ghost', settings: [] } }),
      'device/deviceId',
    ],
    [
      'a block that is not there',
      ({ id, stretch, name }) => ({ id, stretch, name, blockId: 'ghost' }),
      'blockId',
    ],
  ])('%s is refused at its place', async (_, make, field) => {
    const read = await draft('pumice-body-polish');
    const [first, ...rest] = read.steps;
    if (!first || !isStep(first)) throw new Error('a step is needed');
    const answer = await api.send('PUT', `protocols/${read.id}`, {
      ...read,
      steps: [make(first), ...rest],
    });
    expect([answer.status, answer.body.errors?.[0]?.pointer]).toEqual([400, `/steps/0/${field}`]);
  });

  it('a caution is taken off only with its reason in writing', async () => {
    const read = await draft('pumice-body-polish');
    const cautions = { added: [], removed: [{ ruleId: 'infection', reason: ' ' }] };
    const answer = await api.send('PUT', `protocols/${read.id}`, { ...read, cautions });
    expect(answer.body.detail).toContain('needs its reason in writing');
  });
});

describe('a database of before', () => {
  it('keeps its protocols and mixes as documents, and gives them back', async () => {
    const database = await freshDatabase();
    const umzug = migrations(database);
    await umzug.up({ to: '0002-shelf' });
    const run = (sql: string) => database.query(sql, { type: QueryTypes.RAW });
    const rows = (sql: string) =>
      database.query<Record<string, unknown>>(sql, { type: QueryTypes.SELECT });
    await run(
      "INSERT INTO materials (id, version, name, kind, unit) VALUES ('m', 1, 'Milk', 'linen', 'piece')",
    );
    await run(
      "INSERT INTO mixes (id, version, name, basis, bowl_loss) VALUES ('x', 1, 'Mix', 'g', 0.1)",
    );
    await run(
      "INSERT INTO mix_parts (mix_of_id, position, amount_how, amount_low, amount_usual, amount_high, amount_unit, material_id) VALUES ('x', 0, 'measured', 1, 2, 3, 'g', 'm')",
    );
    await run(
      "INSERT INTO protocols (id, version, name, summary) VALUES ('p', 4, 'Facial', 'Short.')",
    );
    await run(
      "INSERT INTO layer_groups (protocol_id, id, position, name, layers_first, layers_returning) VALUES ('p', 'l', 0, 'Layers', 1, 2)",
    );
    await run(
      `INSERT INTO steps (protocol_id, id, position, stretch, name, done_by, hands, least_minutes, usual_minutes, most_minutes, zones, layer_group_id)
       VALUES ('p', 's', 0, 'visit', 'Cleanse', 'therapist', 'hands-on', 1, 2, 3, '["face"]', 'l')`,
    );
    await run(
      `INSERT INTO doses (protocol_id, step_id, id, position, amount_how, amount_low, amount_usual, amount_high, opening, mix_id)
       VALUES ('p', 's', 'd', 0, 'coat-weight', 1, 2, 3, 'fresh', 'x')`,
    );
    await umzug.up();
    const [kept] = await rows('SELECT body FROM protocols');
    expect(typeof kept?.body === 'string' ? JSON.parse(kept.body) : kept?.body).toEqual({
      id: 'p',
      name: 'Facial',
      summary: 'Short.',
      steps: [
        {
          id: 's',
          stretch: 'visit',
          name: 'Cleanse',
          by: 'therapist',
          hands: 'hands-on',
          minutes: { least: 1, usual: 2, most: 3 },
          zones: ['face'],
          doses: [
            {
              id: 'd',
              source: { kind: 'mix', mixId: 'x' },
              amount: { how: 'coat-weight', mgPerCm2: { low: 1, usual: 2, high: 3 } },
              opening: 'fresh',
            },
          ],
          layerGroupId: 'l',
        },
      ],
      layerGroups: [{ id: 'l', name: 'Layers', layers: { first: 1, returning: 2 } }],
      choices: [],
    });
    expect(await rows('SELECT by_mix_id, by_protocol_id, material_id, mix_id FROM uses')).toEqual([
      { by_mix_id: 'x', by_protocol_id: null, material_id: 'm', mix_id: null },
      { by_mix_id: null, by_protocol_id: 'p', material_id: null, mix_id: 'x' },
    ]);
    await umzug.down({ to: '0003-protocols' });
    expect(await rows('SELECT name, layer_group_id, most_minutes FROM steps')).toEqual([
      { name: 'Cleanse', layer_group_id: 'l', most_minutes: 3 },
    ]);
    expect(await rows('SELECT amount_how, amount_high, mix_id FROM doses')).toEqual([
      { amount_how: 'coat-weight', amount_high: 3, mix_id: 'x' },
    ]);
    expect(await rows('SELECT basis, bowl_loss FROM mixes')).toEqual([
      { basis: 'g', bowl_loss: 0.1 },
    ]);
    await database.close();
  });
});
