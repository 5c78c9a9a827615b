import type { Dose, Material, Step, VisitKind, WorkedProtocol } from '../house/house';
import type { DoseId, KitPartId } from '../house/ids';
import type { ShelfIndex } from '../house/houseIndex';
import {
  fail,
  failWith,
  ok,
  placeOutcome,
  type Outcome,
  type Problem,
  type Where,
} from '../problem/problem';
import { shareOfDraw } from '../mix/makeMix';
import { arrange } from '../protocol/arrange';
import { addTriples, ZERO, type Triple } from '../quantity/triple';
import { turnsOf } from '../time/turns';
import { workedLeaves } from '../zone/workedLeaves';
import { bowlsOf, useKey, type Bowls } from './bowls';
import { overLayers, timesOf } from '../dose/overLayers';
import { drawableMaterial, resolveAmount, type DoseSettings } from '../dose/resolveAmount';
import { glovesDraw, removalDraw, type Worn } from './besides';
import type { Draw } from './draw';
import { isThere, noneOpened, partOf, takeFromShelf, takenOfKit, type Opened } from './opened';

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
  const opened = noneOpened();
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
