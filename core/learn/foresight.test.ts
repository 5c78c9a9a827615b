import { describe, expect, it } from 'vitest';
import type { LogbookVisit } from '../house/logbook';
import { asId, type BookingId } from '../house/ids';
import { house, minutes, protocol, service, step } from '../testing/sample';
import { sampleVisits } from '../testing/sampleLog';
import { bookKept } from './bookKept';
import { foresightOf } from './foresight';
import { takenAlong } from './takenAlong';

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

describe('what is taken along', () => {
  it('is how often what is offered was performed, of the visits in which it is offered', () => {
    const balm = protocol([step('balm', minutes(2))], { id: asId('balm'), name: 'Lip balm' });
    const facial = protocol([step('care', minutes(2), { offers: [asId('balm')] })], {
      id: asId('protocol'),
    });
    const visits = sampleVisits(40).map(({ plan, entry }, at): LogbookVisit => ({
      plan: at % 4 === 0 ? { ...plan, protocolId: asId('balm') } : plan,
      entry,
    }));
    expect(takenAlong(visits, { protocols: [balm, facial] })).toMatchObject([
      { name: 'Lip balm', taken: { hits: 10, of: 30 } },
    ]);
    expect(takenAlong([], { protocols: [balm, facial] })).toEqual([]);
  });
});

describe('what became of the book', () => {
  it('counts what is over and entered; what is to come does not count', () => {
    const at = (hour: number) => `2026-11-27T${hour}:00:00Z`;
    const booking = (id: string, hour: number, title = 'Facial') => ({
      id: asId<BookingId>(id),
      title,
      at: at(hour),
      minutes: 60,
    });
    const spa = house({
      services: [service({ id: asId('facial'), name: 'Facial' })],
      bookings: [booking('a', 10), booking('b', 11), booking('c', 18), booking('d', 10, 'Dentist')],
      log: { since: '2026-11-01', visits: {}, entered: [asId('a')] },
    });
    const now = new Date(at(14));
    expect(bookKept(spa, { now })).toMatchObject({ hits: 1, of: 2 });
    expect(bookKept({ ...spa, bookings: [] }, { now }).of).toBe(0);
  });
});
