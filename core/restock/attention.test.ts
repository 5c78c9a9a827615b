import { describe, expect, it } from 'vitest';
import { asId } from '../house/ids';
import { cleanser, protocol, sachet, stockOf } from '../testing/sample';
import { attentionOf } from './attention';
import { tradeOff } from './tradeOff';
import { NOW, TODAY, enzyme, sample, restockOf, line, order } from '../testing/restocked';

describe('what to attend to', () => {
  it('comes in the order of harm', () => {
    const of = sample({
      orders: [
        order({
          id: asId('late'),
          dueOn: '2026-11-20',
          lines: [line({ materialId: sachet().id })],
        }),
        order({ id: asId('draft'), state: 'draft', lines: [] }),
      ],
      stock: [stockOf(cleanser().id, 10), stockOf(sachet().id, 600, 6)],
    });
    expect(attentionOf(of, restockOf(of), NOW).map(({ kind }) => kind)).toEqual([
      'runs-out',
      'late',
      'to-send',
      'linen',
      'count-due',
    ]);
  });

  it('is nothing where all is well', () => {
    const well = sample({
      materials: [cleanser(), sachet()],
      protocols: [protocol([enzyme])],
      stock: [stockOf(cleanser().id, 480), stockOf(sachet().id, 6000, 6)],
      counts: [
        {
          id: asId('c'),
          name: 'All',
          startedOn: TODAY,
          blind: true,
          endedOn: TODAY,
          lines: [cleanser().id, sachet().id].map((materialId) => ({
            materialId,
            at: '2026-11-24T10:00:00Z',
            entryId: asId(`e-${materialId}`),
            found: 1,
            by: 'pieces' as const,
          })),
        },
      ],
    });
    expect(attentionOf(well, restockOf(well), NOW)).toEqual([]);
  });
});

describe('the trade-off', () => {
  it('ties up more and is without less often at a higher level', () => {
    const of = sample();
    const curve = tradeOff(of, restockOf(of));
    for (const [at, point] of curve.entries()) {
      const before = curve[at - 1];
      if (!before) continue;
      expect(point.tiedUpMinor).toBeGreaterThanOrEqual(before.tiedUpMinor - 1e-9);
      expect(point.shortPerYear).toBeLessThanOrEqual(before.shortPerYear + 1e-9);
    }
  });
});
