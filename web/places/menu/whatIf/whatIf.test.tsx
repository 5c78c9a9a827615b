import { describe, expect, it } from 'vitest';
import type { Scenario } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../../testing/eachAtTheApp';

const person = eachAtTheApp();
const open = person.openApp;

describe('a scenario', () => {
  it('loses a change, and every figure beside it follows', async () => {
    await open('/menu/what-if');
    await person.sees('Everybody is paid 4% more');
    const then = await person.figure('Full cost then');
    await person.click('button', 'Leave out: Everybody is paid 4% more');
    await expect.poll(() => person.figure('Full cost then')).not.toBe(then);
    const { before, after } = await person.written<Scenario>('scenarios');
    expect(after.changes).toEqual(before.changes.slice(1));
  });

  it('charges what would be charged, as one change more', async () => {
    await open('/menu/what-if');
    await person.click(
      'button',
      'Charge €95.00 for Fruit-acid renewal, first visit in Next year: pay and rent',
    );
    const { before, after } = await person.written<Scenario>('scenarios');
    expect(after.changes.slice(0, before.changes.length)).toEqual(before.changes);
    expect(after.changes.at(-1)).toMatchObject({ kind: 'price', grossMinor: 9_500 });
  });

  it('stands beside others, as many as are ticked', async () => {
    await open('/menu/what-if');
    const columns = (): number => person.all('thead th').length;
    await person.waitFor(() => columns() > 0, 'they are compared');
    const before = columns();
    await person.click('checkbox', 'Northquay asks 6 % more beside');
    await person.waitFor(() => columns() !== before, 'one more or less stands there');
    await person.click('checkbox', 'Northquay asks 6 % more beside');
    await person.waitFor(() => columns() === before, 'it is as before');
  });

  it('says before it is adopted what is written, and what is left out of it', async () => {
    await open('/menu/what-if');
    await person.click('button', 'Adopt …');
    await person.sees('Written are: the settings of the house, 5 people.');
    await person.click('checkbox', 'Rooms, fixed cost a month €2,310.00 instead of €2,160.00');
    await person.sees('Written are: 5 people.');
    await person.click('checkbox', 'Everybody is paid 4% more');
    const adopt = await person.find('button', 'Adopt 0 of 2');
    expect(adopt.matches(':disabled')).toBe(true);
  });
});
