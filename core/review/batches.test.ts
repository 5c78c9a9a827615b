import { describe, expect, it } from 'vitest';
import { drawsOf } from '../draws/drawsOf';
import { asId, type MixId } from '../house/ids';
import {
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
import { batchFindings } from './batches';

/** A sachet of 6 g and 8 g of water: 14 g. */
const paste = mix({
  id: asId<MixId>('paste'),
  name: 'Paste',
  basis: 'g',
  bowlLoss: 0,
  parts: [
    {
      source: { kind: 'material', materialId: sachet().id },
      amount: { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } },
    },
    {
      source: { kind: 'material', materialId: cleanser().id },
      amount: measured(8, 'g'),
    },
  ],
});
const onShelf = shelf([sachet(), cleanser({ unit: 'g', measures: {} })], [paste]);

function said(grams: number): string[] {
  const of = protocol([
    step('mask', minutes(5), {
      doses: [
        dose(asId('paste'), measured(grams, 'g'), { source: { kind: 'mix', mixId: paste.id } }),
      ],
    }),
  ]);
  const draws = valueOf(drawsOf(of, 'first', onShelf, settings));
  return batchFindings(draws, of.id, onShelf).map(({ message }) => message);
}

describe('a need that just opens another pack', () => {
  it.each([
    [3, 0],
    [14, 0],
    [14.5, 1],
    [16.5, 1],
    [17, 0],
    [28, 0],
    [29, 1],
  ])('of %s g is told (%s)', (grams, times) => expect(said(grams)).toHaveLength(times));

  it('says how much more it is', () =>
    expect(said(15)).toEqual([
      '15 g of Paste are asked for: 0.4 g more of Enzyme sachet than 6 g, for which another is opened.',
    ]));
});
