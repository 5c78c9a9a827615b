import { expect, it } from 'vitest';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

it('says what rooms and hands bring beside what they cost, and charges at what the plan fills', async () => {
  await person.openApp('/menu/adds-up');
  await person.sees('the rooms cost €2,160.00');
  await person.sees('The figures go by an occupancy of 65%');
  await person.sees(/Of \d+ planned visits a week about [\d.]+ last longer than their slot/);
  const filled = await person.figure('Rooms: the plan fills');
  await person.click('button', `Charge at ${filled}`);
  await person.sees('Visits are charged at what the plan fills.');
  const { after } = await person.written<HouseSettings>('settings');
  expect(after.roomCost.occupancy * 100).toBeCloseTo(Number(filled.replace('%', '')), 6);
  expect(after.bookableShare).toBe(0.78);
});

it('shows the working of what the plan fills', async () => {
  await person.openApp('/menu/adds-up');
  const filled = await person.figure('Hands: the plan fills');
  await person.click('button', `Hands: the plan fills: ${filled}. Show the working`);
  await person.sees('Pay that is owed whether or not somebody comes, with on-cost, a month');
  await person.sees('(C8)');
});
