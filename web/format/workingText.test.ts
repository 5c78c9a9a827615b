import { describe, expect, it } from 'vitest';
import { figure, worked, type Working } from '@bienestar/core/explain/working';
import { workingText } from './workingText';

const hands: Working = {
  title: 'Hands',
  codes: ['C3'],
  words: 'Minutes × a minute.',
  inputs: [{ label: 'Minutes', value: figure(30, 'min') }],
  result: figure(1200, 'money'),
};

describe('a working as text', () => {
  it('has every input below what it is an input of', () => {
    const cost: Working = {
      title: 'Direct cost',
      codes: ['C7'],
      words: 'Everything added up.',
      inputs: [worked(hands), { label: 'Linen', value: figure(80, 'money') }],
      result: figure(1280, 'money'),
    };
    expect(workingText(cost, 'EUR').split('\n')).toEqual([
      'Direct cost: €12.80',
      '  Everything added up. (C7)',
      '  Hands: €12.00',
      '    Minutes × a minute. (C3)',
      '    Minutes: 30 min',
      '  Linen: €0.80',
    ]);
  });
});
