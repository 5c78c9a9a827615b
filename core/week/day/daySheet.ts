import type { House } from '../../house/house';
import type { DayVisit } from './dayVisits';
import { slotOf, stretchesOf, whoOf } from './occupied';

/** A line of a sheet for a room or a person. Minutes of the day. */
export interface SheetLine {
  readonly visit: DayVisit;
  readonly from: number;
  readonly to: number;
  /** for a person: when hands are needed in it */
  readonly stretches: readonly { readonly from: number; readonly to: number }[];
}

/** A sheet on paper: what a room or a person has on a day. */
export interface DaySheet {
  readonly of: 'room' | 'person';
  readonly name: string;
  readonly lines: readonly SheetLine[];
}

/** The sheets of a day: one for each room and each person that has something on it. */
export function sheetsOf(
  visits: readonly DayVisit[],
  { rooms, people }: Pick<House, 'rooms' | 'people'>,
): readonly DaySheet[] {
  const line = (visit: DayVisit, stretches: SheetLine['stretches']): SheetLine => ({
    visit,
    ...slotOf(visit),
    stretches,
  });
  const ofRooms = rooms.map(({ id, name }): DaySheet => ({
    of: 'room',
    name,
    lines: visits.filter(({ roomId }) => roomId === id).map((visit) => line(visit, [])),
  }));
  const ofPeople = people.map(({ id, name }): DaySheet => ({
    of: 'person',
    name,
    lines: visits.flatMap((visit) =>
      (['therapist', 'assistant'] as const).flatMap((role) =>
        whoOf(visit, role) === id ? [line(visit, stretchesOf(visit, role))] : [],
      ),
    ),
  }));
  return [...ofRooms, ...ofPeople].filter(({ lines }) => lines.length > 0);
}
