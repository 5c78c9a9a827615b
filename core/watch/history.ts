import { priceDiffers } from '../cost/pricePoint';
import type { OpenUses } from '../cost/serviceCost';
import type { PricePoint } from '../house/pricePoint';
import { createCalculator, type Calculator } from '../figures/createCalculator';
import type { Edition, House, Material } from '../house/house';
import type { ServiceId } from '../house/ids';
import { daysOfChange, houseOn, type JournalEntry } from '../house/journal';
import { daysAfter } from '../days/days';
import { marginBridge, openUsesOf, standingIn, type Bridge, type Standing } from './bridge';

/** What is remembered of a house. */
export interface Memory {
  readonly journal: readonly JournalEntry[];
  /** every edition, also those that no service is worked by now */
  readonly editions: readonly Edition[];
  readonly prices: readonly PricePoint[];
}

/** A service from a day on, until the next. */
export interface HistoryPoint extends Standing {
  /** ISO date */
  readonly on: string;
}

/**
 * The House as it was at the end of a day: what was changed since is put back, and packs cost what they
 * did.
 * @param day ISO date
 */
export function rememberedHouse(house: House, memory: Memory, day: string): House {
  const then = houseOn({ ...house, editions: memory.editions }, memory.journal, day);
  const asked = pricesOn(memory.prices, day);
  if (asked.size === 0) return then;
  return { ...then, materials: then.materials.map((each) => withPrices(each, asked)) };
}

/**
 * Cost, price and margin of a service from day to day, oldest first: a point for each day on which one of
 * them moved, and today.
 * @param today ISO date
 */
export function serviceHistory(
  house: House,
  memory: Memory,
  serviceId: ServiceId,
  today: string,
  calculate: Calculator = createCalculator(1, 'services'),
): readonly HistoryPoint[] {
  const days = daysRemembered(memory).filter((day) => day <= today);
  const whole = createCalculator();
  const points: HistoryPoint[] = [];
  const put = (on: string, at: House): void => {
    const standing = standingIn(at, serviceId, calculate, openUsesOf(at, whole));
    const last = points.at(-1);
    if (standing && !(last && same(last, standing))) points.push({ on, ...standing });
  };
  const [first] = days;
  if (first !== undefined)
    put(daysAfter(first, -1), rememberedHouse(house, memory, daysAfter(first, -1)));
  for (const day of days) put(day, rememberedHouse(house, memory, day));
  put(today, house);
  return points;
}

/** Services that miss their target, and those whose margin fell, since a day. */
export interface Watched {
  readonly bridge: Bridge;
  readonly underTarget: boolean;
  /** it reached its target then */
  readonly fell: boolean;
}

/**
 * The services whose margin is under its target or was moved since a day, those that are furthest under
 * it first, each with what moved it.
 * @param since ISO date
 */
export function marginWatch(
  house: House,
  memory: Memory,
  since: string,
  calculate: Calculator = createCalculator(1, 'services'),
): readonly Watched[] {
  const then = rememberedHouse(house, memory, since);
  const opens = new Map([then, house].map((each) => [each, openUsesOf(each)]));
  const opensOf = (of: House): OpenUses => opens.get(of) ?? openUsesOf(of);
  return house.services
    .flatMap(({ id }): Watched[] => {
      const bridge = marginBridge(then, house, id, calculate, opensOf);
      if (!bridge) return [];
      const { before, after, parts } = bridge;
      const underTarget = under(after);
      if (!underTarget && parts.length === 0) return [];
      return [{ bridge, underTarget, fell: underTarget && !under(before) }];
    })
    .sort((a, b) => below(b.bridge.after) - below(a.bridge.after));
}

function below({ margin, targetMargin }: Standing): number {
  return targetMargin - margin;
}

function under(standing: Standing): boolean {
  return below(standing) > 1e-9;
}

/** The days on which anything that figures in costs was changed, oldest first. */
export function daysRemembered({ journal, prices }: Memory): readonly string[] {
  return [...new Set([...daysOfChange(journal), ...prices.map(({ on }) => on)])].sort();
}

function same(a: Standing, b: Standing): boolean {
  return (
    Math.abs(a.fullCost - b.fullCost) < 0.005 &&
    a.gross === b.gross &&
    Math.abs(a.margin - b.margin) < 1e-7
  );
}

/** What each pack cost on a day: the last that was told until then. */
function pricesOn(points: readonly PricePoint[], day: string): ReadonlyMap<string, PricePoint> {
  const asked = new Map<string, PricePoint>();
  for (const point of points) {
    if (point.on > day) continue;
    const key = `${point.materialId}/${point.packId}`;
    const known = asked.get(key);
    if (!known || known.on <= point.on) asked.set(key, point);
  }
  return asked;
}

function withPrices(material: Material, asked: ReadonlyMap<string, PricePoint>): Material {
  if (material.kind === 'linen') return material;
  const packs = material.packs.map((pack) => {
    const point = asked.get(`${material.id}/${pack.id}`);
    if (!point || !priceDiffers(point, pack)) return pack;
    const { priceMinor, discount, freightMinor } = point;
    return { ...pack, priceMinor, discount, freightMinor };
  });
  const same = packs.every((pack, at) => pack === material.packs[at]);
  return same ? material : { ...material, packs };
}
