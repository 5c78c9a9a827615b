import type { House, Service } from '../house/house';
import type { HouseSettings } from '../house/settings';
import type { MaterialId, ProtocolId, ServiceId } from '../house/ids';

/** What differs between two Houses that follow one another. */
export interface Changes {
  readonly materials: ReadonlySet<MaterialId>;
  readonly protocols: ReadonlySet<ProtocolId>;
  readonly demand: ReadonlySet<ServiceId>;
  readonly stock: ReadonlySet<MaterialId>;
  /** services that are priced or performed otherwise */
  readonly priced: ReadonlySet<ServiceId>;
  /** rates and rules of money, which reach every service, but nothing that is drawn or timed */
  readonly money: boolean;
}

/** The parts of a House in which a change may reach every figure. */
const WIDE = ['suppliers', 'mixes', 'devices', 'blocks', 'editions'] as const;

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
  const priced = changedKeys(before.services, after.services, (each) => each.id);
  if (!materials || !protocols || !demand || !stock || !priced) return undefined;
  if (settingsDiffer(before.settings, after.settings)) return undefined;
  if (before.services !== after.services) {
    const was = new Map(before.services.map((service) => [service.id, service]));
    if (after.services.some((service) => workedOtherwise(was.get(service.id), service))) {
      return undefined;
    }
  }
  const money =
    before.settings !== after.settings ||
    before.people !== after.people ||
    before.rooms !== after.rooms;
  return { materials, protocols, demand, stock, priced, money };
}

/** The settings of money: what they change is neither drawn nor timed otherwise. */
const MONEY: ReadonlySet<keyof HouseSettings> = new Set([
  'therapistCharge',
  'grades',
  'onCost',
  'bookableShare',
  'withoutExpired',
  'roomCost',
  'vat',
  'commission',
  'cardFee',
  'targetMargin',
  'targetPerRoomHourMinor',
  'priceEndings',
]);

function settingsDiffer(before: HouseSettings, after: HouseSettings): boolean {
  if (before === after) return false;
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]) as Set<keyof HouseSettings>;
  return [...keys].some((key) => !MONEY.has(key) && before[key] !== after[key]);
}

function workedOtherwise(before: Service | undefined, after: Service): boolean {
  return (
    before?.protocolId !== after.protocolId ||
    before.edition !== after.edition ||
    before.visitKind !== after.visitKind ||
    before.shownFor !== after.shownFor
  );
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
