import { nanoid } from '@reduxjs/toolkit';
import type { Offer, Service } from '@bienestar/core/house/house';
import { asId, type OfferId } from '@bienestar/core/house/ids';

/**
 * A new offer of a kind, of the first services there are.
 * @returns nothing while there is nothing on the menu
 */
export function newOffer(kind: Offer['kind'], services: readonly Service[]): Offer | undefined {
  const [first, second = first] = services;
  if (!first || !second) return undefined;
  const sold = { id: asId<OfferId>(nanoid(12)), name: 'New offer', discount: 0.05 };
  switch (kind) {
    case 'course':
      return {
        ...sold,
        kind,
        visits: [{ serviceId: first.id, visitKind: 'returning', times: 4 }],
        everyDays: 14,
        validDays: 180,
        prepaid: true,
        missed: 'made-up',
      };
    case 'package':
      return {
        ...sold,
        kind,
        serviceIds: [first.id, second.id],
        once: ['consult', 'settle', 'cleanse', 'home-care'],
      };
    case 'duo':
      return { ...sold, kind, serviceIds: [first.id, first.id], rooms: 2 };
  }
}
