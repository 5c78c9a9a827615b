import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Incidents, RunPage, RunSoFar } from '@bienestar/contract/happened';
import type { HouseArchive } from '@bienestar/core/house/archive';
import type { Run, RunLogEntry } from '@bienestar/core/house/run';
import { asId } from '@bienestar/core/house/ids';
import { demoHouse, startApi, type TestApi } from '../testing/api';

let api: TestApi;
let run: Run;
beforeAll(async () => {
  api = await startApi();
  const { protocols, services } = await demoHouse();
  const [service] = services;
  const protocol = protocols.find(({ id }) => id === service?.protocolId);
  if (!service || !protocol) throw new Error('The demo house has no service.');
  run = {
    id: asId('run-1'),
    serviceId: service.id,
    protocolId: protocol.id,
    protocol,
    visitKind: 'returning',
    slotMinutes: 75,
    at: '2026-11-27T10:00:00Z',
    guest: 'Candela',
  };
});
afterAll(() => api.close());

let made = 0;
function event(of: Partial<RunLogEntry> & Pick<RunLogEntry, 'kind'>): RunLogEntry {
  made += 1;
  return {
    id: asId(`event-${made}`),
    runId: asId('run-1'),
    at: `2026-11-27T10:00:00.${String(made).padStart(3, '0')}Z`,
    ...of,
  } as RunLogEntry;
}
const soFar = async (id = 'run-1') => (await api.send<RunSoFar>('GET', `runs/${id}`)).body;

