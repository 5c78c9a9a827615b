import { explainDraw } from './explainDraw';
import type { Draw } from '../draws/draw';
import type { House, Material, WorkedProtocol } from '../house/house';
import { figure, worked, type Working, type WorkingInput } from './working';

/**
 * The working of what one visit takes of a material: its doses in the order of work, layer by layer.
 * @param draws every draw of the visit
 * @see D3 D4
 */
export function explainConsumption(
  material: Material,
  draws: readonly Draw[],
  protocol: WorkedProtocol,
  house: House,
): Working {
  const ofMaterial = draws.filter((draw) => draw.materialId === material.id);
  return {
    title: `${material.name} in a visit`,
    codes: ['D3', 'D4'],
    words: 'What each dose takes, added up; layers take their doses again.',
    inputs: ofMaterial.flatMap((draw): WorkingInput[] => {
      const step = protocol.steps.find((candidate) => candidate.id === draw.stepId);
      if (!step) return [];
      const layer = draw.layer === undefined ? '' : `, layer ${draw.layer}`;
      return [worked(explainDraw(draw, material, step, protocol, house), `${step.name}${layer}`)];
    }),
    result: figure(
      ofMaterial.reduce((sum, draw) => sum + draw.consumed.usual, 0),
      material.unit,
    ),
  };
}
