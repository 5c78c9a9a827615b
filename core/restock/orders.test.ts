import { describe, expect, it } from 'vitest';
import type { Order, OrderLine, Supplier } from '../house/house';
import { asId } from '../house/ids';
import { cleanser, house, pack, problemOf, sachet, valueOf } from '../testing/sample';
import { orderProgress } from './orderProgress';
import {
  invoiceDifferences,
  receiveOrder,
  withoutReceipt,
  type ReceivedLine,
  type Receiving,
} from './receiveOrder';
import { applyAnswer, sentOrder } from './sendOrder';

const TODAY = '2026-11-25';
const materials = [
  cleanser({
    packs: [
      pack({ id: asId('big'), content: 500, code: 'N-1' }),
      pack({ id: asId('small'), content: 200, code: 'N-2', leastPacks: 3 }),
    ],
    preferredPackId: asId('big'),
  }),
  sachet(),
];
const [supplier] = house({}).suppliers as [Supplier, ...Supplier[]];

const line = (changes: Partial<OrderLine> = {}): OrderLine => ({
  id: asId('one'),
  materialId: cleanser().id,
  packId: asId('big'),
  packs: 4,
  priceMinor: 2100,
  why: [],
  received: [],
  refused: 0,
  ...changes,
});
const order = (changes: Partial<Order> = {}): Order => ({
  id: asId('order'),
  name: 'No. 1',
  supplierId: supplier.id,
  state: 'draft',
  writtenOn: TODAY,
  lines: [line()],
  ...changes,
});
const came = (changes: Partial<ReceivedLine> = {}): ReceivedLine => ({
  lineId: asId('one'),
  entryId: asId('entry'),
  lotId: asId('lot'),
  packId: asId('big'),
  packs: 4,
  code: 'L1',
  refused: 0,
  ...changes,
});
const receiving = (
  lines: readonly ReceivedLine[],
  changes: Partial<Receiving> = {},
): Receiving => ({
  on: TODAY,
  lines,
  rest: 'awaited',
  ...changes,
});
const sent = order({ state: 'sent' });

describe('sending an order', () => {
  it('makes it due by lead time and delivery day', () => {
    /* 25 November 2026 is a Wednesday. */
    const by = { ...supplier, leadTimeDays: 3, deliveryDays: [3] as const };
    expect(valueOf(sentOrder(order(), by, materials, 'phone', TODAY))).toMatchObject({
      state: 'sent',
      dueOn: '2026-12-02',
      sent: { on: TODAY, by: 'phone' },
    });
    const daily = { ...supplier, leadTimeDays: 0 };
    expect(valueOf(sentOrder(order(), daily, materials, 'phone', TODAY)).dueOn).toBe(TODAY);
  });

  it.each<[string, Order, Partial<Supplier>, RegExp, string]>([
    ['an order of nothing', order({ lines: [] }), {}, /nothing in this order/, 'order-empty'],
    ['one that is with the supplier', sent, {}, /with the supplier already/, 'order-not-draft'],
    [
      'one that is too small',
      order(),
      { leastOrderMinor: 100_000 },
      /as small as this/,
      'order-too-small',
    ],
    [
      'fewer packs than are sold',
      order({ lines: [line({ packId: asId('small'), packs: 2 })] }),
      {},
      /from 3 packs on/,
      'too-few-packs',
    ],
  ])('is refused for %s', (_, of, changes, words, code) => {
    const problem = problemOf(
      sentOrder(of, { ...supplier, ...changes }, materials, 'print', TODAY),
    );
    expect(problem).toMatchObject({ code });
    expect(problem.message).toMatch(words);
  });

  it('takes over what the supplier answers: fewer, another size, another day', () => {
    const answered = applyAnswer(
      sent,
      {
        reference: 'A-7',
        dueOn: '2026-12-09',
        lines: [{ code: 'N-1', packs: 2, instead: 'N-2', words: 'Only small ones.' }],
      },
      materials,
    );
    expect(answered).toMatchObject({ state: 'confirmed', reference: 'A-7', dueOn: '2026-12-09' });
    expect(answered.lines[0]?.confirmed).toEqual({
      packs: 2,
      packId: 'small',
      words: 'Only small ones.',
    });
  });
});

