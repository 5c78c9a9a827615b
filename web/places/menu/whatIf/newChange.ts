import { nanoid } from '@reduxjs/toolkit';
import type { Weekday } from '@bienestar/core/days/days';
import type { HouseFigures } from '@bienestar/core/figures/houseFigures';
import type { Change, House } from '@bienestar/core/house/house';
import type { Span } from '@bienestar/core/house/hours';
import { asId, type ChangeId, type PersonId, type ServiceId } from '@bienestar/core/house/ids';
import { chosenPack } from '@bienestar/core/house/packs';
import { exactly } from '@bienestar/core/quantity/triple';

/** The id of a new change. */
export function newChangeId(): ChangeId {
  return asId<ChangeId>(nanoid(12));
}

/* What the house has now: a change that comes to be about another thing goes on from there. */

/** What a guest pays for a service now, in minor units; nothing where it has no price. */
export function grossNow({ services }: HouseFigures, id: ServiceId): number | undefined {
  const price = services.get(id)?.price;
  return price?.ok ? price.value.gross : undefined;
}

/** How many visits a week are planned of a service. */
export function visitsNow({ demand }: House, id: ServiceId): number {
  return demand.find(({ serviceId }) => serviceId === id)?.visitsPerWeek ?? 1;
}

/** When somebody usually works on a day of the week. */
export function hoursNow({ people }: House, id: PersonId, weekday: Weekday): readonly Span[] {
  return people.find((each) => each.id === id)?.hours?.usually[weekday - 1] ?? [];
}

/** When the house is usually open on a day of the week. */
export function openNow({ settings }: House, weekday: Weekday): readonly Span[] {
  return settings.openHours?.week[weekday - 1] ?? [];
}

/**
 * A change of a kind, about the first thing it can be about: what is meant is then chosen in its fields.
 * @returns nothing when the house has nothing of the kind
 */
export function newChange(
  kind: Change['kind'],
  house: House,
  figures: HouseFigures,
): Change | undefined {
  const id = newChangeId();
  const [service] = house.services;
  const [supplier] = house.suppliers;
  const bought = house.materials.flatMap((each) =>
    each.kind === 'linen' || each.archivedOn !== undefined ? [] : each,
  );
  const [material, other] = bought;
  switch (kind) {
    case 'setting':
      return { id, kind, setting: 'vat', to: house.settings.vat };
    case 'charge':
      return { id, kind, to: house.settings.therapistCharge === 'slot' ? 'attended' : 'slot' };
    case 'pay':
      return { id, kind, byShare: 0.04 };
    case 'supplier':
      return supplier && { id, kind, supplierId: supplier.id, byShare: 0.05 };
    case 'pack-price': {
      if (!material) return undefined;
      const pack = chosenPack(material);
      return { id, kind, materialId: material.id, packId: pack.id, priceMinor: pack.priceMinor };
    }
    case 'pack': {
      const several = bought.find(({ packs }) => packs.length > 1) ?? material;
      const pack = several?.packs.find((each) => each.id !== several.preferredPackId);
      return (
        several && { id, kind, materialId: several.id, packId: (pack ?? chosenPack(several)).id }
      );
    }
    case 'swap':
      return (
        material &&
        other && {
          id,
          kind,
          from: material.id,
          to: other.id,
          amount: { how: 'measured', quantity: exactly(5), unit: other.unit },
        }
      );
    case 'minutes':
      return { id, kind, phase: 'consult', byMinutes: 5 };
    case 'edition':
      return service && { id, kind, serviceId: service.id };
    case 'price':
      return (
        service && {
          id,
          kind,
          serviceId: service.id,
          grossMinor: grossNow(figures, service.id) ?? 0,
        }
      );
    case 'visits':
      return (
        service && {
          id,
          kind,
          serviceId: service.id,
          visitsPerWeek: visitsNow(house, service.id),
        }
      );
    case 'work-hours': {
      const person = house.people.find(({ hours }) => hours) ?? house.people[0];
      return (
        person && {
          id,
          kind,
          personId: person.id,
          weekday: 1,
          spans: hoursNow(house, person.id, 1),
        }
      );
    }
    case 'open-hours':
      return { id, kind, weekday: 1, spans: openNow(house, 1) };
    case 'hire': {
      const [like] = house.people;
      const name = like && `Somebody as ${like.name}`;
      return like && name !== undefined
        ? { id, kind, likeId: like.id, newId: asId(nanoid(12)), name }
        : undefined;
    }
    case 'room':
      return { id, kind, newId: asId(nanoid(12)), name: 'Another room', roomKind: 'dry' };
    case 'device-count': {
      const [device] = house.devices;
      return device && { id, kind, deviceId: device.id, count: device.count + 1 };
    }
  }
}
