import { describe, expect, it } from 'vitest';
import type { LedgerPage } from '@bienestar/contract/happened';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { asId, type EntryId, type LotId, type MaterialId } from '@bienestar/core/house/ids';
import type { Lot, Movement } from '@bienestar/core/house/stock';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

const ALOE = 'aloe-gel' as MaterialId;
const aloe = DEMO.materials.find(({ id }) => id === ALOE) as BoughtMaterial;
const lot: Lot = {
  id: asId<LotId>('lot'),
  materialId: ALOE,
  code: 'K7',
  deliveredOn: '2026-10-01',
} as Lot;

const moved = (id: string, changes: Partial<Movement>): Movement => ({
  entryId: asId<EntryId>(id),
  line: 1,
  kind: 'use',
  at: '2026-11-20T10:30:00Z',
  materialId: ALOE,
  lotId: lot.id,
  quantity: -5,
  ...changes,
});

const page = (movements: readonly Movement[], more: Partial<LedgerPage> = {}): LedgerPage => ({
  movements,
  lots: [lot],
  takenBack: [],
  ...more,
});

/** The history of a material of which these pages were read; the first is the newest. */
async function open(...pages: readonly LedgerPage[]): Promise<void> {
  await person.openApp('/', async () => {
    const { History } = await import('./History');
    return [{ path: '*', element: <History material={aloe} /> }];
  });
  const { api } = await import('../../store/api');
  let before: number | undefined;
  for (const one of pages) {
    void person.store.dispatch(
      api.util.upsertQueryData('ledger', { materialId: ALOE, before }, one),
    );
    before = one.next;
  }
  await person.sees('History');
}

const lines = (): string[] => person.all('li').map(({ textContent }) => textContent);

describe('the history of a material', () => {
  it('says so while nothing has come in', async () => {
    await open(page([]));
    await person.sees('Nothing has come in yet: enter the first delivery.');
  });

  it('has a line for each entry, with all that it moved', async () => {
    await open(
      page([
        moved('used', { line: 2, quantity: -3 }),
        moved('used', { line: 1, quantity: -5, kind: 'opening' }),
        moved('came', { kind: 'delivery', quantity: 500 }),
        moved('gone', { kind: 'discard', quantity: -20, reason: 'spilled', note: 'by the window' }),
        moved('counted', { kind: 'count', quantity: 0 }),
      ]),
    );
    const [used, came, gone, counted] = lines();
    expect(lines()).toHaveLength(4);
    expect(used).toMatch(/used · K7.*−8 ml/);
    expect(came).toMatch(/came in.*\+500 ml/);
    expect(gone).toMatch(/thrown away: spilled.*by the window.*−20 ml/);
    expect(counted).toMatch(/counted.*–/);
  });

  it('strikes out what was taken back, whichever page its opposite is on', async () => {
    await open(page([moved('old', {}), moved('other', {})], { takenBack: [asId<EntryId>('old')] }));
    const [old, other] = person.all('li');
    expect(old?.querySelector('.line-through')).not.toBeNull();
    expect(old?.querySelector('button')).toBeNull();
    expect(other?.querySelector('.line-through')).toBeNull();
    expect(other?.querySelector('button')?.textContent).toBe('take back');
  });

  it('shows the newest twelve first, then the rest, then earlier pages and back', async () => {
    const of = (name: string, count: number): Movement[] =>
      Array.from({ length: count }, (_, at) => moved(`${name}-${at}`, { note: `${name} ${at}` }));
    await open(page(of('new', 15), { next: 100 }), page(of('old', 3)));
    expect(lines()).toHaveLength(12);
    await person.click('button', 'Show 3 more');
    expect(lines()).toHaveLength(15);
    await person.click('button', 'Earlier');
    await person.sees('old 2');
    expect(lines()).toHaveLength(3);
    expect(person.all('button').map(({ textContent }) => textContent)).not.toContain('Earlier');
    await person.click('button', 'Back to the newest');
    await person.sees('new 14');
  });
});

describe('taking an entry back', () => {
  const back = async (): Promise<void> => {
    const [button] = person.all('li button');
    button?.click();
    await person.sees('Its opposite is entered; both stay in the history.');
  };

  it('says what is entered, and keeps why', async () => {
    await open(page([moved('used', {})]));
    await back();
    await person.fill('Why', 'not used after all');
    await person.click('button', 'Take it back');
    await person.waitFor(
      () => person.store.getState().queue.writes.length === 1,
      'it waits to be sent',
    );
    expect(person.store.getState().queue.writes[0]?.change).toMatchObject({
      kind: 'entry',
      entry: { kind: 'correction', corrects: 'used', materialId: ALOE, note: 'not used after all' },
    });
  });

  it('says that what came is due again on its order', async () => {
    const order = DEMO.orders.find(({ lines: of }) =>
      of.some(({ received }) => received.length > 0),
    );
    const received = order?.lines.flatMap((each) => each.received)[0];
    if (!order || !received) throw new Error('Nothing was received.');
    await open(page([moved(received.entryId, { kind: 'delivery', quantity: 500 })]));
    await back();
    await person.sees(`What came is due again on order ${order.name}.`);
  });
});
