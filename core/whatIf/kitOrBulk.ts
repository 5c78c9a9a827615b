import { taxFactor } from '../cost/purchaseTax';
import { chosenPack } from '../house/packs';
import { packInUse } from '../cost/packAdvice';
import { leftInBowl, leftInPacks } from '../cost/wasteAndGifts';
import { WEEKS_A_MONTH } from '../cost/therapistRate';
import type { HouseFigures, ServiceFigures } from '../figures/houseFigures';
import type { House, Material, Service } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import type { MaterialId, ServiceId } from '../house/ids';
import { failWith, ok, type Outcome } from '../problem/problem';
import { materialDemand, type MaterialDemand } from '../draws/demandRate';
import { landedUnitCost } from '../cost/landedUnitCost';
import { heldPack } from '../house/packs';

/** A set of materials for a service, at so many visits. Money in minor units. */
export interface SetFigures {
  /** consumed in a visit, at what it costs on the shelf */
  readonly product: number;
  /** thrown away a visit: single doses left over, bowls, and jars that are open too long */
  readonly waste: number;
  /** of that, what of open jars is over before it is used */
  readonly openTooLong: number;
  /** minutes of setting the room and the tray up */
  readonly trayMinutes: number;
  readonly hands: number;
  /** what lies on the shelf when an order has just come, of what this service draws */
  readonly stockHeld: number;
  /** direct cost of a visit, with what is open too long */
  readonly direct: number;
}

/** Two sets side by side. */
export interface TwoSets {
  readonly visitsPerMonth: number;
  readonly one: SetFigures;
  readonly other: SetFigures;
  /** direct cost of a visit by visits a month, for a drawing */
  readonly curve: readonly {
    readonly visits: number;
    readonly one: number;
    readonly other: number;
  }[];
  /** visits a month from which the other set is the cheaper one; nothing where it never is, or always */
  readonly breakEven: number | null;
  readonly cheaper: 'one' | 'other' | 'alike';
}

/** A House with its figures. */
export interface Counted {
  readonly house: House;
  readonly figures: HouseFigures;
}

const MOST_VISITS = 120;
const SAME = 0.005;

/**
 * Two sets of materials for the same service, as it is worked in two Houses: product, waste, minutes of the
 * tray, money on the shelf, and the visits a month from which one is cheaper than the other. What other
 * services draw of a material counts towards using it up.
 * @returns problems of either side
 * @see C2 C7 D3 M2
 */
export function twoSets(
  serviceId: ServiceId,
  visitsPerMonth: number,
  one: Counted,
  other: Counted,
): Outcome<TwoSets> {
  const sides = [one, other].map((side) => sideOf(serviceId, side));
  const [a, b] = sides;
  if (!a?.ok || !b?.ok) return failWith(sides.flatMap((each) => (each.ok ? [] : each.problems)));
  const curve = Array.from({ length: MOST_VISITS }, (_, at) => ({
    visits: at + 1,
    one: a.value(at + 1).direct,
    other: b.value(at + 1).direct,
  }));
  const last = curve.at(-1);
  const better = (at: number): boolean => (curve[at]?.other ?? 0) < (curve[at]?.one ?? 0) - SAME;
  const settled = last !== undefined && better(curve.length - 1);
  let from = curve.length;
  while (from > 0 && better(from - 1)) from -= 1;
  const figures = { one: a.value(visitsPerMonth), other: b.value(visitsPerMonth) };
  const gap = figures.other.direct - figures.one.direct;
  return ok({
    visitsPerMonth,
    ...figures,
    curve,
    breakEven: settled && from > 0 ? (curve[from]?.visits ?? null) : null,
    cheaper: Math.abs(gap) <= SAME ? 'alike' : gap < 0 ? 'other' : 'one',
  });
}

type AtVisits = (visitsPerMonth: number) => SetFigures;

