import type { Draw } from '../draws/draw';
import type { Material, Mix, Step, WorkedProtocol } from '../house/house';
import type { MaterialId, MixId, StepId } from '../house/ids';
import { actionFacts, type Phase } from '../house/actions';
import type { Schedule } from '../time/schedule';
import type { MinuteRates, ServiceCost } from './serviceCost';

/** Why something is lost or given. */
export type Leaving =
  /** stays in the bowl, or is more than is needed */
  | 'bowl'
  /** left in an opened single dose */
  | 'pack'
  /** open too long before it is used up */
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
}

/**
 * Of the cost of a visit, what is thrown away (left in the bowl, left in an opened single dose, open too long
 * before it is used) and what is given (kits, samples, minutes of talk).
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
  for (const { draw, perUnit } of cost.lines) {
    if (draw.mix) addTo(sums, mixes.get(draw.mix.mixId)?.name ?? '', leftInBowl(draw) * perUnit);
  }
  return lines('bowl', sums);
}

function packs({ cost, materials }: Visit): LeavingLine[] {
  const sums = new Map<string, number>();
  for (const { draw, perUnit } of cost.lines) {
    const material = materials.get(draw.materialId);
    if (material?.kind === 'single-dose') addTo(sums, material.name, leftInPacks(draw) * perUnit);
  }
  return lines('pack', sums);
}

/** Of what a draw put into a bowl, what is not used, in the material's unit. @see M2 */
export function leftInBowl({ mix, resolved }: Draw): number {
  return mix ? resolved.drawn.usual * mix.made.wasted : 0;
}

/**
 * What a draw of a single dose leaves in opened packs, in the material's unit; below 0 where it uses up what an
 * earlier one left, so that the draws of a visit add up to what is lost in it.
 * @see D3
 */
export function leftInPacks({ consumed, resolved }: Draw): number {
  return consumed.usual - resolved.drawn.usual;
}

function openTooLong({ cost, materials }: Visit): LeavingLine[] {
  const sums = new Map<string, number>();
  for (const { draw, expires } of cost.lines) {
    addTo(sums, materials.get(draw.materialId)?.name ?? '', expires.usual);
  }
  return lines('open-life', sums);
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
