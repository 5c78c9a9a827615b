import type { Attention } from '@bienestar/core/restock/attention';
import type { CountReason } from '@bienestar/core/restock/countFinding';
import type { LevelsRisk, Restocking } from '@bienestar/core/restock/restocking';
import type { Unused } from '@bienestar/core/restock/unused';
import type { OrderReason, Review, SentBy, SoManyBecause } from '@bienestar/core/house/restock';
import type { BoughtMaterial, Order, OrderState } from '@bienestar/core/house/house';
import { isUnderWay, receivedPacks } from '@bienestar/core/restock/orderProgress';
import { daysBetween } from '@bienestar/core/days/days';
import { amount, counted, dayText, money, number, percent } from '../../format/figures';

export const REVIEW_WORDS: Record<Review, string> = {
  'any-day': 'any day',
  'delivery-day': 'on its delivery day',
};

const STATE_WORDS: Record<OrderState, string> = {
  draft: 'being written',
  sent: 'sent',
  confirmed: 'confirmed',
  closed: 'closed',
  cancelled: 'called off',
};

export const SENT_WORDS: Record<SentBy, string> = {
  supplier: 'to the supplier',
  print: 'on paper',
  file: 'as a file',
  phone: 'by telephone',
};

/** How an order stands, in a few words. */
export function orderWords(order: Order): string {
  const came = order.lines.some((line) => receivedPacks(line) > 0);
  return isUnderWay(order) && came ? 'came in part' : STATE_WORDS[order.state];
}

/** When a day is, from today: "today", "tomorrow", "in 4 days", "3 days ago". */
export function whenWords(day: string, today: string): string {
  const days = daysBetween(today, day);
  if (days === 0) return 'today';
  if (days === 1) return 'tomorrow';
  if (days === -1) return 'yesterday';
  return days > 0 ? `in ${days} days` : `${-days} days ago`;
}

/** How often one would be without, said as people say it: "about one week in seven". */
export function withoutWords({ weeksBetweenShort }: Pick<LevelsRisk, 'weeksBetweenShort'>): string {
  if (weeksBetweenShort === null || weeksBetweenShort > 520) {
    return 'You would hardly ever be without.';
  }
  if (weeksBetweenShort < 1.5) return 'You would be without nearly every week.';
  if (weeksBetweenShort < 20) {
    return `About one week in ${number(weeksBetweenShort, 0)} you would be without.`;
  }
  const years = weeksBetweenShort / 52;
  return years < 1.5
    ? 'About once a year you would be without.'
    : `About once in ${number(years, 0)} years you would be without.`;
}

/** Why a material is never ordered. */
export function unusedWords(unused: Unused): string {
  if (unused.because === 'nowhere') {
    return 'It is not ordered: no service on the menu works with it.';
  }
  const names = unused.services.map(({ name }) => name).join(', ');
  return unused.because === 'no-visits'
    ? `It is not ordered: no visit is expected of what works with it (${names}).`
    : `It is not ordered: ${names} ${unused.services.length === 1 ? 'works' : 'work'} with it, but for none of the clients who are expected.`;
}

/** Why a line stands in an order. */
export function reasonWords(reason: OrderReason, unit: string): string {
  switch (reason.kind) {
    case 'at-point':
      return `${amount(reason.position, unit)} here or coming; order at ${amount(reason.point, unit)}`;
    case 'promised':
      return `${amount(reason.promised, unit)} promised to courses`;
    case 'soon':
      return reason.days < 1
        ? 'will be needed at once'
        : `will be needed in ${counted(Math.round(reason.days), 'day')}`;
    case 'least-order':
      return 'fills up to the least order';
    case 'lasts':
      return `lasts ${counted(Math.round(reason.weeks), 'week')}: ${SO_MANY_WORDS[reason.by]}`;
    case 'too-many':
      return `${counted(reason.packs, 'pack')} will be over before ${reason.packs === 1 ? 'it is' : 'they are'} used: ${SO_MANY_WORDS[reason.by]}`;
    case 'by-hand':
      return 'added by hand';
  }
}

/** Why an order is not smaller. */
const SO_MANY_WORDS: Readonly<Record<SoManyBecause, string>> = {
  economic: 'fewer orders cost less than what lies on the shelf',
  break: 'so many cost less each',
  least: 'the supplier takes no smaller order of it',
  life: 'as many as keep',
  'one-pack': 'there is no smaller pack',
  levels: 'the least and most you set',
  promised: 'promised to courses',
};

/** What to attend to, in a line, and what it is about. */
export interface AttentionWords {
  readonly title: string;
  readonly text: string;
  /** the one thing to do */
  readonly action: string;
  readonly to: string;
  readonly mark: '■' | '▲' | '●' | '○';
}

