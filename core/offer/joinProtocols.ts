import type { LayerGroup, Step, VisitKind, WorkedProtocol } from '../house/house';
import { asId, type ProtocolId } from '../house/ids';
import { actionFacts, type Phase } from '../house/actions';

/** One service of a visit that holds several, as it is worked. */
export interface JoinedPart {
  readonly protocol: WorkedProtocol;
  readonly visitKind: VisitKind;
}

/** A step that falls away because an earlier or a later service has done it. */
export interface LeftOut {
  /** which of the services */
  readonly part: number;
  readonly step: Step;
}

export interface JoinedProtocol {
  readonly protocol: WorkedProtocol;
  readonly leftOut: readonly LeftOut[];
}

/**
 * Protocols one after the other in one visit: the room is set up once and reset once, and of the phases
 * that are done once the later ones leave out their steps. A later set-up keeps what it draws or mixes;
 * of the resets the longest is done. Layers stay as each service has them.
 * @param once phases that only the first service has
 * @see T1 P8
 */
export function joinProtocols(
  parts: readonly JoinedPart[],
  once: readonly Phase[],
  name: string,
): JoinedProtocol {
  const leftOut: LeftOut[] = [];
  const reset = partWithLongestReset(parts);
  const steps: Step[] = [];
  const layerGroups: LayerGroup[] = [];
  const inOrder = { 'set-up': [] as Step[], visit: [] as Step[], reset: [] as Step[] };
  for (const [part, { protocol, visitKind }] of parts.entries()) {
    const within = <I extends string>(id: I): I => `${part}.${id}` as I;
    const kept = protocol.steps.filter((step) => {
      const stays = staysIn(step, part, reset, once);
      if (!stays) leftOut.push({ part, step });
      return stays;
    });
    const ids = new Set(kept.map(({ id }) => id));
    for (const step of kept) {
      const { meanwhileOf, layerGroupId, option: _option, optional: _optional, ...rest } = step;
      inOrder[step.stretch].push({
        ...rest,
        id: within(step.id),
        doses: step.doses.map(({ option: _of, ...dose }) => ({ ...dose, id: within(dose.id) })),
        ...(layerGroupId !== undefined && { layerGroupId: within(layerGroupId) }),
        /* What lay beside a step that falls away is done by itself. */
        ...(meanwhileOf !== undefined &&
          ids.has(meanwhileOf) && { meanwhileOf: within(meanwhileOf) }),
      });
    }
    for (const group of protocol.layerGroups) {
      const layers = group.layers[visitKind];
      layerGroups.push({
        ...group,
        id: within(group.id),
        layers: { first: layers, returning: layers },
      });
    }
  }
  steps.push(...inOrder['set-up'], ...inOrder.visit, ...inOrder.reset);
  const protocol: WorkedProtocol = {
    id: asId<ProtocolId>(parts.map((part) => part.protocol.id).join('.')),
    name,
    summary: '',
    steps,
    layerGroups,
    choices: [],
  };
  return { protocol, leftOut };
}

function staysIn(step: Step, part: number, reset: number, once: readonly Phase[]): boolean {
  if (step.stretch === 'reset') return part === reset;
  if (part === 0) return true;
  if (step.stretch === 'set-up') return step.doses.length > 0 || (step.makes ?? []).length > 0;
  const phase = step.phase ?? (step.action && actionFacts(step.action).phase);
  return phase === undefined || !once.includes(phase);
}

function partWithLongestReset(parts: readonly JoinedPart[]): number {
  const minutes = parts.map(({ protocol }) =>
    protocol.steps
      .filter(({ stretch }) => stretch === 'reset')
      .reduce((sum, step) => sum + step.minutes.usual, 0),
  );
  return minutes.indexOf(Math.max(...minutes));
}
