import type { Draw } from '../draws/draw';
import type { DoseSettings } from '../dose/resolveAmount';
import type { Amount, Mix, Step, Tool, WorkedProtocol } from '../house/house';
import type { ShelfIndex } from '../house/houseIndex';
import type { TakenOfKit } from '../dose/openKit';
import { wholeAbove } from '../dose/openPacks';
import { kitsTaken } from '../draws/kitsTaken';
import type { DeviceId, KitPartId, MaterialId, MixId, StepId } from '../house/ids';
import { devicesOf } from '../house/protocol';
import { ok, type Outcome } from '../problem/problem';
import { makeMix, type MixDraw } from '../mix/makeMix';
import { mixMakings } from '../mix/mixMakings';
import { shareBatch } from '../mix/shareBatch';
import { addTriples, type Triple } from '../quantity/triple';
import type { Schedule } from '../time/schedule';

/** One visit that a tray is made ready for. */
export interface TrayVisit {
  readonly name: string;
  readonly protocol: WorkedProtocol;
  readonly schedule: Schedule;
  readonly draws: readonly Draw[];
}

/** A use of something on the tray. */
export interface TrayUse {
  readonly visit: string;
  readonly stepName: string;
  /** minutes after the room is first used */
  readonly at: number;
  readonly amount: Triple;
  /** of a kit, the part that is used, in whose unit the amount is */
  readonly part?: KitPartId;
  /** as it is written; none for what takes off or is worn */
  readonly stated?: Amount;
  /** everybody in the room, where it counts once for each */
  readonly persons?: number;
}

/** Something that stands on the tray as it comes from the shelf. */
export interface TrayThing {
  readonly kind: 'thing';
  readonly materialId: MaterialId;
  /** for all visits, as it is costed */
  readonly amount: Triple;
  /** when it is needed first */
  readonly at: number;
  readonly uses: readonly TrayUse[];
  /** how much of it is warm when it is put on or takes off, in its unit */
  readonly warmed: number;
  /** how much of it is cold, in its unit */
  readonly chilled: number;
  /** of a kit, what was taken of its boxes in each visit */
  readonly kits?: readonly TakenOfKit[];
  /** of a kit, how many stand there: a box for several visits stands there whole */
  readonly boxes?: number;
}

/** Something that is mixed for the tray. */
export interface TrayMix {
  readonly kind: 'mix';
  readonly mix: Mix;
  /** in the mix's basis */
  readonly needed: Triple;
  /** when mixing begins; below 0 is before the room is first used */
  readonly at: number;
  readonly readyAt: number;
  readonly parts: readonly MixDraw[];
  readonly uses: readonly TrayUse[];
  /** one batch for several visits */
  readonly shared: boolean;
}

/** Something that is done beforehand: pads to soak. */
export interface TrayTask {
  readonly kind: 'task';
  readonly what: string;
  readonly at: number;
}

/** A tool that no material of the tray stands for: a brush, stones. */
export interface TrayTool {
  readonly kind: 'tool';
  readonly tool: Tool;
  readonly at: number;
  /** one for each visit */
  readonly visits: number;
  readonly stepNames: readonly string[];
}

/** A device that is worked with or runs along; one for all visits. */
export interface TrayDevice {
  readonly kind: 'device';
  readonly deviceId: DeviceId;
  readonly at: number;
  readonly stepNames: readonly string[];
}

export type TrayItem = TrayThing | TrayMix | TrayTask | TrayTool | TrayDevice;

/** What must stand ready, in the order in which it is needed. */
export interface Tray {
  readonly items: readonly TrayItem[];
  readonly waterMl: number;
}

/**
 * What must stand ready for one visit, or for all of a day: measured amounts, mixes with when to make
 * them, what is warmed and what is chilled, pads to soak, tools and devices, in order of need. Amounts are those that are costed. A mix
 * that may stand ahead is made once for all visits inside its working life; others for each.
 * @see M2 M3
 */
