import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type {
  LedgerPage,
  LogbookCorrected,
  LogbookPage,
  LoggedVisitRead,
} from '@bienestar/contract/happened';
import { writeHouseFile } from '@bienestar/contract/houseFile';
import { readCalendar } from '@bienestar/core/calendar/readCalendar';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { asId } from '@bienestar/core/house/ids';
import type { LogbookEntry, LogbookPlan } from '@bienestar/core/house/logbook';
import { onHandOf, type MaterialStock } from '@bienestar/core/house/stock';
import { DEMO_TIME_ZONE, demoHouse, startApi, type TestApi } from '../testing/api';

let api: TestApi;
let demo: HouseArchive;
beforeAll(async () => {
  api = await startApi();
  demo = await demoHouse();
});
afterAll(() => api.close());

const plan: LogbookPlan = {
  id: asId('plan'),
  serviceId: asId('clay-facial'),
  protocolId: asId('black-sand-clay-facial'),
  name: 'Clay facial',
  visitKind: 'returning',
  slotMinutes: 70,
  promised: 0.9,
  acts: [{ id: 'rest//', stepId: asId('rest'), name: 'Rest', stretch: 'visit', minutes: MIN(8) }],
  draws: [
    {
      act: 0,
      doseId: asId('d-1'),
      materialId: asId('aloe-gel'),
      quantity: { low: 3, usual: 4, high: 5 },
      amount: { how: 'measured', quantity: { low: 3, usual: 4, high: 5 }, unit: 'ml' },
    },
  ],
};
function MIN(minutes: number) {
  return { least: minutes, usual: minutes, most: minutes };
}
const entry = (id: string, changes: Partial<LogbookEntry> = {}): LogbookEntry => ({
  id: asId(id),
  planId: plan.id,
  at: '2026-11-26T10:00:00Z',
  guest: 'Mara R.',
  roomMinutes: 66,
  minutes: [8],
  told: [],
  answers: [],
  notes: ['=SUM(A1)'],
  fell: 0.4,
  ...changes,
});
const use = (id: string, quantity: number) => ({
  kind: 'use',
  id,
  materialId: 'aloe-gel',
  quantity,
  at: '2026-11-26T10:00:00Z',
});
const perform = (id: string, log: object | undefined, uses: readonly object[] = []) =>
  api.send('POST', 'treatments', {
    treatment: {
      id,
      serviceId: 'clay-facial',
      at: '2026-11-26T10:00:00Z',
      visitKind: 'returning',
      entryIds: [],
    },
    uses,
    ...(log && { log }),
  });
const logged = async (id: string) => (await api.send<LoggedVisitRead>('GET', `logbook/${id}`)).body;
const onHand = async (): Promise<number> => {
  const { body } = await api.send<MaterialStock[]>('GET', 'ledger');
  const aloe = body.find(({ materialId }) => materialId === 'aloe-gel');
  return aloe ? onHandOf(aloe) : Number.NaN;
};

