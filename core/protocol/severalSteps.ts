import type { Block, Choice, LayerGroup, Line, Step, Writing } from '../house/house';
import { isStep, standingIn, type InOption } from '../house/protocol';
import { asId, type BlockId, type StepId } from '../house/ids';
import { withOptions } from './conditional';
import { choicesDeciding } from './deciding';
import { ordered, removeStep } from './editSteps';
import { expandBlocks, type Blocks } from './expandBlocks';

/** Steps taken out of a protocol to go elsewhere, with the layers and choices they hang on. */
export interface Excerpt extends Writing {
  readonly steps: readonly Line[];
}

/** Makes an id that nothing has yet. */
export type NewId = () => string;

/** The steps of these ids, with what lies beside them and the layers and choices they hang on. */
export function excerptOf(writing: Writing, ids: ReadonlySet<StepId>): Excerpt {
  const steps = writing.steps
    .filter(
      (line) => ids.has(line.id) || (line.meanwhileOf !== undefined && ids.has(line.meanwhileOf)),
    )
    .map((line) => {
      /* Without the step it lay beside, a step stands by itself. */
      const alone = line.meanwhileOf !== undefined && !ids.has(line.meanwhileOf);
      return alone ? { ...line, meanwhileOf: undefined } : line;
    });
  const groups = new Set(steps.map((line) => line.layerGroupId));
  const layerGroups = writing.layerGroups.filter((group) => groups.has(group.id));
  const { choices } = writing;
  return { steps, layerGroups, choices: choicesDeciding({ steps, layerGroups, choices }) };
}

/** An excerpt whose every id is new, so that it can go into any protocol, and there again. */
export function renewed(excerpt: Excerpt, newId: NewId): Excerpt {
  const given = new Map<string, string>();
  const anew = <I extends string>(id: I): I => {
    const known = given.get(id) ?? newId();
    given.set(id, known);
    return known as I;
  };
  const option = ({ choiceId, optionId }: InOption): InOption => ({
    choiceId: anew(choiceId),
    optionId: anew(optionId),
  });
  const placed = <L extends Line>(line: L): L => ({
    ...line,
    id: anew(line.id),
    ...(line.meanwhileOf !== undefined && { meanwhileOf: anew(line.meanwhileOf) }),
    ...(line.layerGroupId !== undefined && { layerGroupId: anew(line.layerGroupId) }),
  });
  const step = (each: Step): Step => ({
    ...placed(each),
    doses: each.doses.map((dose) => ({ ...dose, id: anew(dose.id) })),
  });
  const { steps, layerGroups } = withOptions(excerpt, option);
  return {
    steps: steps.map((line) => (isStep(line) ? step(line) : placed(line))),
    layerGroups: layerGroups.map((group): LayerGroup => ({ ...group, id: anew(group.id) })),
    choices: excerpt.choices.map((choice): Choice => ({
      ...choice,
      id: anew(choice.id),
      options: choice.options.map((option) => ({ ...option, id: anew(option.id) })),
    })),
  };
}

/**
 * Puts an excerpt behind a step and what lies beside it, in that step's stretch; at the end without
 * one. Its ids must be new.
 */
export function insertExcerpt<W extends Writing>(
  writing: W,
  excerpt: Excerpt,
  afterId?: StepId,
): W {
  const after = writing.steps.find((line) => line.id === afterId);
  const host = after?.meanwhileOf ?? after?.id;
  const at =
    host === undefined
      ? writing.steps.length
      : writing.steps.findLastIndex((line) => line.id === host || line.meanwhileOf === host) + 1;
  const lines = excerpt.steps.map((line) =>
    after === undefined ? line : { ...line, stretch: after.stretch },
  );
  return ordered({
    ...writing,
    steps: writing.steps.toSpliced(at, 0, ...lines),
    layerGroups: [...writing.layerGroups, ...excerpt.layerGroups],
    choices: [...writing.choices, ...excerpt.choices],
  });
}

/** Takes several steps out. */
export function removeSteps<W extends Writing>(writing: W, ids: ReadonlySet<StepId>): W {
  return [...ids].reduce((left, id) => removeStep(left, id), writing);
}

/** Puts the steps of a block in the place of the line that stands for it. */
export function detachBlock<W extends Writing>(
  writing: W,
  lineId: StepId,
  blocks: Blocks,
  newId: NewId,
): W {
  const at = writing.steps.findIndex((line) => line.id === lineId);
  const line = writing.steps[at];
  const block = line && !isStep(line) ? blocks.get(line.blockId) : undefined;
  if (!line || !block) return writing;
  const inner = renewed(block, newId);
  return ordered({
    ...writing,
    steps: writing.steps.toSpliced(at, 1, ...inner.steps.map((each) => standingIn(each, line))),
    layerGroups: [...writing.layerGroups, ...inner.layerGroups],
    choices: [...writing.choices, ...inner.choices],
  });
}

/** A run of steps as a block, and the protocol with the block in their place. */
export function madeIntoBlock<W extends Writing>(
  writing: W,
  ids: ReadonlySet<StepId>,
  named: { readonly id: BlockId; readonly name: string; readonly lineId: StepId },
): { readonly block: Block; readonly writing: W } | undefined {
  const excerpt = excerptOf(writing, ids);
  const [first] = excerpt.steps;
  if (!first) return undefined;
  const taken = new Set(excerpt.steps.map((line) => line.id));
  const at = writing.steps.findIndex((line) => line.id === first.id);
  const line: Line = {
    id: named.lineId,
    stretch: first.stretch,
    name: named.name,
    blockId: named.id,
  };
  const steps = writing.steps
    .toSpliced(at, 0, line)
    .filter((each) => each.id === line.id || !taken.has(each.id));
  return {
    block: { id: named.id, name: named.name, summary: '', ...excerpt },
    writing: ordered({ ...writing, steps }),
  };
}

/** Whether a block may stand in another without containing itself. */
export function mayStandIn(blockId: BlockId, within: string, blocks: Blocks): boolean {
  const block = blocks.get(blockId);
  if (!block || within === blockId) return false;
  const trial = new Map(blocks);
  const host = blocks.get(asId<BlockId>(within));
  if (!host) return true;
  const line: Line = { id: asId('trial'), stretch: 'visit', name: block.name, blockId };
  trial.set(host.id, { ...host, steps: [...host.steps, line] });
  return expandBlocks(trial.get(host.id) ?? host, trial, {}).ok;
}
