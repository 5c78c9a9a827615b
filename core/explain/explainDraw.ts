import type { Draw } from '../draws/draw';
import type {
  Amount,
  House,
  KitMaterial,
  KitPart,
  Material,
  WorkedProtocol,
  Step,
} from '../house/house';
import { partsOf } from '../house/sources';
import { preferredPack } from '../house/packs';
import { GRAMS_PER_FINGERTIP_UNIT } from '../quantity/fingertip';
import { mlPerCount, namedAmount } from '../quantity/measures';
import { workedZones } from '../zone/workedZones';
import { zoneName } from '../zone/zoneNames';
import { figure, type Origin, type Working, type WorkingInput } from './working';

/**
 * The working of what one dose takes of a material.
 * @param step the step that asks for it
 * @see D1 D2 D3 D6 M1 M2 Q3
 */
export function explainDraw(
  draw: Draw,
  material: Material,
  step: Step,
  protocol: WorkedProtocol,
  house: House,
): Working {
  const from: Origin = { place: 'step', protocolId: protocol.id, stepId: step.id };
  const result = figure(draw.consumed.usual, material.unit);
  const title = `${material.name} in “${step.name}”`;
  const part = partsOf(material).find(({ id }) => id === draw.part);
  if (material.kind === 'kit' && part) return explainKitDraw(draw, material, part, title, from);
  if (draw.mix) return explainMixDraw(draw, draw.mix, material, title, house, from);

  const stated: WorkingInput = {
    label: 'As drawn',
    value: figure(draw.resolved.drawn.usual, material.unit),
    from,
  };
  if (draw.resolved.coat) {
    const { areaCm2, mgPerCm2, handlingLoss } = draw.resolved.coat;
    return {
      title,
      codes: ['D1', 'D2', ...(material.unit === 'ml' ? ['Q2'] : [])],
      words: `Area of ${workedZones(step).map(zoneName).join(', ')} on the reference client × coat weight ÷ 1000 gives g on the skin; what stays on hands and tools is added${material.unit === 'ml' ? ', and the density turns g into ml' : ''}.`,
      inputs: [
        { label: 'Area', value: figure(areaCm2, 'cm2'), from },
        { label: 'Coat weight', value: figure(mgPerCm2.usual, 'mg/cm2'), from },
        {
          label: 'Stays on hands and tools',
          value: figure(handlingLoss, 'share'),
          from: { place: 'house' },
        },
        ...densityInput(material, 'ml'),
      ],
      result,
    };
  }
  if (draw.persons !== undefined) {
    return {
      title,
      codes: ['D5'],
      words:
        'Counted for everybody in the room: the client and each person who works in the visit.',
      inputs: [stated, { label: 'In the room', value: figure(draw.persons, 'persons'), from }],
      result,
    };
  }
  if (material.kind === 'single-dose') {
    const content = preferredPack(material).content;
    return {
      title,
      codes: ['D3'],
      words:
        'Single doses are opened whole: as many packs as the amount needs, after what is already open where the step says so.',
      inputs: [
        stated,
        {
          label: 'In one pack',
          value: figure(content, material.unit),
          from: { place: 'shelf', materialId: material.id },
        },
        { label: 'Packs opened', value: figure(draw.consumed.usual / content, 'packs') },
        { label: 'Left over after it', value: figure(draw.leftOver.usual, material.unit) },
      ],
      result,
    };
  }
  const dose = step.doses.find((candidate) => candidate.id === draw.doseId);
  return {
    title,
    codes: ['Q1', 'Q2', 'Q3'],
    words: 'The amount as it is stated, by the measures of the material on the shelf.',
    inputs: (dose && countedInputs(dose.amount, material, from, house.settings.vessels)) ?? [
      stated,
    ],
    result,
  };
}

