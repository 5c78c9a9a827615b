import { useMemo, useSyncExternalStore } from 'react';
import { dayOf, type HouseClock } from '@bienestar/core/days/days';
import { timeZoneHere } from '@bienestar/core/days/timeZones';
import { selectShown } from './house';
import { useAppSelector } from './store';

const LOOK_EVERY_MS = 30_000;
const MINUTE_MS = 60_000;
export const HOUR_MS = 3_600_000;

function whileItGoes(onChange: () => void): () => void {
  const timer = setInterval(onChange, LOOK_EVERY_MS);
  return () => clearInterval(timer);
}

/** The zone by whose clocks the days of the house go; that of this machine until the house is there. */
export function useTimeZone(): string {
  return useAppSelector((state) => selectShown(state)?.settings.timeZone) ?? timeZoneHere();
}

/** The day that it is in the house, as an ISO date; a place that is open over midnight goes on with the next. */
export function useToday(): string {
  const timeZone = useTimeZone();
  return useSyncExternalStore(whileItGoes, () => dayOf(new Date(), timeZone));
}

let minute = new Date();

function everyMinute(changed: () => void): () => void {
  const timer = setInterval(() => {
    minute = new Date();
    changed();
  }, MINUTE_MS);
  return () => clearInterval(timer);
}

/** The time by the minute, by the clocks of the house: fresh goods are good for hours. */
export function useHouseClock(): HouseClock {
  const timeZone = useTimeZone();
  const now = useSyncExternalStore(everyMinute, () => minute);
  return useMemo(() => ({ now, timeZone }), [now, timeZone]);
}

/** The beginning of the hour that it is: what is on the shelf ages by the hour. */
export function useHour(): Date {
  const hour = useSyncExternalStore(whileItGoes, thisHour);
  return useMemo(() => new Date(hour * HOUR_MS), [hour]);
}

/** Hours since 1970. */
export function thisHour(): number {
  return Math.floor(Date.now() / HOUR_MS);
}
