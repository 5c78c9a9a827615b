import type {
  LayerGroup,
  Step,
  Stretch,
  TestSpot,
  VisitKind,
  WorkedProtocol,
} from '../house/house';
import { failWith, ok, type Outcome, type Problem } from '../problem/problem';

/** Which half of the face, where one is worked after the other. */
export type Half = 'one-half' | 'other-half';

/** A step, the wait between two layers or a test spot, as often as it really happens. */
export type Occurrence =
  | {
      readonly kind: 'step';
      readonly step: Step;
      readonly meanwhile: readonly Step[];
      /** counted from 1, in a layer group */
      readonly layer?: number;
      readonly half?: Half;
    }
  | { readonly kind: 'between'; readonly group: LayerGroup; readonly layer: number }
  | { readonly kind: 'test'; readonly group: LayerGroup; readonly spot: TestSpot };

const HALVES: readonly Half[] = ['one-half', 'other-half'];

/** What happens, in order, in each of the three stretches. */
export type Arrangement = Readonly<Record<Stretch, readonly Occurrence[]>>;

/** The stretches in the order of the work. @see T3 */
export const STRETCHES: readonly Stretch[] = ['set-up', 'visit', 'reset'];

interface Block {
  readonly step: Step;
  readonly meanwhile: Step[];
}

/**
 * A protocol as it is really worked: stretch after stretch, meanwhile steps beside their step, and
 * layer groups as often as the kind of visit asks, each half of the face for itself where they are
 * worked so.
 * @returns every occurrence; problems for no steps, a meanwhile step whose step is missing or is
 *   itself meanwhile, a layer group that is unknown, parted or has no whole number of layers above 0
 * @see D4 T3
 */
export function arrange(protocol: WorkedProtocol, visitKind: VisitKind): Outcome<Arrangement> {
  const problems: Problem[] = [];
  const where = { protocolId: protocol.id };
  if (protocol.steps.length === 0) {
    problems.push(
      protocol.isAllLeftOut
        ? {
            code: 'nothing-done',
            message: `Nothing of ${protocol.name} is done for this client. Add an option for anybody else.`,
            where,
          }
        : {
            code: 'protocol-empty',
            message: `${protocol.name} has no steps yet: add the first one.`,
            where,
          },
    );
  }
  const blocks = blocksOf(protocol, problems);
  const groups = new Map(protocol.layerGroups.map((group) => [group.id, group]));
  const done = new Set<string>();
  const arranged: Record<Stretch, Occurrence[]> = { 'set-up': [], visit: [], reset: [] };

  for (const stretch of STRETCHES) {
    const inStretch = blocks.filter((block) => block.step.stretch === stretch);
    let at = 0;
    while (at < inStretch.length) {
      const block = inStretch[at];
      if (!block) break;
      const groupId = block.step.layerGroupId;
      if (groupId === undefined) {
        arranged[stretch].push({ kind: 'step', ...block });
        at += 1;
        continue;
      }
      const members = runOf(inStretch, at, (other) => other.step.layerGroupId === groupId);
      at += members.length;
      const group = groups.get(groupId);
      const fault = layerFault(group, visitKind, done.has(groupId));
      if (!group || fault) {
        problems.push({
          code: 'layers-invalid',
          message: fault ?? `“${block.step.name}” belongs to layers that do not exist.`,
          where: { ...where, stepId: block.step.id, layerGroupId: groupId },
        });
        continue;
      }
      done.add(groupId);
      arranged[stretch].push(...layersOf(group, members, group.layers[visitKind]));
    }
  }
  return problems.length > 0 ? failWith(problems) : ok(arranged);
}

function blocksOf(protocol: WorkedProtocol, problems: Problem[]): Block[] {
  const blocks = new Map<string, Block>();
  for (const step of protocol.steps) {
    if (step.meanwhileOf === undefined) blocks.set(step.id, { step, meanwhile: [] });
  }
  for (const step of protocol.steps) {
    if (step.meanwhileOf === undefined) continue;
    const host = blocks.get(step.meanwhileOf);
    if (host) {
      host.meanwhile.push(step);
      continue;
    }
    const nested = protocol.steps.some((other) => other.id === step.meanwhileOf);
    problems.push({
      code: nested ? 'meanwhile-nested' : 'step-unknown',
      message: nested
        ? `“${step.name}” is done beside a step that is itself done meanwhile: put it beside the outer step.`
        : `“${step.name}” is done beside a step that is no longer there.`,
      where: { protocolId: protocol.id, stepId: step.id, field: 'meanwhileOf' },
    });
  }
  return [...blocks.values()];
}

function layerFault(
  group: LayerGroup | undefined,
  visitKind: VisitKind,
  seenBefore: boolean,
): string | undefined {
  if (!group) return undefined;
  const layers = group.layers[visitKind];
  if (!Number.isInteger(layers) || layers < 1) {
    return `${group.name} needs a whole number of layers, at least 1, for a ${visitKind} visit.`;
  }
  return seenBefore
    ? `The steps of ${group.name} must follow one another without another step between.`
    : undefined;
}

function layersOf(group: LayerGroup, members: readonly Block[], layers: number): Occurrence[] {
  const occurrences: Occurrence[] = [];
  if (group.testSpot) occurrences.push({ kind: 'test', group, spot: group.testSpot });
  for (let layer = 1; layer <= layers; layer += 1) {
    const isDone = (step: Step): boolean => isInLayer(step, layer, layers);
    for (const half of group.halves ? HALVES : [undefined]) {
      for (const { step, meanwhile } of members) {
        if (!isDone(step)) continue;
        const beside = meanwhile.filter(isDone);
        occurrences.push({ kind: 'step', step, meanwhile: beside, layer, half });
      }
    }
    if (layer < layers && group.between) occurrences.push({ kind: 'between', group, layer });
  }
  return occurrences;
}

function isInLayer({ inLayers }: Step, layer: number, layers: number): boolean {
  switch (inLayers) {
    case undefined:
      return true;
    case 'first':
      return layer === 1;
    case 'last':
      return layer === layers;
    case 'all-but-last':
      return layer < layers;
  }
}

function runOf<T>(items: readonly T[], from: number, belongs: (item: T) => boolean): T[] {
  const end = items.findIndex((item, at) => at >= from && !belongs(item));
  return items.slice(from, end === -1 ? items.length : end);
}
