import type {
  Block,
  Device,
  Edition,
  House,
  Material,
  Mix,
  Person,
  Protocol,
  Service,
  Supplier,
} from './house';
import { onHandOf } from './stock';
import type {
  BlockId,
  DeviceId,
  MaterialId,
  MixId,
  PersonId,
  ProtocolId,
  ServiceId,
  SupplierId,
} from './ids';

/** The materials and mixes that a dose may be drawn from. */
export interface ShelfIndex {
  readonly materials: ReadonlyMap<MaterialId, Material>;
  readonly mixes: ReadonlyMap<MixId, Mix>;
  /** the gloves that steps ask for */
  readonly gloves: Gloves;
}

/** Which material is meant by plain and by sterile gloves. */
export interface Gloves {
  readonly plain?: MaterialId;
  readonly sterile?: MaterialId;
}

/** A House by id. */
export interface HouseIndex extends ShelfIndex {
  readonly devices: ReadonlyMap<DeviceId, Device>;
  readonly blocks: ReadonlyMap<BlockId, Block>;
  readonly protocols: ReadonlyMap<ProtocolId, Protocol>;
  /** by `editionKey` */
  readonly editions: ReadonlyMap<string, Edition>;
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
    gloves: glovesAmong(house.materials),
    devices: byId(house.devices),
    blocks: byId(house.blocks),
    editions: indexOnce(house.editions, (edition) => [
      editionKey(edition.protocolId, edition.number),
      edition,
    ]),
    protocols: byId(house.protocols),
    services: byId(house.services),
    people: byId(house.people),
    suppliers: byId(house.suppliers),
    visitsPerWeek: indexOnce(house.demand, (line) => [line.serviceId, line.visitsPerWeek]),
    onHand: indexOnce(house.stock, (line) => [line.materialId, onHandOf(line)]),
  };
}

/** The key of an edition among all editions. */
export function editionKey(protocolId: ProtocolId, number: number): string {
  return `${protocolId}#${number}`;
}

/** The first material of the shelf for each kind of gloves. */
export function glovesAmong(materials: readonly Material[]): Gloves {
  const first = (kind: 'plain' | 'sterile'): MaterialId | undefined =>
    materials.find(
      (each) =>
        each.kind === 'consumable' && each.gloves?.kind === kind && each.archivedOn === undefined,
    )?.id;
  return { plain: first('plain'), sterile: first('sterile') };
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
