import type { Dose, Material, Step, VisitKind, WorkedProtocol } from '../house/house';
import { asId, type DoseId, type MaterialId, type MixId, type StepId } from '../house/ids';
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
import { makeMix } from '../mix/makeMix';
import { arrange, STRETCHES, type Arrangement, type Half } from '../protocol/arrange';
import { addTriples, exactly, scaleTriple, ZERO, type Triple } from '../quantity/triple';
import { workedZones } from '../zone/workedZones';
import { openPacks } from '../dose/openPacks';
import {
  drawableMaterial,
  drawableMix,
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
  /** the mix through which the material is drawn, and its batches */
  readonly mix?: {
    readonly mixId: MixId;
    readonly needed: Triple;
    readonly scale: Triple;
    /** share that stays in the bowl, or is more than is needed because a part comes in whole packs */
    readonly wasted: number;
  };
  readonly resolved: ResolvedAmount;
  /** gone from the shelf: whole packs for single doses; in the material's unit */
  readonly consumed: Triple;
  /** everybody in the room, where the material counts once for each (D5) */
  readonly persons?: number;
  /** of opened single doses, after this dose */
  readonly leftOver: Triple;
}

/**
 * Everything one visit takes from the shelf, dose by dose in the order of work, layers repeated.
 * @returns each draw in its material's unit; every problem of every dose, placed at its step
 * Gloves are counted by the pair as they are put on.
 * @see D1 D2 D3 D4 D5 M2
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
  const opened = new Map<MaterialId, Triple>();
  const faulty = new Set<DoseId>();
  const persons = personsPresent(protocol);

  const worn: Worn = new Map();
  for (const { step, layer, half } of stepsInOrder(arrangement.value)) {
    const turn = layer === undefined ? {} : half === undefined ? { layer } : { layer, half };
    for (const besides of [removalDraw(step, shelf), glovesDraw(step, shelf, worn)]) {
      if (besides?.ok) draws.push({ ...besides.value, ...turn });
      else if (besides)
        problems.push(...placed(besides, { protocolId: protocol.id, stepId: step.id }));
    }
    for (const dose of step.doses) {
      if (faulty.has(dose.id)) continue;
      const where: Where = { protocolId: protocol.id, stepId: step.id, doseId: dose.id };
      const drawn = rememberedDose(dose, step, shelf, settings, opened, persons);
      if (drawn.ok) {
        for (const draw of drawn.value) {
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

function* stepsInOrder(arrangement: Arrangement): Generator<{
  readonly step: Step;
  readonly layer?: number;
  readonly half?: Half;
}> {
  for (const stretch of STRETCHES) {
    for (const occurrence of arrangement[stretch]) {
      if (occurrence.kind !== 'step') continue;
      const { step, meanwhile, layer, half } = occurrence;
      yield { step, layer, half };
      for (const beside of meanwhile) yield { step: beside, layer, half };
    }
  }
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
  opened: Map<MaterialId, Triple>,
  persons: number,
): Outcome<readonly Draw[]> {
  const { source } = dose;
  const material = source.kind === 'material' ? shelf.materials.get(source.materialId) : undefined;
  if (material?.kind === 'single-dose') {
    return drawDose(dose, step, shelf, settings, opened, persons);
  }
  const of = material ?? shelf.mixes;
  const through = source.kind === 'mix' ? shelf.materials : undefined;
  const from = [of, through, settings, persons, step.id, step.name, step.zones, step.never];
  const known = remembered.get(dose);
  if (known?.from.every((each, at) => each === from[at])) return known.drawn;
  const drawn = drawDose(dose, step, shelf, settings, opened, persons);
  remembered.set(dose, { from, drawn });
  return drawn;
}

function drawDose(
  dose: Dose,
  step: Step,
  shelf: ShelfIndex,
  settings: DoseSettings,
  opened: Map<MaterialId, Triple>,
  persons: number,
): Outcome<readonly Draw[]> {
  const at = { stepId: step.id, doseId: dose.id };
  switch (dose.source.kind) {
    case 'material': {
      const material = shelf.materials.get(dose.source.materialId);
      if (!material) {
        return fail(
          'material-unknown',
          `“${step.name}” uses a material that is not on the shelf.`,
          {
            field: 'source',
          },
        );
      }
      const drawable = drawableMaterial(material);
      const resolved = resolveAmount(dose.amount, workedZones(step), drawable, settings, {});
      if (!resolved.ok) return resolved;
      return ok([{ ...at, ...takeFromShelf(dose, material, resolved.value, opened, persons) }]);
    }
    case 'mix': {
      const { mixId } = dose.source;
      const mix = shelf.mixes.get(mixId);
      if (!mix) {
        return fail('mix-unknown', `“${step.name}” uses a mix that is no longer in the house.`, {
          field: 'source',
        });
      }
      const resolved = resolveAmount(
        dose.amount,
        workedZones(step),
        drawableMix(mix),
        settings,
        {},
      );
      if (!resolved.ok) return resolved;
      const needed = resolved.value.drawn;
      const made = makeMix(mixId, needed, shelf, settings);
      if (!made.ok) return made;
      const { scale, batchYield } = made.value;
      const mixed = (scale.usual * batchYield) / (1 - (shelf.mixes.get(mixId)?.bowlLoss ?? 0));
      const wasted = mixed > 0 ? Math.max(0, 1 - needed.usual / mixed) : 0;
      return ok(
        made.value.draws.map((draw) => ({
          ...at,
          materialId: draw.materialId,
          mix: { mixId, needed, scale, wasted },
          resolved: { drawn: draw.amount },
          consumed: draw.amount,
          leftOver: ZERO,
        })),
      );
    }
  }
}

/** Towels, sponges or tissues with which a step takes something off. */
function removalDraw(step: Step, shelf: ShelfIndex): Outcome<Draw> | undefined {
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
    consumed: drawn,
    leftOver: ZERO,
  });
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
  opened: Map<MaterialId, Triple>,
  persons: number,
): Omit<Draw, 'stepId' | 'doseId'> {
  const materialId = material.id;
  if (material.kind === 'consumable' && material.countedPer === 'person') {
    const consumed = scaleTriple(resolved.drawn, persons);
    return { materialId, resolved, consumed, persons, leftOver: ZERO };
  }
  if (material.kind !== 'single-dose') {
    return { materialId, resolved, consumed: resolved.drawn, leftOver: ZERO };
  }
  const before = opened.get(materialId) ?? ZERO;
  const usesLeftOver = dose.opening === 'left-over-first';
  const available = usesLeftOver ? before : ZERO;
  const { consumed, leftOver } = openPacks(
    resolved.drawn,
    preferredPack(material).content,
    available,
  );
  opened.set(materialId, usesLeftOver ? leftOver : addTriples(before, leftOver));
  return { materialId, resolved, consumed, leftOver };
}
