import { useCallback } from 'react';
import { toast } from '../parts/toast';
import type { Write } from './api';
import { useSave, type Saved } from './useSave';

/** A write, and what the thing that it changes is called. */
interface NamedWrite {
  readonly write: Write;
  readonly name: string;
}

/** The write of a change, made from how the thing is when its turn has come; nothing when it is gone. */
type MakeWrite = () => NamedWrite | undefined;

/** A write of which it is not known whether it was done, and the changes that wait behind it. */
interface Waiting {
  readonly sent: NamedWrite;
  readonly behind: readonly MakeWrite[];
}

/** What waits for the house to answer, by what it changes. */
const waiting = new Map<string, Waiting>();
const turns = new Map<string, Promise<unknown>>();

const NOT_YET = 'Not saved yet: it is saved when the house answers again.';

/**
 * Does the writes of one thing one after the other: two fields that are left in a hurry are two writes,
 * and the second must know the version that the first has made.
 */
function inTurn<T>(target: string, work: () => Promise<T>): Promise<T> {
  const mine = (turns.get(target) ?? Promise.resolve()).then(work, work);
  const settled = mine.catch(() => undefined);
  turns.set(target, settled);
  void settled.then(() => {
    if (turns.get(target) === settled) turns.delete(target);
  });
  return mine;
}

type Send = (write: Write, name: string) => Promise<Saved>;

/** Sends what waits for one thing, as long as it is answered. */
async function sendWaitingOf(target: string, send: Send): Promise<void> {
  for (;;) {
    const first = waiting.get(target);
    if (!first) return;
    const { write, name } = first.sent;
    /* Sent once more it is known by its id, and answered as it would have been. */
    const saved = await send(write, name);
    if (!saved.ok && saved.isAway) return;
    if (!saved.ok) toast.error(`${name}: ${saved.message}`, { duration: 10_000 });
    let { behind } = first;
    let next: NamedWrite | undefined;
    while (!next && behind.length > 0) {
      next = behind[0]?.();
      behind = behind.slice(1);
    }
    if (next) waiting.set(target, { sent: next, behind });
    else waiting.delete(target);
  }
}

/**
 * Saves a change of one thing after those before it. While the house does not answer it waits, behind the
 * one whose answer never came.
 * @returns what went wrong, if anything
 */
export function useWriteInTurn(): (target: string, make: MakeWrite) => Promise<string | undefined> {
  const send = useSave();
  return useCallback(
    (target, make) =>
      inTurn(target, async () => {
        await sendWaitingOf(target, send);
        const before = waiting.get(target);
        if (before) {
          waiting.set(target, { ...before, behind: [...before.behind, make] });
          return NOT_YET;
        }
        const made = make();
        if (!made) return undefined;
        const saved = await send(made.write, made.name);
        if (saved.ok) return undefined;
        if (!saved.isAway) return saved.faults[0]?.message ?? saved.message;
        waiting.set(target, { sent: made, behind: [] });
        return `${saved.message} ${NOT_YET}`;
      }),
    [send],
  );
}

/** Sends what waits, when the house answers again. */
export function useSendWaiting(): () => void {
  const send = useSave();
  return useCallback(() => {
    for (const target of waiting.keys()) void inTurn(target, () => sendWaitingOf(target, send));
  }, [send]);
}
