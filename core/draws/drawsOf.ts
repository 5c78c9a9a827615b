import type { Dose, KitMaterial, Material, Step, VisitKind, WorkedProtocol } from '../house/house';
import {
  asId,
  type DoseId,
  type KitPartId,
  type MaterialId,
  type MixId,
  type StepId,
} from '../house/ids';
import type { ShelfIndex } from '../house/houseIndex';
import { preferredPack } from '../house/packs';
import {
  fail,
  failWith,
  ok,
  placeOutcome,
  type Outcome,
  type Problem,
  type Where,
} from '../problem/problem';
import { shareOfDraw, type MadeMix } from '../mix/makeMix';
import { arrange, type Half } from '../protocol/arrange';
import { addTriples, exactly, scaleTriple, ZERO, type Triple } from '../quantity/triple';
import { turnsOf } from '../time/turns';
import { workedLeaves } from '../zone/workedLeaves';
import { bowlsOf, useKey, type Bowls } from './bowls';
import { openKit, type TakenOfKit } from '../dose/openKit';
import { overLayers, timesOf } from '../dose/overLayers';
import { openPacks } from '../dose/openPacks';
import {
  drawableMaterial,
  resolveAmount,
  type DoseSettings,
  type ResolvedAmount,
} from '../dose/resolveAmount';

/** What one dose takes of one material in one visit, once for every layer. */
export interface Draw {
  readonly stepId: StepId;
  readonly doseId: DoseId;
  readonly layer?: number;
  readonly half?: Half;
  /** not a dose that is written, but what taking something off or wearing gloves takes */
  readonly for?: 'removal' | 'gloves';
  readonly materialId: MaterialId;
  /** of a kit: the amount is in its unit, and what is consumed are boxes */
  readonly part?: KitPartId;
  /** the mix through which the material is drawn, what is needed of it here, and the batches of its bowl */
  readonly mix?: {
    readonly mixId: MixId;
    readonly needed: Triple;
    readonly made: MadeMix;
  };
  readonly resolved: ResolvedAmount;
  /** gone from the shelf: whole packs for single doses; in the material's unit */
  readonly consumed: Triple;
  /** everybody in the room, where the material counts once for each (D5) */
  readonly persons?: number;
  /** of opened single doses, after this dose; of a mix, what of its packs did not go into the bowl */
  readonly leftOver: Triple;
}

/**
 * Everything one visit takes from the shelf, dose by dose in the order of work, layers repeated.
 * @returns each draw in its material's unit; every problem of every dose, placed at its step
 * Gloves are counted by the pair as they are put on.
 * @see D1 D2 D3 D4 D5 D6 D7 M2
 */
export function drawsOf(
  protocol: WorkedProtocol,
  visitKind: VisitKind,
  shelf: ShelfIndex,
  settings: DoseSettings,
): Outcome<readonly Draw[]> {
  const arrangement = arrange(protocol, visitKind);
  if (!arrangement.ok) return arrangement;
  const draws: Draw[] = [];
  const problems: Problem[] = [];
  const opened: Opened = { packs: new Map(), kits: new Map(), pieces: new Map() };
  const faulty = new Set<DoseId>();
  const persons = personsPresent(protocol);

  const worn: Worn = new Map();
  const turns = [...turnsOf(arrangement.value)];
  const bowls = turns.some(({ step }) => step.doses.some(({ source }) => source.kind === 'mix'))
    ? bowlsOf(turns, shelf, settings)
    : NO_BOWLS;
  const times = timesOf(turns);
  for (const { step, layer, half } of turns) {
    const turn = layer === undefined ? {} : half === undefined ? { layer } : { layer, half };
    for (const besides of [removalDraw(step, shelf, opened), glovesDraw(step, shelf, worn)]) {
      if (besides?.ok) {
        draws.push({ ...besides.value, ...turn });
        isThere(besides.value, opened);
      } else if (besides)
        problems.push(...placed(besides, { protocolId: protocol.id, stepId: step.id }));
    }
    for (const written of step.doses) {
      const dose = overLayers(written, times.get(step.id) ?? 1);
      if (faulty.has(dose.id)) continue;
      const where: Where = { protocolId: protocol.id, stepId: step.id, doseId: dose.id };
      const drawn =
        dose.source.kind === 'mix'
          ? drawOfBowl(dose, step, bowls.get(useKey(turn, dose)), opened, shelf)
          : rememberedDose(dose, step, shelf, settings, opened, persons);
      if (drawn.ok) {
        for (const draw of drawn.value) {
          isThere(draw, opened);
          draws.push(layer === undefined ? draw : { ...draw, ...turn });
        }
      } else {
        faulty.add(dose.id);
        problems.push(...placed(drawn, where));
      }
    }
  }
  return problems.length > 0 ? failWith(once(problems)) : ok(draws);
}

function placed(failed: Outcome<unknown>, where: Where): readonly Problem[] {
  const at = placeOutcome(failed, where);
  return at.ok ? [] : at.problems;
}

