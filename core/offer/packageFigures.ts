import { payIn } from '../cost/performers';
import type { ServiceFigures } from '../figures/houseFigures';
import type { EditionInUse } from '../figures/serviceWork';
import type { Client } from '../house/client';
import type { House, Mix, Package, Person, Service } from '../house/house';
import { asId, type MixId, type ServiceId } from '../house/ids';
import { fail, ok, type Outcome } from '../problem/problem';
import { countedOf, type OfferPart } from './counted';
import { joinProtocols, type JoinedPart, type LeftOut } from './joinProtocols';
import { offerPrice, sumOf, type OfferPrice } from './offerPrice';

/** What a package comes to. Minor units, minutes. */
export interface PackageFigures {
  readonly kind: 'package';
  readonly services: readonly Service[];
  /** all of it as one visit */
  readonly parts: readonly OfferPart[];
  /** each by itself, with its price */
  readonly singles: readonly { readonly service: Service; readonly gross: number }[];
  readonly price: OfferPrice;
  /** those who may perform all of it; when nobody can, those who may perform any of it */
  readonly performers: readonly Person[];
  readonly oneTherapist: boolean;
  readonly slotMinutes: number;
  /** of its services one by one */
  readonly singleSlotMinutes: number;
  readonly fullCost: number;
  readonly singleFullCost: number;
  readonly leftOut: readonly LeftOut[];
}

/** What a package is counted with. */
export interface PackageInputs {
  readonly house: House;
  readonly figuresOf: (service: Service) => ServiceFigures | undefined;
  readonly mixesOf: (service: Service) => readonly Mix[];
  readonly clientOf: (service: Service) => Client;
  readonly tryOut: (
    service: Service,
    inUse: EditionInUse,
    client: Client,
    performers: readonly Person[],
  ) => ServiceFigures;
}

/**
 * A package: its services joined into one visit in which the set-up, the reset and what both begin with
 * are done once; its slot, cost and price beside those of the services one by one.
 * @returns problems of its services and of its price
 * @see C7 P6 P8 T5
 */
export function packageFigures(
  offer: Package,
  { house, figuresOf, mixesOf, clientOf, tryOut }: PackageInputs,
): Outcome<PackageFigures> {
  const where = { offerId: offer.id };
  const services = offer.serviceIds.flatMap(
    (id) => house.services.find((service) => service.id === id) ?? [],
  );
  const [first] = services;
  if (!first || services.length !== offer.serviceIds.length || services.length < 2) {
    const message = 'A package is of at least two services that are on the menu.';
    return fail('package-too-small', message, { ...where, field: 'serviceIds' });
  }
  const parts: JoinedPart[] = [];
  const performing: (readonly Person[])[] = [];
  const singles: { service: Service; gross: number }[] = [];
  let singleSlotMinutes = 0;
  let singleFullCost = 0;
  for (const service of services) {
    const figures = figuresOf(service);
    const counted = countedOf(service, figures, where);
    if (!counted.ok) return counted;
    if (!figures?.price.ok) return fail('price-missing', 'A service of this has no price.', where);
    const { protocol, schedule, cost, rates } = counted.value;
    performing.push(rates.people.therapist);
    parts.push({ protocol, visitKind: service.visitKind });
    singles.push({ service: counted.value.service, gross: figures.price.value.gross });
    singleSlotMinutes += schedule.slotMinutes;
    singleFullCost += cost.full.usual;
  }
  const { protocol, leftOut } = joinProtocols(parts, offer.once, offer.name);
  const anyOf = [...new Set(performing.flat())];
  const inAll = anyOf.filter((person) => performing.every((people) => people.includes(person)));
  const oneTherapist = inAll.length > 0;
  const performers = oneTherapist ? inAll : anyOf;
  const joined: Service = {
    id: asId<ServiceId>(offer.id),
    name: offer.name,
    protocolId: protocol.id,
    visitKind: 'returning',
    therapistIds: performers.map(({ id }) => id),
  };
  const mixes = new Map<MixId, Mix>();
  for (const mix of services.flatMap(mixesOf)) if (!mixes.has(mix.id)) mixes.set(mix.id, mix);
  const client: Client = { ...clientOf(first), visitKind: 'returning' };
  const together = tryOut(joined, { protocol, mixes: [...mixes.values()] }, client, performers);
  const visit = countedOf(joined, together, where);
  if (!visit.ok) return visit;
  const { slotMinutes, attended } = visit.value.schedule;
  const { direct, room, full, fixedPay } = visit.value.cost;
  const load = {
    directCost: direct.usual,
    roomCost: room.usual,
    slotMinutes,
    attendedMinutes: attended.therapist,
    roomCostPerMonth: house.settings.roomCost.fixedPerMonthMinor / house.rooms.length,
    pay: payIn(visit.value.rates.pay, fixedPay.usual),
  };
  const price = offerPrice(offer, sumOf(singles), load, house.settings, where);
  if (!price.ok) return price;
  return ok({
    kind: 'package',
    services,
    parts: [{ ...visit.value, times: 1 }],
    singles,
    price: price.value,
    performers,
    oneTherapist,
    slotMinutes,
    singleSlotMinutes,
    fullCost: full.usual,
    singleFullCost,
    leftOut,
  });
}
