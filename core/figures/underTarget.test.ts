import { describe, expect, it } from 'vitest';
import { asId } from '../house/ids';
import { house, minutes, protocol, service, step } from '../testing/sample';
import { createCalculator } from './createCalculator';
import { underTarget } from './underTarget';

const of = house({
  protocols: [protocol([step('work', minutes(50))])],
  services: [
    service({ id: asId('far'), pricing: { by: 'own', ownMinor: 1000 } }),
    service({ id: asId('fair'), pricing: { by: 'own', ownMinor: 20_000 } }),
    service({ id: asId('close'), pricing: { by: 'own', ownMinor: 4200 } }),
    service({ id: asId('exact'), pricing: { by: 'cost-plus' } }),
  ],
});

describe('services under their target', () => {
  it('are those that leave less than the house wants, the furthest first', () => {
    const under = underTarget(of, createCalculator()(of));
    expect(under.map(({ service: { id }, losesMoney }) => [id, losesMoney])).toEqual([
      ['far', true],
      ['close', false],
    ]);
    for (const { margin, targetMargin } of under) expect(margin).toBeLessThan(targetMargin);
  });
});
