import type { House, Service } from '../house/house';
import type { HouseFigures } from './houseFigures';

/** A service of which less is left than the house wants. Parts of 1, minor units. */
export interface UnderTarget {
  readonly service: Service;
  readonly margin: number;
  readonly targetMargin: number;
  /** less comes in than it costs */
  readonly losesMoney: boolean;
}

/**
 * The services whose margin is under their target, those that are furthest under it first.
 * @see P6
 */
export function underTarget(
  { services }: Pick<House, 'services'>,
  figures: Pick<HouseFigures, 'services'>,
): readonly UnderTarget[] {
  return services
    .flatMap((service): UnderTarget[] => {
      const price = figures.services.get(service.id)?.price;
      if (!price?.ok) return [];
      const { margin, targetMargin } = price.value;
      return margin < targetMargin - SAME
        ? [{ service, margin, targetMargin, losesMoney: margin < 0 }]
        : [];
    })
    .toSorted((a, b) => a.margin - a.targetMargin - (b.margin - b.targetMargin));
}

/** Room for rounding, so that a price set to the target reaches it. */
const SAME = 1e-9;
