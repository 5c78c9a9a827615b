import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { payRate } from '../cost/therapistRate';
import { createCalculator } from '../figures/createCalculator';
import { plannedOf, recoveryOf, type Recovery } from '../figures/recovery';
import type { House, Person } from '../house/house';
import { asId } from '../house/ids';
import {
  house,
  minutes,
  problemOf,
  protocol,
  service,
  settings,
  step,
  valueOf,
} from '../testing/sample';
import type { ServicePrice } from './ladders';
import { priceChange } from './priceChange';
import { priceFigures } from './priceOf';

const ione = (changes: Partial<Person> = {}): Person => ({
  id: asId('ione'),
  name: 'Ione',
  role: 'therapist',
  hourlyPayMinor: 1_400,
  hoursPerWeek: 30,
  ...changes,
});
const rateOf = (person: Person) => valueOf(payRate([person], 'therapist', settings, {}));

/* An hour in which a therapist is there throughout, ten times a week. */
const houseOf = (person: Person, changes: Partial<House> = {}): House =>
  house({
    protocols: [protocol([step('massage', minutes(60))])],
    services: [service()],
    people: [person],
    demand: [{ serviceId: service().id, visitsPerWeek: 10 }],
    ...changes,
  });
const priceOf = (of: House): ServicePrice => {
  const price = createCalculator()(of).services.get(service().id)?.price;
  if (!price?.ok) throw new Error(price?.problems[0]?.message);
  return price.value;
};
const recovered = (of: House): Recovery => {
  const found = recoveryOf(of, plannedOf(of, createCalculator()(of)));
  if (!found) throw new Error('Nothing is planned.');
  return found;
};

describe('how a person is paid (C9)', () => {
  it('is owed anyhow where hours are agreed', () => {
    const { perMinute, fixed, owedPerMonth } = rateOf(ione());
    expect(perMinute).toBeCloseTo(37.094017, 6);
    expect(fixed).toBe(perMinute);
    expect(owedPerMonth).toBeCloseTo((30 * 52 * 1_400 * 1.24) / 12, 6);
  });

  it('is by the minute worked where hours of work are paid: no time that is not booked', () => {
    const rate = rateOf(ione({ paidWhenWorking: true }));
    expect(rate.perMinute).toBeCloseTo((1_400 * 1.24) / 60, 9);
    expect(rate).toMatchObject({ fixed: 0, owedPerMonth: 0 });
  });

  it('spreads pay by the month over the hours it is for, on top of an hour’s pay', () => {
    const rate = rateOf(ione({ paidWhenWorking: true, monthlyPayMinor: 65_000 }));
    /* 65 000 over 130 hours is 500 an hour. */
    expect(rate.fixed).toBeCloseTo((500 * 1.24) / 60 / 0.78, 9);
    expect(rate.perMinute).toBeCloseTo(rate.fixed + (1_400 * 1.24) / 60, 9);
    expect(rate.owedPerMonth).toBeCloseTo(65_000 * 1.24, 9);
    const none = ione({ monthlyPayMinor: 65_000, hoursPerWeek: 0 });
    const problem = problemOf(payRate([none], 'therapist', settings, {}));
    expect(problem).toMatchObject({ code: 'paid-hours-missing', where: { personId: 'ione' } });
  });
});

