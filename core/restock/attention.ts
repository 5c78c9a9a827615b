import type { BoughtMaterial, House, LinenMaterial, Order } from '../house/house';
import { daysAfter, daysBetween, todayOf, type HouseClock } from '../days/days';
import { lastCounted } from '../house/visitLog';
import { belowNothing } from '../stock/postCount';
import { shelfState } from '../stock/shelfLife';
import { sumExactly } from '../house/stock';
import { isUnderWay, openPacksOf } from './orderProgress';
import type { RestockFigures } from './restocker';
import type { Restocking } from './restocking';

/** Days ahead for which expiry is told. */
const EXPIRY_DAYS = 7;

/** Something to do today, and the figures that say so. Days are ISO dates, amounts in the material's unit. */
export type Attention =
  | {
      /** the ledger says that less than nothing is there: more was taken than ever came */
      readonly kind: 'below-nothing';
      readonly material: BoughtMaterial;
      /** below 0 */
      readonly below: number;
    }
  | {
      readonly kind: 'runs-out';
      readonly material: BoughtMaterial;
      readonly restocking: Restocking;
      readonly runsOutOn: string;
      /** the earliest that more can be there */
      readonly arrivesOn: string;
      /** whether an order is on its way */
      readonly ordered: boolean;
    }
  | {
      readonly kind: 'promised';
      readonly material: BoughtMaterial;
      readonly restocking: Restocking;
      readonly short: number;
      /** of the visit that would be without */
      readonly dueOn: string;
      readonly name: string;
    }
  | {
      readonly kind: 'expires';
      readonly material: BoughtMaterial;
      /** over already */
      readonly over: number;
      /** over within the week, and not used before */
      readonly lost: number;
      readonly firstOn: string | null;
      readonly lostMinor: number;
    }
  | { readonly kind: 'late'; readonly order: Order; readonly daysLate: number }
  | { readonly kind: 'differs'; readonly order: Order; readonly lines: number }
  | {
      readonly kind: 'order';
      readonly material: BoughtMaterial;
      readonly restocking: Restocking;
    }
  | { readonly kind: 'to-send'; readonly order: Order }
  | {
      readonly kind: 'linen';
      readonly material: LinenMaterial;
      readonly short: number;
      readonly par: number;
    }
  | {
      readonly kind: 'count-due';
      readonly materials: number;
      readonly place: string | null;
      readonly lastOn: string | null;
    };

/**
 * What to do today, what harms most in front: what the ledger has below nothing, so that none of its
 * figures are true, what runs out before it can arrive, what is promised to a
 * course and not there, what expires this week, deliveries that are late or not as ordered, what is to
 * be ordered, linen, counts.
 */
export function attentionOf(
  house: House,
  restock: RestockFigures,
  now: Date,
): readonly Attention[] {
  const { today } = restock;
  const lists: Attention[][] = [[], [], [], [], [], [], []];
  const [untrue, runsOut, promised, expires, orders, points, rest] = lists as [
    Attention[],
    Attention[],
    Attention[],
    Attention[],
    Attention[],
    Attention[],
    Attention[],
  ];
  const stock = new Map(house.stock.map((line) => [line.materialId, line]));
  const drafted = new Set(
    house.orders.flatMap((order) =>
      order.state === 'draft' ? order.lines.map(({ materialId }) => materialId) : [],
    ),
  );
  for (const material of house.materials) {
    if (material.archivedOn !== undefined) continue;
    if (material.kind === 'linen') {
      const level = restock.linen.get(material.id);
      if (level && level.short > 0 && material.loop) {
        rest.push({ kind: 'linen', material, short: level.short, par: level.par });
      }
      continue;
    }
    const parts = belowNothing(stock.get(material.id) ?? { materialId: material.id, lots: [] });
    if (parts.length > 0) {
      const below = sumExactly(parts.map(({ quantity }) => quantity));
      untrue.push({ kind: 'below-nothing', material, below });
      continue;
    }
    const of = restock.materials.get(material.id);
    if (!of?.ok) continue;
    const restocking = of.value;
    const gone = runningOut(material, restocking);
    const short = shortForCourse(material, restocking, restock);
    if (gone) runsOut.push(gone);
    if (short) promised.push(short);
    const due = restocking.cover.shouldOrder && material.kind !== 'fresh';
    if (!gone && !short && due && !drafted.has(material.id)) {
      points.push({ kind: 'order', material, restocking });
    }
    const over = expiring(material, restocking, stock.get(material.id) ?? { lots: [] }, {
      now,
      timeZone: house.settings.timeZone,
    });
    if (over) expires.push(over);
  }
  for (const order of house.orders) orders.push(...ofOrder(order, today));
  for (const order of house.orders) {
    if (order.state === 'draft') points.push({ kind: 'to-send', order });
  }
  rest.push(...countsDue(house, today));
  runsOut.sort(
    (a, b) =>
      (a.kind === 'runs-out' && b.kind === 'runs-out' && compare(a.runsOutOn, b.runsOutOn)) || 0,
  );
  expires.sort(
    (a, b) => (a.kind === 'expires' && b.kind === 'expires' && b.lostMinor - a.lostMinor) || 0,
  );
  return lists.flat();
}

