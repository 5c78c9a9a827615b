import { describe, expect, it } from 'vitest';
import { asId, type RunEventId, type RunId } from '../house/ids';
import type { RunLogEntry } from '../house/run';
import { incidentsIn, toFollowUp } from './incidents';

const entry = (id: string, of: object): RunLogEntry =>
  ({
    id: asId<RunEventId>(id),
    runId: asId<RunId>('r'),
    at: `2026-11-28T10:00:0${id}.000Z`,
    ...of,
  }) as RunLogEntry;
const burn = (id: string, followUpOn?: string): RunLogEntry =>
  entry(id, {
    kind: 'incident',
    seen: ['burn'],
    done: ['cooled'],
    words: 'on the chin',
    ...(followUpOn && { followUpOn }),
  });
const after = (id: string, incident: string): RunLogEntry =>
  entry(id, { kind: 'followed-up', incident, words: 'it is gone' });

describe('what went wrong', () => {
  it('stays, however often it is sent, with all that was asked after', () => {
    const [first, asked] = [burn('1', '2026-11-30'), after('2', '1')];
    expect(incidentsIn([first, first, asked, asked])).toEqual([
      {
        id: '1',
        at: '2026-11-28T10:00:01.000Z',
        seen: ['burn'],
        done: ['cooled'],
        words: 'on the chin',
        followUps: [{ at: '2026-11-28T10:00:02.000Z', words: 'it is gone' }],
      },
    ]);
  });

  it('is to be asked after until somebody has, the earliest day in front', () => {
    const events = [burn('1', '2026-12-02'), burn('2', '2026-11-30'), burn('3'), after('4', '9')];
    expect(toFollowUp(events).map(({ on, runId }) => [on, runId])).toEqual([
      ['2026-11-30', 'r'],
      ['2026-12-02', 'r'],
    ]);
    expect(toFollowUp([...events, after('5', '2')]).map(({ on }) => on)).toEqual(['2026-12-02']);
  });
});