describe('the logbook', () => {
  it('is read in pages, the newest first, with the plans that they name', async () => {
    const { body: first } = await api.send<LogbookPage>('GET', 'logbook?most=150');
    expect(first.all).toBe(demo.logbook.length);
    expect(first.entries).toHaveLength(150);
    expect(first.entries[0]).toEqual(demo.logbook.at(-1));
    const seen = new Set(first.entries.map(({ id }) => id));
    let { next } = first;
    while (next !== undefined) {
      const path = `logbook?most=150&before=${next}`;
      const { body: page } = await api.send<LogbookPage>('GET', path);
      const plans = new Set(page.plans.map(({ id }) => id));
      expect(page.entries.every(({ planId }) => plans.has(planId))).toBe(true);
      page.entries.forEach(({ id }) => seen.add(id));
      next = page.next;
    }
    expect(seen.size).toBe(demo.logbook.length);
    expect((await api.send('GET', 'logbook?most=0')).status).toBe(400);
    expect((await api.send('GET', 'logbook?most=many')).status).toBe(400);
    expect((await api.send('GET', 'logbook/nobody')).status).toBe(404);
  });

  it('gets a visit in one go with the treatment and the ledger, once', async () => {
    const before = await onHand();
    const log = { plan, entry: entry('v-1') };
    expect((await perform('v-1', log, [use('v-1-aloe', 4)])).status).toBe(201);
    expect((await perform('v-1', log, [use('v-1-aloe', 4)])).status).toBe(200);
    const read = await logged('v-1');
    expect(read.entry).toEqual({ ...entry('v-1'), planId: read.plan.id });
    expect(read.plan).toEqual({ ...plan, id: read.plan.id });
    expect(before - (await onHand())).toBeCloseTo(4, 6);
    /* The same plan, its keys in another order, is not kept twice. */
    const turned = Object.fromEntries(Object.entries(plan).toReversed());
    await perform('v-2', { plan: turned, entry: entry('v-2') });
    expect((await logged('v-2')).plan.id).toBe(read.plan.id);
  });

  it('says that something went wrong, also where it was written down after the visit was entered', async () => {
    const protocol = demo.protocols.find(({ id }) => id === 'black-sand-clay-facial');
    await api.send('POST', 'runs', {
      id: 'v-late',
      serviceId: 'clay-facial',
      protocolId: protocol?.id,
      protocol,
      visitKind: 'returning',
      slotMinutes: 70,
      at: '2026-11-26T10:00:00Z',
    });
    await perform('v-late', { plan, entry: entry('v-late') });
    expect((await logged('v-late')).entry.incidents).toBeUndefined();
    const incident = {
      id: 'incident-late',
      runId: 'v-late',
      at: '2026-11-27T09:00:00.000Z',
      kind: 'incident',
      seen: ['redness'],
      done: [],
      words: 'the day after',
    };
    for (const _time of ['sent', 'sent again']) {
      const answer = await api.send('POST', 'runs/v-late/events', { events: [incident] });
      expect(answer.status).toBe(200);
    }
    const { entry: now } = await logged('v-late');
    expect(now).toEqual({ ...entry('v-late'), planId: now.planId, incidents: ['incident-late'] });
  });

  it('refuses what does not fit to what was planned, and enters nothing of it', async () => {
    const wrong = [
      entry('v-3', { minutes: [8, 8] }),
      entry('v-3', { told: [{ draw: 4, quantity: 1, by: 'counted' }] }),
      entry('v-4'),
      entry('v-3', { fell: 2 }),
    ];
    for (const each of wrong) {
      const answer = await perform('v-3', { plan, entry: each }, [use('v-3-aloe', 4)]);
      expect(answer.status).toBe(400);
    }
    expect((await api.send('GET', 'logbook/v-3')).status).toBe(404);
    const { body } = await api.send<LedgerPage>('GET', 'ledger/aloe-gel');
    expect(body.movements.some(({ entryId }) => entryId === 'v-3-aloe')).toBe(false);
  });

  it('is corrected by counter-entries: what stood there stays', async () => {
    await perform('v-5', { plan, entry: entry('v-5') }, [use('v-5-aloe', 4)]);
    const before = await onHand();
    const correction = {
      id: 'c-1',
      at: '2026-11-27T09:00:00Z',
      why: 'it was six',
      told: [{ draw: 0, quantity: 6, by: 'weighed' }],
    };
    const send = () => api.send<LogbookCorrected>('POST', 'logbook/v-5/corrections', correction);
    const [first, again] = await Promise.all([send(), send()]);
    expect([first.status, again.status]).toEqual([200, 200]);
    expect(before - (await onHand())).toBeCloseTo(2, 6);
    const { entry: now } = await logged('v-5');
    expect(now.told).toEqual([]);
    expect(now.corrections).toEqual([correction]);
    const less = { ...correction, id: 'c-2', told: [{ draw: 0, quantity: 0, by: 'counted' }] };
    await api.send('POST', 'logbook/v-5/corrections', less);
    expect((await onHand()) - before).toBeCloseTo(4, 6);
    const { body } = await api.send('POST', 'logbook/v-5/corrections', {
      ...correction,
      id: 'c-3',
      told: [{ draw: 9, quantity: 1, by: 'counted' }],
    });
    expect(body.errors).toMatchObject([{ pointer: '/told/0/draw' }]);
  });

  it('keeps a visit that was taken back, says so, and corrects it no more', async () => {
    await perform('v-6', { plan, entry: entry('v-6') });
    await api.send('POST', 'treatments/v-6/take-back', {});
    expect((await logged('v-6')).entry.takenBackAt).toMatch(/Z$/);
    const correction = { id: 'c-6', at: '2026-11-27T09:00:00Z', why: 'no' };
    expect((await api.send('POST', 'logbook/v-6/corrections', correction)).status).toBe(404);
  });

  it('goes out as lists and as a calendar', async () => {
    const text = async (file: string) => (await fetch(`${api.url}/api/exports/${file}`)).text();
    const visits = await text('logbook.csv');
    expect(visits).toContain('Mara R.');
    /* No spreadsheet takes a note for a formula. */
    expect(visits).toContain("'=SUM(A1)");
    const steps = (await text('steps.csv')).trim().split('\r\n');
    const taken = demo.logbookPlans.flatMap(({ id, acts }) =>
      demo.logbook.filter(({ planId }) => planId === id).map(() => acts.length),
    );
    expect(steps.length).toBeGreaterThan(taken.reduce((sum, each) => sum + each, 0));
    const calendar = await text('logbook.ics');
    const read = readCalendar(calendar, '2026-11-26', DEMO_TIME_ZONE);
    expect(read.faults).toEqual([]);
    expect(read.bookings).toContainEqual(
      expect.objectContaining({ title: 'Black-sand clay facial, Mara R.', minutes: 66 }),
    );
  });

  it('is opened again however long it is: its few plans come before its many visits', async () => {
    const years = [1, 2, 3].flatMap((year) =>
      demo.logbook.map((each) => ({ ...each, id: asId<typeof each.id>(`${year}-${each.id}`) })),
    );
    const file = writeHouseFile({ ...demo, logbook: years });
    expect((await api.send('PUT', 'house/file', file)).status).toBe(200);
    const { body } = await api.send<LogbookPage>('GET', 'logbook');
    expect(body.all).toBe(years.length);
    expect(body.entries[0]).toEqual(years.at(-1));
  });
});
