import { describe, expect, it } from 'vitest';
import { QUARTERS, type MapPlace, type MenuMap } from '@bienestar/core/figures/menuMap';
import type { Service } from '@bienestar/core/house/house';
import { asId, type ProtocolId, type ServiceId } from '@bienestar/core/house/ids';
import { adviceFor, QUARTER_TITLES, QUARTER_WORDS } from './quarterWords';

const service: Service = {
  id: asId<ServiceId>('s'),
  name: 'Facial',
  protocolId: asId<ProtocolId>('p'),
  visitKind: 'returning',
  therapistIds: [],
};
const map: MenuMap = { places: [], line: 2800, lineIs: 'wanted', often: 2 };
const place = (changes: Partial<MapPlace>): MapPlace => ({
  service,
  quarter: 'carries',
  visitsPerWeek: 4,
  perRoomHour: 3600,
  roomHoursPerWeek: 4.667,
  contributionPerWeek: 16_800,
  ...changes,
});
const toReach = { gross: 8500, change: { perVisit: 400, visitsMayChange: -0.1234 } };
const say = (changes: Partial<MapPlace>): string => adviceFor(place(changes), map, 'EUR');

describe('what to do about a service', () => {
  it('has words of its own for every quarter', () => {
    expect(new Set(QUARTERS.map((quarter) => QUARTER_TITLES[quarter])).size).toBe(4);
    for (const quarter of QUARTERS) expect(QUARTER_WORDS[quarter]).toMatch(/\.$/);
  });

  it('is to keep what carries the house', () => {
    expect(say({})).toBe('Brings €168.00 a week.');
  });

  it('is to show what is hidden, also what nobody books yet', () => {
    expect(say({ quarter: 'hidden' })).toBe(
      'Each more hour of it brings €8.00 more than the line.',
    );
    expect(say({ quarter: 'hidden', visitsPerWeek: 0 })).toMatch(
      /^Nobody books it yet; .* €8\.00 more/,
    );
  });

  it('is to raise what toils, with what visits may do then', () => {
    expect(say({ quarter: 'toils', perRoomHour: 2400, toReach })).toBe(
      '€85.00 would reach the line, and 12% of visits may stay away.',
    );
    const unknown = { gross: 8500, change: { perVisit: 400, visitsMayChange: null } };
    expect(say({ quarter: 'toils', toReach: unknown })).toBe('€85.00 would reach the line.');
    expect(say({ quarter: 'toils' })).toBe('No price reaches the line.');
  });

  it('is to rework what rests, or to leave it off', () => {
    expect(say({ quarter: 'rests', toReach })).toBe(
      '€85.00 would reach the line, and 12% of visits may stay away. Off the menu it frees 4.7 room hours a week.',
    );
  });
});
