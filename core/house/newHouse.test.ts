import { expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import { problemsOf } from '../figures/houseFigures';
import { houseOf } from '../stock/houseOf';
import { newHouse } from './newHouse';

it('a house that has just begun has figures, and nothing that does not fit', () => {
  const figures = createCalculator()(houseOf(newHouse()));
  expect(figures.services.size).toBe(0);
  expect(problemsOf(figures)).toEqual([]);
});