/** A step that is done in every layer says only once what is wrong with it. */
function once(problems: readonly Problem[]): Problem[] {
  return [...new Map(problems.map((problem) => [JSON.stringify(problem), problem])).values()];
}

/**
 * Everybody in the room during the visit: the client and each role that works in it.
 * @see D5
 */
export function personsPresent(protocol: WorkedProtocol): number {
  return 1 + new Set(protocol.steps.filter((s) => s.stretch === 'visit').map((s) => s.by)).size;
}

const NO_BOWLS: Bowls = new Map();

/** What was opened in the visit: of single doses what is left, of kits what was taken. */
interface Opened {
  readonly packs: Map<MaterialId, Triple>;
  readonly kits: Map<MaterialId, TakenOfKit>;
  /** all that was drawn so far, which can be used again */
  readonly pieces: Map<MaterialId, Triple>;
}

function partOf({ source }: Dose): KitPartId | undefined {
  return source.kind === 'material' ? source.part : undefined;
}

/** Boxes that are newly opened when some of a part of a kit is taken. @see D6 */
function takenOfKit(kit: KitMaterial, part: KitPartId, drawn: Triple, { kits }: Opened): Triple {
  const { boxes, taken } = openKit(kit, part, drawn, kits.get(kit.id));
  kits.set(kit.id, taken);
  return boxes;
}

/** What a dose draws, for as long as all that decides it is the same thing. */
const remembered = new WeakMap<
  Dose,
  { readonly from: readonly unknown[]; readonly drawn: Outcome<readonly Draw[]> }
>();

/** Single doses depend on what is open already; everything else draws the same every time. */
function rememberedDose(
  dose: Dose,
  step: Step,
  shelf: ShelfIndex,
  settings: DoseSettings,
  opened: Opened,
  persons: number,
): Outcome<readonly Draw[]> {
  const { source } = dose;
  const material = source.kind === 'material' ? shelf.materials.get(source.materialId) : undefined;
  if (material?.kind === 'single-dose' || material?.kind === 'kit' || dose.again) {
    return drawDose(dose, step, material, settings, opened, persons);
  }
  const from = [material, settings, persons, step.id, step.name, step.zones, step.never];
  const known = remembered.get(dose);
  if (known?.from.every((each, at) => each === from[at])) return known.drawn;
  const drawn = drawDose(dose, step, material, settings, opened, persons);
  remembered.set(dose, { from, drawn });
  return drawn;
}

function drawDose(
  dose: Dose,
  step: Step,
  material: Material | undefined,
  settings: DoseSettings,
  opened: Opened,
  persons: number,
): Outcome<readonly Draw[]> {
  if (!material) {
    return fail('material-unknown', `“${step.name}” uses a material that is not on the shelf.`, {
      field: 'source',
    });
  }
  const part = partOf(dose);
  if (part !== undefined && !isInKit(material, part)) {
    return fail(
      'kit-part-unknown',
      `“${step.name}” uses a part that ${material.name} does not hold.`,
      {
        materialId: material.id,
        field: 'source',
      },
    );
  }
  if (dose.into !== undefined && dose.amount.how.startsWith('coat')) {
    return fail(
      'amount-invalid',
      `A coat of ${material.name} lies on the skin: say how much goes into the ${dose.into}.`,
      {
        materialId: material.id,
        field: 'amount',
      },
    );
  }
  const drawable = drawableMaterial(material, part);
  const resolved = resolveAmount(dose.amount, workedLeaves(step), drawable, settings, {});
  if (!resolved.ok) return resolved;
  const taken = takeFromShelf(dose, material, resolved.value, opened, persons);
  return ok([{ stepId: step.id, doseId: dose.id, ...taken }]);
}

function isInKit(material: Material, part: KitPartId): boolean {
  return material.kind === 'kit' && material.parts.some(({ id }) => id === part);
}

/** What a dose of a mix takes from the shelf: its share of what went into the bowl. */
function drawOfBowl(
  dose: Dose,
  step: Step,
  from: ReturnType<Bowls['get']>,
  opened: Opened,
  shelf: ShelfIndex,
): Outcome<readonly Draw[]> {
  if (!from?.ok) return from ?? ok([]);
  const { mixId, needed, share, made, isFirst } = from.value;
  return ok(
    made.draws.map((whole): Draw => {
      const { materialId, part, amount, leftOver } = shareOfDraw(whole, share);
      const kit = part === undefined ? undefined : shelf.materials.get(materialId);
      /* What is left in a pack that was opened for the bowl is there for a later step that asks for it. */
      if (isFirst && whole.leftOver.high > 0)
        opened.packs.set(
          materialId,
          addTriples(opened.packs.get(materialId) ?? ZERO, whole.leftOver),
        );
      /* The bowl is filled once: the box is opened for the first that takes of it. */
      const boxes =
        part !== undefined && kit?.kind === 'kit' && isFirst
          ? takenOfKit(kit, part, whole.amount, opened)
          : ZERO;
      return {
        stepId: step.id,
        doseId: dose.id,
        materialId,
        ...(part !== undefined && { part }),
        mix: { mixId, needed, made },
        resolved: { drawn: minus(amount, leftOver) },
        consumed: part === undefined ? amount : boxes,
        leftOver,
      };
    }),
  );
}

