import type { House, Material, Mix, Person, Protocol, Service, Supplier } from './house';
import type { MaterialId, MixId, PersonId, ProtocolId, ServiceId, SupplierId } from './ids';

/** The materials and mixes that a dose may be drawn from. */
export interface ShelfIndex {
  readonly materials: ReadonlyMap<MaterialId, Material>;
  readonly mixes: ReadonlyMap<MixId, Mix>;
}

/** A House by id. */
export interface HouseIndex extends ShelfIndex {
  readonly protocols: ReadonlyMap<ProtocolId, Protocol>;
  readonly services: ReadonlyMap<ServiceId, Service>;
  readonly people: ReadonlyMap<PersonId, Person>;
  readonly suppliers: ReadonlyMap<SupplierId, Supplier>;
  readonly visitsPerWeek: ReadonlyMap<ServiceId, number>;
  readonly onHand: ReadonlyMap<MaterialId, number>;
}

/** Indexes a House by id, for the calculations that follow references. */
export function indexHouse(house: House): HouseIndex {
  return {
    materials: byId(house.materials),
    mixes: byId(house.mixes),
    protocols: byId(house.protocols),
    services: byId(house.services),
    people: byId(house.people),
    suppliers: byId(house.suppliers),
    visitsPerWeek: new Map(house.demand.map((line) => [line.serviceId, line.visitsPerWeek])),
    onHand: new Map(house.stock.map((line) => [line.materialId, line.onHand])),
  };
}

function byId<I, T extends { readonly id: I }>(things: readonly T[]): Map<I, T> {
  return new Map(things.map((thing) => [thing.id, thing]));
}
