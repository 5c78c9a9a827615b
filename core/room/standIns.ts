import type { House, Material, Step } from '../house/house';
import type { MaterialId } from '../house/ids';
import { isStep } from '../house/protocol';
import { onHandOf } from '../house/stock';

/** So many are named at the most. */
const MOST = 3;

/**
 * What is on the shelf and could stand in for a material that is not: of the same kind and unit, used elsewhere in the
 * house for the same work, what is used so most often in front. It is no more than a hint: makers' instructions and the
 * therapist decide.
 * @param id of the material that is missing
 */
export function standInsFor(
  {
    materials,
    protocols,
    blocks,
    stock,
  }: Pick<House, 'materials' | 'protocols' | 'blocks' | 'stock'>,
  id: MaterialId,
): Material[] {
  const missing = materials.find((each) => each.id === id);
  if (!missing) return [];
  const steps = [...protocols, ...blocks].flatMap(({ steps: lines }) => lines.filter(isStep));
  const takes = (step: Step, material: MaterialId): boolean =>
    step.doses.some(({ source }) => source.kind === 'material' && source.materialId === material);
  const works = new Set(
    steps.filter((step) => takes(step, id)).flatMap(({ action, phase }) => action ?? phase ?? []),
  );
  const isThere = new Set(stock.flatMap((each) => (onHandOf(each) > 0 ? [each.materialId] : [])));
  const uses = (material: Material): number =>
    steps.filter((step) => {
      const work = step.action ?? step.phase;
      return work !== undefined && works.has(work) && takes(step, material.id);
    }).length;
  return materials
    .filter(
      (each) =>
        each.id !== id &&
        each.kind === missing.kind &&
        each.unit === missing.unit &&
        each.archivedOn === undefined &&
        isThere.has(each.id) &&
        uses(each) > 0,
    )
    .toSorted((a, b) => uses(b) - uses(a))
    .slice(0, MOST);
}
