import { describe, expect, it } from 'vitest';
import type { Person } from '../house/house';
import { asId, type PersonId } from '../house/ids';
import { payRate } from '../cost/therapistRate';
import { payIn } from '../cost/performers';
import { exactly, ZERO } from '../quantity/triple';
import { settings, valueOf } from '../testing/sample';
import { variantsOf } from './variants';

const person = (id: string, hourlyPayMinor: number): Person => ({
  id: asId<PersonId>(id),
  name: id,
  role: 'therapist',
  hourlyPayMinor,
});
const people = [person('ione', 1400), person('nerea', 2000), person('dacil', 1200)];
const schedule = { slotMinutes: 60, attended: { therapist: 45, assistant: 10 } };
const performs = valueOf(payRate(people.slice(0, 2), 'therapist', settings, {}));
const rate = performs.perMinute;
const helps = { perMinute: 20, fixed: 20, shareOfPrice: 0, owedPerMonth: 0 };
const performing = { therapist: people.slice(0, 2), assistant: [] };
const rates = {
  people: performing,
  therapist: rate,
  assistant: 20,
  room: 8,
  fixed: { therapist: rate, assistant: 20 },
  pay: { therapist: performs, assistant: helps },
};
const hands = 45 * rate + 10 * 20;
const cost = {
  lines: [],
  deviceLines: [],
  product: exactly(1000),
  consumables: ZERO,
  singleUse: ZERO,
  linen: ZERO,
  givenAway: ZERO,
  expires: exactly(0),
  devices: ZERO,
  therapist: exactly(hands),
  fixedPay: exactly(hands),
  room: exactly(480),
  direct: exactly(1000 + hands),
  full: exactly(1480 + hands),
};
const load = {
  directCost: 1000 + hands,
  roomCost: 480,
  slotMinutes: 60,
  attendedMinutes: 45,
  roomCostPerMonth: 72_000,
  pay: payIn(rates.pay, hands),
};
const variants = variantsOf({
  schedule,
  cost,
  rates,
  gross: 9000,
  load,
  settings,
});
const of = (name: string) =>
  variants.find(
    ({ of: what }) => (what.kind === 'performer' ? what.person.name : what.charge) === name,
  )!;

describe('the same visit, counted another way', () => {
  it('costs what those who may perform it cost, whose mean is charged', () => {
    expect(variants).toHaveLength(4);
    expect((of('ione').hands + of('nerea').hands) / 2).toBeCloseTo(hands, 9);
    expect(of('nerea').figures.margin).toBeLessThan(of('ione').figures.margin);
  });

  it('charges attended minutes or the whole slot, in which no assistant is charged again', () => {
    expect(of('attended').hands).toBeCloseTo(hands, 9);
    expect(of('slot').hands).toBeCloseTo(60 * rate, 9);
    const gap = of('attended').figures.contribution - of('slot').figures.contribution;
    expect(gap).toBeCloseTo(15 * rate - 10 * 20, 9);
  });
});
