import { afterEach, expect, it, vi } from 'vitest';
import { personAtApp } from '../../testing/personAtApp';
import { cleanup } from '../../testing/render';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('a delivery with a figure that cannot be taken enters nothing of it, and everything with one press', async () => {
  const person = await personAtApp('/restock/orders/order-32');
  const writes = () => person.store.getState().queue.writes;
  await person.click('button', 'Some of it came');
  await person.click('button', 'All 1 came of Wooden spatula');
  await person.fill('Packs of Gauze squares that came', 'two');
  await person.click('button', 'On the shelf with it');
  await person.sees('Nothing was entered: put “Packs of Gauze squares that came” right first.');
  expect(writes()).toEqual([]);
  await person.fill('Packs of Gauze squares that came', '1');
  await person.click('button', 'Everything came');
  expect(await person.valueOf('Packs of Gauze squares that came')).toBe('2');
  await person.click('button', 'On the shelf with it');
  await vi.waitFor(() => expect(writes()).toHaveLength(1));
  const change = writes()[0]?.change;
  const lines = change?.kind === 'receipt' ? change.receiving.lines : [];
  expect(lines.map(({ packs }) => packs)).toEqual([2, 1]);
});
