import type { House } from '../../house/house';
import type { Span } from '../../house/hours';
import { joined } from '../spans';
import type { DayVisit } from './dayVisits';
import { warmUps } from './sharedWork';
import { slotOf, stretchesOf, whoOf } from './occupied';

/** A line of a sheet for a room or a person. Minutes of the day. */
export interface SheetLine {
  readonly visit: DayVisit;
  readonly from: number;
  readonly to: number;
  /** for a person: when hands are needed in it */
  readonly stretches: readonly { readonly from: number; readonly to: number }[];
  /** for a room: what has to be switched on beforehand, and when */
  readonly on: readonly { readonly device: string; readonly at: number }[];
}

/** A sheet on paper: what a room or a person has on a day. */
export interface DaySheet {
  readonly of: 'room' | 'person';
  readonly name: string;
  readonly lines: readonly SheetLine[];
}

/** Shorter than this nobody lets go of a guest, and a clock does not show it. Minutes. */
const SHORTEST_PAUSE = 1;

function readable(stretches: readonly Span[]): readonly Span[] {
  return joined(stretches.map(({ from, to }) => ({ from, to: to + SHORTEST_PAUSE }))).map(
    ({ from, to }) => ({ from, to: to - SHORTEST_PAUSE }),
  );
}

/** The sheets of a day: one for each room and each person that has something on it. */
export function sheetsOf(
  visits: readonly DayVisit[],
  { rooms, people, devices }: Pick<House, 'rooms' | 'people' | 'devices'>,
): readonly DaySheet[] {
  const line = (visit: DayVisit, stretches: SheetLine['stretches']): SheetLine => ({
    visit,
    ...slotOf(visit),
    stretches,
    on: [],
  });
  const switched = devices.flatMap((device) =>
    warmUps(device, visits).map(({ from, visit }) => ({ device: device.name, at: from, visit })),
  );
  const ofRooms = rooms.map(({ id, name }): DaySheet => ({
    of: 'room',
    name,
    lines: visits
      .filter(({ roomId }) => roomId === id)
      .map((visit) => ({
        ...line(visit, []),
        on: switched
          .filter((each) => each.visit === visit)
          .map(({ device, at }) => ({ device, at })),
      })),
  }));
  const ofPeople = people.map(({ id, name }): DaySheet => ({
    of: 'person',
    name,
    lines: visits.flatMap((visit) =>
      (['therapist', 'assistant'] as const).flatMap((role) =>
        whoOf(visit, role) === id ? [line(visit, readable(stretchesOf(visit, role)))] : [],
      ),
    ),
  }));
  return [...ofRooms, ...ofPeople].filter(({ lines }) => lines.length > 0);
}
