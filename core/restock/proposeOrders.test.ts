import { describe, expect, it } from 'vitest';
import type { House } from '../house/house';
import { asId } from '../house/ids';
import {
  bought,
  cleanser,
  dose,
  measured,
  minutes,
  protocol,
  sachet,
  service,
  step,
  stockOf,
} from '../testing/sample';
import { proposeOrders } from './proposeOrders';
import { towel, cleanse, enzyme, sample, restockOf, line, order } from '../testing/restocked';

describe('orders to write', () => {
  const cheap = cleanser({
    id: asId('cheap'),
    name: 'Toner',
    ...bought({ content: 250, priceMinor: 300 }),
  });
  const least = (leastOrderMinor: number): Partial<House> => ({
    suppliers: sample().suppliers.map((supplier) => ({ ...supplier, leastOrderMinor })),
  });

  it('hold what is at its point, with the reason', () => {
    const of = sample();
    const [proposal] = proposeOrders(of, restockOf(of));
    expect(proposal?.lines.map(({ material }) => material.id)).toEqual([cleanser().id]);
    expect(proposal?.lines[0]?.why[0]).toMatchObject({
      kind: 'at-point',
      position: expect.closeTo(48 * 0.97, 9) as number,
    });
    expect(proposal?.totalMinor).toBe(
      proposal?.lines.reduce((sum, { totalMinor }) => sum + totalMinor, 0),
    );
  });

  it('fill up to the least order with what is needed soonest, and say what is missing', () => {
    const tone = step('tone', minutes(1), { doses: [dose(cheap.id, measured(2, 'ml'))] });
    const of = sample({
      ...least(1_000_000),
      materials: [cleanser(), sachet(), towel, cheap],
      protocols: [protocol([cleanse, enzyme, tone])],
      stock: [stockOf(cleanser().id, 48), stockOf(sachet().id, 600, 6), stockOf(cheap.id, 200)],
    });
    const [proposal] = proposeOrders(of, restockOf(of));
    expect(proposal?.lines[1]?.why.map(({ kind }) => kind)).toEqual(['soon', 'least-order']);
    const [first, second] = proposal?.lines.slice(1).map(({ why }) => why[0]) ?? [];
    expect(first?.kind === 'soon' && second?.kind === 'soon' && first.days <= second.days).toBe(
      true,
    );
    expect(proposal?.missingMinor).toBeGreaterThan(0);
  });

  it.each([
    /* 2 ml a visit, 14 visits a week, an opened pack keeps: 28 ml a week */
    ['nothing of what half a year uses', { content: 700 }, {}, []],
    ['why one pack lasts longer', { content: 750 }, {}, [['lasts', 'one-pack']]],
    [
      'what the supplier takes no less of',
      { content: 100, leastPacks: 9 },
      {},
      [['lasts', 'least']],
    ],
    [
      'what will be over before it is used',
      { content: 100, leastPacks: 4 },
      { sealedDays: 70 },
      [['too-many', 'least']],
    ],
  ])('say %s', (_, content, changes, expected) => {
    const toner = { ...cheap, ...bought({ priceMinor: 900_000, ...content }), ...changes };
    const tone = step('tone', minutes(1), { doses: [dose(cheap.id, measured(2, 'ml'))] });
    const of = sample({
      materials: [toner],
      protocols: [protocol([tone])],
      stock: [stockOf(cheap.id, 0)],
      demand: [{ serviceId: service().id, visitsPerWeek: 14 }],
    });
    const [proposal] = proposeOrders(of, restockOf(of));
    const why = proposal?.lines[0]?.why ?? [];
    expect(
      why.flatMap((each) =>
        each.kind === 'lasts' || each.kind === 'too-many' ? [[each.kind, each.by]] : [],
      ),
    ).toEqual(expected);
  });

  it('do not repeat what stands in a draft', () => {
    const of = sample({ orders: [order({ state: 'draft', lines: [line({ packs: 5 })] })] });
    expect(proposeOrders(of, restockOf(of))).toEqual([]);
  });
});
