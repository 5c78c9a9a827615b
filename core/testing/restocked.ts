import { createCalculator } from '../figures/createCalculator';
import type { House, Order, OrderLine } from '../house/house';
import { asId } from '../house/ids';
import { USUAL_RESTOCK, type RestockSettings } from '../house/restock';
import { exactly } from '../quantity/triple';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  sachet,
  service,
  settings,
  step,
  stockOf,
} from './sample';
import { createRestocker, type RestockFigures } from '../restock/restocker';

/* A small shelf that is restocked. */

export const NOW = new Date('2026-11-25T12:00:00Z');
export const TODAY = '2026-11-25';

export const towel: House['materials'][number] = {
  id: asId('towel'),
  kind: 'linen',
  name: 'Face towel',
  unit: 'piece',
  measures: {},
  laundry: { washMinor: 40, replacementMinor: 900, washesInLife: 120 },
  loop: { pieces: 10, washDays: 2, safetyDays: 1 },
};
export const cleanse = step('cleanse', minutes(2, 3, 5), {
  doses: [
    dose(cleanser().id, { how: 'counted', quantity: exactly(3), measure: 'pump' }),
    dose(towel.id, measured(2, 'piece')),
  ],
});
export const enzyme = step('enzyme', minutes(6), { doses: [dose(sachet().id, measured(7, 'g'))] });

export function sample(changes: Partial<House> = {}): House {
  return house({
    materials: [cleanser(), sachet(), towel],
    protocols: [protocol([cleanse, enzyme])],
    services: [service()],
    demand: [{ serviceId: service().id, visitsPerWeek: 14 }],
    stock: [stockOf(cleanser().id, 48), stockOf(sachet().id, 600, 6)],
    ...changes,
  });
}

export function restockOf(of: House, now = NOW): RestockFigures {
  return createRestocker()(of, createCalculator()(of), now);
}

export const usually = (changes: Partial<RestockSettings>): Partial<House> => ({
  settings: { ...settings, restock: { ...USUAL_RESTOCK, ...changes } },
});

export const line = (changes: Partial<OrderLine> = {}): OrderLine => ({
  id: asId('line'),
  materialId: cleanser().id,
  packId: asId('pack'),
  packs: 2,
  priceMinor: 2100,
  why: [],
  received: [],
  refused: 0,
  ...changes,
});

export const order = (changes: Partial<Order> = {}): Order => ({
  id: asId('order'),
  name: 'No. 1',
  supplierId: asId('northquay'),
  state: 'sent',
  writtenOn: TODAY,
  dueOn: '2026-11-28',
  lines: [line()],
  ...changes,
});