export function trayOf(
  visits: readonly TrayVisit[],
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<Tray> {
  const things = new Map<MaterialId, TrayThing>();
  const mixes: TrayMix[] = [];
  const tasks: TrayTask[] = [];
  const tools = new Map<Tool, TrayTool & { readonly seen: ReadonlySet<string> }>();
  const devices = new Map<DeviceId, TrayDevice>();
  let waterMl = 0;
  for (const visit of visits) {
    const steps = new Map(visit.protocol.steps.map((step) => [step.id, step]));
    const starts = startsOf(visit.schedule);
    const kits = kitsTaken(visit.draws);
    for (const draw of visit.draws) {
      if (draw.mix && draw.part === undefined) continue;
      const step = steps.get(draw.stepId);
      const at = starts.get(draw.stepId) ?? 0;
      const use: TrayUse = {
        visit: visit.name,
        stepName: step?.name ?? '',
        at,
        amount: draw.part === undefined ? draw.consumed : draw.resolved.drawn,
        ...(draw.part !== undefined && { part: draw.part }),
        ...statedOf(draw, step),
      };
      const taken = kits.get(draw.materialId);
      const felt = step && temperatureOf(step, draw, shelf);
      const before = things.get(draw.materialId);
      things.set(draw.materialId, {
        kind: 'thing',
        materialId: draw.materialId,
        amount: before ? addTriples(before.amount, draw.consumed) : draw.consumed,
        at: Math.min(before?.at ?? at, at),
        uses: [...(before?.uses ?? []), use],
        warmed: (before?.warmed ?? 0) + (felt === 'warm' ? draw.consumed.usual : 0),
        chilled: (before?.chilled ?? 0) + (felt === 'cold' ? draw.consumed.usual : 0),
        ...(taken && { kits: [...new Set([...(before?.kits ?? []), taken])] }),
      });
    }
    mixes.push(...mixesOf(visit, shelf));
    for (const step of visit.protocol.steps) {
      const times = visit.schedule.rows.filter(
        ({ of }) => of.kind === 'step' && of.stepId === step.id,
      ).length;
      waterMl += (step.removal?.waterMl ?? 0) * times;
      if (step.action === 'soak') {
        tasks.push({ kind: 'task', what: step.name, at: starts.get(step.id) ?? 0 });
      }
      const at = starts.get(step.id) ?? 0;
      for (const tool of toolsOf(step, visit.draws, shelf)) {
        const before = tools.get(tool);
        const seen = new Set([...(before?.seen ?? []), visit.name]);
        tools.set(tool, {
          kind: 'tool',
          tool,
          seen,
          visits: seen.size,
          ...neededBy(step, at, before),
        });
      }
      for (const deviceId of devicesOf(step)) {
        const before = devices.get(deviceId);
        devices.set(deviceId, { kind: 'device', deviceId, ...neededBy(step, at, before) });
      }
    }
  }
  const made = sharedMixes(mixes, visits.length, shelf, settings);
  if (!made.ok) return made;
  const items: TrayItem[] = [
    ...[...things.values()].map((thing) =>
      thing.kits ? { ...thing, boxes: wholeAbove(thing.amount.usual) } : thing,
    ),
    ...made.value,
    ...tasks,
    ...[...tools.values()].map(({ seen: _seen, ...tool }) => tool),
    ...devices.values(),
  ];
  return ok({ items: items.sort((a, b) => a.at - b.at), waterMl });
}

interface Needed {
  readonly at: number;
  readonly stepNames: readonly string[];
}

function neededBy({ name }: Step, at: number, before: Needed | undefined): Needed {
  const known = before?.stepNames ?? [];
  return {
    at: Math.min(before?.at ?? at, at),
    stepNames: known.includes(name) ? known : [...known, name],
  };
}

/** What holds warmth or cold: a name such as "hot towels", "under a warm sheet", "cold stones". */
const WARM =
  /\b(warm|hot|heated|steamed)\s+(\p{L}+\s+)?(towel|sheet|cloth|compress|wrap|mitt|robe|stone)/iu;
const COLD =
  /\b(cool|cold|chilled|iced)\s+(\p{L}+\s+)?(towel|sheet|cloth|compress|wrap|mitt|mask|gel|globe|stone)/iu;

/** Whether what is drawn is warm or cold in hand; nothing where it is as the room is. */
function temperatureOf(
  step: Step,
  draw: Draw,
  { materials }: ShelfIndex,
): 'warm' | 'cold' | undefined {
  if (draw.for === 'removal') {
    if (step.removal?.how === 'warm-towel') return 'warm';
    return step.removal?.how === 'cool-towel' ? 'cold' : undefined;
  }
  if (draw.for !== undefined) return undefined;
  const isPiece = materials.get(draw.materialId)?.unit === 'piece';
  if (isPiece && (step.action === 'heat' || WARM.test(step.name))) return 'warm';
  return step.action === 'cool' || COLD.test(step.name) ? 'cold' : undefined;
}

/** What hands and bottles bring by themselves. */
const ALWAYS_THERE: readonly Tool[] = ['fingers', 'palms', 'dropper', 'spray'];

/** The tools of a step that nothing it draws stands for: cotton is there where cotton pads are. */
function toolsOf(step: Step, draws: readonly Draw[], { materials }: ShelfIndex): readonly Tool[] {
  const names = draws.flatMap(({ stepId, materialId }) =>
    stepId === step.id ? [materials.get(materialId)?.name.toLowerCase() ?? ''] : [],
  );
  return (step.tools ?? []).filter(
    (tool) =>
      !ALWAYS_THERE.includes(tool) && !names.some((name) => name.includes(tool.replace(/s$/, ''))),
  );
}

/** How a draw is written in its step, and for how many people it is counted. */
function statedOf(
  { doseId, for: besides, persons }: Draw,
  step: Step | undefined,
): Pick<TrayUse, 'stated' | 'persons'> {
  const dose = besides === undefined ? step?.doses.find(({ id }) => id === doseId) : undefined;
  return {
    ...(dose && { stated: dose.amount }),
    ...(persons !== undefined && { persons }),
  };
}

/** The mixes of one visit, each use added up, with the parts that are costed. */
function mixesOf(visit: TrayVisit, shelf: ShelfIndex): TrayMix[] {
  const makings = mixMakings(visit.protocol, visit.schedule, shelf);
  const byMix = new Map<MixId, TrayMix>();
  const steps = new Map(visit.protocol.steps.map((step) => [step.id, step]));
  const starts = startsOf(visit.schedule);
  const counted = new Set<string>();
  for (const draw of visit.draws) {
    if (!draw.mix) continue;
    const { mixId, needed } = draw.mix;
    const mix = shelf.mixes.get(mixId);
    const making = makings.find((each) => each.mix.id === mixId && each.usedBy === draw.stepId);
    if (!mix || !making) continue;
    const before = byMix.get(mixId);
    /* Every part of a mix is a draw of its own; the need behind them is one. */
    const need = `${draw.stepId}/${draw.doseId}/${draw.layer ?? ''}/${draw.half ?? ''}`;
    const isNew = !counted.has(need);
    counted.add(need);
    const use: TrayUse = {
      visit: visit.name,
      stepName: steps.get(draw.stepId)?.name ?? '',
      at: starts.get(draw.stepId) ?? 0,
      amount: needed,
      ...statedOf(draw, steps.get(draw.stepId)),
    };
    byMix.set(mixId, {
      kind: 'mix',
      mix,
      needed: before ? (isNew ? addTriples(before.needed, needed) : before.needed) : needed,
      at: Math.min(before?.at ?? making.makeAt, making.makeAt),
      readyAt: Math.min(before?.readyAt ?? Infinity, making.mixedAt + mix.standingMinutes),
      parts: withPart(before?.parts ?? [], {
        materialId: draw.materialId,
        amount: draw.consumed,
        leftOver: draw.leftOver,
      }),
      uses: isNew ? [...(before?.uses ?? []), use] : (before?.uses ?? []),
      shared: false,
    });
  }
  return [...byMix.values()];
}

/** Mixes that may stand ahead, made once for all visits of the day. */
function sharedMixes(
  mixes: readonly TrayMix[],
  visits: number,
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<readonly TrayMix[]> {
  const single = mixes.filter(({ mix }) => visits < 2 || mix.made !== 'ahead');
  const shared: TrayMix[] = [];
  const ahead = new Map<MixId, TrayMix[]>();
  for (const each of mixes) {
    if (single.includes(each)) continue;
    ahead.set(each.mix.id, [...(ahead.get(each.mix.id) ?? []), each]);
  }
  for (const [id, all] of ahead) {
    const { needed } = shareBatch(all.map((each) => each.needed));
    const made = makeMix(id, needed, shelf, settings);
    if (!made.ok) return made;
    const [first] = all;
    if (!first) continue;
    shared.push({
      ...first,
      needed,
      at: Math.min(...all.map((each) => each.at)),
      readyAt: Math.min(...all.map((each) => each.readyAt)),
      parts: made.value.draws,
      uses: all.flatMap((each) => each.uses),
      shared: all.length > 1,
    });
  }
  return ok([...single, ...shared]);
}

function withPart(parts: readonly MixDraw[], part: MixDraw): MixDraw[] {
  const at = parts.findIndex((each) => each.materialId === part.materialId);
  const before = parts[at];
  return before
    ? parts.with(at, {
        ...before,
        amount: addTriples(before.amount, part.amount),
        leftOver: addTriples(before.leftOver, part.leftOver),
      })
    : [...parts, part];
}

function startsOf(schedule: Schedule): ReadonlyMap<StepId, number> {
  const starts = new Map<StepId, number>();
  for (const { of, startsAt } of schedule.rows) {
    if (of.kind === 'step' && !starts.has(of.stepId)) starts.set(of.stepId, startsAt);
  }
  return starts;
}
