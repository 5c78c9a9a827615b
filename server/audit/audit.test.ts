import jsonPatch from 'fast-json-patch';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { unversioned, type AuditEntry, type Journal } from '@bienestar/contract/api';
import type { Supplier } from '@bienestar/core/house/house';
import { startApi, type TestApi } from '../testing/api';

let api: TestApi;
beforeAll(async () => {
  api = await startApi();
});
afterAll(() => api.close());

const trail = async (part: string, id: string) =>
  (await api.send<AuditEntry[]>('GET', `audit/${part}/${id}`)).body;

describe('the audit trail', () => {
  it('has a row for every write that counts, by whom, and none for one that is refused', async () => {
    const [first] = (await api.house()).suppliers;
    if (!first) throw new Error('no supplier');
    const before = unversioned<Supplier>(first);
    const after = { ...before, name: 'Northquay & Sons', leadTimeDays: 4 };
    const path = `suppliers/${first.id}`;
    expect((await api.send('PUT', path, { ...after, version: first.version })).status).toBe(200);
    expect((await api.send('PUT', path, { ...after, version: first.version })).status).toBe(409);
    const rows = await trail('suppliers', first.id);
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ part: 'suppliers', id: first.id });
    expect(rows[0]?.actor).toMatch(/127\.0\.0\.1/);
    const patched = jsonPatch.applyPatch(structuredClone(before), rows[0]?.difference as never);
    expect(patched.newDocument).toEqual(after);
  });

  it('tells what came and went, the newest first', async () => {
    await api.send('POST', 'rooms', { id: 'attic', name: 'Attic', kind: 'dry' });
    await api.send('PUT', 'rooms/attic', { id: 'attic', name: 'Loft', kind: 'dry', version: 1 });
    await api.send('DELETE', 'rooms/attic?version=2');
    const told = (await trail('rooms', 'attic')).map(({ difference }) => difference);
    expect(told).toEqual([
      [{ op: 'remove', path: '', value: null }],
      [{ op: 'replace', path: '/name', value: 'Loft' }],
      [{ op: 'add', path: '', value: { id: 'attic', name: 'Attic', kind: 'dry' } }],
    ]);
    const { body } = await api.send<Journal>('GET', 'journal');
    expect(
      body.entries.filter(({ id }) => id === 'attic'),
      'once a day, as it was',
    ).toMatchObject([{ part: 'rooms', before: null }]);
  });

  it('names entries of the ledger, visits and the book', async () => {
    const use = { kind: 'use', id: 'audited', materialId: 'gauze', quantity: 1 };
    await api.send('POST', 'ledger', use);
    await api.send('POST', 'ledger', use);
    const entered = await trail('ledger', 'gauze');
    expect(entered.map(({ difference }) => difference)).toEqual([
      [{ op: 'add', path: '', value: { entryId: 'audited' } }],
    ]);
    const at = '2026-11-25T10:00:00Z';
    await api.send('PUT', 'bookings', [{ id: 'b1', title: 'Clay', at, minutes: 60 }]);
    expect(JSON.stringify(await trail('bookings', 'book'))).toContain('Clay');
    const treatment = {
      id: 't1',
      serviceId: 'clay-facial',
      at,
      visitKind: 'returning',
      entryIds: [],
    };
    await api.send('POST', 'treatments', { treatment, uses: [] });
    await api.send('POST', 'treatments/t1/take-back', {});
    expect((await trail('treatments', 't1')).map(({ difference }) => difference)).toMatchObject([
      [{ op: 'add', path: '/takenBackAt' }],
      [{ op: 'add', value: { id: 't1' } }],
    ]);
  });

  it('knows of nothing where nothing was written, and survives any id', async () => {
    expect(await trail('rooms', 'ghost')).toEqual([]);
    expect((await api.send('GET', `audit/${encodeURIComponent("x' OR 1=1 --")}/y`)).body).toEqual(
      [],
    );
    const [{ told } = { told: 0 }] = await api.sequelize.query<{ told: number }>(
      'SELECT COUNT(*) AS told FROM audit WHERE NOT begins_day AND before_it IS NOT NULL',
      { type: QueryTypes.SELECT },
    );
    expect(told, 'only the journal says how things were').toBe(0);
  });
});
