import { describe, expect, it } from 'vitest';
import type { Material } from '../house/house';
import { asId, type MaterialId } from '../house/ids';
import { ok } from '../problem/problem';
import { cleanser } from '../testing/sample';
import { retailOf } from './retail';

const cream: Material = {
  ...cleanser({ id: asId('cream'), name: 'Cream' }),
  kind: 'retail',
  retailPriceMinor: 3_390,
};
const milk = cleanser();
const materials = new Map<MaterialId, Material>([
  [cream.id, cream],
  [milk.id, milk],
]);
const content = 'packs' in cream ? (cream.packs[0]?.content ?? 0) : 0;
const unitCosts = new Map([
  [cream.id, ok(1_200 / content)],
  [milk.id, ok(4)],
]);
const around = { before: [], avoid: [], expect: [], call: [] };

describe('what is sold beside a service (P1)', () => {
  it('leaves the share of guests who buy times what one sale leaves', () => {
    const retail = retailOf(
      {
        around: {
          ...around,
          recommends: [
            { materialId: cream.id, takeUp: 0.25, finding: 'redness' },
            { materialId: milk.id, takeUp: 0.5 },
          ],
        },
      },
      materials,
      unitCosts,
      { vat: 0.13, cardFee: 0.01 },
    );
    /* 33.90 / 1.13 = 30.00; card 0.339; it cost 12.00. */
    expect(retail.lines[0]?.leavesMinor).toBeCloseTo(3_000 - 33.9 - 1_200, 9);
    expect(retail.lines[1]).toMatchObject({ perVisitMinor: 0 });
    expect(retail.lines[1]).not.toHaveProperty('priceMinor');
    expect(retail.perVisitMinor).toBeCloseTo(0.25 * (3_000 - 33.9 - 1_200), 9);
  });

  it('is nothing where nothing is recommended', () => {
    expect(retailOf({}, materials, unitCosts, { vat: 0, cardFee: 0 })).toEqual({
      lines: [],
      perVisitMinor: 0,
    });
  });
});
