import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, ownHouse } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* What needs two windows; the rest of restocking is in document/restock.test.ts. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  await tellSuppliers('/behaviour?is=confirm');
  await tellSuppliers('/fault?is=none');
  person = await newPerson();
});
afterEach(() => person.close());

async function tellSuppliers(path: string): Promise<void> {
  await fetch(`${ownHouse().suppliers}${path}`, { method: 'POST' });
}

/** Something of the house as the server has it. */
async function kept(path: string): Promise<string> {
  return (await fetch(`${ownHouse().url}/api/${path}`)).text();
}

describe('an order', () => {
  it('that two receive at once is received once', async () => {
    await person.goTo('/restock/orders/order-32');
    await person.click('button', 'Some of it came');
    await person.click('button', 'All 2 came of Gauze squares');
    const other = await newPerson();
    await other.goTo('/restock/orders/order-32');
    await other.click('button', 'Some of it came');
    await other.click('button', 'All 2 came of Gauze squares');
    await other.click('button', 'On the shelf with it');
    await other.sees('2 packs came');
    await other.close();
    await person.click('button', 'On the shelf with it');
    await person.sees('Somebody else received some of this order meanwhile');
    const order = JSON.parse(await kept('orders/order-32')) as {
      lines: { received: unknown[] }[];
    };
    expect(order.lines[0]?.received).toHaveLength(1);
  });
});
