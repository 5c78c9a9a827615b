import { beforeEach, describe, expect, it } from 'vitest';
import type { Order } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

/** An order of the demo house alone, as it would be in another state. */
const standing = (id: string, state: Order['state']) => async () => {
  const { OrderPanel } = await import('./orders/OrderPanel');
  const { useSnapshot } = await import('../../store/house');
  const Standing = () => {
    const order = useSnapshot().orders.find((each) => each.id === id);
    return order && <OrderPanel order={{ ...order, state }} />;
  };
  return [{ path: '*', element: <Standing /> }];
};

const lines = async (): Promise<Order['lines']> =>
  (await person.written<Order>('orders')).after.lines;

describe('an order that is written', () => {
  beforeEach(() => person.openApp('/', standing('order-32', 'draft')));

  it('takes another number of packs, and no part of one', async () => {
    await person.fill('Packs of Gauze squares', '1,5');
    await person.press('Tab');
    await person.sees('Enter a whole number.');
    expect(person.store.getState().queue.writes).toEqual([]);
    await person.fill('Packs of Gauze squares', '0');
    await person.press('Tab');
    await person.sees('Must be at least 1.');
    await person.fill('Packs of Gauze squares', '5');
    await person.press('Tab');
    expect((await lines()).map(({ packs }) => packs)).toEqual([5, 1]);
  });

  it('leaves out a line', async () => {
    const { length } = person.all('li');
    await person.click('button', 'Remove Wooden spatula');
    expect(await lines()).toHaveLength(1);
    expect(person.all('li').length).toBeLessThanOrEqual(length);
  });

  it('takes what the supplier sells and is not in it yet, as somebody wanted it', async () => {
    await person.click('combobox', 'Add a material');
    const [first] = person.all('[role=option]');
    const name = first?.textContent ?? '';
    await person.click('option', name);
    const [, , added] = await lines();
    expect(added).toMatchObject({ packs: 1, why: [{ kind: 'by-hand' }], received: [], refused: 0 });
  });

  it('keeps a word that goes with it, without the room around it', async () => {
    await person.fill('A word to go with it', '  by the back door  ');
    await person.press('Tab');
    const { after } = await person.written<Order>('orders');
    expect(after.note).toBe('by the back door');
  });
});

describe('an order on its way', () => {
  it('says when it is expected, what came of it and what is still to come', async () => {
    await person.openApp('/restock/orders/order-32');
    await person.sees(/No\. 32 to Atalaya/);
    await person.sees(/Expected .*▲|▲ Expected/);
    await person.sees('still to come');
  });

  it('is called off, and is no longer waited for', async () => {
    await person.openApp('/restock/orders/order-32');
    await person.click('button', 'Call it off');
    const { before, after } = await person.written<Order>('orders');
    expect([before.state, after.state]).toEqual(['confirmed', 'cancelled']);
    expect(after.closedOn).toBeDefined();
    await person.seesNot('Some of it came');
    await person.find('button', 'Open it again');
  });

  it('is closed and not called off where some of it came', async () => {
    await person.openApp('/', standing('order-31', 'confirmed'));
    await person.find('button', 'Close it: no more comes');
    await person.seesNot('Call it off');
  });
});

describe('what is proposed', () => {
  it('says of each line why it is there, and that nobody answered when it is to be written', async () => {
    await person.openApp('/restock/orders');
    await person.sees('Orders to write');
    const names = person
      .all('article[aria-label^="Order to"]')
      .map((each) => each.getAttribute('aria-label') ?? '');
    expect(names.length).toBeGreaterThan(0);
    const to = names[0]?.replace('Order to ', '') ?? '';
    for (const line of person.all(`article[aria-label="Order to ${to}"] li`)) {
      expect(line.querySelector('span')?.textContent, line.textContent).not.toBe('');
    }
    await person.click('button', `Write the order to ${to}`);
    await person.sees(/does not answer|could not|not reached/);
    expect(person.at()).toBe('/restock/orders');
  });
});
