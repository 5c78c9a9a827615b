import type { Change, House, Protocol } from '../house/house';
import type { Scenario } from '../house/scenario';
import { applyScenario, type Tried } from './compareScenarios';

/** The parts of a House that a scenario may write. */
export const ADOPTED_LISTS = [
  'rooms',
  'people',
  'devices',
  'materials',
  'mixes',
  'blocks',
  'protocols',
  'services',
  'demand',
] as const;
type AdoptedList = (typeof ADOPTED_LISTS)[number];

/** What must be written so that the house becomes as the changes have it. */
export type Adoption = { readonly [K in AdoptedList]: House[K] } & {
  readonly settings?: House['settings'];
  /** protocols whose drafts change, while services are worked by editions that stay as they were published */
  readonly toPublish: readonly Protocol[];
  readonly gone: Tried['gone'];
};

/**
 * What adopting some changes of a scenario writes: everything that differs from the house. Editions never
 * change: what a scenario does to the steps goes into the drafts.
 */
export function adoptionOf(house: House, changes: readonly Change[]): Adoption {
  const { house: then, gone } = applyScenario(house, { changes });
  return adoptionBetween(house, then, gone);
}

/** What must be written so that the house becomes another that shares with it what stays. */
export function adoptionBetween(house: House, then: House, gone: Tried['gone'] = []): Adoption {
  const differing = <T>(was: readonly T[], is: readonly T[]): readonly T[] => {
    const before = new Set(was);
    return is.filter((each) => !before.has(each));
  };
  const protocols = differing(house.protocols, then.protocols);
  const published = new Set(
    house.services.flatMap(({ edition, protocolId }) => (edition === undefined ? [] : protocolId)),
  );
  return {
    rooms: differing(house.rooms, then.rooms),
    people: differing(house.people, then.people),
    devices: differing(house.devices, then.devices),
    materials: differing(house.materials, then.materials),
    mixes: differing(house.mixes, then.mixes),
    blocks: differing(house.blocks, then.blocks),
    protocols,
    services: differing(house.services, then.services),
    demand: differing(house.demand, then.demand),
    ...(then.settings !== house.settings && { settings: then.settings }),
    toPublish: protocols.filter(({ id }) => published.has(id)),
    gone,
  };
}

/** Whether adopting would write nothing. */
export function adoptsNothing(adoption: Adoption): boolean {
  return (
    adoption.settings === undefined && ADOPTED_LISTS.every((part) => adoption[part].length === 0)
  );
}

/**
 * A scenario of which these changes are the house from that day on: they are kept, and are no changes any more.
 * @param today ISO date
 */
export function closedFor(scenario: Scenario, adopted: readonly Change[], today: string): Scenario {
  const ids = new Set(adopted.map(({ id }) => id));
  return {
    ...scenario,
    changes: scenario.changes.filter(({ id }) => !ids.has(id)),
    adopted: [...(scenario.adopted ?? []), { on: today, changes: adopted }],
  };
}
