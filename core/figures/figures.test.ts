import { describe, expect, it } from 'vitest';
import type { House, Step } from '../house/house';
import { asId } from '../house/ids';
import { exactly } from '../quantity/triple';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  bought,
  protocol,
  sachet,
  service,
  step,
  stockOf,
  valueOf,
} from '../testing/sample';
import { createCalculator } from './createCalculator';
import { problemsOf, type HouseFigures } from './houseFigures';

const towel: House['materials'][number] = {
  id: asId('towel'),
  kind: 'linen',
  name: 'Face towel',
  unit: 'piece',
  measures: {},
  laundry: { washMinor: 40, replacementMinor: 900, washesInLife: 120 },
};
const cleanse = step('cleanse', minutes(2, 3, 5), {
  doses: [
    dose(cleanser().id, { how: 'counted', quantity: exactly(3), measure: 'pump' }),
    dose(towel.id, measured(2, 'piece')),
  ],
});
const enzyme = step('enzyme', minutes(6), { doses: [dose(sachet().id, measured(7, 'g'))] });

function sampleHouse(
  changes: Partial<House> = {},
  steps: readonly Step[] = [cleanse, enzyme],
): House {
  return house({
    materials: [cleanser(), sachet(), towel],
    protocols: [protocol(steps)],
    services: [service()],
    demand: [{ serviceId: service().id, visitsPerWeek: 14 }],
    stock: [stockOf(cleanser().id, 48)],
    ...changes,
  });
}

function onlyService(figures: HouseFigures) {
  const found = figures.services.get(service().id);
  if (!found) throw new Error('no service');
  return found;
}

describe('the figures of a house', () => {
  const figures = createCalculator()(sampleHouse());
  const cost = valueOf(onlyService(figures).cost);

  it('sums the parts to direct and full cost, and the lines to the parts (C7)', () => {
    expect(cost.product.usual).toBeCloseTo(4.8 * (2100 / 485) + 12 * 30, 9);
    expect(cost.linen.usual).toBeCloseTo(95, 9);
    const parts =
      cost.product.usual + cost.consumables.usual + cost.linen.usual + cost.therapist.usual;
    expect(cost.direct.usual).toBeCloseTo(parts, 9);
    expect(cost.full.usual).toBeCloseTo(cost.direct.usual + cost.room.usual, 9);
    const lines = cost.lines.reduce((sum, line) => sum + line.cost.usual, 0);
    expect(lines).toBeCloseTo(cost.product.usual + cost.consumables.usual + cost.linen.usual, 9);
  });

  it('charges the slot instead of attended minutes when the house says so (C3)', () => {
    const bySlot = createCalculator()(
      sampleHouse({ settings: { ...sampleHouse().settings, therapistCharge: 'slot' } }),
    );
    const slotCost = valueOf(onlyService(bySlot).cost).therapist.usual;
    expect(slotCost / cost.therapist.usual).toBeCloseTo(
      valueOf(onlyService(figures).schedule).slotMinutes /
        valueOf(onlyService(figures).schedule).attended.therapist,
      9,
    );
  });
});

describe('figures that cannot be had', () => {
  it('leave the others alone: a bad amount costs the cost, not the minutes', () => {
    const faulty = { ...enzyme, doses: [dose(sachet().id, measured(-7, 'g'))] };
    const figures = createCalculator()(sampleHouse({}, [cleanse, faulty]));
    const { schedule, cost, price } = onlyService(figures);
    expect([schedule.ok, cost.ok, price.ok]).toEqual([true, false, false]);
    expect(problemsOf(figures).map((problem) => problem.code)).toEqual(['amount-invalid']);
    expect(figures.materials.get(sachet().id)?.drawnBy).toEqual([service().id]);
  });

  it('say that a service has no protocol', () => {
    const figures = createCalculator()(sampleHouse({ protocols: [], suppliers: [] }));
    expect(onlyService(figures).cost).toMatchObject({ ok: false });
    const codes = problemsOf(figures).map((problem) => problem.code);
    expect(codes).toContain('protocol-unknown');
  });
});

describe('remembering', () => {
  it('computes only what an edit changes, and the same as from nothing', () => {
    const calculate = createCalculator();
    const before = calculate(sampleHouse());
    const base = sampleHouse();
    const dearer: House = {
      ...base,
      materials: base.materials.map((material) =>
        material.id === cleanser().id
          ? cleanser(bought({ content: 500, priceMinor: 9900 }))
          : material,
      ),
    };
    const after = calculate(dearer);
    expect(onlyService(after)).toEqual(onlyService(createCalculator()(dearer)));
    expect(valueOf(onlyService(after).cost).product.usual).toBeGreaterThan(
      valueOf(onlyService(before).cost).product.usual,
    );
    expect(onlyService(after).schedule).toEqual(onlyService(before).schedule);
    expect(after.materials.get(asId('towel'))).toEqual(before.materials.get(asId('towel')));
  });

  it('gives the very same figures back for the very same house', () => {
    const calculate = createCalculator();
    const one = sampleHouse();
    expect(onlyService(calculate(one))).toBe(onlyService(calculate({ ...one, stock: [] })));
  });
});
