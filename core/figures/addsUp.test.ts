import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { House } from '../house/house';
import { asId } from '../house/ids';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  service,
  settings,
  step,
} from '../testing/sample';
import { paidHoursOf } from '../cost/therapistRate';
import { addsUp, type AddsUp } from './addsUp';
import { createCalculator } from './createCalculator';

/* 60 minutes of a therapist in a room, seven times a week. */
const facial = protocol([
  step('massage', minutes(60), { doses: [dose(cleanser().id, measured(5, 'ml'))] }),
]);
const sample = (changes: Partial<House> = {}): House =>
  house({
    protocols: [facial],
    services: [service()],
    people: [
      {
        id: asId('ione'),
        name: 'Ione',
        role: 'therapist',
        hourlyPayMinor: 1_400,
        hoursPerWeek: 20,
      },
    ],
    demand: [{ serviceId: service().id, visitsPerWeek: 7 }],
    ...changes,
  });
const found = (of: House): AddsUp => {
  const all = addsUp(of, createCalculator()(of));
  if (!all) throw new Error('Nothing is planned.');
  return all;
};

describe('does it add up? (C8)', () => {
  it('sets what is charged for rooms and hands beside what they cost, a month', () => {
    const of = sample();
    const { rooms, pay } = found(of);
    const { fixedPerMonthMinor, openDaysPerMonth, openHoursPerDay, occupancy } =
      of.settings.roomCost;
    const open = of.rooms.length * openDaysPerMonth * openHoursPerDay * 60;
    const booked = (7 * 60 * 52) / 12;
    expect(rooms.paid).toBe(fixedPerMonthMinor);
    expect(rooms.charged).toBeCloseTo((fixedPerMonthMinor * booked) / (open * occupancy), 6);
    expect(rooms.implied).toBeCloseTo(booked / open, 9);
    /* 20 hours are paid a week, 7 of them at a guest. */
    expect(pay.paid).toBeCloseTo((20 * 52 * 1_400 * 1.24) / 12, 6);
    expect(pay.implied).toBeCloseTo(7 / 20, 9);
  });

  it('is what prices would be if the house charged at what the plan fills', () => {
    const of = sample();
    const all = found(of);
    const asFilled = sample({
      settings: {
        ...of.settings,
        bookableShare: all.pay.implied,
        roomCost: { ...of.settings.roomCost, occupancy: all.rooms.implied },
      },
    });
    const figures = createCalculator()(asFilled).services.get(service().id);
    const [line] = all.services;
    expect(figures?.cost.ok && figures.cost.value.full.usual).toBeCloseTo(
      line?.fullCostImplied ?? 0,
      6,
    );
    expect(figures?.price.ok && figures.price.value.gross).toBe(line?.grossImplied);
    const again = found(asFilled);
    expect(again.rooms.charged).toBeCloseTo(again.rooms.paid, 6);
    expect(again.pay.charged).toBeCloseTo(again.pay.paid, 6);
  });

  it('says when more is planned than there is, and nothing while nothing is', () => {
    const busy = sample({ demand: [{ serviceId: service().id, visitsPerWeek: 700 }] });
    expect(found(busy).rooms.implied).toBeGreaterThan(1);
    const idle = sample({ demand: [] });
    expect(addsUp(idle, createCalculator()(idle))).toBeUndefined();
  });

  it('counts the open hours of the house as paid where none are said', () => {
    expect(paidHoursOf({ hoursPerWeek: 12 }, settings)).toBe(12);
    expect(paidHoursOf({}, settings)).toBeCloseTo((26 * 9 * 12) / 52, 9);
  });

  it('brings what is paid at the shares that the plan fills, whatever is planned and paid', () => {
    const figure = (least: number, most: number) =>
      fc.double({ min: least, max: most, noNaN: true });
    fc.assert(
      fc.property(figure(0.5, 60), figure(2, 60), figure(0.2, 1), (visits, hours, occupancy) => {
        const base = sample();
        const of = sample({
          demand: [{ serviceId: service().id, visitsPerWeek: visits }],
          people: base.people.map((person) => ({ ...person, hoursPerWeek: hours })),
          settings: {
            ...base.settings,
            roomCost: { ...base.settings.roomCost, occupancy },
          },
        });
        const { rooms, pay, services } = found(of);
        const weeks = 52 / 12;
        const more = (services[0]?.fullCostImplied ?? 0) - (services[0]?.fullCost ?? 0);
        const missing = rooms.paid - rooms.charged + (pay.paid - pay.charged);
        expect(more * visits * weeks).toBeCloseTo(missing, 4);
      }),
      { numRuns: 30 },
    );
  });
});

describe('slots that hold (T7)', () => {
  it('tell how many visits of a week last longer, and what would hold', () => {
    const slow = protocol([step('massage', minutes(50, 60, 75))]);
    const of = sample({
      protocols: [slow],
      settings: { ...settings, paceSpread: 0.1 },
    });
    const { slots, overPerWeek, visitsPerWeek } = found(of);
    expect(slots[0]?.chanceOver).toBeGreaterThan(0);
    expect(slots[0]?.chanceOver).toBeLessThanOrEqual(0.1);
    expect(slots[0]?.minutesMore).toBeGreaterThan(0);
    expect((slots[0]?.minutesMore ?? 1) % 5).toBe(0);
    expect(overPerWeek).toBeCloseTo(7 * (slots[0]?.chanceOver ?? 0), 9);
    expect(visitsPerWeek).toBe(7);
    const even = found(sample());
    expect(even.slots[0]).toMatchObject({ chanceOver: 0, minutesMore: 0 });
  });
});