/** An attention in words; `today` and money for its figures. */
export function attentionWords(item: Attention, today: string, currency: string): AttentionWords {
  switch (item.kind) {
    case 'below-nothing':
      return {
        title: item.material.name,
        text: `By the ledger ${amount(item.below, item.material.unit)} are there, which cannot be: more was taken than ever came. Its figures are true again once it is counted.`,
        action: 'Count it',
        to: `/restock/levels/${item.material.id}`,
        mark: '■',
      };
    case 'runs-out':
      return {
        title: item.material.name,
        text: `Nothing left ${whenWords(item.runsOutOn, today)}; ${item.ordered ? 'what is on its way' : 'an order of today'} is there ${whenWords(item.arrivesOn, today)}.`,
        action: item.ordered ? 'Ask the supplier' : 'Order it',
        to: '/restock/orders',
        mark: '■',
      };
    case 'promised':
      return {
        title: item.material.name,
        text: `${amount(item.short, item.material.unit)} short for “${item.name}”, due ${whenWords(item.dueOn, today)}.`,
        action: 'Order it',
        to: '/restock/orders',
        mark: '■',
      };
    case 'expires':
      return {
        title: item.material.name,
        text: [
          ...(item.over > 0 ? [`${amount(item.over, item.material.unit)} are over`] : []),
          ...(item.lost > 0 && item.firstOn !== null
            ? [
                `${amount(item.lost, item.material.unit)} will be over ${whenWords(item.firstOn, today)} and not be used before`,
              ]
            : []),
        ]
          .join('; ')
          .concat(`, worth ${money(item.lostMinor, currency)}.`),
        action: item.over > 0 ? 'Throw away' : 'Use it first',
        to: `/shelf/${item.material.id}/left`,
        mark: '▲',
      };
    case 'late':
      return {
        title: `Order ${item.order.name}`,
        text: `Due ${item.order.dueOn === undefined ? '' : dayText(item.order.dueOn)}, ${counted(item.daysLate, 'day')} late.`,
        action: 'See the order',
        to: `/restock/orders/${item.order.id}`,
        mark: '▲',
      };
    case 'differs':
      return {
        title: `Order ${item.order.name}`,
        text: `The supplier sends ${counted(item.lines, 'line')} otherwise than ordered.`,
        action: 'See the order',
        to: `/restock/orders/${item.order.id}`,
        mark: '▲',
      };
    case 'order': {
      const { position, orderAt } = item.restocking;
      const { unit } = item.material;
      /* What lies there and will not be used does not count: said, since the shelf has it. */
      const lost =
        position.lost > 0 ? `, and ${amount(position.lost, unit)} that will be over` : '';
      return {
        title: item.material.name,
        text: `${amount(position.amount, unit)} here or coming${lost}; order at ${amount(orderAt, unit)}.`,
        action: 'Order it',
        to: '/restock/orders',
        mark: '●',
      };
    }
    case 'to-send':
      return {
        title: `Order ${item.order.name}`,
        text: 'Written and not sent yet.',
        action: 'Send it',
        to: `/restock/orders/${item.order.id}`,
        mark: '●',
      };
    case 'linen':
      return {
        title: item.material.name,
        text: `${counted(item.short, 'piece')} too few to go round: ${item.par} are needed.`,
        action: 'See the linen',
        to: `/restock/levels/${item.material.id}`,
        mark: '○',
      };
    case 'count-due':
      return {
        title: item.place ?? 'Without a place',
        text:
          item.lastOn === null
            ? `${counted(item.materials, 'material')} never counted.`
            : `${counted(item.materials, 'material')} not counted since ${dayText(item.lastOn)}.`,
        action: 'Count it',
        to: `/restock/counts?place=${encodeURIComponent(item.place ?? '')}`,
        mark: '○',
      };
  }
}

/** The heading of a kind of attention. */
export const HARM_WORDS: Record<Attention['kind'], string> = {
  'below-nothing': 'Below nothing by the ledger',
  'runs-out': 'Runs out before it can arrive',
  promised: 'Promised to a course and not there',
  expires: 'Over, or over this week',
  late: 'Deliveries',
  differs: 'Deliveries',
  order: 'To order',
  'to-send': 'To order',
  linen: 'Linen',
  'count-due': 'To count',
};

/** Why something may be missing or too much. */
export function countReasonWords(
  reason: CountReason,
  nameOf: (serviceId: string) => string,
): string {
  switch (reason.kind) {
    case 'over-dosing':
      return `dosed ${percent(reason.share, 0)} more than written`;
    case 'under-dosing':
      return `dosed ${percent(reason.share, 0)} less than written`;
    case 'residual':
      return `what stays in ${counted(reason.containers, 'emptied container')}`;
    case 'unlogged':
      return `${counted(reason.visits, 'visit')} of ${nameOf(reason.serviceId)} not entered`;
    case 'waste':
      return `${counted(reason.containers, 'container')} broken or thrown away, not entered`;
    case 'delivery':
      return `${counted(reason.packs, 'pack')} came and ${reason.packs === 1 ? 'was' : 'were'} not entered`;
    case 'unknown':
      return 'miscounted, or taken for something else';
  }
}

/** What a restocking says in one line: how long it lasts, and what is on its way. */
export function coverWords({ cover, onItsWay }: Restocking, today: string): string {
  const lasts = cover.runsOutOn === null ? 'not used' : `lasts until ${dayText(cover.runsOutOn)}`;
  const next = onItsWay.map(({ dueOn }) => dueOn).sort()[0];
  return next === undefined ? lasts : `${lasts}; more comes ${whenWords(next, today)}`;
}

/** How a material is ordered, in a line. */
export function howWords(
  { restock, sealedDays, keptAt }: BoughtMaterial,
  { school, serviceLevel }: Pick<Restocking, 'school' | 'serviceLevel'>,
): string {
  return [
    restock?.levels
      ? 'by hand'
      : `${REVIEW_WORDS[school]}, in time in ${percent(serviceLevel, 1)} of orders`,
    ...(sealedDays === undefined ? [] : [`keeps ${counted(sealedDays, 'day')} closed`]),
    ...(keptAt === undefined ? [] : [`stands at ${keptAt}`]),
  ].join('; ');
}
