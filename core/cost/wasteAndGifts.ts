import type { Draw } from '../draws/drawsOf';
import type { BoughtMaterial, Material, Mix, Step, WorkedProtocol } from '../house/house';
import type { MaterialId, MixId, StepId } from '../house/ids';
import { chosenPack } from '../house/packs';
import { actionFacts, type Phase } from '../house/actions';
import type { MaterialDemand } from '../draws/demandRate';
import type { Schedule } from '../time/schedule';
import { packInUse } from './packAdvice';
import type { MinuteRates, ServiceCost } from './serviceCost';

/** Why something is lost or given. */
export type Leaving =
  /** stays in the bowl, or is more than is needed */
  | 'bowl'
  /** left in an opened single dose */
  | 'pack'
  /** open too long before it is used up; not in the cost of a visit */
  | 'open-life'
  /** kits and samples */
  | 'gift'
  /** minutes of talk before and after the work */
  | 'talk';

/** One thing that is thrown away or given in a visit, minor units. */
export interface LeavingLine {
  readonly why: Leaving;
  readonly name: string;
  readonly minor: number;
}

/** What a visit throws away and gives: the two figures that no list of costs shows. */
export interface WasteAndGifts {
  readonly waste: readonly LeavingLine[];
  readonly wasteMinor: number;
  readonly gifts: readonly LeavingLine[];
  readonly giftsMinor: number;
}

/** Less than half a cent is not worth a line. */
const LEAST_TOLD = 0.5;
const TALK: ReadonlySet<Phase> = new Set(['consult', 'show', 'home-care']);

interface Visit {
  readonly protocol: WorkedProtocol;
  readonly schedule: Pick<Schedule, 'rows'>;
  readonly cost: ServiceCost;
  readonly rates: MinuteRates;
  readonly materials: ReadonlyMap<MaterialId, Material>;
  readonly mixes: ReadonlyMap<MixId, Mix>;
  /** how often the house uses a material; nothing where it is not known */
  readonly demandOf: (id: MaterialId) => MaterialDemand | undefined;
  readonly orderDays: number;
}

/**
 * Of the cost of a visit, what is thrown away (left in the bowl, left in an opened single dose) and what
 * is given (kits, samples, minutes of talk); and, beyond the cost of a visit, what of open containers
 * is over before it is used, at today's demand.
 * @see C2 C3 C7 D3 M2
 */
export function wasteAndGifts(visit: Visit): WasteAndGifts {
  const waste = [...bowls(visit), ...packs(visit), ...openTooLong(visit)].sort(dearestFirst);
  const gifts = [...given(visit), ...talk(visit)].sort(dearestFirst);
  return { waste, wasteMinor: sumOf(waste), gifts, giftsMinor: sumOf(gifts) };
}

function dearestFirst(a: LeavingLine, b: LeavingLine): number {
  return b.minor - a.minor;
}

function sumOf(lines: readonly LeavingLine[]): number {
  return lines.reduce((sum, { minor }) => sum + minor, 0);
}

function lines(why: Leaving, sums: ReadonlyMap<string, number>): LeavingLine[] {
  return [...sums].flatMap(([name, minor]) => (minor >= LEAST_TOLD ? [{ why, name, minor }] : []));
}

function addTo(sums: Map<string, number>, name: string, minor: number): void {
  sums.set(name, (sums.get(name) ?? 0) + minor);
}

function bowls({ cost, mixes }: Visit): LeavingLine[] {
  const sums = new Map<string, number>();
  for (const { draw, cost: drawn } of cost.lines) {
    if (!draw.mix) continue;
    addTo(sums, mixes.get(draw.mix.mixId)?.name ?? '', drawn.usual * draw.mix.wasted);
  }
  return lines('bowl', sums);
}

/** The last draw of a single dose tells what is left in it when the visit is over. */
function packs({ cost, materials }: Visit): LeavingLine[] {
  const last = new Map<MaterialId, { draw: Draw; perUnit: number }>();
  for (const { draw, perUnit } of cost.lines) {
    if (!draw.mix) last.set(draw.materialId, { draw, perUnit });
  }
  const sums = new Map<string, number>();
  for (const [id, { draw, perUnit }] of last) {
    addTo(sums, materials.get(id)?.name ?? '', draw.leftOver.usual * perUnit);
  }
  return lines('pack', sums);
}

function openTooLong({ cost, materials, demandOf, orderDays }: Visit): LeavingLine[] {
  const sums = new Map<string, number>();
  for (const { draw, cost: drawn } of cost.lines) {
    const material = materials.get(draw.materialId);
    const demand = demandOf(draw.materialId);
    if (!material || material.kind === 'linen' || !demand) continue;
    const share = usedShareOf(material, demand, orderDays);
    addTo(sums, material.name, drawn.usual * (1 / share - 1));
  }
  return lines('open-life', sums);
}

function usedShareOf(material: BoughtMaterial, demand: MaterialDemand, orderDays: number): number {
  const inUse = packInUse(material, chosenPack(material), demand, orderDays);
  return inUse.ok ? inUse.value.usedShare : 1;
}

function given({ cost, materials }: Visit): LeavingLine[] {
  const sums = new Map<string, number>();
  for (const { draw, part, cost: drawn } of cost.lines) {
    if (part === 'givenAway') addTo(sums, materials.get(draw.materialId)?.name ?? '', drawn.usual);
  }
  return lines('gift', sums);
}

function talk({ protocol, schedule, rates }: Visit): LeavingLine[] {
  const talking = new Map<StepId, Step>(
    protocol.steps.flatMap((step) => {
      const phase = step.phase ?? (step.action && actionFacts(step.action).phase);
      return phase && TALK.has(phase) ? [[step.id, step]] : [];
    }),
  );
  const sums = new Map<string, number>();
  for (const { of, by, handsOn, watching } of schedule.rows) {
    const step = of.kind === 'step' ? talking.get(of.stepId) : undefined;
    if (step) addTo(sums, step.name, (handsOn + watching) * rates[by]);
  }
  return lines('talk', sums);
}