describe('a run', () => {
  it('begins once, however often it is sent', async () => {
    expect((await api.send('POST', 'runs', run)).status).toBe(201);
    expect((await api.send<Run>('POST', 'runs', run)).body).toEqual(run);
    expect((await api.send('POST', 'runs', run)).status).toBe(200);
    const another = { ...run, serviceId: asId('light-session-service') };
    expect((await api.send('POST', 'runs', another)).status).toBeGreaterThanOrEqual(400);
    expect((await api.send<RunPage>('GET', 'runs')).body.runs.map(({ id }) => id)).toEqual([
      'run-1',
    ]);
  });

  it('keeps what happened in the order in which it came in, each once', async () => {
    const [began, done] = [event({ kind: 'began' }), event({ kind: 'done', act: 'a//' })];
    const sent = (events: readonly RunLogEntry[]) =>
      api.send<RunSoFar>('POST', 'runs/run-1/events', { events });
    expect((await sent([began])).body.events).toEqual([began]);
    expect((await sent([began, done])).body.events).toEqual([began, done]);
    await Promise.all([sent([done]), sent([began, done]), sent([done])]);
    expect((await soFar()).events).toEqual([began, done]);
  });

  it('is kept by several who add to it at the same moment, nothing lost and nothing twice', async () => {
    const all = Array.from({ length: 24 }, (_, at) =>
      event({ kind: 'noted', words: `Note ${at}` }),
    );
    const before = (await soFar()).events.length;
    await Promise.all(
      [0, 1, 2, 3].map(async (which) => {
        const mine = all.filter((_, at) => at % 4 === which);
        for (const each of mine) {
          const answer = await api.send('POST', 'runs/run-1/events', { events: [each, ...mine] });
          expect(answer.status).toBe(200);
        }
      }),
    );
    const { events } = await soFar();
    expect(events).toHaveLength(before + all.length);
    expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
  });

  it('says what is wrong with an event, and adds nothing', async () => {
    const before = (await soFar()).events.length;
    const refused = await api.send('POST', 'runs/run-1/events', {
      events: [event({ kind: 'noted', words: 'Right' }), event({ kind: 'noted', words: ' ' })],
    });
    expect(refused.status).toBe(400);
    const elsewhere = event({ kind: 'ended', runId: asId('run-2') });
    const misled = await api.send('POST', 'runs/run-1/events', { events: [elsewhere] });
    expect([misled.status, misled.body.errors?.[0]?.pointer]).toEqual([400, '/events/0/runId']);
    const late = { ...event({ kind: 'took', act: 'a', draw: 'd', quantity: -1 }) };
    expect((await api.send('POST', 'runs/run-1/events', { events: [late] })).status).toBe(400);
    expect((await api.send('POST', 'runs/run-1/events', { events: 7 })).status).toBe(400);
    expect((await soFar()).events).toHaveLength(before);
  });

  it('keeps what went wrong for good, and tells it of all runs', async () => {
    const incident = event({
      kind: 'incident',
      seen: ['burn'],
      done: ['cooled', 'sent to a doctor'],
      words: 'on the chin',
      followUpOn: '2026-11-30',
    });
    await api.send('POST', 'runs/run-1/events', { events: [event({ kind: 'ended' }), incident] });
    const found = await api.send<Incidents>('GET', 'runs/incidents');
    expect(found.body.events).toEqual([incident]);
    expect((await api.send('DELETE', 'runs/run-1')).status).toBe(404);
    const unknown = {
      ...event({ kind: 'ended' }),
      kind: 'incident',
      seen: ['luck'],
      done: [],
      words: '',
    };
    expect((await api.send('POST', 'runs/run-1/events', { events: [unknown] })).status).toBe(400);
  });

  it('is not found where there is none', async () => {
    expect((await api.send('GET', 'runs/none')).status).toBe(404);
    expect((await api.send('POST', 'runs/none/events', { events: [] })).status).toBe(404);
  });

  it('is no longer open when it is entered, and comes back with the house file', async () => {
    await api.send('POST', 'runs/run-1/events', {
      events: [event({ kind: 'ended' })],
    });
    expect((await api.send<RunPage>('GET', 'runs')).body.runs).toHaveLength(1);
    await api.send('POST', 'runs/run-1/events', { events: [event({ kind: 'entered' })] });
    expect((await api.send<RunPage>('GET', 'runs')).body.runs).toEqual([]);
    const over = (await api.send<RunPage>('GET', 'runs?ended')).body;
    expect(over).toEqual({ runs: [run] });
    expect((await api.send<RunPage>('GET', 'runs?ended&before=1')).body).toEqual({ runs: [] });
    expect((await api.send('GET', 'runs?ended&before=x')).status).toBe(400);
    const before = await soFar();
    const file = await (await fetch(`${api.url}/api/house/file`)).text();
    const said = JSON.parse(file) as HouseArchive;
    expect([said.runs, said.runEvents.length]).toEqual([[run], before.events.length]);
    expect((await api.send('PUT', 'house/file', file)).status).toBe(200);
    expect(await soFar()).toEqual(before);
    expect((await api.send<RunPage>('GET', 'runs')).body.runs).toEqual([]);
  });

  it('takes any name that a visit was placed for', async () => {
    const guest = 'A'.repeat(120);
    const other = { ...run, id: asId<Run['id']>('run-long-name'), guest };
    expect((await api.send<Run>('POST', 'runs', other)).body).toEqual(other);
    const events = [event({ kind: 'entered', runId: other.id })];
    await api.send('POST', `runs/${other.id}/events`, { events });
  });

  it('is over with the visit that is entered of it, also where its tablet says nothing more', async () => {
    const other = { ...run, id: asId<Run['id']>('run-entered') };
    await api.send('POST', 'runs', other);
    const treatment = {
      id: 'run-entered',
      serviceId: other.serviceId,
      at: '2026-11-27T10:00:00Z',
      visitKind: 'returning',
      entryIds: [],
    };
    await api.send('POST', 'treatments', { treatment, uses: [] });
    await api.send('POST', 'treatments', { treatment, uses: [] });
    const { events } = await soFar('run-entered');
    expect(events.map(({ kind }) => kind)).toEqual(['entered']);
    const { body } = await api.send<RunPage>('GET', 'runs');
    expect(body.runs.map(({ id }) => id)).not.toContain('run-entered');
  });
});
