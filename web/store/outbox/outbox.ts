import { nanoid } from '@reduxjs/toolkit';
import type { Outcome, Progress, Sender } from './outcome';
import { madeOnTop } from './madeOnTop';
import type { OutboxStorage } from './outboxStorage';
import type { QueueState } from './queue';
import { dequeued, queued } from './queue';
import { targetOf, type Change, type QueuedWrite, type WriteState } from './queuedWrite';
import { rebase } from './rebase';
import type { WindowLocks } from './windowLocks';

const TRY_AGAIN_MS = 1_500;
/** A browser that does not say what it keeps is not waited for. */
const LATEST_MS = 3_000;

const ignore = (_outcome: Outcome): void => undefined;

interface Store {
  readonly dispatch: (action: ReturnType<typeof queued> | ReturnType<typeof dequeued>) => unknown;
  readonly getState: () => { readonly queue: QueueState };
}

/** What the outbox stands on. */
export interface OutboxGround {
  readonly storage: OutboxStorage;
  readonly windows: WindowLocks;
  readonly window?: string;
  readonly tryAgainMs?: number;
}

/** A write that was put. */
interface Put {
  /** when it was answered, or nobody answered */
  readonly tried: Promise<Outcome>;
  /** when it was answered */
  readonly settled: Promise<Outcome>;
}

interface Awaited {
  readonly tried: (outcome: Outcome) => void;
  readonly settled: (outcome: Outcome) => void;
}

/**
 * The one way on which edits reach the house: kept in the browser before they are sent, sent one after the
 * other in their order until they are answered, also when the window was closed meanwhile. Each window
 * sends its own, and what those left that are gone.
 */
export interface Outbox {
  readonly window: string;
  /** begins to send, also what windows have left that are gone */
  readonly open: (store: Store, send: Sender, onProgress: Progress) => Promise<void>;
  readonly put: (change: Change, name: string) => Put;
  /** keeps a draft as it is typed; it goes when it is let go */
  readonly keepDraft: (draft: KeptDraft) => void;
  readonly letGo: (target: string) => void;
  /** takes a write back that is not to be done */
  readonly drop: (id: string) => void;
  readonly dropDraft: (target: string, madeIn: string) => void;
  /** a choice is made: it is done over what somebody else did */
  readonly insist: (id: string) => Promise<Outcome>;
  /** sends what waits, if somebody answers */
  readonly kick: () => void;
  /** once nothing is on its way: what is written past the outbox goes on from what was left in fields */
  readonly whenQuiet: () => Promise<void>;
}

/** A protocol or block as it is written just now. */
interface KeptDraft {
  readonly change: Extract<Change, { kind: 'draft' }>;
  /** the window in which it was begun */
  readonly madeIn: string;
  readonly isConflict: boolean;
}

