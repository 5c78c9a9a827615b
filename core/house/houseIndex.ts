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

const known = new WeakMap<readonly unknown[], ReadonlyMap<unknown, unknown>>();

/** Indexes a House by id, for the calculations that follow references. A list is indexed once. */
export function indexHouse(house: House): HouseIndex {
  return {
    materials: byId(house.materials),
    mixes: byId(house.mixes),
    protocols: byId(house.protocols),
    services: byId(house.services),
    people: byId(house.people),
    suppliers: byId(house.suppliers),
    visitsPerWeek: indexOnce(house.demand, (line) => [line.serviceId, line.visitsPerWeek]),
    onHand: indexOnce(house.stock, (line) => [line.materialId, line.onHand]),
  };
}

function byId<I, T extends { readonly id: I }>(things: readonly T[]): ReadonlyMap<I, T> {
  return indexOnce(things, (thing) => [thing.id, thing]);
}

function indexOnce<T, K, V>(
  items: readonly T[],
  entryOf: (item: T) => readonly [K, V],
): ReadonlyMap<K, V> {
  const before = known.get(items);
  if (before) return before as ReadonlyMap<K, V>;
  const made = new Map(items.map(entryOf));
  known.set(items, made);
  return made;
}
