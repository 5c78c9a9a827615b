import { isStep } from '@bienestar/core/house/protocol';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import { AGGREGATE_NAMES } from '@bienestar/contract/rules';
import type { Material, Protocol } from '@bienestar/core/house/house';
import { startApi, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

async function protocol(id = 'black-sand-clay-facial'): Promise<Versioned<Protocol>> {
  return (await api.send<Versioned<Protocol>>('GET', `protocols/${id}`)).body;
}

describe('every kind of aggregate', () => {
  it.each(AGGREGATE_NAMES)('%s: reads what was written, and writes what was read', async (name) => {
    const listed = (await api.send<{ id: string; version: number }[]>('GET', name)).body;
    expect(listed.length).toBeGreaterThan(0);
    for (const value of listed) {
      const saved = await api.send<{ version: number }>('PUT', `${name}/${value.id}`, value);
      expect(saved.status).toBe(200);
      expect(saved.body).toEqual({ ...value, version: value.version + 1 });
    }
  });

  it.each(AGGREGATE_NAMES)('%s: makes a new one and takes it away again', async (name) => {
    const [first] = (await api.send<{ id: string; version: number }[]>('GET', name)).body;
    const { version: _version, ...value } = { ...first, id: 'brand-new', version: 0 };
    const made = await api.send<{ version: number }>('POST', name, value);
    expect(made.status).toBe(201);
    expect(made.headers.get('location')).toBe(`/api/${name}/brand-new`);
    expect((await api.send('POST', name, value)).status).toBe(409);
    expect(
      (await api.send('DELETE', `${name}/brand-new?version=${made.body.version}`)).status,
    ).toBe(204);
    expect((await api.send('GET', `${name}/brand-new`)).status).toBe(404);
  });

  it.each(AGGREGATE_NAMES)('%s: answers bad input with 4xx and the place', async (name) => {
    for (const body of ['{', '[]', 'null', '7', '{}', { version: 1, id: '<b>', name: '' }]) {
      for (const [method, path] of [
        ['POST', name],
        ['PUT', `${name}/brand-new`],
      ] as const) {
        const answer = await api.send(method, path, body);
        expect([method, body, answer.status]).toEqual([method, body, 400]);
        expect(answer.headers.get('content-type')).toContain('application/problem+json');
        expect(answer.body.detail).not.toBe('');
      }
    }
    expect((await api.send('DELETE', `${name}/nobody?version=1`)).status).toBe(404);
    expect((await api.send('DELETE', `${name}/nobody`)).status).toBe(400);
  });
});

describe('a draft that a browser held over a new version', () => {
  it('is saved in the words of now: what was asked after a layer, and its score, are a question', async () => {
    const draft = await protocol('layered-fruit-acid');
    const [group] = draft.layerGroups;
    const { asks: _asks, ...plain } = group!;
    const before = {
      ...plain,
      between: { ...group!.between, question: 'Kept in the browser?' },
      score: { slowAt: 3, stopAt: 6 },
    };
    const { status, body } = await api.send<Protocol>('PUT', 'protocols/layered-fruit-acid', {
      ...draft,
      layerGroups: [before],
    });
    expect(status).toBe(200);
    expect(body.layerGroups[0]?.asks).toMatchObject([
      { ask: 'Kept in the browser?', answer: { kind: 'score' } },
    ]);
  });
});

describe('two people saving at once', () => {
  it('gives the later one both sides, and loses neither', async () => {
    const read = await protocol();
    const mine = { ...read, summary: 'mine' };
    const yours = { ...read, summary: 'yours' };
    expect((await api.send('PUT', `protocols/${read.id}`, mine)).status).toBe(200);
    const stale = await api.send('PUT', `protocols/${read.id}`, yours);
    expect(stale.status).toBe(409);
    expect(stale.body.current).toMatchObject({ summary: 'mine', version: read.version + 1 });
    expect(stale.body.yours).toMatchObject({ summary: 'yours' });
  });

  it('lets exactly one of many win', async () => {
    const read = await protocol('layered-fruit-acid');
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, at) =>
        api.send('PUT', `protocols/${read.id}`, { ...read, summary: `writer ${at}` }),
      ),
    );
    expect(answers.map((answer) => answer.status).sort((a, b) => a - b)).toEqual([
      200,
      ...Array<number>(7).fill(409),
    ]);
    const after = await protocol('layered-fruit-acid');
    expect(after.version).toBe(read.version + 1);
    expect(after.steps).toEqual(read.steps);
  });
});

describe('what is in use', () => {
  it.each([
    ['materials/black-sand-clay', 'mix', 'Clay mask, mixed'],
    ['materials/cotton-pad', 'protocol', 'Black-sand clay facial'],
    ['mixes/clay-mask', 'protocol', 'Black-sand clay facial'],
    ['suppliers/atalaya', 'material', 'Fruit-acid blend 20 %'],
    ['people/dacil', 'service', 'Pumice and oil body polish'],
    ['protocols/pumice-body-polish', 'service', 'Pumice and oil body polish'],
  ])('%s is not deleted, and says where it is used', async (path, kind, name) => {
    const { version } = (await api.send<{ version: number }>('GET', path)).body;
    const answer = await api.send('DELETE', `${path}?version=${version}`);
    expect(answer.status).toBe(409);
    expect(answer.body.usedBy).toContainEqual(expect.objectContaining({ kind, name }));
    expect(answer.body.detail).toContain(name);
  });
});

