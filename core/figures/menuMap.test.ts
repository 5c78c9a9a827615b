import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { House } from '../house/house';
import { asId, type ProtocolId, type ServiceId } from '../house/ids';
import { house, minutes, protocol, service, step } from '../testing/sample';
import { createCalculator } from './createCalculator';
import { menuMap, type MenuMap } from './menuMap';

interface Sold {
  readonly ownMinor: number;
  readonly visitsPerWeek: number;
  readonly lasting?: number;
}

function mapOf(sold: readonly Sold[], settings: Partial<House['settings']> = {}): MenuMap {
  const name = (at: number) => `s${at}`;
  const made = house({
    protocols: sold.map(({ lasting = 55 }, at) =>
      protocol([step('work', minutes(lasting))], { id: asId<ProtocolId>(name(at)) }),
    ),
    services: sold.map(({ ownMinor }, at) =>
      service({
        id: asId<ServiceId>(name(at)),
        protocolId: asId<ProtocolId>(name(at)),
        pricing: { by: 'own', ownMinor },
      }),
    ),
    demand: sold.map(({ visitsPerWeek }, at) => ({
      serviceId: asId<ServiceId>(name(at)),
      visitsPerWeek,
    })),
  });
  const changed = { ...made, settings: { ...made.settings, ...settings } };
  return menuMap(changed, createCalculator()(changed));
}
const quarters = ({ places }: MenuMap) =>
  Object.fromEntries(places.map(({ service: { id }, quarter }) => [id, quarter]));

describe('the menu as a map', () => {
  const four: readonly Sold[] = [
    { ownMinor: 12_000, visitsPerWeek: 10 },
    { ownMinor: 12_000, visitsPerWeek: 1 },
    { ownMinor: 5500, visitsPerWeek: 10 },
    { ownMinor: 5500, visitsPerWeek: 1 },
  ];

  it('tells what carries the house, what hides, what toils and what rests', () => {
    const map = mapOf(four, { targetPerRoomHourMinor: 3000 });
    expect(quarters(map)).toEqual({ s0: 'carries', s1: 'hidden', s2: 'toils', s3: 'rests' });
    expect([map.line, map.lineIs]).toEqual([3000, 'wanted']);
    expect(map.often).toBeCloseTo((22 / 4) * 0.7, 9);
  });

  it('says the price that reaches the line, and what visits may do then', () => {
    const toils = mapOf(four, { targetPerRoomHourMinor: 3000 }).places.find(
      ({ quarter }) => quarter === 'toils',
    );
    expect(toils?.toReach?.gross).toBeGreaterThan(5500);
    expect(toils?.toReach?.change.visitsMayChange).toBeLessThan(0);
    const carries = mapOf(four, { targetPerRoomHourMinor: 3000 }).places[0];
    expect(carries?.toReach).toBeUndefined();
  });

  it('takes the average where the house has not said what an hour should bring', () => {
    const map = mapOf(four);
    const hours = map.places.reduce((sum, place) => sum + place.roomHoursPerWeek, 0);
    const brings = map.places.reduce((sum, place) => sum + place.contributionPerWeek, 0);
    expect(map.lineIs).toBe('average');
    expect(map.line).toBeCloseTo(brings / hours, 9);
  });

  it('a service that nobody books is never booked often', () => {
    const map = mapOf([
      { ownMinor: 9000, visitsPerWeek: 0 },
      { ownMinor: 9000, visitsPerWeek: 0 },
    ]);
    expect(
      Object.values(quarters(map)).every((each) => each === 'hidden' || each === 'rests'),
    ).toBe(true);
    expect(mapOf([])).toMatchObject({ places: [], line: 0, often: 0 });
  });

  it('more visits never make a service less booked, nor does a dearer price make it earn less', () => {
    const booked = (map: MenuMap) => ['carries', 'toils'].includes(quarters(map).s0 ?? '');
    const earns = (map: MenuMap) => ['carries', 'hidden'].includes(quarters(map).s0 ?? '');
    const visits = fc.integer({ min: 0, max: 30 });
    const gross = fc.integer({ min: 2000, max: 20_000 });
    fc.assert(
      fc.property(visits, visits, gross, gross, (v1, v2, g1, g2) => {
        const at = (visitsPerWeek: number, ownMinor: number): MenuMap =>
          mapOf(
            [
              { ownMinor, visitsPerWeek },
              { ownMinor: 8000, visitsPerWeek: 5 },
            ],
            {
              targetPerRoomHourMinor: 2500,
            },
          );
        const [few, many] = [Math.min(v1, v2), Math.max(v1, v2)];
        const [cheap, dear] = [Math.min(g1, g2), Math.max(g1, g2)];
        if (booked(at(few, cheap))) expect(booked(at(many, cheap))).toBe(true);
        if (earns(at(few, cheap))) expect(earns(at(few, dear))).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});
