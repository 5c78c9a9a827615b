import { beforeEach, expect, it, vi } from 'vitest';
import type { Happening } from '@bienestar/core/house/run';
import type { Incident } from '@bienestar/core/run/incidents';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const onHappens = vi.fn<(happening: Happening) => void>();

/** What went wrong, alone; it was stopped where it is asked for. */
const report =
  (isAsked: boolean, incidents: readonly Incident[] = []) =>
  async () => {
    const { IncidentReport } = await import('./IncidentReport');
    const element = (
      <IncidentReport incidents={incidents} isAsked={isAsked} onHappens={onHappens} />
    );
    return [{ path: '*', element }];
  };
beforeEach(() => void onHappens.mockClear());

const WORDS = 'In words: what was on the skin and for how long, where, when';
const ASK_ON = 'Ask the guest how it is, on';

it('stands open where a visit was stopped, and waits for a press where it was not', async () => {
  await person.openApp('/', report(true));
  await person.find('button', 'redness');
});

it('is not in the way of a visit in which nothing went wrong', async () => {
  await person.openApp('/', report(false));
  await person.click('button', 'Something went wrong …');
  await person.find('button', 'redness');
});

it('is written down once something is said, with the day on which somebody asks', async () => {
  await person.openApp('/', report(true));
  const write = await person.find('button', 'Write it down for good');
  expect(write.matches(':disabled')).toBe(true);
  await person.click('button', 'redness');
  await person.fill(WORDS, '  left cheek, two minutes ');
  await person.fill(ASK_ON, '12/1/2026');
  await person.click('button', 'Write it down for good');
  expect(onHappens.mock.calls).toEqual([
    [
      {
        kind: 'incident',
        seen: ['redness'],
        done: [],
        words: 'left cheek, two minutes',
        followUpOn: '2026-12-01',
      },
    ],
  ]);
});

it('is not written down for good without a day that was typed and is none', async () => {
  await person.openApp('/', report(true));
  await person.click('button', 'redness');
  await person.fill(ASK_ON, 'soon');
  await person.click('button', 'Write it down for good');
  await person.sees(`Nothing was entered: put “${ASK_ON}” right first.`);
  expect(onHappens).not.toHaveBeenCalled();
  expect(await person.valueOf(ASK_ON)).toBe('soon');
  await person.fill(ASK_ON, '');
  await person.click('button', 'Write it down for good');
  expect(onHappens).toHaveBeenCalledTimes(1);
});

it('is added to, and what stands there stays', async () => {
  const incident: Incident = {
    id: 'incident-1' as Incident['id'],
    at: '2026-11-27T10:00:00.000Z',
    seen: ['redness'],
    done: [],
    words: 'left cheek',
    followUpOn: '2026-11-28',
    followUps: [],
  };
  await person.openApp('/', report(false, [incident]));
  await person.sees('Seen: redness.');
  await person.sees('To be asked after on');
  expect((await person.find('button', 'Write down')).matches(':disabled')).toBe(true);
  await person.fill('How it is now', ' all well ');
  await person.click('button', 'Write down');
  expect(onHappens.mock.calls).toEqual([
    [{ kind: 'followed-up', incident: 'incident-1', words: 'all well' }],
  ]);
  expect(await person.valueOf('How it is now')).toBe('');
});