describe('faults at their places', () => {
  it('points into the protocol', async () => {
    const read = await protocol();
    const [first, second, ...rest] = read.steps;
    if (!first || !second) throw new Error('two steps are needed');
    const faulty = {
      ...read,
      steps: [
        { ...first, minutes: { least: 5, usual: -3, most: 7 } },
        {
          ...second,
          meanwhileOf: 'nowhere',
          doses: [
            {
              id: 'x',
              source: { kind: 'material', materialId: 'ghost' },
              amount: { how: 'measured', unit: 'ml', quantity: { low: 1, usual: 'much', high: 2 } },
              opening: 'fresh',
            },
          ],
        },
        ...rest,
      ],
    };
    const answer = await api.send('PUT', `protocols/${read.id}`, faulty);
    expect(answer.status).toBe(400);
    const places = answer.body.errors?.map((fault) => fault.pointer);
    expect(places).toContain('/steps/0/minutes/usual');
    expect(places).toContain('/steps/1/doses/0/amount/quantity/usual');
    expect(await protocol()).toEqual(read);
  });

  it('names a material that is not in the house, and work beside a step that is not there', async () => {
    const read = await protocol();
    const [first, ...rest] = read.steps;
    if (!first || !isStep(first)) throw new Error('a step is needed');
    const ghost = { ...first.doses[0], source: { kind: 'material', materialId: 'ghost' } };
    const answer = await api.send('PUT', `protocols/${read.id}`, {
      ...read,
      steps: [{ ...first, doses: [ghost] }, ...rest],
    });
    expect(answer.body.errors).toEqual([
      expect.objectContaining({
        pointer: '/steps/0/doses/0/source/materialId',
        message: expect.stringContaining('ghost') as string,
      }),
    ]);
    const beside = await api.send('PUT', `protocols/${read.id}`, {
      ...read,
      steps: [{ ...first, meanwhileOf: 'nowhere' }, ...rest],
    });
    expect(beside.body.errors?.[0]?.pointer).toBe('/steps/0/meanwhileOf');
  });

  it('refuses absurd figures and more decimals than are kept', async () => {
    const milk = (await api.send<Versioned<Material>>('GET', 'materials/prickly-pear-milk')).body;
    if (milk.kind !== 'back-bar') throw new Error('a back-bar product is needed');
    const put = (changes: object) =>
      api.send('PUT', `materials/${milk.id}`, { ...milk, ...changes });
    const pack = (changes: object) =>
      put({ packs: milk.packs.map((each) => ({ ...each, ...changes })) });
    for (const [answer, pointer] of [
      [await pack({ content: 0 }), '/packs/0/content'],
      [await pack({ priceMinor: 12.5 }), '/packs/0/priceMinor'],
      [await pack({ residual: 1 }), '/packs/0/residual'],
      [await pack({ content: 1e12 }), '/packs/0/content'],
      [await put({ measures: { density: 1.0000001 } }), '/measures/density'],
      [await put({ packs: undefined }), '/packs'],
      [await pack({ supplierId: 'nobody' }), '/packs/0/supplierId'],
    ] as const) {
      expect([answer.status, answer.body.errors?.[0]?.pointer]).toEqual([400, pointer]);
    }
  });

  it('takes HTML in a name as the text that it is', async () => {
    const read = await protocol();
    const name = '<img src=x onerror=alert(1)> & “friends”';
    const saved = await api.send<Versioned<Protocol>>('PUT', `protocols/${read.id}`, {
      ...read,
      name,
    });
    expect(saved.body.name).toBe(name);
  });
});

describe('lines beside services and materials', () => {
  it('are written with their version, or made with version 0', async () => {
    const { body: service } = await api.send<{ id: string }[]>('GET', 'services');
    const lines = (await api.send<{ serviceId: string; version: number }[]>('GET', 'demand')).body;
    const line = lines[0];
    const saved = await api.send<object>('PUT', `demand/${line?.serviceId}`, {
      ...line,
      visitsPerWeek: 12.5,
    });
    expect(saved.body).toMatchObject({ visitsPerWeek: 12.5 });
    expect(
      (await api.send('PUT', `demand/${line?.serviceId}`, { ...line, visitsPerWeek: 1 })).status,
    ).toBe(409);
    await api.send('POST', 'services', { ...service[0], version: undefined, id: 'new-service' });
    const first = await api.send('PUT', 'demand/new-service', {
      serviceId: 'new-service',
      visitsPerWeek: 2,
      version: 0,
    });
    expect(first.status).toBe(200);
  });

  it('are refused for what is not there, below zero, or for another id', async () => {
    const demand = (id: string, changes: object) =>
      api.send('PUT', `demand/${id}`, {
        serviceId: 'body-polish',
        visitsPerWeek: 1,
        version: 1,
        ...changes,
      });
    expect((await demand('ghost', { serviceId: 'ghost', version: 0 })).status).toBe(400);
    expect((await demand('body-polish', { visitsPerWeek: -1 })).body.errors?.[0]?.pointer).toBe(
      '/visitsPerWeek',
    );
    expect((await demand('body-polish', { serviceId: 'clay-facial' })).status).toBe(400);
  });
});

describe('house settings', () => {
  it('are versioned and checked', async () => {
    const { settings } = await api.house();
    const put = (changes: object) => api.send('PUT', 'settings', { ...settings, ...changes });
    expect((await put({ commission: 1 })).body.errors?.[0]?.pointer).toBe('/commission');
    expect(
      (await put({ priceEndings: { ...settings.priceEndings, endingsMinor: [900] } })).status,
    ).toBe(400);
    expect(
      (await put({ faceShares: { ...settings.faceShares, nose: 0.5 } })).body.errors?.[0]?.message,
    ).toContain('100 %');
    expect((await put({ targetMargin: 0.4 })).status).toBe(200);
    const stale = await put({ targetMargin: 0.5 });
    expect([stale.status, stale.body.current]).toEqual([
      409,
      expect.objectContaining({ targetMargin: 0.4 }),
    ]);
  });
});