/** What of a box is taken, and how much of a box is opened for it. */
function explainKitDraw(
  { resolved, consumed }: Draw,
  { id, forVisits }: KitMaterial,
  { name, unit, amount }: KitPart,
  title: string,
  from: Origin,
): Working {
  const shelf: Origin = { place: 'shelf', materialId: id };
  return {
    title,
    codes: ['D6'],
    words:
      'A box is opened as one, for the part of it that runs out first; what is taken of a box that is open already opens none.',
    inputs: [
      { label: `${name}, as drawn`, value: figure(resolved.drawn.usual, unit), from },
      { label: 'In one box', value: figure(amount, unit), from: shelf },
      ...(forVisits === undefined
        ? []
        : [
            {
              label: 'A box is for so many visits',
              value: figure(forVisits, 'times'),
              from: shelf,
            },
          ]),
    ],
    result: figure(consumed.usual, 'piece'),
  };
}

/** Count and measure of an amount that is counted; nothing for one that is measured out. */
function countedInputs(
  amount: Amount,
  material: Material,
  from: Origin,
  vessels: House['settings']['vessels'],
): WorkingInput[] | undefined {
  const shelf: Origin = { place: 'shelf', materialId: material.id };
  switch (amount.how) {
    case 'counted': {
      const each = mlPerCount(material.measures, amount.measure)?.usual ?? 0;
      return [
        { label: `${amount.measure}s`, value: figure(amount.quantity.usual, 'times'), from },
        { label: `ml per ${amount.measure}`, value: figure(each, 'ml'), from: shelf },
        ...densityInput(material, 'g'),
      ];
    }
    case 'named': {
      const each =
        namedAmount(material.measures, amount.name) ?? namedAmount({ named: vessels }, amount.name);
      return [
        { label: `times “${amount.name}”`, value: figure(amount.quantity.usual, 'times'), from },
        {
          label: `One “${amount.name}”`,
          value: figure(each?.amount.usual ?? 0, each?.unit ?? 'ml'),
          from: shelf,
        },
      ];
    }
    case 'fingertip':
      return [
        { label: 'Fingertip units', value: figure(amount.quantity.usual, 'times'), from },
        { label: 'One unit', value: figure(GRAMS_PER_FINGERTIP_UNIT, 'g') },
        ...densityInput(material, 'ml'),
      ];
    case 'measured':
    case 'packs':
    case 'batches':
    case 'all':
    case 'rest':
    case 'coat':
    case 'coat-weight':
      return undefined;
  }
}

function explainMixDraw(
  draw: Draw,
  mix: NonNullable<Draw['mix']>,
  material: Material,
  title: string,
  house: House,
  from: Origin,
): Working {
  const recipe = house.mixes.find((candidate) => candidate.id === mix.mixId);
  return {
    title,
    codes: ['M1', 'M2'],
    words: `${recipe?.name ?? 'The mix'} is made once for all steps that use the same bowl: what they need ÷ what one batch yields after the bowl. What comes only in whole packs is opened whole, by itself; all of it counts, since what is left is thrown away, and each step carries its share by need.`,
    inputs: [
      { label: 'Needed of the mix', value: figure(mix.needed.usual, recipe?.basis ?? 'g'), from },
      {
        label: 'Stays in the bowl',
        value: figure(recipe?.bowlLoss ?? 0, 'share'),
        from: { place: 'mix', mixId: mix.mixId },
      },
      {
        label: 'Needed of the bowl',
        value: figure(mix.made.needed.usual, recipe?.basis ?? 'g'),
      },
      { label: 'Batches', value: figure(mix.made.scale.usual, 'batches') },
    ],
    result: figure(draw.consumed.usual, material.unit),
  };
}

function densityInput(material: Material, whereKeptIn: 'ml' | 'g'): WorkingInput[] {
  const { density } = material.measures;
  return density === undefined || material.unit !== whereKeptIn
    ? []
    : [
        {
          label: 'Density',
          value: figure(density, 'g/ml'),
          from: { place: 'shelf', materialId: material.id },
        },
      ];
}
