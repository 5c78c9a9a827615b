import { describe, expect, it } from 'vitest';
import type { Material, Mix } from '../house/house';
import { asId, type MixId } from '../house/ids';
import { drawsOf } from '../draws/drawsOf';
import { exactly } from '../quantity/triple';
import { materialDemand } from '../draws/demandRate';
import { scheduleOf } from '../time/schedule';
import {
  AS_PAID,
  bought,
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  protocol,
  sachet,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { serviceCost } from './serviceCost';
import { unitCost } from './unitCost';
import { preferredPack } from '../house/packs';
import { openUseOf } from './openLife';
import { wasteAndGifts } from './wasteAndGifts';

const rates = {
  therapist: 37,
  assistant: 25,
  room: 8,
  fixed: { therapist: 37, assistant: 25 },
};
const kit: Material = {
  id: asId('kit'),
  kind: 'retail',
  name: 'Home kit',
  unit: 'piece',
  measures: {},
  ...bought({ priceMinor: 600, content: 1, residual: 0 }),
};
const paste: Mix = mix({
  id: asId<MixId>('paste'),
  name: 'Paste',
  bowlLoss: 0.2,
  basis: 'ml',
  parts: [
    {
      source: { kind: 'material', materialId: cleanser().id },
      amount: { how: 'measured', quantity: exactly(10), unit: 'ml' },
    },
  ],
});

function visit(usesPerWeek = 0) {
  const materials = [cleanser({ openLife: { amount: 30, unit: 'days' } }), sachet(), kit];
  const written = protocol([
    step('consult', minutes(6), { action: 'consult' }),
    step('paste', minutes(3), {
      doses: [
        {
          ...dose(cleanser().id, measured(8, 'ml')),
          source: { kind: 'mix', mixId: paste.id },
        },
      ],
    }),
    step('sachet', minutes(3), { doses: [dose(sachet().id, measured(5, 'g'))] }),
    step('goodbye', minutes(4), {
      phase: 'home-care',
      doses: [dose(kit.id, measured(1, 'piece'))],
    }),
  ]);
  const onShelf = shelf(materials, [paste]);
  const schedule = valueOf(scheduleOf(written, 'first', settings));
  const draws = valueOf(drawsOf(written, 'first', onShelf, settings));
  const costs = new Map(materials.map((material) => [material.id, unitCost(material, AS_PAID)]));
  const demand = materialDemand([{ visitsPerWeek: usesPerWeek, amount: 10 }]);
  const opens = new Map(
    materials.flatMap((material) => {
      const open =
        material.kind === 'linen'
          ? undefined
          : openUseOf(material, preferredPack(material), demand);
      return open ? [[material.id, open] as const] : [];
    }),
  );
  const cost = valueOf(
    serviceCost(
      draws,
      schedule,
      { materials: onShelf.materials, devices: new Map() },
      costs,
      rates,
      'attended',
      opens,
    ),
  );
  return {
    cost,
    costs,
    left: wasteAndGifts({
      protocol: written,
      schedule,
      cost,
      rates,
      materials: onShelf.materials,
      mixes: onShelf.mixes,
    }),
  };
}

describe('what a visit throws away and gives', () => {
  it('leaves a fifth in the bowl and the rest of a sachet', () => {
    const { cost, costs, left } = visit();
    const of = (why: string) => left.waste.find((line) => line.why === why);
    const mixed = cost.lines.find((line) => line.draw.mix !== undefined);
    expect(mixed?.cost.usual).toBeCloseTo(10 * valueOf(costs.get(cleanser().id)!), 9);
    expect(of('bowl')).toMatchObject({ name: 'Paste' });
    expect(of('bowl')?.minor).toBeCloseTo((mixed?.cost.usual ?? 0) * 0.2, 9);
    const { draw, perUnit } = cost.lines.find((line) => line.draw.materialId === sachet().id)!;
    expect(draw.leftOver.usual).toBeGreaterThan(0);
    expect(of('pack')?.minor).toBeCloseTo(draw.leftOver.usual * perUnit, 9);
    expect(left.wasteMinor).toBeCloseTo((of('bowl')?.minor ?? 0) + (of('pack')?.minor ?? 0), 9);
  });

  it('gives kits, and minutes of talk', () => {
    const { left } = visit();
    expect(left.gifts.map(({ why, name, minor }) => [why, name, minor])).toEqual([
      ['gift', 'Home kit', 600],
      ['talk', 'consult', 6 * 37],
      ['talk', 'goodbye', 4 * 37],
    ]);
    expect(left.giftsMinor).toBe(600 + 10 * 37);
  });

  it('throws away more of an open container the less it is used', () => {
    const lost = (usesPerWeek: number): number =>
      visit(usesPerWeek).left.waste.find(
        ({ why, name }) => why === 'open-life' && name === cleanser().name,
      )?.minor ?? 0;
    expect(lost(1)).toBeGreaterThan(lost(5));
    expect(lost(2000)).toBeCloseTo(0, 3);
  });
});
