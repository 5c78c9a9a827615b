import { describe, expect, it } from 'vitest';
import type { Restocking } from '@bienestar/core/restock/restocking';
import type { Order } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { CountReason } from '@bienestar/core/restock/countFinding';
import { lineOf, packPrice } from '@bienestar/core/restock/proposeOrders';
import { cleanser, house, pack } from '@bienestar/core/testing/sample';
import { draftOrder, orderLineOf } from './orders/newOrder';
import { orderCsv } from './orders/orderCsv';
import {
  attentionWords,
  countReasonWords,
  orderWords,
  reasonWords,
  whenWords,
  withoutWords,
} from './restockWords';

const TODAY = '2026-11-25';

describe('what a level by hand risks', () => {
  it.each([
    [null, 'You would hardly ever be without.'],
    [7.2, 'About one week in 7 you would be without.'],
    [1, 'You would be without nearly every week.'],
    [50, 'About once a year you would be without.'],
    [160, 'About once in 3 years you would be without.'],
  ])('%s weeks apart is said as people say it', (weeksBetweenShort, words) => {
    expect(withoutWords({ weeksBetweenShort })).toBe(words);
  });
});

describe('days from today', () => {
  it.each([
    ['2026-11-25', 'today'],
    ['2026-11-26', 'tomorrow'],
    ['2026-11-24', 'yesterday'],
    ['2026-12-01', 'in 6 days'],
    ['2026-11-20', '5 days ago'],
  ])('%s is %s', (day, words) => expect(whenWords(day, TODAY)).toBe(words));
});

const milk = cleanser({
  packs: [
    pack({
      id: asId('one'),
      content: 500,
      priceMinor: 2000,
      code: '=N-1',
      breaks: [{ fromPacks: 6, discount: 0.1 }],
    }),
  ],
  preferredPackId: asId('one'),
});
const of = house({ materials: [milk] });
const order: Order = draftOrder(
  { id: asId('northquay') },
  [orderLineOf(lineOf(milk, milk.packs[0]!, 6, [{ kind: 'by-hand' }]))],
  TODAY,
  [{ name: 'No. 33' }, { name: 'first one' }],
);

describe('an order', () => {
  it('is numbered after the last, at the price of the break it reaches', () => {
    expect([order.name, order.state]).toEqual(['No. 34', 'draft']);
    expect(order.lines[0]?.priceMinor).toBe(1800);
    expect(packPrice(milk.packs[0]!, 5)).toBe(2000);
  });

  it('goes out as a list, without a formula for a spreadsheet', () => {
    const [, row] = orderCsv(order, of).split('\r\n');
    expect(row).toBe('No. 34,"\'=N-1",Cleanser,1,500,ml,6,18,EUR');
  });

  it('says how it stands', () => {
    expect(orderWords(order)).toBe('being written');
    const receipt = {
      entryId: asId('e'),
      lotId: asId('l'),
      on: TODAY,
      packId: asId('one'),
      packs: 1,
    };
    const some = order.lines.map((line) => ({ ...line, received: [receipt] }));
    expect(orderWords({ ...order, state: 'sent', lines: some as Order['lines'] })).toBe(
      'came in part',
    );
  });

  it.each([
    [{ kind: 'at-point', position: 3, point: 5 } as const, '3 ml here or coming; order at 5 ml'],
    [{ kind: 'soon', days: 0.4 } as const, 'will be needed at once'],
    [{ kind: 'soon', days: 1 } as const, 'will be needed in 1 day'],
    [{ kind: 'promised', promised: 8 } as const, '8 ml promised to courses'],
    [{ kind: 'least-order' } as const, 'fills up to the least order'],
    [
      { kind: 'lasts', weeks: 40.2, by: 'one-pack' } as const,
      'lasts 40 weeks: there is no smaller pack',
    ],
    [
      { kind: 'too-many', packs: 1, by: 'least' } as const,
      '1 pack will be over before it is used: the supplier takes no smaller order of it',
    ],
  ])('has reasons in words', (reason, words) => expect(reasonWords(reason, 'ml')).toBe(words));
});

describe('what to attend to', () => {
  it('says when, how much and what to do', () => {
    const late = attentionWords(
      { kind: 'late', order: { ...order, dueOn: '2026-11-21' }, daysLate: 4 },
      TODAY,
      'EUR',
    );
    expect(late).toMatchObject({ title: 'Order No. 34', to: `/restock/orders/${order.id}` });
    expect(late.text).toContain('4 days late');
    const over = attentionWords(
      {
        kind: 'expires',
        material: milk,
        over: 20,
        lost: 30,
        firstOn: '2026-11-27',
        lostMinor: 216,
      },
      TODAY,
      'EUR',
    );
    expect(over.text).toBe(
      '20 ml are over; 30 ml will be over in 2 days and not be used before, worth €2.16.',
    );
    const toOrder = (lost: number): string =>
      attentionWords(
        {
          kind: 'order',
          material: milk,
          restocking: { position: { amount: 33, lost }, orderAt: 423 } as Restocking,
        },
        TODAY,
        'EUR',
      ).text;
    expect(toOrder(0)).toBe('33 ml here or coming; order at 423 ml.');
    expect(toOrder(327)).toBe(
      '33 ml here or coming, and 327 ml that will be over; order at 423 ml.',
    );
    const due = attentionWords(
      { kind: 'count-due', materials: 3, place: 'Trolley & co', lastOn: null },
      TODAY,
      'EUR',
    );
    expect(due.to).toBe('/restock/counts?place=Trolley%20%26%20co');
  });
});

describe('why something is missing', () => {
  it.each<[CountReason, string]>([
    [{ kind: 'over-dosing', share: 0.06 } as const, 'dosed 6% more than written'],
    [{ kind: 'residual', containers: 2 } as const, 'what stays in 2 emptied containers'],
    [
      { kind: 'unlogged', serviceId: asId('clay'), visits: 1 } as const,
      '1 visit of Clay facial not entered',
    ],
    [{ kind: 'delivery', packs: 1 } as const, '1 pack came and was not entered'],
  ])('is said in words', (reason, words) => {
    expect(countReasonWords(reason, () => 'Clay facial')).toBe(words);
  });
});
