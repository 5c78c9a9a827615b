import { expect, it } from 'vitest';
import type { Step } from '../house/house';
import { asId, type MaterialId } from '../house/ids';
import { bought, minutes, protocol, settings, shelf, step, valueOf } from '../testing/sample';
import { drawsOf } from './drawsOf';

const gloves = {
  kind: 'consumable',
  countedPer: 'client',
  id: asId<MaterialId>('gloves'),
  name: 'Gloves',
  unit: 'piece',
  measures: {},
  gloves: { kind: 'plain', perPair: 2 },
  ...bought({}),
} as const;

const pairs = (...steps: Step[]): number => {
  const draws = valueOf(drawsOf(protocol(steps), 'first', shelf([gloves]), settings));
  return draws.filter((draw) => draw.for === 'gloves').length;
};
const gloved = (name: string): Step => step(name, minutes(2), { gloves: 'plain' });
const waiting = (hands: Step['hands']): Step => step(`wait ${hands}`, minutes(5), { hands });

it.each([
  ['one step', [gloved('a')], 1],
  ['two in a row', [gloved('a'), gloved('b')], 1],
  ['a wait between, watched', [gloved('a'), waiting('watching'), gloved('b')], 1],
  ['a wait between, free', [gloved('a'), waiting('free'), gloved('b')], 1],
  ['bare hands between', [gloved('a'), waiting('hands-on'), gloved('b')], 2],
  ['bare hands, then a wait', [gloved('a'), waiting('hands-on'), waiting('free'), gloved('b')], 2],
])('pairs of gloves over %s', (_words, steps, expected) => {
  expect(pairs(...steps)).toBe(expected);
});
