import { describe, expect, it } from 'vitest';
import { CAUSES, type BridgePart } from '@bienestar/core/watch/bridge';
import { CAUSE_WORDS, partName, partWords, points } from './bridgeWords';

const part = (changes: Partial<BridgePart>): BridgePart => ({
  cause: 'pay',
  cost: 0,
  gross: 0,
  margin: 0,
  ...changes,
});

describe('what moved a margin', () => {
  it('has a name for every cause, and the material’s own', () => {
    expect(new Set(CAUSES.map((cause) => CAUSE_WORDS[cause])).size).toBe(CAUSES.length);
    expect(partName(part({ cause: 'material', name: 'Clay' }))).toBe('Clay');
    expect(partName(part({ cause: 'vat' }))).toBe('VAT');
    expect(partName(part({ cause: 'material', several: 7 }))).toBe('7 materials, each very little');
  });

  it('is said in points', () => {
    expect(points(-0.0142)).toBe('−1.4 points');
    expect(points(0.01)).toBe('+1 point');
    expect(points(0.0001)).toBe('0 points');
  });

  it('is said in money, cost and price apart', () => {
    expect(partWords(part({ cost: 127, gross: 500 }), 'EUR')).toBe('cost +€1.27, price +€5.00');
    expect(partWords(part({ cost: -30 }), 'EUR')).toBe('cost -€0.30');
    expect(partWords(part({ cost: 0.2 }), 'EUR')).toBe('');
  });
});
