import type { Device } from './device';
import type { Block, House, Material, Mix, Person, Protocol, Room, Service } from './house';
import type { HouseSettings } from './settings';

/** What of a House figures are made from, and so is remembered as it was. */
interface Journaled {
  settings: HouseSettings;
  rooms: Room;
  people: Person;
  materials: Material;
  mixes: Mix;
  devices: Device;
  blocks: Block;
  protocols: Protocol;
  services: Service;
}
export type JournalPart = keyof Journaled;

/** Something as it was before it was changed on a day; nothing where it was new on that day. */
export type JournalEntry = {
  readonly [P in JournalPart]: {
    /** ISO date */
    readonly on: string;
    readonly part: P;
    /** of the thing; `house` for the settings */
    readonly id: string;
    readonly before: Journaled[P] | null;
  };
}[JournalPart];

/** The id of the settings in a journal. */
export const SETTINGS_ID = 'house';

/**
 * A House as it was at the end of a day: what was changed since is put back. What does not figure in
 * costs and prices (stock, the demand plan, menus) is as it is now.
 * @param day ISO date
 */
export function houseOn(house: House, journal: readonly JournalEntry[], day: string): House {
  const first = new Map<string, JournalEntry>();
  for (const entry of journal) {
    if (entry.on <= day) continue;
    const key = `${entry.part}/${entry.id}`;
    const known = first.get(key);
    if (!known || entry.on < known.on) first.set(key, entry);
  }
  return [...first.values()].reduce(putBack, house);
}

/** The days on which something was changed, oldest first. */
export function daysOfChange(journal: readonly JournalEntry[]): readonly string[] {
  return [...new Set(journal.map(({ on }) => on))].sort();
}

function putBack(house: House, { part, id, before }: JournalEntry): House {
  if (part === 'settings') return before ? { ...house, settings: before } : house;
  const list: readonly { readonly id: string }[] = house[part];
  const at = list.findIndex((each) => each.id === id);
  const without = at === -1 ? list : list.toSpliced(at, 1);
  const put = before === null ? without : at === -1 ? [...list, before] : list.with(at, before);
  return { ...house, [part]: put };
}
