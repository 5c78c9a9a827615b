import 'fake-indexeddb/auto';
import { configureStore } from '@reduxjs/toolkit';
import fc from 'fast-check';
import { describe, expect, it, vi } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import type { ProblemDocument } from '@bienestar/contract/problems';
import type { Protocol, Room } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { createOutbox, type Outbox } from './outbox';
import { type Sender, type Sent } from './outcome';
import { outboxInBrowser } from './outboxStorage';
import { queue } from './queue';
import { targetOf, type Change, type QueuedWrite } from './queuedWrite';
import type { WindowLocks } from './windowLocks';

const storage = outboxInBrowser();

/** The windows of a browser, of which any can be closed. */
function browser() {
  const open = new Set<string>();
  const waiting: { window: string; then: () => Promise<void> }[] = [];
  const locks: WindowLocks = {
    hold: (window) => void open.add(window),
    ifGone: async (window, then) => {
      if (open.has(window)) return false;
      await then();
      return true;
    },
    whenGone: (window, then) => {
      waiting.push({ window, then });
      return Promise.resolve();
    },
  };
  return {
    locks,
    isOpen: (window: string) => open.has(window),
    close: async (window: string): Promise<void> => {
      open.delete(window);
      for (const each of waiting.filter((one) => one.window === window)) await each.then();
    },
  };
}

interface OpenWindow {
  readonly outbox: Outbox;
  readonly writes: () => readonly QueuedWrite[];
}

async function openWindow(locks: WindowLocks, send: Sender): Promise<OpenWindow> {
  const outbox = createOutbox({ storage, windows: locks, tryAgainMs: 1 });
  const store = configureStore({
    reducer: { queue },
    middleware: (defaults) => defaults({ serializableCheck: false }),
  });
  await outbox.open(store, send, () => undefined);
  return { outbox, writes: () => store.getState().queue.writes };
}

/** What a window that is gone has asked for is never heard of. */
const unheard = (): Promise<Sent> => new Promise(() => undefined);

const room = (id: string, name: string): Versioned<Room> => ({
  id: asId(id),
  name,
  kind: 'dry',
  version: 1,
});
const renamed = (id: string, name: string): Change => ({
  kind: 'edit',
  part: 'rooms',
  base: room(id, 'was'),
  mine: room(id, name),
});
const nameIn = ({ change }: QueuedWrite): string =>
  change.kind === 'edit' && 'name' in change.mine ? change.mine.name : '';
const clayOf = (summary: string): Versioned<Protocol> => ({
  id: asId('clay'),
  name: 'Clay',
  summary,
  steps: [],
  layerGroups: [],
  choices: [],
  version: 3,
});
const draftOf = (base: Versioned<Protocol>, summary: string) => {
  const { version: _version, ...plain } = base;
  return { kind: 'draft', part: 'protocols', base, mine: { ...plain, summary } } as const;
};
const summaryIn = (change: Change): string => (change.kind === 'draft' ? change.mine.summary : '');
const problem: ProblemDocument = {
  type: 'x',
  title: '',
  status: 400,
  detail: 'No.',
  instance: '',
};

async function emptied(): Promise<void> {
  for (const { id } of await storage.all()) await storage.remove(id);
}

