import type { TaxTerms } from '../cost/purchaseTax';
import type { PackInUse } from '../cost/packAdvice';
import type { BoughtMaterial } from '../house/house';
import { daysOf, heldPack, openLifeOf } from '../house/packs';
import type { MaterialDemand } from '../draws/demandRate';
import { explainUnitCost } from './explainUnitCost';
import { figure, worked, type Origin, type Working, type WorkingInput } from './working';

/**
 * The working of what a unit of one pack costs in use.
 * @see C1 C2
 */
export function explainPackInUse(
  material: BoughtMaterial,
  inUse: PackInUse,
  demand: Pick<MaterialDemand, 'usesPerDay' | 'perDay'>,
  terms: TaxTerms,
): Working {
  const from: Origin = { place: 'shelf', materialId: material.id };
  const asPreferred = {
    ...material,
    packs: [{ ...inUse.pack, discount: inUse.discount }],
    preferredPackId: inUse.pack.id,
  };
  const life = openLifeOf(material);
  const held = heldPack(material, inUse.pack);
  const open: WorkingInput[] =
    life && inUse.room !== undefined && inUse.expectedUses !== undefined
      ? [
          {
            label: 'Uses that fit into a container',
            value: figure(inUse.room, 'uses'),
            working: {
              title: 'Uses that fit into a container',
              codes: ['C2'],
              words: 'What can be got out of a container ÷ what a use takes, in whole uses.',
              inputs: [
                {
                  label: 'Usable in a container',
                  value: figure(held.content * (1 - held.residual), material.unit),
                  from,
                },
                {
                  label: 'One use takes',
                  value: figure(demand.perDay / demand.usesPerDay, material.unit),
                },
              ],
              result: figure(inUse.room, 'uses'),
            },
          },
          {
            label: 'Expected uses while it is open',
            value: figure(inUse.expectedUses, 'uses'),
            working: {
              title: 'Expected uses while it is open',
              codes: ['C2'],
              words: 'Uses a day × days that an open container is good.',
              inputs: [
                { label: 'Uses a day', value: figure(demand.usesPerDay, 'uses/day') },
                { label: 'Good once opened', value: figure(daysOf(life), 'days'), from },
              ],
              result: figure(inUse.expectedUses, 'uses'),
            },
          },
        ]
      : [];
  return {
    title: `One ${material.unit} of ${material.name} in use`,
    codes: ['C2'],
    words:
      open.length === 0
        ? 'Landed cost: nothing of it is over before it is used.'
        : 'Landed cost ÷ the share of a container that is used before its open life is over. The uses while it is open are Poisson, and at least the one it was opened for.',
    inputs: [
      worked(explainUnitCost(asPreferred, inUse.perUnit, terms), 'Landed cost'),
      ...open,
      { label: 'Used share', value: figure(inUse.usedShare, 'share') },
    ],
    result: figure(inUse.inUse, `money/${material.unit}`),
  };
}
