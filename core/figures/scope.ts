import type { House } from '../house/house';
import type { MaterialId, ProtocolId, ServiceId } from '../house/ids';

/** What differs between two Houses that follow one another. */
export interface Changes {
  readonly materials: ReadonlySet<MaterialId>;
  readonly protocols: ReadonlySet<ProtocolId>;
  readonly demand: ReadonlySet<ServiceId>;
  readonly stock: ReadonlySet<MaterialId>;
}

/** The parts of a House in which a change may reach every figure. */
const WIDE = [
  'settings',
  'rooms',
  'people',
  'suppliers',
  'mixes',
  'devices',
  'blocks',
  'editions',
  'services',
] as const;

/**
 * The things that differ between two Houses, when that is all that differs: told by identity, since
 * Houses share what did not change.
 * @returns nothing when the change may reach every figure
 */
export function changesBetween(before: House, after: House): Changes | undefined {
  if (WIDE.some((part) => before[part] !== after[part])) return undefined;
  const materials = changedKeys(before.materials, after.materials, (each) => each.id);
  const protocols = changedKeys(before.protocols, after.protocols, (each) => each.id);
  const demand = changedKeys(before.demand, after.demand, (each) => each.serviceId);
  const stock = changedKeys(before.stock, after.stock, (each) => each.materialId);
  return materials && protocols && demand && stock && { materials, protocols, demand, stock };
}

function changedKeys<T, K>(
  before: readonly T[],
  after: readonly T[],
  keyOf: (item: T) => K,
): ReadonlySet<K> | undefined {
  const changed = new Set<K>();
  if (before === after) return changed;
  if (before.length !== after.length) return undefined;
  for (const [at, item] of after.entries()) {
    const was = before[at];
    if (was === item) continue;
    if (was === undefined || keyOf(was) !== keyOf(item)) return undefined;
    changed.add(keyOf(item));
  }
  return changed;
}
