import { nanoid } from '@reduxjs/toolkit';
import type { Dose, KitPart, LayerGroup, Material, Mix, Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { NewIds } from '@bienestar/core/stepLine/applyLine';
import { exactly } from '@bienestar/core/quantity/triple';

/** Ids for what a line adds. */
export const NEW_IDS: NewIds = {
  step: () => asId(nanoid(12)),
  dose: () => asId(nanoid(12)),
  other: () => nanoid(12),
};

/** A step to be written. */
export function newStep(): Step {
  return {
    id: asId(nanoid(12)),
    stretch: 'visit',
    name: 'New step',
    by: 'therapist',
    hands: 'hands-on',
    minutes: { least: 3, usual: 3, most: 3 },
    zones: [],
    doses: [],
  };
}

/** A dose of a material in the way it is most likely said. */
export function newDose(material: Material): Dose {
  const quantity = exactly(1);
  const amount: Dose['amount'] =
    material.kind === 'single-dose'
      ? { how: 'packs', quantity }
      : material.measures.mlPerPump
        ? { how: 'counted', quantity, measure: 'pump' }
        : { how: 'measured', quantity, unit: material.unit };
  return {
    id: asId(nanoid(12)),
    source: { kind: 'material', materialId: material.id },
    amount,
    opening: 'fresh',
  };
}

/** A dose of one of the things in the box of a kit: all of it. */
export function newPartDose(kit: Material, part: KitPart): Dose {
  return {
    id: asId(nanoid(12)),
    source: { kind: 'material', materialId: kit.id, part: part.id },
    amount: { how: 'packs', quantity: exactly(1) },
    opening: 'fresh',
  };
}

/** A dose of a mix. */
export function newMixDose(mix: Mix): Dose {
  return {
    id: asId(nanoid(12)),
    source: { kind: 'mix', mixId: mix.id },
    amount: { how: 'measured', quantity: exactly(1), unit: mix.basis },
    opening: 'fresh',
  };
}

/** Layers to put steps into. */
export function newLayers(): LayerGroup {
  return {
    id: asId(nanoid(12)),
    name: 'Layers',
    layers: { first: 1, returning: 2 },
    between: { wait: { least: 1, usual: 1, most: 2 } },
    asks: [
      {
        id: asId(nanoid(12)),
        ask: 'How does it feel, from 0 to 10?',
        answer: { kind: 'score' },
        reactions: [
          { from: 4, response: 'lightly' },
          { from: 7, response: 'off' },
        ],
      },
    ],
  };
}
