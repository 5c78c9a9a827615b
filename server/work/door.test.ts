import type { Treatment } from '@bienestar/core/house/house';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ProblemDocument } from '@bienestar/contract/problems';
import { startApi, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

async function send(method: string, path: string, body: object | undefined, id: string) {
  const answer = await fetch(`${api.url}/api/${path}`, {
    method,
    headers: { 'content-type': 'application/json', 'idempotency-key': id },
    ...(body && { body: JSON.stringify(body) }),
  });
  const text = await answer.text();
  return {
    status: answer.status,
    body: text === '' ? undefined : (JSON.parse(text) as ProblemDocument),
  };
}

const room = (name: string, version?: number) => ({ id: 'lava', name, kind: 'dry', version });

describe('a write whose answer was lost', () => {
  it('is answered as it was, and done once', async () => {
    const { version } = (await api.house()).rooms[0]!;
    const first = await send('PUT', 'rooms/lava', room('One', version), 'w1');
    const again = await send('PUT', 'rooms/lava', room('One', version), 'w1');
    expect([first.status, again.status]).toEqual([200, 200]);
    expect(again.body).toEqual(first.body);
    expect((await api.house()).rooms[0]).toMatchObject({ name: 'One', version: version + 1 });
  });

  it('is answered as it was also when somebody has changed the thing since', async () => {
    const { version } = (await api.house()).rooms[0]!;
    const mine = await send('PUT', 'rooms/lava', room('Mine', version), 'w2');
    await send('PUT', 'rooms/lava', room('Theirs', version + 1), 'w3');
    const again = await send('PUT', 'rooms/lava', room('Mine', version), 'w2');
    expect(again).toEqual(mine);
    const next = await send('PUT', 'rooms/lava', room('Mine again', version + 1), 'w4');
    expect(next.status, 'what was changed since is still offered as a choice').toBe(409);
  });

  it('counts once when it is sent by two at the same moment', async () => {
    const made = { id: 'shared', name: 'Shared', kind: 'dry' };
    const answers = await Promise.all([1, 2, 3, 4].map(() => send('POST', 'rooms', made, 'w5')));
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201]);
    const gone = await Promise.all(
      [1, 2, 3].map(() => send('DELETE', 'rooms/shared?version=1', undefined, 'w6')),
    );
    expect(gone.map(({ status }) => status)).toEqual([204, 204, 204]);
  });

  it('is another one with another id, or when it asks for something else', async () => {
    const made = { id: 'other', name: 'Other', kind: 'dry' };
    expect((await send('POST', 'rooms', made, 'w7')).status).toBe(201);
    expect((await send('POST', 'rooms', made, 'w8')).status).toBe(409);
    expect((await send('POST', 'rooms', { ...made, name: 'X' }, 'w7')).status).toBe(409);
    expect((await send('POST', 'rooms', made, 'not an id')).status).toBe(400);
  });

  it('that was refused may be tried again', async () => {
    const refused = await send('POST', 'rooms', { id: 'late', name: '', kind: 'dry' }, 'w9');
    expect(refused.status).toBe(400);
    expect(
      (await send('POST', 'rooms', { id: 'late', name: 'Late', kind: 'dry' }, 'w9')).status,
    ).toBe(201);
  });
});

describe('a visit', () => {
  it('of one booking is entered once, whoever presses', async () => {
    const { bookings } = await api.house();
    const perform = (id: string) =>
      api.send('POST', 'treatments', {
        treatment: {
          id,
          serviceId: 'clay-facial',
          at: '2026-11-20T10:00:00Z',
          visitKind: 'returning',
          bookingId: bookings[0]?.id,
          entryIds: [],
        },
        uses: [{ kind: 'use', id: `use-${id}`, materialId: 'gauze', quantity: 1 }],
      });
    const answers = await Promise.all(['a', 'b', 'c'].map(perform));
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([200, 200, 201]);
    const page = await api.send<{ readonly treatments: Treatment[] }>('GET', 'treatments');
    const { treatments } = page.body;
    expect(treatments.filter(({ bookingId }) => bookingId === bookings[0]?.id)).toHaveLength(1);
  });
});
