import { describe, expect, it, vi } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import type { Supplier } from '@bienestar/core/house/house';
import { DEMO } from '../testing/demoInBrowser';
import { eachAtTheApp } from '../testing/eachAtTheApp';
import { keepInHouse } from '../store/api';
import { queued } from '../store/outbox/queue';
import type { QueuedWrite } from '../store/outbox/queuedWrite';

/* Two people changed the same: theirs is on the screen, and mine can be put over it. */

const person = eachAtTheApp();

const [supplier] = DEMO.suppliers;
if (!supplier) throw new Error('There is no supplier.');
const base: Versioned<Supplier> = { ...supplier, version: 1 };

const clash = (mine: Partial<Supplier>, theirs: Partial<Supplier>): QueuedWrite => ({
  id: 'w',
  turn: 1,
  window: 'a-window',
  madeIn: 'a-window',
  at: '2026-11-25T10:00:00Z',
  name: supplier.name,
  change: { kind: 'edit', part: 'suppliers', base, mine: { ...base, ...mine } },
  state: {
    is: 'clash',
    theirs: { ...base, ...theirs, version: 2 },
  },
});

const later = vi.fn();

async function open(write: QueuedWrite): Promise<void> {
  later.mockClear();
  await person.openApp('/', async () => {
    const { StaleWriteDialog } = await import('./StaleWriteDialog');
    return [{ path: '*', element: <StaleWriteDialog write={write} onLater={later} /> }];
  });
  /* What they saved stands on the screen. */
  if (write.state.is === 'clash' && write.state.theirs)
    person.store.dispatch(keepInHouse('suppliers', write.state.theirs));
  person.store.dispatch(queued([write]));
  await person.sees('was changed by somebody else');
}

const rows = (): string[][] =>
  person
    .all('[role=dialog] tbody tr')
    .map(({ children }) => [...children].map(({ textContent }) => textContent));
const write = (): QueuedWrite | undefined =>
  person.store.getState().queue.writes.find(({ id }) => id === 'w');

describe('a change that met another', () => {
  it('shows what differs, theirs beside mine, and nothing that is the same', async () => {
    await open(clash({ leadTimeDays: 9 }, { leadTimeDays: 5, name: 'Northquay & Co' }));
    expect(rows()).toEqual([['lead time days', '5', '9']]);
  });

  it('goes into what stands within, also where one has nothing', async () => {
    await open(
      clash(
        { deliveryDays: [1, 4], season: 'slow in August' },
        { deliveryDays: [2], season: undefined },
      ),
    );
    expect(rows()).toEqual(
      expect.arrayContaining([
        ['delivery days, 0', '2', '1'],
        ['delivery days, 1', '–', '4'],
        ['season', '–', 'slow in August'],
      ]),
    );
  });

  it('keeps theirs: mine is let go', async () => {
    await open(clash({ leadTimeDays: 9 }, { leadTimeDays: 5 }));
    await person.click('button', 'Keep theirs');
    expect(write()).toBeUndefined();
  });

  it('keeps mine: it is sent over theirs, with what only they changed', async () => {
    await open(clash({ leadTimeDays: 9 }, { leadTimeDays: 5, name: 'Northquay & Co' }));
    await person.click('button', 'Keep mine');
    await person.waitFor(() => write()?.state.is !== 'clash', 'it is chosen');
    expect(write()?.change).toMatchObject({
      kind: 'edit',
      base: { leadTimeDays: 5, name: 'Northquay & Co', version: 2 },
      mine: { leadTimeDays: 9, name: 'Northquay & Co' },
    });
  });

  it('can be left for later', async () => {
    await open(clash({ leadTimeDays: 9 }, { leadTimeDays: 5 }));
    await person.press('Escape');
    expect(later).toHaveBeenCalledOnce();
    expect(write()?.state.is).toBe('clash');
  });
});
