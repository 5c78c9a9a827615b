import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asId, type ServiceId } from '../../house/ids';
import type { House, PlacedVisit } from '../../house/house';
import {
  check,
  daysOf,
  demo,
  empty,
  needFor,
  placed,
  visitsOf,
} from '../../../contract/testing/placedDay';
import type { ConflictKind } from './conflicts';
import { atMinute } from './dayVisits';
import { drawnOn } from './workedDay';

/** What does not fit of these visits. */
function conflicts(
  ...visits: PlacedVisit[]
): readonly { kind: ConflictKind; name?: string; figure?: number }[] {
  return check({ ...empty, placed: visits }).map(({ kind, name, figure }) => ({
    kind,
    ...(name && { name }),
    ...(figure !== undefined && { figure }),
  }));
}

describe('what does not fit', () => {
  it('is nothing where everybody and everything is there once', () => {
    expect(
      conflicts(placed('clay-facial', '10:00', 'lava', 'mateo', { assistantId: asId('olaya') })),
    ).toEqual([]);
  });

  it('is a room twice at once, and not where one ends as the other begins', () => {
    const first = placed('corrector', '11:00', 'lava', 'nerea');
    expect(conflicts(first, placed('corrector', '11:30', 'lava', 'nerea'))).toContainEqual({
      kind: 'room-twice',
      name: 'Lava',
    });
    expect(conflicts(first, placed('corrector', '11:40', 'lava', 'nerea'))).toEqual([]);
  });

  it('is the hands of one person in two rooms, and the walk that they have no time for', () => {
    expect(
      conflicts(
        placed('needle', '11:00', 'lava', 'nerea'),
        placed('needle', '12:00', 'duna', 'nerea'),
      ).map(({ kind }) => kind),
    ).toContain('hands-twice');
    /* Hands are free after 75.6 minutes, and needed in the other room at 76. */
    const kinds = conflicts(
      placed('lift', '11:00', 'lava', 'nerea'),
      placed('needle', '12:16', 'duna', 'nerea'),
    ).map(({ kind }) => kind);
    expect(kinds).toContain('no-walk');
    expect(kinds).not.toContain('hands-twice');
  });

  it('is a room of the wrong kind, somebody who may not, somebody who is not there', () => {
    expect(conflicts(placed('body-polish', '17:00', 'lava', 'dacil'))).toEqual(
      expect.arrayContaining([
        { kind: 'room-kind', name: 'Lava' },
        { kind: 'not-there', name: 'Dacil' },
      ]),
    );
    expect(conflicts(placed('clay-facial', '10:00', 'lava', 'nerea'))).toContainEqual({
      kind: 'may-not',
      name: 'Nerea',
    });
  });

  it('is closed hours, midnight, no room and nobody', () => {
    expect(conflicts(placed('needle', '18:30', 'lava', 'ione')).map(({ kind }) => kind)).toContain(
      'closed',
    );
    expect(conflicts(placed('needle', '23:30', 'lava', 'ione')).map(({ kind }) => kind)).toContain(
      'past-midnight',
    );
    const {
      roomId: _room,
      therapistId: _hands,
      ...nowhere
    } = placed('needle', '12:00', 'lava', 'ione');
    expect(conflicts(nowhere).map(({ kind }) => kind)).toEqual(['no-room', 'nobody']);
  });

  it('is a device that is there once', () => {
    const kinds = conflicts(
      placed('needle', '11:00', 'lava', 'nerea'),
      placed('needle', '11:10', 'duna', 'ione'),
    );
    expect(kinds).toContainEqual({ kind: 'device', name: 'Fine-needle pen', figure: 1 });
  });

  it('is a guest twice at once, and one who has had no rest', () => {
    const guest = { name: 'Alma R.' };
    const first = placed('needle', '11:00', 'lava', 'nerea', guest);
    expect(
      conflicts(first, placed('corrector', '11:30', 'duna', 'ione', { name: 'alma r. ' })),
    ).toContainEqual({
      kind: 'guest-twice',
      name: 'alma r. ',
    });
    const rest = demo.protocols.find(({ id }) => id === needFor('needle').service.protocolId)!
      .around!.spacing!.leastDays;
    const yesterday = {
      ...placed('needle', '11:00', 'lava', 'nerea', guest),
      at: atMinute('2026-11-26', 660, demo.settings.timeZone),
    };
    expect(conflicts(first, yesterday)).toContainEqual({
      kind: 'rest',
      name: 'Alma R.',
      figure: rest,
    });
  });

  it('is a rest between different treatments of one guest, by what is done first (K2)', () => {
    const on = (day: string, serviceId: string, name = 'Alma R.'): PlacedVisit =>
      placed(serviceId, '11:00', 'lava', 'nerea', { name, day });
    const rests = (house: Partial<House>, ...visits: PlacedVisit[]) =>
      check({ ...empty, ...house, placed: visits }).filter(({ kind }) => kind === 'rest');
    const needle = on('2026-11-27', 'needle');
    expect(rests({}, needle, on('2026-11-20', 'acid-returning'))).toMatchObject([
      { figure: 14, rest: { after: 'acid', before: 'needles' }, visits: [{ key: needle.id }] },
    ]);
    expect(rests({}, needle, on('2026-12-04', 'acid-returning'))).toMatchObject([
      { rest: { after: 'needles', before: 'acid' } },
    ]);
    expect(rests({}, needle, on('2026-11-13', 'acid-returning'))).toEqual([]);
    expect(rests({}, needle, on('2026-11-26', 'clay-facial'))).toEqual([]);
    expect(rests({}, needle, on('2026-11-26', 'acid-returning', 'Berta L.'))).toEqual([]);
    expect(rests({}, needle, on('2026-11-27', 'acid-returning'))).toEqual([]);
    /* What was worked within a visit counts, too. */
    const withLight = {
      ...on('2026-11-28', 'calm-facial'),
      addOnIds: [asId<ServiceId>('add-light')],
    };
    expect(rests({}, needle, withLight)).toMatchObject([
      { figure: 3, rest: { after: 'needles', before: 'light' } },
    ]);
    const own = { ...demo.settings, rests: [] };
    expect(rests({ settings: own }, needle, on('2026-11-26', 'acid-returning'))).toEqual([]);
  });

  it('is linen that is still in the laundry, and towels that are not hot yet', () => {
    const few = (id: string, pieces: number): House['materials'] =>
      demo.materials.map((material) =>
        material.id === id && material.kind === 'linen'
          ? { ...material, loop: { ...material.loop!, pieces } }
          : material,
      );
    const visits = [
      placed('warm-sand', '14:00', 'lava', 'mateo'),
      placed('enzyme-facial', '14:00', 'duna', 'ione'),
    ];
    const linen = check({ ...empty, placed: visits, materials: few('face-towel', 7) });
    expect(linen.find(({ kind }) => kind === 'linen')).toMatchObject({
      name: 'Face towel',
      figure: 3,
    });
    const cold = demo.devices.map((device) =>
      device.heats ? { ...device, heats: { pieces: 1, minutes: 40 } } : device,
    );
    expect(check({ ...empty, placed: visits, devices: cold }).map(({ kind }) => kind)).toContain(
      'hot-towels',
    );
    expect(check({ ...empty, placed: visits }).map(({ kind }) => kind)).not.toContain('hot-towels');
  });
});

