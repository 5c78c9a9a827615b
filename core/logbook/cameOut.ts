import {
  isSkippedUsually,
  toldOf,
  type LogbookVisit,
  type PlannedAct,
  type PlannedDraw,
  type ToldBy,
} from '../house/logbook';
import { paceSpreadOf, type HouseSettings } from '../house/settings';
import { meanMinutes } from '../time/distribution';
import { timeWithBeside } from '../time/stepTime';
import type { MaterialId } from '../house/ids';

/** What one draw of a visit came to. */
export interface CameOut {
  readonly draw: PlannedDraw;
  /** in the unit of the material */
  readonly quantity: number;
  /** as planned where nobody told anything else */
  readonly by: ToldBy | 'planned';
  /** another product was taken */
  readonly instead?: MaterialId;
}

/**
 * What the draws of a visit came to, of all that was done.
 * @see R5
 */
export function drawsThatCame({ plan, entry }: LogbookVisit): CameOut[] {
  const told = new Map(toldOf(entry).map((each) => [each.draw, each]));
  const times = new Map(entry.repeated?.map((each) => [each.act, each.times]));
  return plan.draws.flatMap((draw, at): CameOut[] => {
    if ((entry.minutes[draw.act] ?? null) === null) return [];
    const said = told.get(at);
    const planned = draw.quantity.usual * (times.get(draw.act) ?? 1);
    const { quantity = planned, by = 'planned', instead } = said ?? {};
    return [{ draw, quantity, by, ...(instead && { instead }) }];
  });
}

/** What a visit used of a material beside what was planned, and between what it may lie. */
export interface UsedBeside {
  readonly materialId: MaterialId;
  readonly quantity: number;
  readonly low: number;
  readonly usual: number;
  readonly high: number;
  readonly isTold: boolean;
}

/** What a visit used of each material, beside what was planned for what is done as a rule. @see R5 */
export function usedBeside(visit: LogbookVisit): UsedBeside[] {
  const { acts, draws } = visit.plan;
  const used = new Map<MaterialId, { -readonly [K in keyof UsedBeside]: UsedBeside[K] }>();
  const of = (materialId: MaterialId) => {
    const known = used.get(materialId) ?? {
      materialId,
      quantity: 0,
      low: 0,
      usual: 0,
      high: 0,
      isTold: false,
    };
    used.set(materialId, known);
    return known;
  };
  for (const { act, materialId, quantity } of draws) {
    const sums = of(materialId);
    const planned = acts[act];
    if (!planned || isSkippedUsually(planned)) continue;
    sums.low += quantity.low;
    sums.usual += quantity.usual;
    sums.high += quantity.high;
  }
  const drawn = new Set<MaterialId>();
  for (const { draw, quantity, by, instead } of drawsThatCame(visit)) {
    const materialId = instead ?? draw.materialId;
    const sums = of(materialId);
    sums.quantity += quantity;
    sums.isTold ||= by !== 'planned';
    drawn.add(materialId);
  }
  /* Of a single dose whose opening was left out, the first that is done opens it. */
  for (const sums of used.values()) {
    if (sums.quantity > 0 || sums.isTold || !drawn.has(sums.materialId)) continue;
    const own = draws.filter(({ materialId }) => materialId === sums.materialId);
    sums.quantity = Math.max(...own.map(({ quantity }) => quantity.usual));
  }
  return [...used.values()];
}

/** Minutes that an act is expected to take with what is done beside it. @see T2 */
export function expectedOfAct(
  { minutes, beside = [] }: Pick<PlannedAct, 'minutes' | 'beside'>,
  settings: Pick<HouseSettings, 'paceSpread'>,
): number {
  const others = beside.map((each) => each.minutes);
  return meanMinutes(timeWithBeside(minutes, others, paceSpreadOf(settings)));
}

/** Whether a visit ended within its slot. */
export function isWithinSlot({ plan, entry }: LogbookVisit): boolean {
  return entry.roomMinutes <= plan.slotMinutes;
}

/** How many minutes after the book had it a visit began; nothing for one that the book did not have. */
export function lateMinutes({
  at,
  bookedAt,
}: Pick<LogbookVisit['entry'], 'at' | 'bookedAt'>): number | undefined {
  return bookedAt === undefined ? undefined : (Date.parse(at) - Date.parse(bookedAt)) / 60_000;
}
