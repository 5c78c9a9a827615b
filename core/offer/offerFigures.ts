import type { HouseFigures, ServiceFigures } from '../figures/houseFigures';
import { clientOf, editionInUse } from '../figures/serviceWork';
import { createTrial, type Try } from '../figures/trial';
import type { Client } from '../house/client';
import type { House, Offer, Protocol, Service, VisitKind } from '../house/house';
import { indexHouse } from '../house/houseIndex';
import { choicesDeciding } from '../protocol/deciding';
import { expandBlocks, type Blocks } from '../protocol/expandBlocks';
import { fail, ok, type Outcome } from '../problem/problem';
import { courseFigures, type CourseFigures } from './courseFigures';
import { duoFigures, type DuoFigures } from './duoFigures';
import { packageFigures, type PackageFigures } from './packageFigures';

export type OfferFigures = CourseFigures | PackageFigures | DuoFigures;

/** Counts courses, packages and duo visits, remembering what the next one leaves as it was. */
export type OfferCalculator = (
  offer: Offer,
  house: House,
  figures: HouseFigures,
) => Outcome<OfferFigures>;

/** Whether something of a protocol depends on which visit of a course it is. */
function looksAtCourse(protocol: Protocol, blocks: Blocks): boolean {
  const written = expandBlocks(protocol, blocks, {});
  return written.ok && choicesDeciding(written.value).some(({ by }) => by === 'course-visit');
}

/**
 * A calculator of offers; keep one for as long as offers are looked at.
 * @see P8
 */
export function createOfferCalculator(): OfferCalculator {
  const trial: Try = createTrial();
  return (offer, house, figures) => {
    const index = indexHouse(house);
    const figuresOf = (service: Service): ServiceFigures | undefined =>
      figures.services.get(service.id);
    switch (offer.kind) {
      case 'course':
        return courseFigures(
          offer,
          house,
          (service, kind: VisitKind, which) => {
            const inUse = editionInUse(service, index, house);
            const isCounted = inUse && looksAtCourse(inUse.protocol, index.blocks);
            if (service.visitKind === kind && !isCounted) return figuresOf(service);
            const client: Client = {
              ...clientOf(service),
              visitKind: kind,
              ...(isCounted && { courseVisit: `${which}` }),
            };
            return inUse && trial(house, figures.materials, service, inUse, client).figures;
          },
          (service) => {
            const price = figuresOf(service)?.price;
            if (price?.ok === true) return ok(price.value.gross);
            return price ?? fail('price-missing', `${service.name} has no price.`, {});
          },
        );
      case 'package':
        return packageFigures(offer, {
          house,
          figuresOf,
          clientOf,
          mixesOf: (service) => editionInUse(service, index, house)?.mixes ?? [],
          tryOut: (service, inUse, client, performers) =>
            trial(house, figures.materials, service, inUse, client, performers).figures,
        });
      case 'duo':
        return duoFigures(offer, house, figuresOf);
    }
  };
}
