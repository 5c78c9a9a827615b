import { writeCalendar } from '../../calendar/writeCalendar';
import type { House } from '../../house/house';
import { workName } from '../needs';
import { atMinute, type DayVisit } from './dayVisits';

/**
 * The visits of a day as an iCalendar file: each with its room and who works in it.
 * @param day ISO date
 * @param now when it is written
 * @returns RFC 5545
 */
export function calendarOfDay(
  { rooms, people, settings }: Pick<House, 'rooms' | 'people' | 'settings'>,
  day: string,
  visits: readonly DayVisit[],
  now: Date,
): string {
  return writeCalendar(
    visits.map(({ key, need, starts, name, roomId, therapistId, assistantId }) => {
      const who = [therapistId, assistantId].flatMap(
        (id) => people.find((person) => person.id === id)?.name ?? [],
      );
      const place = rooms.find(({ id }) => id === roomId)?.name;
      return {
        id: `${key}@${day}`,
        title: name === '' ? workName(need) : `${workName(need)}: ${name}`,
        at: atMinute(day, starts, settings.timeZone),
        minutes: need.slotMinutes,
        ...(place !== undefined && { place }),
        ...(who.length > 0 && { words: who.join(', ') }),
      };
    }),
    now,
  );
}
