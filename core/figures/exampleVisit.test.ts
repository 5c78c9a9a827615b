import { describe, expect, it } from 'vitest';
import { house, problemOf, settings, valueOf } from '../testing/sample';
import { exampleVisit } from './exampleVisit';

describe('an example for who sets a house up', () => {
  it('is a minute of hands, a minute of room, and an hour of both', () => {
    const { therapistPerMinute, roomPerMinute, price } = exampleVisit(house());
    expect(valueOf(therapistPerMinute)).toBeCloseTo(37.094017, 6);
    expect(valueOf(roomPerMinute)).toBeCloseTo(7.889546, 6);
    /* 60 x (37.094017 + 7.889546) / (1 - 0.35 - 0.1 - 0.015 x 1.13) x 1.13, at the next 5.00 */
    expect(valueOf(price).computedGross).toBeCloseTo(5721.575, 2);
    expect(valueOf(price).gross).toBe(6000);
  });

  it('says what is missing', () => {
    const nobody = problemOf(exampleVisit(house({ people: [] })).price);
    expect(nobody.code).toBe('pay-missing');
    /* There is no service yet while a house is set up. */
    expect(nobody.message).not.toContain('service');
    expect(problemOf(exampleVisit(house({ rooms: [] })).price).code).toBe('rooms-missing');
    const greedy = house({ settings: { ...settings, targetMargin: 0.9 } });
    expect(problemOf(exampleVisit(greedy).price).code).toBe('fees-too-high');
  });
});
