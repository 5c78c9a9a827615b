import { nanoid } from '@reduxjs/toolkit';
import type { RunSoFar } from '@bienestar/contract/happened';
import { asId, type RunEventId, type RunId } from '@bienestar/core/house/ids';
import { closesRun, type Happening, type Run, type RunLogEntry } from '@bienestar/core/house/run';
import type { Outbox } from '../outbox/outbox';
import type { RunStorage } from './runStorage';

/** The runs of this window: each tap counts at once, is kept here, and goes to the house when it answers. */
export interface RunKeeper {
  readonly begin: (run: Run) => void;
  readonly add: (id: RunId, happening: Happening) => void;
  /** what is known of a run; nothing before it was opened */
  readonly get: (id: RunId) => RunSoFar | undefined;
  /** reads what this browser has kept of it; false where that is nothing */
  readonly open: (id: RunId) => Promise<boolean>;
  /** takes over what the house knows of it */
  readonly learn: (there: RunSoFar) => void;
  /** the runs that this browser has kept and that are neither entered nor put away */
  readonly openHere: () => Promise<readonly Run[]>;
  readonly subscribe: (changed: () => void) => () => void;
}

/**
 * What happened, as the house has it, with what it has not heard of yet behind.
 * @example
 * mergedEvents([a, b], [a, c]) // [a, b, c]
 */
export function mergedEvents(
  there: readonly RunLogEntry[],
  here: readonly RunLogEntry[],
): readonly RunLogEntry[] {
  const known = new Set(there.map(({ id }) => id));
  const own = here.filter(({ id }) => !known.has(id));
  return own.length === 0 && there.length === here.length ? here : [...there, ...own];
}

/** A keeper of runs over a storage and the outbox. */
export function createRunKeeper(
  storage: RunStorage,
  outbox: Pick<Outbox, 'put'>,
  now: () => Date = () => new Date(),
): RunKeeper {
  const runs = new Map<RunId, RunSoFar>();
  const subscribers = new Set<() => void>();
  const keep = (soFar: RunSoFar): void => {
    runs.set(soFar.run.id, soFar);
    subscribers.forEach((changed) => changed());
    /* A browser that keeps nothing still runs: the house has it. */
    storage.put(soFar).catch(() => undefined);
  };
  const learn: RunKeeper['learn'] = ({ run, events }) => {
    const here = runs.get(run.id);
    const merged = mergedEvents(events, here?.events ?? []);
    if (!here || merged !== here.events) keep({ run, events: merged });
  };
  return {
    begin: (run) => {
      keep({ run, events: [] });
      outbox.put({ kind: 'run', run }, run.protocol.name);
    },
    add: (id, happening) => {
      const soFar = runs.get(id);
      if (!soFar) return;
      const event: RunLogEntry = {
        ...happening,
        id: asId<RunEventId>(nanoid(16)),
        runId: id,
        at: now().toISOString(),
      };
      keep({ ...soFar, events: [...soFar.events, event] });
      outbox.put({ kind: 'run-events', runId: id, events: [event] }, soFar.run.protocol.name);
    },
    get: (id) => runs.get(id),
    open: async (id) => {
      if (runs.has(id)) return true;
      const kept = await storage.get(id).catch(() => undefined);
      if (kept) learn(kept);
      return runs.has(id);
    },
    learn,
    openHere: async () => {
      const kept = await storage.all().catch(() => []);
      return kept.filter(({ events }) => !events.some(closesRun)).map(({ run }) => run);
    },
    subscribe: (changed) => {
      subscribers.add(changed);
      return () => void subscribers.delete(changed);
    },
  };
}
