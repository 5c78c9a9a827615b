import type { BoughtMaterial, House, LinenMaterial } from '../house/house';
import type { LinenLevel, SetAside } from '../restock/restocker';
import type { Restocking } from '../restock/restocking';
import { hasDeliveryDays } from '../restock/supplyCalendar';
import { figure, worked, type Origin, type Working, type WorkingInput } from './working';

const METHOD_WORDS: Record<Restocking['reorderPoint']['method'], string> = {
  recursion:
    'Demand while waiting is a random number of uses, each of the size of its service. The reorder point is the smallest stock that covers it in the wanted share of cases, added up use by use.',
  fourier:
    'Demand while waiting is a random number of uses, each of the size of its service, over waits of several lengths. The reorder point is the smallest stock that covers it in the wanted share of cases, all waits together.',
  'no-demand': 'No expected visit uses it, so nothing needs to be kept.',
};
const JUMPS =
  ' A large use can go past the point instead of landing on it; what it then takes beyond counts as well.';

const HOUSE: Origin = { place: 'house' };

/**
 * The working of a reorder point.
 * @see S1 S2 S3
 */
export function explainReorderPoint(
  material: BoughtMaterial,
  restocking: Restocking,
  house: House,
): Working {
  const { uses, reorderPoint, supplier, serviceLevel, school, lead } = restocking;
  const shelf: Origin = { place: 'shelf', materialId: material.id };
  const waiting: Working = {
    title: 'Uses while waiting',
    codes: ['S2'],
    words: waitingWords(restocking),
    inputs: [
      worked(usesADay(material, restocking, house)),
      {
        label: `Lead time of ${supplier.name}`,
        value: figure(lead.leadTimeDays, 'days'),
        from: HOUSE,
      },
      { label: 'Give or take', value: figure(lead.leadTimeSdDays, 'days'), from: HOUSE },
      { label: 'Between looks at the shelf', value: figure(lead.reviewDays, 'days'), from: HOUSE },
      ...(uses.times.length > 1
        ? uses.times.map(({ days, share }): WorkingInput => ({
            label: `Waiting ${Math.round(days * 10) / 10} days`,
            value: figure(share, 'share'),
          }))
        : [{ label: 'Waiting', value: figure(uses.protectionDays, 'days') }]),
      { label: 'Variance', value: figure(uses.variance, 'uses') },
    ],
    result: figure(uses.mean, 'uses'),
  };
  return {
    title: `Reorder point of ${material.name}`,
    codes: ['S3'],
    words: `${METHOD_WORDS[reorderPoint.method]}${school === 'any-day' && reorderPoint.method !== 'no-demand' ? JUMPS : ''}`,
    inputs: [
      worked(waiting),
      {
        label: 'Expected demand while waiting',
        value: figure(reorderPoint.meanDemand, material.unit),
      },
      { label: 'Its spread', value: figure(reorderPoint.sdDemand, material.unit) },
      { label: 'Service level', value: figure(serviceLevel, 'share'), from: HOUSE },
      { label: 'Covered at this point', value: figure(reorderPoint.served, 'share') },
      { label: 'Orders that come in time', value: figure(reorderPoint.inTime, 'share') },
      {
        label: 'Sealed packs, rounded up',
        value: figure(reorderPoint.packs, 'packs'),
        from: shelf,
      },
    ],
    result: figure(reorderPoint.amount, material.unit),
  };
}

const WEEKDAY_NAMES = [
  'Mondays',
  'Tuesdays',
  'Wednesdays',
  'Thursdays',
  'Fridays',
  'Saturdays',
  'Sundays',
] as const;

function waitingWords(restocking: Restocking): string {
  const { closedDays } = restocking.lead;
  const words = waitingByRule(restocking);
  return closedDays === undefined
    ? words
    : `${words} The supplier is closed for a while: an order of these days waits up to ${closedDays} days longer.`;
}

function waitingByRule({ uses, lead, school }: Restocking): string {
  if (hasDeliveryDays(lead)) {
    const days = (lead.deliveryDays ?? []).map((day) => WEEKDAY_NAMES[day - 1]).join(' and ');
    const from =
      school === 'any-day'
        ? 'from the weekday on which the point is reached, each as likely,'
        : 'from a look at the shelf';
    const until = school === 'any-day' ? 'of that day' : 'that the next look writes';
    return `It is delivered on ${days}: uses a day × the days ${from} until the order ${until} is there.`;
  }
  const isPlain = uses.parts.every(({ law }) => law === 'poisson');
  return `Uses a day × (lead time + days between looks at the shelf). Their variance is the mean + (uses a day × spread of the lead time)²: ${isPlain ? 'equal to the mean, so Poisson' : 'above the mean, so negative binomial'}.`;
}

