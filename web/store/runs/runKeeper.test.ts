import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RunSoFar } from '@bienestar/contract/happened';
import { asId, type RunId } from '@bienestar/core/house/ids';
import type { Run, RunLogEntry } from '@bienestar/core/house/run';
import type { Change } from '../outbox/queuedWrite';
import { createRunKeeper, mergedEvents, type RunKeeper } from './runKeeper';
import type { RunStorage } from './runStorage';

const id = asId<RunId>('r');
const run = { id, protocol: { name: 'Facial' } } as unknown as Run;

/** A tablet: what it keeps outlives the page, what it sends waits in a list. */
function tablet() {
  const kept = new Map<RunId, RunSoFar>();
  const sent: Change[] = [];
  const storage: RunStorage = {
    all: () => Promise.resolve([...kept.values()]),
    get: (of) => Promise.resolve(kept.get(of)),
    put: (soFar) => Promise.resolve(void kept.set(soFar.run.id, soFar)),
  };
  const outbox = {
    put: (change: Change) => {
      sent.push(change);
      return {
        tried: new Promise<never>(() => undefined),
        settled: new Promise<never>(() => undefined),
      };
    },
  };
  return { opened: (): RunKeeper => createRunKeeper(storage, outbox), sent, kept };
}

/** The house, which takes each event once and keeps the order in which they come in. */
function house() {
  const events: RunLogEntry[] = [];
  return {
    take: (change: Change): void => {
      if (change.kind !== 'run-events') return;
      for (const event of change.events)
        if (!events.some((each) => each.id === event.id)) events.push(event);
    },
    soFar: (): RunSoFar => ({ run, events: [...events] }),
  };
}

describe('what a tablet keeps of a run', () => {
  it('is there when the page is opened again, though nobody ever answered', async () => {
    const one = tablet();
    const keeper = one.opened();
    keeper.begin(run);
    keeper.add(id, { kind: 'began' });
    keeper.add(id, { kind: 'done', act: 'a//' });
    const again = one.opened();
    expect(again.get(id)).toBeUndefined();
    expect(await again.open(id)).toBe(true);
    expect(again.get(id)?.events.map(({ kind }) => kind)).toEqual(['began', 'done']);
    expect(await again.open(asId('nobody'))).toBe(false);
    expect(await again.openHere()).toEqual([run]);
    again.add(id, { kind: 'entered' });
    expect(await again.openHere()).toEqual([]);
  });

  it('puts what the house knows before what it has not heard of yet', () => {
    const event = (name: string) => ({ id: name }) as unknown as RunLogEntry;
    const [a, b, c] = ['a', 'b', 'c'].map(event) as [RunLogEntry, RunLogEntry, RunLogEntry];
    expect(mergedEvents([a, b], [a, c])).toEqual([a, b, c]);
    const here = [a, b];
    expect(mergedEvents([a, b], here)).toBe(here);
  });

  it('loses nothing and counts nothing twice, whatever is cut, lost, sent again or opened anew', async () => {
    const step = fc.constantFrom(
      'tap',
      'tap',
      'tap',
      'send',
      'send-again',
      'learn',
      'reload',
      'other',
    );
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 5, maxLength: 60 }), async (steps) => {
        const [one, other, there] = [tablet(), tablet(), house()];
        let keeper = one.opened();
        const second = other.opened();
        keeper.begin(run);
        second.learn({ run, events: [] });
        const taps: string[] = [];
        let heard = 0;
        for (const each of steps) {
          if (each === 'tap') {
            keeper.add(id, { kind: 'noted', words: `tap ${taps.length}` });
            taps.push(`tap ${taps.length}`);
          } else if (each === 'other') {
            second.add(id, { kind: 'noted', words: `other ${taps.length}` });
            taps.push(`other ${taps.length}`);
          } else if (each === 'send') {
            for (; heard < one.sent.length; heard += 1) there.take(one.sent[heard] as Change);
          } else if (each === 'send-again') one.sent.forEach(there.take);
          else if (each === 'learn') keeper.learn(there.soFar());
          else {
            keeper = one.opened();
            await keeper.open(id);
          }
        }
        one.sent.forEach(there.take);
        other.sent.forEach(there.take);
        keeper.learn(there.soFar());
        second.learn(there.soFar());
        const said = (of: RunSoFar | undefined) =>
          of?.events.flatMap((event) => (event.kind === 'noted' ? [event.words] : []));
        expect(said(there.soFar())?.toSorted()).toEqual(taps.toSorted());
        expect(said(keeper.get(id))).toEqual(said(there.soFar()));
        expect(said(second.get(id))).toEqual(said(there.soFar()));
      }),
      { numRuns: 500 },
    );
  });
});
