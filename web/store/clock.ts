import { useMemo, useSyncExternalStore } from 'react';
import { dayOf } from '@bienestar/core/days/days';

const LOOK_EVERY_MS = 30_000;
export const HOUR_MS = 3_600_000;

function whileItGoes(onChange: () => void): () => void {
  const timer = setInterval(onChange, LOOK_EVERY_MS);
  return () => clearInterval(timer);
}

/** The day that it is, as an ISO date; a place that is open over midnight goes on with the next. */
export function useToday(): string {
  return useSyncExternalStore(whileItGoes, () => dayOf(new Date()));
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