function usesADay(material: BoughtMaterial, { rates, demand }: Restocking, house: House): Working {
  return {
    title: 'Uses a day',
    codes: ['S1'],
    words:
      'Expected visits a week of every service that draws it ÷ 7. One use is all that a visit takes.',
    inputs: rates.flatMap((rate): WorkingInput[] => {
      const service = house.services.find(({ id }) => id === rate.serviceId);
      if (!service || rate.visitsPerWeek === 0) return [];
      return [
        {
          label: service.name,
          value: figure(rate.visitsPerWeek, 'visits/week'),
          from: { place: 'service', serviceId: service.id },
        },
        {
          label: 'each takes',
          value: figure(rate.amount, material.unit),
          from: { place: 'protocol', protocolId: service.protocolId },
        },
      ];
    }),
    result: figure(demand.usesPerDay, 'uses/day'),
  };
}

/**
 * The working of what counts of the shelf.
 * @see S5
 */
export function explainPosition(
  material: BoughtMaterial,
  { position, onItsWay }: Restocking,
  promise: SetAside | undefined,
): Working {
  const shelf: Origin = { place: 'shelf', materialId: material.id };
  const { unit } = material;
  return {
    title: `What counts of ${material.name}`,
    codes: ['S5'],
    words:
      'What will be used before it is over + what is on its way − what is set aside for courses that are paid for.',
    inputs: [
      { label: 'On hand', value: figure(position.onHand, unit), from: shelf },
      { label: 'of it over before its turn', value: figure(position.lost, unit), from: shelf },
      { label: 'Usable', value: figure(position.usable, unit) },
      ...onItsWay.map(({ orderName, amount }) => ({
        label: `On its way: ${orderName}`,
        value: figure(amount, unit),
      })),
      ...(promise?.visits ?? []).map(({ name, amount }) => ({
        label: `Set aside for ${name}`,
        value: figure(-amount, unit),
      })),
    ],
    result: figure(position.amount, unit),
  };
}

const SIZED_WORDS: Record<Restocking['orderSize']['by'], string> = {
  economic: 'The size whose yearly cost of orders and of stock that lies there is least.',
  break: 'A price break makes up for keeping more.',
  least: 'The supplier takes no smaller order.',
  life: 'More would be over before it is used.',
  'one-pack': 'One pack is more than enough.',
};

/**
 * The working of an order size.
 * @see S4
 */
export function explainOrderSize(
  material: BoughtMaterial,
  { orderSize, demand, keeping, unitCost }: Restocking,
  { settings }: House,
): Working {
  const shelf: Origin = { place: 'shelf', materialId: material.id };
  return {
    title: `Order size of ${material.name}`,
    codes: ['S4'],
    words: `√(2 × demand a year × cost of an order ÷ (holding rate × unit cost)), in whole packs. ${SIZED_WORDS[orderSize.by]}`,
    inputs: [
      { label: 'Used a day', value: figure(demand.perDay, material.unit) },
      {
        label: 'Used of an open container',
        value: figure(keeping.usedShare ?? 1, 'share'),
        from: shelf,
      },
      {
        label: 'Cost of an order',
        value: figure(settings.restock.orderCostMinor, 'money'),
        from: HOUSE,
      },
      {
        label: 'Keeping it a year',
        value: figure(settings.restock.holdingRate, 'share'),
        from: HOUSE,
      },
      { label: 'Unit cost', value: figure(unitCost, `money/${material.unit}`), from: shelf },
      { label: 'By the formula', value: figure(orderSize.economic, material.unit) },
      { label: 'Orders a year', value: figure(orderSize.ordersPerYear, 'times') },
      { label: 'In packs', value: figure(orderSize.packs, 'packs') },
    ],
    result: figure(orderSize.amount, material.unit),
  };
}

/**
 * The working of a par level.
 * @see S7
 */
export function explainPar(material: LinenMaterial, level: LinenLevel): Working {
  const shelf: Origin = { place: 'shelf', materialId: material.id };
  return {
    title: `Par level of ${material.name}`,
    codes: ['S7'],
    words: 'Pieces a day × (days at the wash + days for safety), rounded up.',
    inputs: [
      { label: 'Used a day', value: figure(level.perDay, 'piece') },
      { label: 'At the wash', value: figure(level.washDays, 'days'), from: shelf },
      { label: 'For safety', value: figure(level.safetyDays, 'days'), from: shelf },
    ],
    result: figure(level.par, 'piece'),
  };
}