function sideOf(serviceId: ServiceId, { house, figures }: Counted): Outcome<AtVisits> {
  const of = figures.services.get(serviceId);
  if (!of) return failWith([]);
  const { work, schedule, cost, draws } = of;
  if (!work.ok) return work;
  if (!schedule.ok) return schedule;
  if (!draws.ok) return draws;
  if (!cost.ok) return cost;
  const { materials } = indexHouse(house);
  const setUp = schedule.value.rows.filter(({ stretch }) => stretch === 'set-up');
  const trayMinutes = setUp.reduce((sum, row) => sum + row.handsOn + row.watching, 0);
  const left = leftInVisit(of, materials);
  const drawnMinor = new Map<MaterialId, number>();
  for (const { draw, cost: drawn } of cost.value.lines) {
    drawnMinor.set(draw.materialId, (drawnMinor.get(draw.materialId) ?? 0) + drawn.usual);
  }
  return ok((visitsPerMonth) => {
    const perWeek = visitsPerMonth / WEEKS_A_MONTH;
    let openTooLong = 0;
    let stockHeld = 0;
    for (const [id, consumed] of consumptionOf(of)) {
      const material = materials.get(id);
      if (!material || material.kind === 'linen') continue;
      const demand = demandWith(id, serviceId, perWeek, consumed, house, figures);
      const inUse = packInUse(
        material,
        chosenPack(material),
        demand,
        house.settings.orderDays,
        house,
      );
      if (!inUse.ok) continue;
      const { packsPerOrder, usedShare } = inUse.value;
      openTooLong += (drawnMinor.get(id) ?? 0) * (1 / usedShare - 1);
      stockHeld += packsPerOrder * packMoney(material, house);
    }
    const product = cost.value.lines.reduce((sum, line) => sum + line.cost.usual, 0);
    return {
      product,
      waste: left + openTooLong,
      openTooLong,
      trayMinutes,
      hands: cost.value.therapist.usual,
      stockHeld,
      direct: cost.value.direct.usual - cost.value.expires.usual + openTooLong,
    };
  });
}

function consumptionOf({ consumption }: ServiceFigures): ReadonlyMap<MaterialId, number> {
  return new Map(
    consumption.ok ? [...consumption.value].map(([id, triple]) => [id, triple.usual]) : [],
  );
}

/** What of the product of a visit is left in opened single doses and in bowls. */
function leftInVisit(
  { cost }: ServiceFigures,
  materials: ReadonlyMap<MaterialId, Material>,
): number {
  if (!cost.ok) return 0;
  return cost.value.lines.reduce((sum, { draw, perUnit }) => {
    const isOpened = materials.get(draw.materialId)?.kind === 'single-dose';
    return sum + (leftInBowl(draw) + (isOpened ? leftInPacks(draw) : 0)) * perUnit;
  }, 0);
}

function demandWith(
  id: MaterialId,
  serviceId: ServiceId,
  visitsPerWeek: number,
  amount: number,
  { demand }: House,
  { services }: HouseFigures,
): MaterialDemand {
  const others = demand.flatMap((line) => {
    if (line.serviceId === serviceId) return [];
    const consumption = services.get(line.serviceId)?.consumption;
    const consumed = consumption?.ok === true ? consumption.value.get(id)?.usual : undefined;
    return consumed ? [{ visitsPerWeek: line.visitsPerWeek, amount: consumed }] : [];
  });
  return materialDemand([...others, { visitsPerWeek, amount }]);
}

function packMoney(material: Exclude<Material, { kind: 'linen' }>, house: House): number {
  const pack = heldPack(material, chosenPack(material));
  const where = { materialId: material.id };
  const landed = landedUnitCost(pack, taxFactor(pack, house), material.name, where);
  return landed.ok ? landed.value.perUnit * landed.value.usableUnits : 0;
}

/** The visits a month that the plan has for a service. */
export function plannedPerMonth({ demand }: House, { id }: Pick<Service, 'id'>): number {
  const line = demand.find(({ serviceId }) => serviceId === id);
  return (line?.visitsPerWeek ?? 0) * WEEKS_A_MONTH;
}
