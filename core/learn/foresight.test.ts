import { describe, expect, it } from 'vitest';
import type { LogbookVisit } from '../house/logbook';
import { sampleVisits } from '../testing/sampleLog';
import { foresightOf } from './foresight';

describe('how well figures foresee', () => {
  it('is flat where visits fall evenly into their forecasts, and not where they all run over', () => {
    const even = foresightOf(sampleVisits(100));
    expect(even).toMatchObject({ visits: 100, isFlat: true });
    expect(even.promised).toBeCloseTo(0.9, 9);
    expect(even.tenths.reduce((sum, each) => sum + each, 0)).toBe(100);
    const late = sampleVisits(100).map(({ plan: of, entry }): LogbookVisit => ({
      plan: of,
      entry: {
        ...entry,
        fell: 1,
        roomMinutes: 40,
        cost: { expected: { low: 1, usual: 2, high: 3 }, came: 9 },
      },
    }));
    expect(foresightOf(late)).toMatchObject({
      isFlat: false,
      inSlot: { hits: 0, of: 100 },
      withinCost: { hits: 0 },
      tenths: [0, 0, 0, 0, 0, 0, 0, 0, 0, 100],
    });
    expect(foresightOf([])).toMatchObject({ visits: 0, isFlat: true });
  });

  it('counts amounts only where they were told, and leaves out what was stopped', () => {
    const heavy = foresightOf(sampleVisits(20, { oil: () => 1.5 }));
    expect(heavy.withinAmounts).toMatchObject({ hits: 0, of: 20 });
    expect(foresightOf(sampleVisits(20)).withinAmounts.of).toBe(0);
    const stopped = sampleVisits(3).map(({ plan, entry }): LogbookVisit => ({
      plan,
      entry: { ...entry, stopped: 'massage' },
    }));
    expect(foresightOf(stopped).visits).toBe(0);
  });
});