describe('the outbox', () => {
  it('does each write once and in order, however often nobody answers and whichever window closes', async () => {
    const tries = fc.array(
      fc.constantFrom<Sent['is'] | 'lost'>('done', 'away', 'lost', 'refused'),
      {
        minLength: 30,
        maxLength: 30,
      },
    );
    await fc.assert(
      fc.asyncProperty(
        tries,
        fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }),
        async (chances, closes) => {
          await emptied();
          const { locks, close, isOpen } = browser();
          const house = new Map<string, string>();
          let at = 0;
          const send: Sender = async (write, fix) => {
            await fix({ is: 'sent' });
            if (!isOpen(write.window)) return unheard();
            const chance = chances[at++] ?? 'done';
            if (house.has(write.id)) return { is: 'done', data: {} };
            if (chance === 'away') return { is: 'away' };
            if (chance === 'refused') return { is: 'refused', document: problem };
            house.set(write.id, nameIn(write));
            return chance === 'lost' ? { is: 'away' } : { is: 'done', data: {} };
          };
          let here = await openWindow(locks, send);
          const refused = new Set<string>();
          for (const [number, isClosed] of closes.entries()) {
            const { tried } = here.outbox.put(renamed('lava', `name ${number}`), 'Lava');
            void tried.then((end) => end.is === 'refused' && refused.add(`name ${number}`));
            if (!isClosed) continue;
            await close(here.outbox.window);
            here = await openWindow(locks, send);
          }
          await vi.waitFor(async () => {
            const left = await storage.all();
            expect(left.every(({ state }) => state.is === 'refused')).toBe(true);
          });
          const left = (await storage.all()).map(nameIn);
          const done = [...house.values()];
          expect(done).toEqual(done.toSorted());
          expect([...new Set([...done, ...left, ...refused])].toSorted()).toEqual(
            closes.map((_close, number) => `name ${number}`),
          );
          expect(new Set(done).size).toBe(done.length);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('keeps what one window wrote of a protocol apart from what another did', async () => {
    await emptied();
    const { locks, close } = browser();
    const unanswered: Sender = () => Promise.resolve({ is: 'away' });
    const base = clayOf('');
    for (const who of ['by the first', 'by the second']) {
      const { outbox } = await openWindow(locks, unanswered);
      for (const summary of [who, `${who}, at last`]) {
        const change = draftOf(base, summary);
        outbox.keepDraft({ change, madeIn: outbox.window, isConflict: false });
      }
      await close(outbox.window);
    }
    const { writes } = await openWindow(locks, unanswered);
    const summaries = writes().map(({ change }) => summaryIn(change));
    expect(summaries).toEqual(['by the first, at last', 'by the second, at last']);
    expect(new Set(writes().map(({ change }) => targetOf(change)))).toEqual(
      new Set(['protocols/clay']),
    );
  });

  it('sends all that one window wrote of a protocol before what another wrote of it', async () => {
    await emptied();
    const { locks, close } = browser();
    const base = clayOf('');
    const never: Sender = async (_write, fix) => {
      await fix({ is: 'sent' });
      return unheard();
    };
    const { outbox: first } = await openWindow(locks, never);
    const { outbox: second } = await openWindow(locks, never);
    for (const [who, outbox] of Object.entries({ first, second })) {
      for (const summary of [`${who}, half`, `${who}, whole`]) {
        const change = draftOf(base, summary);
        outbox.keepDraft({ change, madeIn: outbox.window, isConflict: false });
        outbox.letGo('protocols/clay');
        await vi.waitFor(async () => {
          const kept = await storage.all();
          const one = kept.find((each) => summaryIn(each.change) === summary);
          expect(one?.state.is).toBe(summary.endsWith('half') ? 'sent' : 'waiting');
        });
      }
    }
    const sent: string[] = [];
    await close(second.window);
    const { writes } = await openWindow(locks, async ({ change }, fix) => {
      await fix({ is: 'sent' });
      sent.push(summaryIn(change));
      /* The other window is only gone when this one has begun to send. */
      if (sent.length === 1) await close(first.window);
      return { is: 'done', data: { ...base, version: 4 } };
    });
    await vi.waitFor(() => expect(sent).toHaveLength(4));
    expect(sent).toEqual(['second, half', 'second, whole', 'first, half', 'first, whole']);
    await vi.waitFor(() => expect(writes()).toEqual([]));
  });

  it('lets what is done over a choice be chosen, and what is refused be left', async () => {
    await emptied();
    const { locks } = browser();
    const theirs = room('lava', 'theirs');
    const sent: string[] = [];
    const { outbox, writes } = await openWindow(locks, (write) => {
      const { change } = write;
      if (change.kind !== 'edit') throw new Error('an edit');
      const isNew = JSON.stringify(change.base) === JSON.stringify(theirs);
      if (isNew) sent.push(nameIn(write));
      return Promise.resolve(isNew ? { is: 'done', data: theirs } : { is: 'clash', theirs });
    });
    expect(await outbox.put(renamed('lava', 'mine'), 'Lava').settled).toEqual({ is: 'clash' });
    const [clash] = writes();
    expect(clash?.state).toEqual({ is: 'clash', theirs });
    expect((await outbox.insist(clash?.id ?? '')).is).toBe('done');
    expect([sent, writes(), await storage.all()]).toEqual([['mine'], [], []]);
  });
});
