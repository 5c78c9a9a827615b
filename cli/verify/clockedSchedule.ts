import type { ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { House, Service } from '@bienestar/core/house/house';
import { withContactClocks } from '@bienestar/core/time/contactClock';
import type { Schedule } from '@bienestar/core/time/schedule';

/** The schedule that core has of a service, with its contacts counted from the first touch. */
export function clockedSchedule(
  { settings }: House,
  { visitKind }: Service,
  { schedule, work }: Pick<ServiceFigures, 'schedule' | 'work'>,
): Schedule | undefined {
  return schedule.ok && work.ok
    ? withContactClocks(schedule.value, work.value, visitKind, settings)
    : undefined;
}