function runningOut(material: BoughtMaterial, restocking: Restocking): Attention | undefined {
  const { cover, onItsWay, arrivesOn } = restocking;
  const { runsOutOn } = cover;
  if (runsOutOn === null || material.kind === 'fresh') return undefined;
  const next = onItsWay.map(({ dueOn }) => dueOn).sort()[0];
  const earliest = next ?? arrivesOn;
  return runsOutOn < earliest
    ? {
        kind: 'runs-out',
        material,
        restocking,
        runsOutOn,
        arrivesOn: earliest,
        ordered: next !== undefined,
      }
    : undefined;
}

/** The first visit of a sold course for which the shelf, and what is due before it, is not enough. */
function shortForCourse(
  material: BoughtMaterial,
  restocking: Restocking,
  { promises }: RestockFigures,
): Attention | undefined {
  const promise = promises.get(material.id);
  if (!promise) return undefined;
  let needed = 0;
  for (const visit of promise.visits.toSorted((a, b) => compare(a.day, b.day))) {
    needed += visit.amount;
    const there =
      restocking.position.usable +
      restocking.onItsWay
        .filter(({ dueOn }) => dueOn <= visit.day)
        .reduce((sum, { amount }) => sum + amount, 0);
    if (needed > there + 1e-9) {
      const short = needed - there;
      return {
        kind: 'promised',
        material,
        restocking,
        short,
        dueOn: visit.day,
        name: visit.name,
      };
    }
  }
  return undefined;
}

function expiring(
  material: BoughtMaterial,
  { demand, unitCost }: Restocking,
  stock: Parameters<typeof shelfState>[1],
  clock: HouseClock,
): Attention | undefined {
  const state = shelfState(material, stock, clock, EXPIRY_DAYS);
  const days = state.firstEndsInDays;
  /* What is used of it before its day comes is not lost. */
  const used = demand.perDay * Math.max(0, days ?? 0);
  const lost = material.kind === 'fresh' ? 0 : Math.max(0, state.expiringSoon - used);
  if (!(state.over > 0) && !(lost > 0)) return undefined;
  return {
    kind: 'expires',
    material,
    over: state.over,
    lost,
    firstOn: lost > 0 && days !== undefined ? daysAfter(todayOf(clock), Math.floor(days)) : null,
    lostMinor: (lost + state.over) * unitCost,
  };
}

function ofOrder(order: Order, today: string): Attention[] {
  if (!isUnderWay(order)) return [];
  const found: Attention[] = [];
  const open = order.lines.some((line) => openPacksOf(line) > 0);
  const daysLate = order.dueOn === undefined ? 0 : daysBetween(order.dueOn, today);
  if (open && daysLate > 0) found.push({ kind: 'late', order, daysLate });
  const lines = order.lines.filter(
    ({ confirmed, packs, packId }) =>
      confirmed !== undefined &&
      (confirmed.packs !== packs || (confirmed.packId ?? packId) !== packId),
  ).length;
  if (open && lines > 0) found.push({ kind: 'differs', order, lines });
  return found;
}

/** Places on the shelf that were not counted for longer than the house wants. */
function countsDue(house: House, today: string): Attention[] {
  const { countEveryDays } = house.settings.restock;
  const last = lastCounted(house.counts, house.settings.timeZone, house.countedOn);
  const due = new Map<string | null, { materials: number; lastOn: string | null }>();
  for (const material of house.materials) {
    if (material.kind === 'linen' || material.kind === 'fresh') continue;
    if (material.archivedOn !== undefined) continue;
    const on = last[material.id] ?? null;
    if (on !== null && daysBetween(on, today) < countEveryDays) continue;
    const place = material.keptAt ?? null;
    const known = due.get(place);
    due.set(place, {
      materials: (known?.materials ?? 0) + 1,
      lastOn:
        known && (known.lastOn === null || on === null || known.lastOn < on) ? known.lastOn : on,
    });
  }
  return [...due].map(([place, of]) => ({ kind: 'count-due', place, ...of }));
}

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}