/** An outbox for one window. */
export function createOutbox(ground: OutboxGround): Outbox {
  const { storage, windows, window = nanoid(12), tryAgainMs = TRY_AGAIN_MS } = ground;
  const awaited = new Map<string, Awaited>();
  let store: Store | undefined;
  let send: Sender | undefined;
  let progress: Progress = () => undefined;
  let isDraining = false;
  const waitingForQuiet: (() => void)[] = [];
  let isKicked = false;
  let retry: ReturnType<typeof setTimeout> | undefined;
  let lastTurn = 0;
  let lastDone: QueuedWrite | undefined;

  windows.hold(window);

  const writes = (): readonly QueuedWrite[] => store?.getState().queue.writes ?? [];
  const find = (id: string): QueuedWrite | undefined => writes().find((each) => each.id === id);
  const nextTurn = (): number => (lastTurn = Math.max(Date.now(), lastTurn + 1));

  /* A browser that keeps nothing, or is full, only takes this second net away. */
  const keep = async (write: QueuedWrite): Promise<void> => {
    store?.dispatch(queued([write]));
    await storage.put(write).catch(() => undefined);
  };
  const forget = (id: string): void => {
    store?.dispatch(dequeued(id));
    void storage.remove(id).catch(() => undefined);
  };
  const change = (id: string, changes: Partial<QueuedWrite>): Promise<void> => {
    const write = find(id);
    return write ? keep({ ...write, ...changes }) : Promise.resolve();
  };
  const add = (made: Change, name: string, state: WriteState, madeIn = window): QueuedWrite => {
    const write: QueuedWrite = {
      id: nanoid(24),
      turn: nextTurn(),
      window,
      madeIn,
      at: new Date().toISOString(),
      name,
      change: made,
      state,
    };
    void keep(write);
    return write;
  };
  const draftsOf = (target: string, madeIn: string): readonly QueuedWrite[] =>
    writes().filter(
      (each) =>
        each.change.kind === 'draft' && each.madeIn === madeIn && targetOf(each.change) === target,
    );

  const settle = (write: QueuedWrite, outcome: Outcome): void => {
    const waiting = awaited.get(write.id);
    waiting?.tried(outcome);
    if (outcome.is !== 'held') {
      waiting?.settled(outcome);
      awaited.delete(write.id);
    }
    progress(write, outcome);
  };

  const awaitOutcome = (id: string): Put => {
    const waiting = { tried: ignore, settled: ignore };
    const tried = new Promise<Outcome>((resolve) => (waiting.tried = resolve));
    const settled = new Promise<Outcome>((resolve) => (waiting.settled = resolve));
    awaited.set(id, waiting);
    return { tried, settled };
  };

  const goOnFrom = (done: QueuedWrite, saved: unknown): void => {
    for (const later of writes()) {
      const moved = madeOnTop(later, done, saved);
      if (moved) void change(later.id, { change: moved });
    }
  };

  const sendOne = async (write: QueuedWrite): Promise<boolean> => {
    if (!send) return false;
    progress(write, { is: 'sending' });
    const sent = await send(write, async (state) => {
      await change(write.id, { state });
      return find(write.id) ?? write;
    });
    switch (sent.is) {
      case 'done':
        goOnFrom(write, sent.data);
        lastDone = write;
        forget(write.id);
        settle(write, sent);
        return true;
      case 'unready':
        return false;
      case 'away':
        for (const each of writes()) {
          if (each.state.is === 'typing' || each.isHeld) continue;
          await change(each.id, { isHeld: true });
          settle(each, { is: 'held' });
        }
        return false;
      case 'stale': {
        /* Another request is another write, with an id of its own. */
        const { id: _id, ...same } = find(write.id) ?? write;
        const anew: QueuedWrite = { ...same, id: nanoid(24), state: { is: 'waiting' } };
        const waiting = awaited.get(write.id);
        if (waiting) awaited.set(anew.id, waiting);
        awaited.delete(write.id);
        forget(write.id);
        await keep(anew);
        return true;
      }
      case 'clash': {
        const behind = draftsBehind(write);
        const last = behind.at(-1)?.change;
        behind.forEach(({ id }) => forget(id));
        const clashing: QueuedWrite = {
          ...write,
          ...(write.change.kind === 'draft' && last?.kind === 'draft'
            ? { change: { ...write.change, mine: last.mine } }
            : {}),
          state: { is: 'clash', theirs: sent.theirs },
        };
        const kept = keep(clashing);
        /* Told at once: whoever chooses before it is kept has chosen. */
        settle(clashing, { is: 'clash' });
        await kept;
        return true;
      }
      case 'refused': {
        /* Who waits for it keeps what was typed; otherwise it is kept here, to be seen. */
        const isSeen = awaited.has(write.id) && !write.isHeld;
        if (isSeen) forget(write.id);
        else {
          const [fault] = sent.document.errors ?? [];
          const message = fault?.message ?? sent.document.detail;
          await change(write.id, { state: { is: 'refused', message } });
        }
        settle(write, sent);
        return true;
      }
    }
  };
  const draftsBehind = (write: QueuedWrite): readonly QueuedWrite[] =>
    write.change.kind === 'draft'
      ? draftsOf(targetOf(write.change), write.madeIn).filter(({ turn }) => turn > write.turn)
      : [];

  /**
   * What one window wrote of a protocol goes to its end before what another wrote of it, so that nobody is
   * asked to choose over half of it.
   */
  const nextToSend = (): QueuedWrite | undefined => {
    const ready = writes().filter(({ state }) => state.is === 'waiting' || state.is === 'sent');
    const more = lastDone ? draftsBehind(lastDone) : [];
    return ready.find((each) => more.includes(each)) ?? ready[0];
  };

  const drain = async (): Promise<void> => {
    isKicked = true;
    if (isDraining) return;
    isDraining = true;
    clearTimeout(retry);
    try {
      while (isKicked) {
        isKicked = false;
        for (;;) {
          const next = nextToSend();
          if (!next) break;
          if (await sendOne(next)) continue;
          retry = setTimeout(() => void drain(), tryAgainMs);
          isKicked = false;
          break;
        }
      }
    } finally {
      isDraining = false;
      for (const goOn of waitingForQuiet.splice(0)) goOn();
    }
  };

  /** Takes over what a window left that is gone. */
  const takeOver = async (gone: string): Promise<void> => {
    const left = (await storage.all()).filter((each) => each.window === gone);
    if (left.length === 0) return;
    const mine = left
      .toSorted((one, other) => one.turn - other.turn)
      .map((each) => ({
        ...each,
        window,
        isHeld: true,
        state: each.state.is === 'typing' ? ({ is: 'waiting' } as const) : each.state,
      }));
    /* Clocks do not decide: what is made from now on comes after it. */
    lastTurn = Math.max(lastTurn, ...mine.map(({ turn }) => turn));
    await Promise.all(mine.map((each) => storage.put(each)));
    store?.dispatch(queued(mine));
    void drain();
  };

  return {
    window,
    open: async (opened, sender, onProgress) => {
      store = opened;
      send = sender;
      progress = onProgress;
      const late = new Promise<readonly QueuedWrite[]>((resolve) => {
        setTimeout(() => resolve([]), LATEST_MS);
      });
      const all = await Promise.race([storage.all().catch(() => []), late]);
      for (const other of new Set(all.map((each) => each.window))) {
        if (other === window) continue;
        const over = () => takeOver(other);
        if (!(await windows.ifGone(other, over))) void windows.whenGone(other, over);
      }
    },
    put: (made, name) => {
      const write = add(made, name, { is: 'waiting' });
      const outcome = awaitOutcome(write.id);
      void drain();
      return outcome;
    },
    keepDraft: ({ change: draft, madeIn, isConflict }) => {
      const chain = draftsOf(targetOf(draft), madeIn);
      const last = chain.at(-1);
      const settledNow = last?.state.is === 'clash' && !isConflict;
      if (last?.change.kind === 'draft' && last.change.mine === draft.mine && !settledNow) return;
      if (!last || last.state.is === 'sent') {
        const base = last?.change.kind === 'draft' ? last.change.base : draft.base;
        add({ ...draft, base }, draft.mine.name, { is: 'typing' }, madeIn);
        return;
      }
      if (last.change.kind !== 'draft') return;
      const base = settledNow ? draft.base : last.change.base;
      const state =
        last.state.is === 'clash' && isConflict ? last.state : ({ is: 'typing' } as const);
      void change(last.id, { change: { ...last.change, base, mine: draft.mine }, state });
    },
    letGo: (target) => {
      for (const each of writes()) {
        if (each.state.is === 'typing' && targetOf(each.change) === target) {
          void change(each.id, { state: { is: 'waiting' } });
        }
      }
      void drain();
    },
    drop: (id) => {
      const write = find(id);
      if (!write) return;
      forget(id);
      awaited.delete(id);
    },
    dropDraft: (target, madeIn) => draftsOf(target, madeIn).forEach(({ id }) => forget(id)),
    insist: (id) => {
      const write = find(id);
      const outcome = awaitOutcome(id).settled;
      if (write?.change.kind !== 'edit' || write.state.is !== 'clash' || !write.state.theirs) {
        return outcome;
      }
      const { base, mine } = write.change;
      const theirs = write.state.theirs as unknown as typeof mine;
      const over = { base: theirs, mine: rebase(base, mine, theirs).value };
      void change(id, {
        change: { ...write.change, ...over },
        state: { is: 'waiting' },
        isHeld: false,
      });
      void drain();
      return outcome;
    },
    kick: () => void drain(),
    whenQuiet: () =>
      isDraining ? new Promise((resolve) => waitingForQuiet.push(resolve)) : Promise.resolve(),
  };
}
