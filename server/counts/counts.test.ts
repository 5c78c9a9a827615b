import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { CountEntered, Performed } from '@bienestar/contract/happened';
import type { CountHistory } from '@bienestar/core/restock/countReview';
import { startApi, type TestApi } from '../testing/api';

/* Counting while treatments draw, treatments that are entered late, and the book. */

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

const at = (minutesAgo: number): string =>
  `${new Date(Date.now() - minutesAgo * 60_000).toISOString().slice(0, 19)}Z`;
let made = 0;
const id = (): string => `id-${(made += 1)}`;

async function onHand(materialId: string): Promise<number> {
  const line = (await api.house()).stock.find((each) => each.materialId === materialId);
  return (line?.lots ?? []).reduce(
    (sum, lot) => sum + lot.sealed + lot.open.reduce((all, { remaining }) => all + remaining, 0),
    0,
  );
}

async function round(): Promise<string> {
  const roundId = id();
  const body = { id: roundId, name: 'Store', startedOn: '2026-11-25', blind: true, lines: [] };
  expect((await api.send('POST', 'counts', body)).status).toBe(201);
  return roundId;
}

function count(roundId: string, materialId: string, quantity: number, when: string) {
  const entryId = id();
  return api.send<CountEntered>('POST', `counts/${roundId}/lines`, {
    line: { materialId, at: when, entryId, found: quantity, by: 'pieces' },
    entry: { kind: 'total-count', id: entryId, materialId, quantity, lotId: id(), at: when },
  });
}

const use = (materialId: string, quantity: number) => ({
  kind: 'use',
  id: id(),
  materialId,
  quantity,
});

function perform(uses: readonly object[], when: string) {
  const treatment = {
    id: id(),
    serviceId: 'clay-facial',
    at: when,
    visitKind: 'returning',
    entryIds: [],
  };
  return api.send<Performed>('POST', 'treatments', { treatment, uses });
}

describe('a round of counting', () => {
  it('enters what was found, in the ledger and in the round', async () => {
    const roundId = await round();
    const entered = await count(roundId, 'gauze', 100, at(0));
    expect(entered.status).toBe(201);
    expect(entered.body.round.lines).toMatchObject([{ materialId: 'gauze', found: 100 }]);
    expect(await onHand('gauze')).toBe(100);
    const { counts } = (await api.send<CountHistory>('GET', `counts/${roundId}/history`)).body;
    expect(counts.at(-1)).toMatchObject({ materialId: 'gauze', takenBack: false });
  });

  it('has found what it found, however often the same was counted since', async () => {
    const roundId = await round();
    const { body } = await count(roundId, 'wood-spatula', 40, at(50));
    const [line] = body.round.lines;
    await api.send('POST', 'ledger', { ...use('wood-spatula', 3), at: at(55) });
    for (let later = 40; later > 30; later -= 1)
      await count(await round(), 'wood-spatula', 30, at(later));
    const { counts, gone } = (await api.send<CountHistory>('GET', `counts/${roundId}/history`))
      .body;
    expect(counts.at(-1)?.entryId).toBe(line?.entryId);
    expect(counts.length).toBeLessThanOrEqual(4);
    expect(gone.every(({ materialId }) => materialId === 'wood-spatula')).toBe(true);
  });

  it('looks at what went since the count before, to the moment', async () => {
    await count(await round(), 'couch-paper', 60, at(50));
    await api.send('POST', 'ledger', { ...use('couch-paper', 4), at: at(45) });
    const roundId = await round();
    const counted = at(40);
    await count(roundId, 'couch-paper', 55, counted);
    await api.send('POST', 'ledger', { ...use('couch-paper', 7), at: at(35) });
    const { gone } = (await api.send<CountHistory>('GET', `counts/${roundId}/history`)).body;
    expect(gone.at(-1)).toEqual({
      materialId: 'couch-paper',
      until: counted,
      kind: 'use',
      quantity: 4,
      entries: 1,
    });
  });

  it('is compared with what was there when it was looked at, also when a treatment draws meanwhile', async () => {
    const roundId = await round();
    await count(roundId, 'couch-paper', 50, at(30));
    await api.send('POST', 'ledger', { ...use('couch-paper', 4), at: at(10) });
    expect(await onHand('couch-paper')).toBe(46);
    /* Seen twenty minutes ago, before those four were taken; entered only now. */
    const late = await count(roundId, 'couch-paper', 48, at(20));
    expect(late.status).toBe(201);
    expect(await onHand('couch-paper')).toBe(44);
  });

  it('is refused when more was taken since than it found', async () => {
    const roundId = await round();
    await count(roundId, 'mask-brush', 5, at(30));
    await api.send('POST', 'ledger', { ...use('mask-brush', 5), at: at(5) });
    const impossible = await count(roundId, 'mask-brush', 2, at(20));
    expect(impossible.status).toBe(400);
    expect(JSON.stringify(impossible.body)).toContain('count it once more');
    expect(await onHand('mask-brush')).toBe(0);
  });

  it('may be counted by two at once', async () => {
    const roundId = await round();
    const answers = await Promise.all(
      ['bowl-liner', 'leg-film', 'wood-spatula', 'eye-sheet'].map((each) =>
        count(roundId, each, 7, at(0)),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201]);
    const { body } = await api.send<{ lines: unknown[] }>('GET', `counts/${roundId}`);
    expect(body.lines).toHaveLength(4);
  });

  it('takes nothing more once it has ended, nor what is no count of its line', async () => {
    const roundId = await round();
    const { body } = await api.send<object>('GET', `counts/${roundId}`);
    const wrong = await api.send('POST', `counts/${roundId}/lines`, {
      line: { materialId: 'gauze', at: at(0), entryId: 'a', found: 1, by: 'pieces' },
      entry: { ...use('gauze', 1) },
    });
    expect(wrong.status).toBe(400);
    await api.send('PUT', `counts/${roundId}`, { ...body, endedOn: '2026-11-25' });
    expect((await count(roundId, 'gauze', 3, at(0))).status).toBe(400);
    expect((await count('nobody', 'gauze', 3, at(0))).status).toBe(404);
  });
});

