import type { LayerGroup, Minutes, TestSpot, Writing } from '../house/house';
import type { Question, SaidQuestion } from '../house/question';
import { asId, type StepId } from '../house/ids';
import { putInLayers } from './editSteps';

/** In how many layers a step is done, and in which of the layers of its protocol. */
export interface LayersSaid {
  /** on a first visit */
  readonly first: number;
  /** on later visits */
  readonly returning: number;
  /** of the layers; those in which the step or its neighbour stands unless given */
  readonly name?: string;
  /** between two of them; this and what follows as it was unless given */
  readonly wait?: Minutes;
  /** one half of the face after the other */
  readonly halves?: true;
  readonly testSpot?: TestSpot;
  /** after each of them */
  readonly asks?: readonly SaidQuestion[];
}

/** The layers in which a step is done, as a line says them; what lies beside another step is in that one's. */
export function layersSaidOf({ steps, layerGroups }: Writing, id: StepId): LayersSaid | undefined {
  const step = steps.find((each) => each.id === id);
  const group = layerGroups.find((each) => each.id === step?.layerGroupId);
  if (!group || step?.meanwhileOf !== undefined) return undefined;
  const asks = group.asks?.map(({ id: _id, ...question }) => question);
  const { between, halves, testSpot } = group;
  return {
    ...group.layers,
    name: group.name,
    ...(between && { wait: between.wait }),
    ...(halves && { halves }),
    ...(testSpot && { testSpot }),
    ...(asks && { asks }),
  };
}

/**
 * A protocol in which a step is done in the layers that were said: those of that name, those in which it or the
 * step before it stands, or new ones. How many there are holds for all steps of them. Said of none, the step is
 * done once.
 * @param name of new layers that were given none
 * @param newId makes an id that nothing has yet
 */
export function inLayersSaid<W extends Writing>(
  writing: W,
  id: StepId,
  said: LayersSaid | undefined,
  name: string,
  newId: () => string,
): W {
  const own = writing.steps.filter(({ meanwhileOf }) => meanwhileOf === undefined);
  const at = own.findIndex((each) => each.id === id);
  const step = own[at];
  if (!step) return writing;
  if (!said) return step.layerGroupId === undefined ? writing : putInLayers(writing, id, undefined);
  const layers = { first: said.first, returning: said.returning };
  const named = writing.layerGroups.find((each) => each.name === said.name);
  const standing = [step, own[at - 1]].flatMap((each) => each?.layerGroupId ?? [])[0];
  const found =
    named ??
    writing.layerGroups.find(({ id: each }) => said.name === undefined && each === standing);
  const asks = said.asks && questionsSaid(said.asks, found?.asks ?? [], newId);
  const group: LayerGroup = {
    ...(found ?? { id: asId(newId()), name: said.name ?? name }),
    layers,
    ...(said.wait && { between: { wait: said.wait } }),
    ...(said.halves && { halves: said.halves }),
    ...(said.testSpot && { testSpot: said.testSpot }),
    ...(asks && { asks }),
  };
  const layerGroups = found
    ? writing.layerGroups.map((each) => (each.id === group.id ? group : each))
    : [...writing.layerGroups, group];
  const counted = { ...writing, layerGroups };
  return step.layerGroupId === group.id ? counted : putInLayers(counted, id, group.id);
}

/** Questions as they are said, each with the id of the one that it was before. */
export function questionsSaid(
  said: readonly SaidQuestion[],
  before: readonly Question[],
  newId: () => string,
): Question[] {
  const left = [...before];
  return said.map((question) => {
    const at = left.findIndex(({ ask }) => ask === question.ask);
    const [was] = at === -1 ? [] : left.splice(at, 1);
    return { id: was?.id ?? asId(newId()), ...question };
  });
}
