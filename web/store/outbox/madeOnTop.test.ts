import { describe, expect, it } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import type { Room, Supplier } from '@bienestar/core/house/house';
import { asId, type SupplierId } from '@bienestar/core/house/ids';
import { minutes, protocol, step } from '@bienestar/core/testing/sample';
import { madeOnTop } from './madeOnTop';
import type { Change, QueuedWrite } from './queuedWrite';

const queued = (turn: number, change: Change, madeIn = 'here'): QueuedWrite => ({
  id: `w${turn}`,
  turn,
  window: 'here',
  madeIn,
  at: '2026-11-25T10:00:00Z',
  name: 'Northquay',
  change,
  state: { is: 'waiting' },
});

const supplier: Versioned<Supplier> = {
  id: asId<SupplierId>('northquay'),
  name: 'Northquay',
  leadTimeDays: 3,
  leadTimeSdDays: 1,
  reviewDays: 7,
  version: 1,
};
const edit = (base: Versioned<Supplier>, mine: Versioned<Supplier>): Change => ({
  kind: 'edit',
  part: 'suppliers',
  base,
  mine,
});

describe('an edit that was made on top of another', () => {
  const first = { ...supplier, leadTimeDays: 4 };
  const second = { ...first, name: 'Northquay & Co' };

  it('goes on from what the house made of that', () => {
    /* The house wrote the days otherwise than they were typed. */
    const saved = { ...first, leadTimeDays: 5, version: 2 };
    const moved = madeOnTop(
      queued(2, edit(first, second)),
      queued(1, edit(supplier, first)),
      saved,
    );
    expect(moved).toEqual(
      edit({ ...first, leadTimeDays: 5, version: 2 }, { ...second, leadTimeDays: 5, version: 2 }),
    );
  });

  it('stays as it is where it was made before, or is of another thing', () => {
    const saved = { ...first, version: 2 };
    expect(
      madeOnTop(queued(1, edit(first, second)), queued(1, edit(supplier, first)), saved),
    ).toBeUndefined();
    const lava = {
      id: 'lava',
      name: 'Lava',
      kind: 'dry',
      version: 1,
    } as unknown as Versioned<Room>;
    const room: Change = { kind: 'edit', part: 'rooms', base: lava, mine: lava };
    expect(madeOnTop(queued(2, room), queued(1, edit(supplier, first)), saved)).toBeUndefined();
  });
});

describe('a draft that was written on', () => {
  const base = { ...protocol([step('Cleanse', minutes(5))]), version: 1 };
  const draft = (mine: typeof base, from = base): Change => ({
    kind: 'draft',
    part: 'protocols',
    base: from,
    mine,
  });
  const first = { ...base, summary: 'Short' };
  const second = { ...first, summary: 'Short and calm' };
  const saved = { ...first, version: 2 };

  it('goes on from what was saved, in the window in which it is written', () => {
    const moved = madeOnTop(queued(2, draft(second)), queued(1, draft(first)), saved);
    expect(moved).toEqual(draft(second, saved));
  });

  it('of another window meets it as somebody else’s', () => {
    const other = queued(2, draft(second), 'elsewhere');
    expect(madeOnTop(other, queued(1, draft(first)), saved)).toBeUndefined();
  });
});
