import type { OneMore } from '../price/priceOf';
import type { House, Ladder, Pricing } from '../house/house';
import { failWith, ok, type Outcome, type Problem } from '../problem/problem';
import type { BaseUnit } from '../quantity/unit';
import type { Triple } from '../quantity/triple';
import type { TimeFigures } from '../time/schedule';
import type { RestockFigures } from '../restock/restocker';
import { problemsOf, type HouseFigures, type ServiceFigures } from '../figures/houseFigures';

interface StepReport {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly layer: number | null;
  readonly meanwhileOf: string | null;
  readonly startsAt: number;
  readonly roomMinutes: number;
  readonly handsOn: number;
  readonly watching: number;
  readonly free: number;
}

interface DoseReport extends Triple {
  readonly materialId: string;
  readonly unit: BaseUnit;
}

const COST_PARTS = [
  'product',
  'consumables',
  'singleUse',
  'linen',
  'givenAway',
  'expires',
  'devices',
  'therapist',
  'room',
  'direct',
  'full',
] as const;
type CostPart = (typeof COST_PARTS)[number];

interface ServiceReport {
  readonly id: string;
  readonly name: string;
  readonly slotMinutes: number;
  readonly guestMinutes: number;
  readonly visitMinutes: TimeFigures;
  readonly roomMinutes: TimeFigures;
  readonly attendedMinutes: number;
  readonly assistantMinutes: number;
  readonly steps: readonly StepReport[];
  readonly doses: readonly DoseReport[];
  readonly cost: Readonly<Record<CostPart, number>>;
  readonly costRange: Readonly<Record<CostPart, Triple>>;
  readonly price: {
    readonly gross: number;
    readonly net: number;
    readonly fees: number;
    readonly contribution: number;
    readonly profit: number;
    readonly margin: number;
    readonly perRoomHour: number;
    readonly perTherapistHour: number | null;
    readonly breakEvenVisits: number | null;
    readonly floorGross: number;
    readonly evenGross: number;
    /** of the net price, pay */
    readonly sharedPay: number;
    /** while rooms and what is owed anyhow are paid */
    readonly oneMore: OneMore;
    readonly computedGross: number;
  };
  /** the ladder by which it is charged, and what each would charge */
  readonly chargedBy: Pricing['by'];
  readonly ladders: Readonly<Partial<Record<Ladder, number>>>;
}

interface MaterialReport {
  readonly id: string;
  readonly unit: BaseUnit;
  readonly unitCost: number;
  readonly usesPerDay: number;
  /** nothing for linen */
  readonly reorderPoint: number | null;
  readonly reorderPacks: number | null;
  readonly daysOfCover: number | null;
  readonly shouldOrder: boolean;
}

/** Every figure of a House as plain data. Minutes, minor units of money, amounts in base units. */
export interface HouseReport {
  readonly services: readonly ServiceReport[];
  readonly materials: readonly MaterialReport[];
}

/**
 * The figures of a House as plain data for other programs. Money is not rounded but for the charged
 * price; `doses` are what is drawn, whole packs for single doses, added up by material.
 * @returns every problem of the House when any figure is missing
 */
export function houseReport(
  house: House,
  figures: HouseFigures,
  restock: RestockFigures,
): Outcome<HouseReport> {
  const problems = [...problemsOf(figures), ...restockProblems(restock, problemsOf(figures))];
  if (problems.length > 0) return failWith(problems);
  const unitOf = new Map(house.materials.map((material) => [material.id, material.unit]));
  return ok({
    services: house.services.flatMap((service) => {
      const found = figures.services.get(service.id);
      return found ? serviceReport(service.name, found, (id) => unitOf.get(id) ?? 'piece') : [];
    }),
    materials: house.materials.flatMap((material): MaterialReport[] => {
      const found = figures.materials.get(material.id);
      if (!found?.unitCost.ok) return [];
      const of = restock.materials.get(material.id);
      const restocking = of?.ok ? of.value : undefined;
      return [
        {
          id: material.id,
          unit: material.unit,
          unitCost: found.unitCost.value,
          usesPerDay:
            restocking?.demand.usesPerDay ?? restock.linen.get(material.id)?.usesPerDay ?? 0,
          reorderPoint: restocking?.reorderPoint.amount ?? null,
          reorderPacks: restocking?.reorderPoint.packs ?? null,
          daysOfCover: restocking?.cover.daysOfCover ?? null,
          shouldOrder: restocking?.cover.shouldOrder ?? false,
        },
      ];
    }),
  });
}

/** What only the shelf finds wrong. */
function restockProblems({ materials }: RestockFigures, known: readonly Problem[]): Problem[] {
  const seen = new Set(known.map((problem) => JSON.stringify(problem)));
  return [...materials.values()]
    .flatMap((of) => (of.ok ? [] : of.problems))
    .filter((problem) => !seen.has(JSON.stringify(problem)));
}

function serviceReport(
  name: string,
  { serviceId, schedule, consumption, cost, price }: ServiceFigures,
  unitOf: (id: MaterialIdOf) => BaseUnit,
): ServiceReport[] {
  if (!schedule.ok || !consumption.ok || !cost.ok || !price.ok) return [];
  const clock = schedule.value;
  const costs = cost.value;
  const { gross, net, fees, contribution, profit, margin } = price.value;
  const { perRoomHour, perTherapistHour, breakEvenVisits, floorGross, computedGross } = price.value;
  const { evenGross, sharedPay, oneMore } = price.value;
  return [
    {
      id: serviceId,
      name,
      slotMinutes: clock.slotMinutes,
      guestMinutes: clock.guestMinutes,
      visitMinutes: clock.visit,
      roomMinutes: clock.room,
      attendedMinutes: clock.attended.therapist,
      assistantMinutes: clock.attended.assistant,
      steps: clock.rows.map((row) => ({
        id: row.of.kind === 'step' ? row.of.stepId : `${row.of.layerGroupId}/between`,
        name: row.name,
        by: row.by,
        layer: row.layer ?? null,
        meanwhileOf: row.meanwhileOf ?? null,
        startsAt: row.startsAt,
        roomMinutes: row.roomMinutes,
        handsOn: row.handsOn,
        watching: row.watching,
        free: row.free,
      })),
      doses: [...consumption.value].map(([materialId, { low, usual, high }]) => ({
        materialId,
        unit: unitOf(materialId),
        low,
        usual,
        high,
      })),
      cost: byPart((part) => costs[part].usual),
      costRange: byPart((part) => costs[part]),
      price: {
        gross,
        net,
        fees,
        contribution,
        profit,
        margin,
        perRoomHour,
        perTherapistHour,
        breakEvenVisits,
        floorGross,
        evenGross,
        sharedPay,
        oneMore,
        computedGross,
      },
      chargedBy: price.value.by,
      ladders: Object.fromEntries(price.value.rungs.map((rung) => [rung.ladder, rung.price.gross])),
    },
  ];
}

type MaterialIdOf = House['materials'][number]['id'];

function byPart<V>(pick: (part: CostPart) => V): Record<CostPart, V> {
  return Object.fromEntries(COST_PARTS.map((part) => [part, pick(part)])) as Record<CostPart, V>;
}