describe('receiving a delivery', () => {
  it('makes a lot of each line, and closes the order when all has come', () => {
    const { order: after, entries } = valueOf(receiveOrder(sent, receiving([came()]), materials));
    expect(entries).toEqual([
      expect.objectContaining({ kind: 'delivery', packs: 4, code: 'L1', note: 'No. 1' }),
    ]);
    expect(after).toMatchObject({ state: 'closed', closedOn: TODAY });
  });

  it('in parts keeps the rest due, or gives it up', () => {
    const some = receiving([came({ packs: 1 })]);
    const { order: after } = valueOf(receiveOrder(sent, some, materials));
    expect(after.state).toBe('sent');
    expect(orderProgress(after, 3)).toMatchObject({
      ordered: 4,
      received: 1,
      open: 3,
      daysLate: 3,
    });
    const enough = receiving([came({ packs: 1 })], { rest: 'given-up' });
    expect(valueOf(receiveOrder(sent, enough, materials)).order.state).toBe('closed');
  });

  it('of more than was ordered must be said', () => {
    const more = receiving([came({ packs: 6 })]);
    const problem = problemOf(receiveOrder(sent, more, materials));
    expect(problem.message).toContain('6 of Cleanser came, 4 were still due');
    expect(problem.where).toMatchObject({ lineId: 'one', field: 'packs' });
    const kept = receiving([came({ packs: 6, tooMany: 'keep' })]);
    expect(valueOf(receiveOrder(sent, kept, materials)).entries[0]?.packs).toBe(6);
  });

  it.each<[string, Order, Receiving, RegExp]>([
    ['a draft', order(), receiving([came()]), /not been sent yet/],
    [
      'an order that was called off',
      order({ state: 'cancelled' }),
      receiving([came()]),
      /cancelled/,
    ],
    ['a line that is gone', sent, receiving([came({ lineId: asId('two') })]), /not in the order/],
    ['half a pack', sent, receiving([came({ packs: 0.5 })]), /whole packs/],
    ['nothing at all', sent, receiving([came({ packs: 0 })]), /Nothing of the delivery/],
  ])('refuses %s', (_, of, given, words) => {
    expect(problemOf(receiveOrder(of, given, materials)).message).toMatch(words);
  });

  it('remembers what was sent back at the door, without a lot of it', () => {
    const broken = receiving([came({ packs: 0, refused: 2 })]);
    const { order: after, entries } = valueOf(receiveOrder(sent, broken, materials));
    expect([after.lines[0]?.refused, entries.length]).toEqual([2, 0]);
  });

  it('taken back in the ledger is due again', () => {
    const { order: after } = valueOf(
      receiveOrder(sent, receiving([came({ packs: 2 })]), materials),
    );
    const back = withoutReceipt(after, asId('entry'));
    expect(back && orderProgress(back, 0).open).toBe(4);
    expect(withoutReceipt(after, asId('other'))).toBeUndefined();
  });

  it.each([
    ['all of it had come', 4, 'awaited', 4],
    ['the rest had been given up', 3, 'given-up', 3],
  ] as const)(
    'taken back when the order is closed, it is due again: %s',
    (_, packs, rest, open) => {
      const { order: after } = valueOf(
        receiveOrder(sent, { ...receiving([came({ packs })]), rest }, materials),
      );
      expect(after.state).toBe('closed');
      const back = withoutReceipt(after, asId('entry'))!;
      expect([back.state, back.closedOn]).toEqual(['sent', undefined]);
      expect(orderProgress(back, 0)).toMatchObject({ received: 0, open });
    },
  );

  it('tells an invoice that differs from what was expected', () => {
    const dearer = receiving([came({ packs: 2, paidMinor: 2250 })]);
    const { order: after } = valueOf(receiveOrder(sent, dearer, materials));
    expect(invoiceDifferences(after)).toMatchObject([{ paidMinor: 2250, moreMinor: 300 }]);
  });
});
