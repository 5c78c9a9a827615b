import type { Block, Choice, Dose, LayerGroup, Line, Step, Writing } from '../house/protocol';
import { isStep, standingIn } from '../house/protocol';
import { asId, type BlockId, type StepId } from '../house/ids';
import { withOptions } from './conditional';
import { failWith, ok, type Outcome, type Problem, type Where } from '../problem/problem';

/** Steps with every block written out. */
export interface WrittenOut extends Writing {
  readonly steps: readonly Step[];
}

export type Blocks = ReadonlyMap<BlockId, Block>;

/** Stands between the id of a block's line and those of the steps in it. */
const WITHIN = '.';

/**
 * Writes the blocks of a protocol out as steps. Their steps, layers and choices take ids that begin
 * with that of the line they stand for, so that a block may be used twice; what stands on that line
 * (an option, layers) holds for each of them.
 * @returns problems for a block that is no longer there, or that contains itself, at the line
 */
export function expandBlocks(writing: Writing, blocks: Blocks, where: Where): Outcome<WrittenOut> {
  if (writing.steps.every(isStep)) return ok(writing as WrittenOut);
  const problems: Problem[] = [];
  const written = writeOut(writing, blocks, [], problems, where);
  return problems.length > 0 ? failWith(problems) : ok(written);
}

/** How many steps a protocol or block has, those of its blocks among them. */
export function stepCount(writing: Writing, blocks: Blocks): number {
  return writeOut(writing, blocks, [], [], {}).steps.length;
}

/** The line of the protocol from which a step comes: itself, or the block it stands in. */
export function lineOfStep(id: StepId): StepId {
  const at = id.indexOf(WITHIN);
  return at === -1 ? id : asId(id.slice(0, at));
}

function writeOut(
  writing: Writing,
  blocks: Blocks,
  within: readonly BlockId[],
  problems: Problem[],
  where: Where,
): WrittenOut {
  const steps: Step[] = [];
  const layerGroups: LayerGroup[] = [...writing.layerGroups];
  const choices: Choice[] = [...writing.choices];
  for (const line of writing.steps) {
    if (isStep(line)) {
      steps.push(line);
      continue;
    }
    const at: Where = { ...where, stepId: line.id };
    const block = blocks.get(line.blockId);
    if (!block) {
      problems.push({
        code: 'block-unknown',
        message: `“${line.name}” stands for a block that is no longer in the house.`,
        where: at,
      });
      continue;
    }
    if (within.includes(block.id)) {
      const loop = [...within.slice(within.indexOf(block.id)), block.id].map(
        (id) => blocks.get(id)?.name ?? id,
      );
      problems.push({
        code: 'block-cyclic',
        message: `A block cannot contain itself: ${loop.join(' → ')}.`,
        where: at,
      });
      continue;
    }
    const inner = writeOut(block, blocks, [...within, block.id], problems, at);
    const renamed = prefixed(inner, line);
    steps.push(...renamed.steps);
    layerGroups.push(...renamed.layerGroups);
    choices.push(...renamed.choices);
  }
  return { steps, layerGroups, choices };
}

function prefixed(inner: WrittenOut, line: Line): WrittenOut {
  const own = <I extends string>(id: I): I => `${line.id}${WITHIN}${id}` as I;
  const dose = (each: Dose): Dose => ({ ...each, id: own(each.id) });
  const { steps, layerGroups, choices } = withOptions(inner, ({ choiceId, optionId }) => ({
    choiceId: own(choiceId),
    optionId,
  }));
  return {
    steps: steps.map((step) =>
      standingIn<Step>(
        {
          ...step,
          id: own(step.id),
          doses: step.doses.map(dose),
          ...(step.meanwhileOf !== undefined && { meanwhileOf: own(step.meanwhileOf) }),
          ...(step.layerGroupId !== undefined && { layerGroupId: own(step.layerGroupId) }),
        },
        line,
      ),
    ),
    layerGroups: layerGroups.map((group) => ({ ...group, id: own(group.id) })),
    choices: choices.map((choice) => ({ ...choice, id: own(choice.id) })),
  };
}

/** The protocols and blocks in which a block stands, also through other blocks. */
export function usersOfBlock<W extends Writing & { readonly id: string; readonly name: string }>(
  id: BlockId,
  writings: readonly W[],
  blocks: Blocks,
): readonly W[] {
  const holds = (writing: Writing, seen: ReadonlySet<string>): boolean =>
    writing.steps.some((line) => {
      if (isStep(line)) return false;
      if (line.blockId === id) return true;
      const inner = blocks.get(line.blockId);
      return (
        inner !== undefined && !seen.has(inner.id) && holds(inner, new Set([...seen, inner.id]))
      );
    });
  return writings.filter((writing) => writing.id !== id && holds(writing, new Set()));
}
