import { expose } from 'comlink';
import { readCalendar, type ReadCalendar } from '@bienestar/core/calendar/readCalendar';
import { toldFirst } from './toldFirst';

/** Reads calendars away from the page. */
const calendars = {
  read: (
    text: string,
    today: string,
    zone: string,
    onProgress: (share: number) => void,
  ): Promise<ReadCalendar> =>
    toldFirst(onProgress, (tell) => readCalendar(text, today, zone, tell)),
};

export type CalendarWorker = typeof calendars;
expose(calendars);
