import { readFile } from 'node:fs/promises';
import { describe, expect, it } from 'vitest';
import { eachAtAFreshHouse } from '../support/personInDocument';

const person = eachAtAFreshHouse();

describe('the shelf', () => {
  it('does not give away what is in use, and says where', async () => {
    await person.goTo('/shelf/aloe-gel/used');
    await person.click('button', 'Remove this material');
    await person.sees(/still used by: .*Layered fruit-acid renewal \(protocol\)/);
    await person.click('link', 'Layered fruit-acid renewal');
    expect(await person.valueOf('Step')).toBe('Aloe gel rests');
  });

  it('adds, changes and takes away a material', async () => {
    await person.goTo('/shelf');
    await person.click('button', 'Add a material');
    await person.click('button', 'Add to the shelf');
    await person.sees('Still needed: a name, what a pack holds, a price.');
    await person.fill('Name', 'Sea-lavender <i>mist</i>');
    await person.fill('In the pack', '200');
    await person.fill('Price of the pack', '12,50');
    await person.click('button', 'Add to the shelf');
    await person.sees('€0.0625');
    await person.click('link', 'Bought');
    await person.fill('Stays in the pack', '20');
    await person.press('Enter');
    await person.sees('€0.07813');
    await person.click('link', 'Measured');
    await person.fill('ml per spray', '0');
    await person.press('Enter');
    await person.sees('Must be more than 0.');
    await person.fill('ml per spray', '0.14');
    await person.press('Enter');
    await person.click('button', 'Columns');
    await person.click('menuitemcheckbox', 'Measured by');
    await person.press('Escape');
    await person.sees('0.14 ml a spray');
    await person.click('link', 'Used');
    await person.sees('Nothing uses it yet.');
    await person.click('button', 'Remove this material');
    await person.seesNot('Sea-lavender');
  });
});

describe('restocking', () => {
  it('orders when the count falls to the reorder point', async () => {
    const toOrder = (): boolean =>
      person.all('tbody tr').some((row) => /Cellulose sheet mask.*▲ order/.test(row.textContent));
    await person.goTo('/restock/levels/cellulose-sheet');
    await person.click('radio', 'to order');
    await person.seesNot('Gauze squares');
    await person.fill('On hand: Cellulose sheet mask, aloe', '200');
    await person.press('Enter');
    await person.waitFor(() => !toOrder(), 'there is enough of it');
    await person.fill('On hand: Cellulose sheet mask, aloe', '1');
    await person.press('Enter');
    await person.waitFor(toOrder, 'it is to be ordered');
    await person.fill('On hand: Cellulose sheet mask, aloe', '-5');
    await person.press('Enter');
    await person.sees('Must be at least 0.');
    expect(await person.valueOf('On hand: Cellulose sheet mask, aloe')).toBe('-5');
  });
});

describe('the house file', () => {
  const offer = (name: string, content: string): Promise<void> =>
    person.upload('House file', new File([content], name));

  it('takes the place of the house when all of it is right', async () => {
    const file = await readFile('demo/casa-cenera.house.json', 'utf8');
    await person.goTo('/house');
    await offer('other.house.json', file.replace('"Casa Cenera"', '"Casa Otra"'));
    await person.click('button', 'Replace the house');
    await person.sees('Casa Otra');
  });
});