describe('the short run and the long run (C9)', () => {
  it('are the same but for what is owed anyhow', () => {
    const price = priceOf(houseOf(ione()));
    const hands = 60 * 37.094017;
    expect(price.oneMore.contribution - price.contribution).toBeCloseTo(hands, 3);
    expect(price.oneMore.floorGross).toBeCloseTo(0, 9);
    expect(price.oneMore.breakEvenVisits).toBeCloseTo(
      (price.load.roomCostPerMonth + price.load.pay.perMonth) / price.oneMore.contribution,
      9,
    );
    const working = priceOf(houseOf(ione({ paidWhenWorking: true })));
    expect(working.oneMore.contribution).toBe(working.contribution);
    expect(working.oneMore.floorGross).toBe(working.floorGross);
  });

  it('takes a share of the net price for the hands, like a fee, and none of it by the minute', () => {
    const by = priceOf(houseOf(ione({ hourlyPayMinor: 0, shareOfPrice: 0.3 })));
    expect(by.load.directCost).toBe(0);
    expect(by.sharedPay).toBeCloseTo(by.net * 0.3 * 1.24, 9);
    expect(by.contribution).toBeCloseTo(by.net - by.fees - by.sharedPay, 9);
    const { commission, cardFee, vat } = settings;
    const share = 1 - by.targetMargin - commission - 0.3 * 1.24 - cardFee * (1 + vat);
    expect(by.computedNet).toBeCloseTo(by.load.roomCost / share, 6);
  });

  it('says that nothing is left where all of the price is paid for the work', () => {
    const figures = createCalculator()(houseOf(ione({ shareOfPrice: 1 })));
    const price = figures.services.get(service().id)!.price;
    expect(problemOf(price)).toMatchObject({ code: 'fees-too-high' });
    expect(problemOf(price).message).toContain('paid for the work');
  });

  it('adds nothing at the lowest price of each, and loses fewer guests in the short run', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 3_000 }),
        fc.integer({ min: 0, max: 300_000 }),
        fc.double({ min: 0, max: 0.2, noNaN: true }),
        fc.boolean(),
        (hourlyPayMinor, monthlyPayMinor, shareOfPrice, whenWorking) => {
          const of = houseOf(
            ione({
              hourlyPayMinor,
              monthlyPayMinor,
              shareOfPrice,
              ...(whenWorking && { paidWhenWorking: true as const }),
            }),
          );
          const price = priceOf(of);
          const at = (gross: number) => valueOf(priceFigures(gross, price.load, of.settings, {}));
          expect(at(price.oneMore.floorGross).oneMore.contribution).toBeCloseTo(0, 6);
          expect(at(price.floorGross).contribution).toBeCloseTo(0, 6);
          expect(at(price.evenGross).profit).toBeCloseTo(0, 6);
          expect(price.oneMore.floorGross).toBeLessThanOrEqual(price.floorGross + 1e-9);
          const dearer = at(price.gross + 1_000);
          const long = priceChange(price, dearer).visitsMayChange ?? -1;
          const short = priceChange(price.oneMore, dearer.oneMore).visitsMayChange ?? -1;
          expect(short).toBeGreaterThanOrEqual(long - 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('the break-even of the house (C9)', () => {
  it('is the visits at which what guests add pays rent and what is owed', () => {
    const of = houseOf(ione());
    const { breakEven } = recovered(of);
    const { visitsNeeded, visitsPerMonth, perVisit, rentPerMonth, owedPerMonth } = breakEven;
    expect(visitsPerMonth).toBeCloseTo((10 * 52) / 12, 9);
    expect(perVisit).toBeCloseTo(priceOf(of).oneMore.contribution, 9);
    expect(rentPerMonth).toBe(of.settings.roomCost.fixedPerMonthMinor);
    expect(owedPerMonth).toBeCloseTo((30 * 52 * 1_400 * 1.24) / 12, 6);
    const enough = houseOf(ione(), {
      demand: [{ serviceId: service().id, visitsPerWeek: (10 * visitsNeeded!) / visitsPerMonth }],
    });
    expect(recovered(enough).breakEven.leftPerMonth).toBeCloseTo(0, 6);
  });

  it('owes nothing where everybody is paid for hours of work, and is never where guests add nothing', () => {
    expect(recovered(houseOf(ione({ paidWhenWorking: true }))).breakEven.owedPerMonth).toBe(0);
    expect(recovered(houseOf(ione({ paidWhenWorking: true }))).pay).toMatchObject({
      paid: 0,
      implied: settings.bookableShare,
    });
    const cheap = houseOf(ione({ paidWhenWorking: true }), {
      services: [service({ pricing: { by: 'own', ownMinor: 100 } })],
    });
    expect(recovered(cheap).breakEven).toMatchObject({ visitsNeeded: null });
    const idle = houseOf(ione(), { demand: [] });
    expect(recoveryOf(idle, plannedOf(idle, createCalculator()(idle)))).toBeUndefined();
  });
});
