import { expose } from 'comlink';
import { readCalendar, type ReadCalendar } from '@bienestar/core/calendar/readCalendar';

/** Reads calendars away from the page. */
const calendars = {
  read: (
    text: string,
    today: string,
    zone: string,
    onProgress: (share: number) => void,
  ): ReadCalendar => readCalendar(text, today, zone, onProgress),
};

export type CalendarWorker = typeof calendars;
expose(calendars);