it('a visit of the book that begins beside the grid is drawn where it fits, too', () => {
  const booking = demo.bookings.find(({ at }) => at.startsWith('2026-11-27'))!;
  const at = booking.at.replace(/:00Z$/, ':00Z').replace(/\d\d:00Z$/, '07:00Z');
  const house = { ...empty, bookings: [{ ...booking, at }] };
  const [drawn] = drawnOn(daysOf(house), '2026-11-27').visits;
  expect([drawn?.roomId, drawn?.therapistId]).not.toContain(undefined);
});

it('a proposed day has no more in the way than the book itself has', () => {
  const bookings = demo.bookings.filter(({ at }) => at > '2026-11-25');
  fc.assert(
    fc.property(fc.subarray(bookings), (some) => {
      /* What is placed of a book that has it no more is told, and is no matter here. */
      const placed = demo.placed.filter(({ bookingId }) => bookingId === undefined);
      const house = { ...demo, bookings: some, placed };
      for (const day of ['2026-11-26', '2026-11-27', '2026-11-28']) {
        const visits = drawnOn(daysOf(house), day).visits;
        const placedOnes = visits.filter(({ roomId }) => roomId);
        const found = check(house, placedOnes, day);
        expect(found.filter(({ kind }) => kind !== 'linen')).toEqual([]);
        expect(visits).toHaveLength(visitsOf(house, day).length);
      }
    }),
    { numRuns: 20 },
  );
});