function minus(all: Triple, part: Triple): Triple {
  return {
    low: all.low - part.low,
    usual: all.usual - part.usual,
    high: all.high - part.high,
  };
}

/** Towels, sponges or tissues with which a step takes something off. */
function removalDraw(step: Step, shelf: ShelfIndex, opened: Opened): Outcome<Draw> | undefined {
  const taking = step.removal?.taking;
  if (!taking) return undefined;
  const material = shelf.materials.get(taking.materialId);
  if (!material) {
    return fail(
      'material-unknown',
      `“${step.name}” takes off with something that is not on the shelf.`,
      { field: 'removal' },
    );
  }
  if (material.unit !== 'piece') {
    return fail(
      'removal-not-by-piece',
      `“${step.name}” takes off with pieces, but ${material.name} is kept in ${material.unit}.`,
      { field: 'removal' },
    );
  }
  const drawn = exactly(taking.pieces);
  return ok({
    stepId: step.id,
    doseId: asId(`${step.id}.removal`),
    for: 'removal',
    materialId: material.id,
    resolved: { drawn },
    consumed: taking.again ? newOf(drawn, material.id, opened) : drawn,
    leftOver: ZERO,
  });
}

/** Counts what is there from now on. */
function isThere({ materialId, consumed }: Draw, { pieces }: Opened): void {
  pieces.set(materialId, addTriples(pieces.get(materialId) ?? ZERO, consumed));
}

/** Of pieces that are used again, those that were not there. @see D7 */
function newOf(drawn: Triple, id: MaterialId, { pieces }: Opened): Triple {
  const there = pieces.get(id) ?? ZERO;
  return {
    low: Math.max(0, drawn.low - there.low),
    usual: Math.max(0, drawn.usual - there.usual),
    high: Math.max(0, drawn.high - there.high),
  };
}

/** The gloves that each person wears last, so that a pair is counted when it is put on. */
type Worn = Map<Step['by'], Step['gloves']>;

function glovesDraw(step: Step, shelf: ShelfIndex, worn: Worn): Outcome<Draw> | undefined {
  /* Who waits between gloved steps keeps them on. */
  if (step.gloves === undefined && step.hands !== 'hands-on') return undefined;
  const before = worn.get(step.by);
  worn.set(step.by, step.gloves);
  if (step.gloves === undefined || step.gloves === before) return undefined;
  const id = shelf.gloves[step.gloves];
  const material = id === undefined ? undefined : shelf.materials.get(id);
  if (material?.kind !== 'consumable' || !material.gloves) {
    return fail(
      'gloves-missing',
      `“${step.name}” is done in ${step.gloves} gloves: say on the shelf which material those are.`,
      { field: 'gloves' },
    );
  }
  const drawn = exactly(material.gloves.perPair);
  return ok({
    stepId: step.id,
    doseId: asId(`${step.id}.gloves`),
    for: 'gloves',
    materialId: material.id,
    resolved: { drawn },
    consumed: drawn,
    leftOver: ZERO,
  });
}

function takeFromShelf(
  dose: Dose,
  material: Material,
  resolved: ResolvedAmount,
  opened: Opened,
  persons: number,
): Omit<Draw, 'stepId' | 'doseId'> {
  const materialId = material.id;
  if (dose.again && material.unit === 'piece') {
    const consumed = newOf(resolved.drawn, materialId, opened);
    return { materialId, resolved, consumed, leftOver: ZERO };
  }
  if (material.kind === 'consumable' && material.countedPer === 'person') {
    const consumed = scaleTriple(resolved.drawn, persons);
    return { materialId, resolved, consumed, persons, leftOver: ZERO };
  }
  const part = partOf(dose);
  if (material.kind === 'kit' && part !== undefined) {
    const consumed = takenOfKit(material, part, resolved.drawn, opened);
    return { materialId, part, resolved, consumed, leftOver: ZERO };
  }
  if (material.kind !== 'single-dose') {
    return { materialId, resolved, consumed: resolved.drawn, leftOver: ZERO };
  }
  const before = opened.packs.get(materialId) ?? ZERO;
  const usesLeftOver = dose.opening === 'left-over-first';
  const available = usesLeftOver ? before : ZERO;
  const { consumed, leftOver } = openPacks(
    resolved.drawn,
    preferredPack(material).content,
    available,
  );
  opened.packs.set(materialId, usesLeftOver ? leftOver : addTriples(before, leftOver));
  return { materialId, resolved, consumed, leftOver };
}
