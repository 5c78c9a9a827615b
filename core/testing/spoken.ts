import { expect } from 'vitest';
import type { Device } from '../house/device';
import type { Material, Mix } from '../house/house';
import { asId } from '../house/ids';
import type { NewIds } from '../stepLine/applyLine';
import { parseStepLine, type ParsedLine } from '../stepLine/parseStepLine';
import { vocabularyOf } from '../stepLine/vocabulary';
import { bought, cleanser, mix, sachet } from './sample';

/* A small shelf to speak of, and what is said of it. */

/** A product with a name of its own. */
export const named = (id: string, name: string, changes: Partial<Material> = {}): Material =>
  ({ ...cleanser({ id: asId(id), name }), ...changes }) as Material;
const pieces = (id: string, name: string): Material => ({
  id: asId(id),
  kind: 'consumable',
  countedPer: 'client',
  name,
  unit: 'piece',
  measures: {},
  ...bought({}),
});

export const materials: Material[] = [
  named('milk', 'Prickly-pear cleansing milk'),
  named('water', 'Distilled water'),
  named('acid', 'Fruit-acid blend 20 %'),
  named('oil', 'Night-jasmine massage oil', {
    measures: {
      named: [{ name: 'almond', usual: 1.5, unit: 'ml' }],
      coats: [{ name: 'mask', usual: 90 }],
    },
  }),
  named('polish', 'Pumice polish'),
  sachet({ id: asId('fig'), name: 'Fig enzyme powder' }),
  pieces('pad', 'Cotton pads'),
  pieces('towel', 'Face towel'),
  named('gone', 'Old tonic', { archivedOn: '2026-01-01' }),
];
export const clay: Mix = mix({ id: asId('clay'), name: 'Clay mask, mixed' });
export const pen: Device = {
  id: asId('pen'),
  name: 'Fine-needle pen',
  count: 1,
  hazards: ['needles'],
  settings: [{ kind: 'depth', unit: 'mm', least: 0.25, most: 1.5, safer: 'less' }],
  neverZones: [],
  eyeProtection: false,
  trainedIds: [],
};
export const steamer: Device = {
  ...pen,
  id: asId('steamer'),
  name: 'Facial steamer',
  settings: [],
};
export const words = vocabularyOf({
  materials,
  mixes: [clay],
  devices: [pen, steamer],
  protocols: [{ id: asId('eye-sheet'), name: 'Eye sheet' }],
  settings: { findings: ['own-loss-of-glow'] },
});

let made = 0;
export const ids: NewIds = {
  step: () => asId(`s${(made += 1)}`),
  dose: () => asId(`d${(made += 1)}`),
  other: () => `o${(made += 1)}`,
};
export const read = (line: string): ParsedLine => parseStepLine(line, words);
export const said = (line: string): ParsedLine['said'] => {
  const { faults, said: what } = read(line);
  expect(faults).toEqual([]);
  return what;
};