describe('a treatment that was performed', () => {
  it('draws, tells what was not there, and is taken back by counter-entries', async () => {
    const roundId = await round();
    await count(roundId, 'needle-12', 3, at(60));
    const done = await perform([use('needle-12', 5), use('needle-36', 1)], at(5));
    expect(done.status).toBe(201);
    expect(done.body.missing).toEqual([{ materialId: 'needle-12', quantity: 2 }]);
    expect(await onHand('needle-12')).toBe(0);
    const back = await api.send('POST', `treatments/${done.body.treatment.id}/take-back`, {});
    expect(back.status).toBe(200);
    expect(await onHand('needle-12')).toBe(3);
    expect(
      (await api.send('POST', `treatments/${done.body.treatment.id}/take-back`, {})).status,
    ).toBe(404);
  });

  it('entered after a later count is not drawn again', async () => {
    const roundId = await round();
    await count(roundId, 'polishing-blade', 20, at(10));
    const late = await perform([use('polishing-blade', 1)], at(30));
    expect(late.body).toMatchObject({ counted: ['polishing-blade'], missing: [] });
    expect(await onHand('polishing-blade')).toBe(20);
  });

  it('counts once, and takes a visit of its course', async () => {
    const treatment = {
      id: id(),
      serviceId: 'copper',
      at: at(5),
      visitKind: 'returning',
      soldCourseId: 'sold-2',
      entryIds: [],
    };
    const send = () => api.send('POST', 'treatments', { treatment, uses: [] });
    expect([(await send()).status, (await send()).status]).toEqual([201, 200]);
    const sold = await api.send<{ taken: number }>('GET', 'soldCourses/sold-2');
    expect(sold.body.taken).toBe(2);
  });

  it('is refused in words', async () => {
    for (const body of [{}, null, { treatment: {}, uses: [] }, { treatment: 7, uses: 'none' }]) {
      expect((await api.send('POST', 'treatments', body)).status).toBe(400);
    }
    const opening = { kind: 'opening', id: id(), materialId: 'aloe-gel' };
    expect((await perform([opening], at(5))).status).toBe(400);
  });
});

describe('the book', () => {
  it('takes the place of what was there, all or nothing', async () => {
    const visit = (when: string) => ({ id: id(), title: 'Clay', at: when, minutes: 60 });
    const good = await api.send<object[]>('PUT', 'bookings', [
      visit('2026-12-02T10:00:00Z'),
      visit('2026-12-01T10:00:00Z'),
    ]);
    expect([good.status, good.body.length]).toEqual([200, 2]);
    const bad = await api.send('PUT', 'bookings', [visit('2026-12-01T10:00:00Z'), visit('soon')]);
    expect([bad.status, bad.body.errors?.[0]?.pointer]).toEqual([400, '/1/at']);
    expect((await api.send<object[]>('GET', 'bookings')).body).toHaveLength(2);
  });

  it('says that no calendar is set up', async () => {
    const answer = await api.send('GET', 'bookings/feed');
    expect([answer.status, answer.body.errors?.[0]?.code]).toEqual([400, 'feed.missing']);
  });
});
