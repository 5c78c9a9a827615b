import type { LayerGroup, Line, Step, Writing } from '../house/house';
import type { StepId } from '../house/ids';
import { STRETCHES } from './arrange';

/** A step of its own with what is done beside it: what moves as one. */
interface Together {
  readonly step: Line;
  readonly beside: readonly Line[];
}

/** Takes a step out; what was done beside it becomes a step of its own in its place. */
export function removeStep<W extends Writing>(protocol: W, id: StepId): W {
  return withTogether(
    protocol,
    togetherIn(protocol).flatMap(({ step, beside }) =>
      step.id === id
        ? beside.map((one) => ({ step: { ...one, meanwhileOf: undefined }, beside: [] }))
        : [{ step, beside: beside.filter((one) => one.id !== id) }],
    ),
  );
}

/** Changes some keys of a step. */
export function changeStep<W extends Writing>(protocol: W, id: StepId, changes: Partial<Step>): W {
  return {
    ...protocol,
    steps: protocol.steps.map((step) => (step.id === id ? { ...step, ...changes } : step)),
  };
}

/**
 * Moves a step one place up or down. At the edge of a stretch or of layers it first goes over the
 * edge; a meanwhile step stays beside its step.
 */
export function nudgeStep<W extends Writing>(protocol: W, id: StepId, direction: 'up' | 'down'): W {
  const by = direction === 'up' ? -1 : 1;
  const blocks = togetherIn(protocol);
  const at = blocks.findIndex((block) => block.step.id === id);
  const block = blocks[at];
  if (!block) {
    return withTogether(
      protocol,
      blocks.map((each) => ({
        ...each,
        beside: swapped(
          each.beside,
          each.beside.findIndex((one) => one.id === id),
          by,
        ),
      })),
    );
  }
  const neighbour = blocks[at + by];
  if (neighbour?.step.stretch !== block.step.stretch) {
    const stretch = STRETCHES[STRETCHES.indexOf(block.step.stretch) + by];
    if (!stretch) return protocol;
    const moved = { ...block.step, stretch, layerGroupId: undefined };
    return withTogether(protocol, blocks.with(at, { ...block, step: moved }));
  }
  if (neighbour.step.layerGroupId !== block.step.layerGroupId) {
    const layerGroupId =
      block.step.layerGroupId === undefined ? neighbour.step.layerGroupId : undefined;
    return withTogether(
      protocol,
      blocks.with(at, { ...block, step: { ...block.step, layerGroupId } }),
    );
  }
  return withTogether(protocol, swapped(blocks, at, by));
}

/**
 * Moves a step to the place of another, taking on its stretch and layers; a meanwhile step goes
 * beside that step.
 */
export function moveStepTo<W extends Writing>(protocol: W, id: StepId, overId: StepId): W {
  const moving = protocol.steps.find((step) => step.id === id);
  const over = protocol.steps.find((step) => step.id === overId);
  if (!moving || !over || id === overId || over.meanwhileOf === id) return protocol;
  const host = over.meanwhileOf ?? over.id;
  if (moving.meanwhileOf !== undefined) {
    const order = protocol.steps.findIndex((step) => step.id === overId);
    const down = protocol.steps.findIndex((step) => step.id === id) < order;
    const rest = protocol.steps.filter((step) => step.id !== id);
    const to =
      rest.findIndex((step) => step.id === overId) +
      (down || over.meanwhileOf === undefined ? 1 : 0);
    return ordered({ ...protocol, steps: rest.toSpliced(to, 0, { ...moving, meanwhileOf: host }) });
  }
  const blocks = togetherIn(protocol);
  const from = blocks.findIndex((block) => block.step.id === id);
  const to = blocks.findIndex((block) => block.step.id === host);
  const block = blocks[from];
  const target = blocks[to];
  if (!block || !target) return protocol;
  const { stretch, layerGroupId } = target.step;
  const moved = { ...block, step: { ...block.step, stretch, layerGroupId } };
  return withTogether(protocol, blocks.toSpliced(from, 1).toSpliced(to, 0, moved));
}

/** Puts a step beside another, with all that was beside it; or makes it a step of its own. */
export function putBeside<W extends Writing>(
  protocol: W,
  id: StepId,
  hostId: StepId | undefined,
): W {
  if (hostId === id) return protocol;
  const steps = protocol.steps.map((step) => {
    if (step.id === id) return { ...step, meanwhileOf: hostId };
    return hostId !== undefined && step.meanwhileOf === id
      ? { ...step, meanwhileOf: hostId }
      : step;
  });
  return ordered({ ...protocol, steps });
}

/** Puts a step into layers, next to their other steps, or takes it out of them. */
export function putInLayers<W extends Writing>(
  protocol: W,
  id: StepId,
  layerGroupId: LayerGroup['id'] | undefined,
): W {
  const changed = changeStep(protocol, id, { layerGroupId });
  const blocks = togetherIn(changed);
  const block = blocks.find((each) => each.step.id === id);
  const rest = blocks.filter((each) => each !== block);
  const last = rest.findLastIndex((each) => each.step.layerGroupId === layerGroupId);
  if (!block || layerGroupId === undefined || last === -1) return withTogether(changed, blocks);
  const stretch = rest[last]?.step.stretch ?? block.step.stretch;
  return withTogether(
    changed,
    rest.toSpliced(last + 1, 0, { ...block, step: { ...block.step, stretch } }),
  );
}

/** The steps in the order in which they are worked: stretch by stretch, each followed by what is done beside it. */
export function ordered<W extends Writing>(protocol: W): W {
  return withTogether(protocol, togetherIn(protocol));
}

function togetherIn({ steps }: Writing): Together[] {
  const outer = new Set(
    steps.filter((step) => step.meanwhileOf === undefined).map((step) => step.id),
  );
  return steps
    .filter((step) => step.meanwhileOf === undefined || !outer.has(step.meanwhileOf))
    .map((step) => ({ step, beside: steps.filter((one) => one.meanwhileOf === step.id) }));
}

function withTogether<W extends Writing>(protocol: W, blocks: readonly Together[]): W {
  const steps = STRETCHES.flatMap((stretch) =>
    blocks
      .filter((block) => block.step.stretch === stretch)
      .flatMap(({ step, beside }) => [
        step,
        ...beside.map((one) => ({ ...one, stretch, layerGroupId: step.layerGroupId })),
      ]),
  );
  return { ...protocol, steps };
}

function swapped<T>(items: readonly T[], at: number, by: -1 | 1): readonly T[] {
  const one = items[at];
  const other = items[at + by];
  return one === undefined || other === undefined
    ? items
    : items.with(at, other).with(at + by, one);
}
