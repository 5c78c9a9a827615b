import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asId } from './ids';
import { visitLogOf, visitsByDay, visitsIn, type LoggedVisit } from './visitLog';

const visit = (service: string, at: string, more: Partial<LoggedVisit> = {}): LoggedVisit => ({
  serviceId: asId(service),
  at,
  ...more,
});

describe('a log of visits', () => {
  it('adds up by service and day, from the day that is asked for', () => {
    const log = visitLogOf(
      [
        visit('clay', '2026-11-03T10:00:00Z'),
        visit('clay', '2026-11-03T15:00:00Z', { bookingId: asId('b1') }),
        visit('clay', '2026-11-05T15:00:00Z'),
        visit('peel', '2026-11-04T12:00:00Z'),
        visit('clay', '2026-10-31T12:00:00Z', { bookingId: asId('b0') }),
      ],
      '2026-11-01',
      'UTC',
    );
    expect(log).toEqual({
      since: '2026-11-01',
      visits: { clay: [0, 0, 2, 0, 1], peel: [0, 0, 0, 1] },
      entered: ['b1', 'b0'],
    });
    expect([...visitsByDay(log)]).toEqual([
      { serviceId: 'clay', day: '2026-11-03', count: 2 },
      { serviceId: 'clay', day: '2026-11-05', count: 1 },
      { serviceId: 'peel', day: '2026-11-04', count: 1 },
    ]);
  });

  it('leaves out what was taken back, whose booking can be entered again', () => {
    const back = visit('clay', '2026-11-03T10:00:00Z', {
      bookingId: asId('b1'),
      takenBackAt: '2026-11-03T11:00:00Z',
    });
    expect(visitLogOf([back], '2026-11-01', 'UTC')).toEqual({
      since: '2026-11-01',
      visits: {},
      entered: [],
    });
  });

  it('counts a service by whatever id, and leaves everything else alone', () => {
    const ids = ['__proto__', 'constructor', 'toString'];
    const log = visitLogOf(
      ids.map((id) => visit(id, '2026-11-05T12:00:00Z')),
      '2026-11-01',
      'UTC',
    );
    expect([...visitsByDay(log)].map(({ serviceId }) => serviceId)).toEqual(ids);
    expect([Object.keys(Object.prototype), Object.keys(Object)]).toEqual([[], []]);
  });

  it('has as many visits as it was made of, whatever their days', () => {
    const moments = fc.array(
      fc.date({
        min: new Date('2026-01-02T12:00:00Z'),
        max: new Date('2027-12-31T12:00:00Z'),
        noInvalidDate: true,
      }),
    );
    fc.assert(
      fc.property(moments, (all) => {
        const log = visitLogOf(
          all.map((at, which) => visit(`s${which % 3}`, at.toISOString())),
          '2026-01-01',
          'America/Santiago',
        );
        expect(visitsIn(log)).toBe(all.length);
      }),
    );
  });
});
