import { describe, expect, it } from 'vitest';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What is looked at ahead: order points, what a service level costs, what happens by chance. */

const person = eachAtTheApp();
const open = person.openApp;
const money = (text: string | undefined): number => Number(text?.replaceAll(/[^\d.]/g, ''));
/** The cells of the lines of a table. */
const lines = (): readonly (readonly string[])[] =>
  person.all('tbody tr').map((row) => [...row.children].map(({ textContent }) => textContent));

describe('what it risks', () => {
  it('ties up more the more orders are to be in time, and is late less often', async () => {
    await open('/restock/risk');
    await person.waitFor(() => lines().length > 8, 'the curve');
    const tied = lines().map((cells) => money(cells[1]));
    const late = lines().map((cells) => money(cells[3]));
    expect(tied).toEqual(tied.toSorted((one, other) => one - other));
    expect(late).toEqual(late.toSorted((one, other) => other - one));
  });

  it('marks the level of the house, and keeps the one that is picked', async () => {
    await open('/restock/risk');
    await person.sees('as it is');
    await person.click('button', 'pick 98%');
    const { before, after } = await person.written<HouseSettings>('settings');
    expect(after).toEqual({ ...before, serviceLevel: 0.98 });
    await person.waitFor(
      () => person.all('button').every((each) => each.textContent !== 'pick 98%'),
      'it is as it is now',
    );
    await person.find('button', 'pick 95%');
  });

  it('is played through by chance, and can be called off', async () => {
    await open('/restock/risk');
    await person.click('button', 'Play the shelf through');
    await person.sees('Uses served');
    await person.click('button', 'Cancel');
    await person.find('button', 'Play the shelf through');
  });

  it('stands beside a scenario, which changes nothing', async () => {
    await open('/restock/risk');
    await person.waitFor(() => lines().length > 8, 'the curve');
    await person.choose('Beside a scenario', 'Northquay asks 6 % more');
    await person.sees('in the scenario');
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});

describe('when to order', () => {
  it('shows what must be ordered before what need not be', async () => {
    await open('/restock/levels/copper-ampoule');
    await person.waitFor(() => lines().length > 20, 'the shelf');
    const due = lines().map((cells) => cells.some((cell) => cell.includes('▲')));
    expect(due).toEqual(due.toSorted((one, other) => Number(other) - Number(one)));
    await person.sees(/Of 400 runs/);
  });

  it('follows the service level as it is typed, and goes back', async () => {
    await open('/restock/levels/copper-ampoule');
    const at = 'Reorder point of Gloves, plain';
    await person.waitFor(() => lines().length > 20, 'the shelf');
    const before = await person.figure(at);
    await person.fill('Service level', '99.5');
    await person.press('Tab');
    await expect.poll(() => person.figure(at)).not.toBe(before);
    await person.fill('Service level', '95');
    await person.press('Tab');
    await expect.poll(() => person.figure(at)).toBe(before);
  });
});
