import type { MaterialFigures, Restocking } from '../figures/houseFigures';
import type { BoughtMaterial, House } from '../house/house';
import { leadTimeOf, preferredPack } from '../house/packs';
import { figure, worked, type Origin, type Working, type WorkingInput } from './working';

const METHOD_WORDS: Record<Restocking['reorderPoint']['method'], string> = {
  recursion:
    'Demand while waiting is a random number of uses, each of the size of its service. The reorder point is the smallest stock that covers it in the wanted share of cases, added up use by use.',
  normal:
    'Demand while waiting is a random number of uses, each of the size of its service. With so many uses their sum is close to normal: expected demand + the quantile of the wanted share × its spread.',
  'no-demand': 'No planned visit uses it, so nothing needs to be kept.',
};

/**
 * The working of a reorder point.
 * @see S1 S2 S3
 */
export function explainReorderPoint(
  material: BoughtMaterial,
  figures: MaterialFigures,
  { demand, uses, reorderPoint }: Restocking,
  house: House,
): Working {
  const pack = preferredPack(material);
  const supplier = house.suppliers.find((candidate) => candidate.id === pack.supplierId);
  const lead = supplier && leadTimeOf(pack, supplier);
  const shelf: Origin = { place: 'shelf', materialId: material.id };
  const ofSupplier: Origin = { place: 'house' };
  const perDay: Working = {
    title: 'Uses a day',
    codes: ['S1'],
    words: 'Visits a week of every service that draws it ÷ 7. One use is all that a visit takes.',
    inputs: figures.uses.flatMap((use): WorkingInput[] => {
      const service = house.services.find((candidate) => candidate.id === use.serviceId);
      if (!service || use.visitsPerWeek === 0) return [];
      const from: Origin = { place: 'service', serviceId: service.id };
      return [
        { label: service.name, value: figure(use.visitsPerWeek, 'visits/week'), from },
        {
          label: `each takes`,
          value: figure(use.consumed.usual, material.unit),
          from: { place: 'protocol', protocolId: service.protocolId },
        },
      ];
    }),
    result: figure(demand.usesPerDay, 'uses/day'),
  };
  const waiting: Working = {
    title: 'Uses while waiting',
    codes: ['S2'],
    words: `Uses a day × (lead time + days between looks at the shelf). Their variance is the mean + (uses a day × spread of the lead time)²: ${uses.law === 'poisson' ? 'equal to the mean, so Poisson' : 'above the mean, so negative binomial'}.`,
    inputs: [
      worked(perDay),
      {
        label: `Lead time of ${supplier?.name ?? 'the supplier'}`,
        value: figure(lead?.leadTimeDays ?? 0, 'days'),
        from: ofSupplier,
      },
      {
        label: 'Give or take',
        value: figure(lead?.leadTimeSdDays ?? 0, 'days'),
        from: ofSupplier,
      },
      {
        label: 'Between looks at the shelf',
        value: figure(lead?.reviewDays ?? 0, 'days'),
        from: ofSupplier,
      },
      { label: 'Variance', value: figure(uses.variance, 'uses') },
    ],
    result: figure(uses.mean, 'uses'),
  };
  return {
    title: `Reorder point of ${material.name}`,
    codes: ['S3'],
    words: METHOD_WORDS[reorderPoint.method],
    inputs: [
      worked(waiting),
      {
        label: 'Expected demand while waiting',
        value: figure(reorderPoint.meanDemand, material.unit),
      },
      { label: 'Its spread', value: figure(reorderPoint.sdDemand, material.unit) },
      {
        label: 'Service level',
        value: figure(house.settings.serviceLevel, 'share'),
        from: { place: 'house' },
      },
      { label: 'Covered at this point', value: figure(reorderPoint.served, 'share') },
      {
        label: 'Sealed packs, rounded up',
        value: figure(reorderPoint.packs, 'packs'),
        from: shelf,
      },
    ],
    result: figure(reorderPoint.amount, material.unit),
  };
}
