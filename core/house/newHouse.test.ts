import { expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import { houseOf } from './archive';
import { newHouse } from './newHouse';

it('a house that has just begun has figures, and nothing that does not fit', () => {
  const figures = createCalculator()(houseOf(newHouse()));
  expect(figures.services.size).toBe(0);
  expect(figures.problems ?? []).toEqual([]);
});
