import type { ServiceId } from '../../house/ids';
import type { Capacity } from '../capacity';
import { attendedMinutes } from '../needs';
import type { WeekMix } from './weekMix';

/** What an hour of what gives out earns with a service, beside what it earns at best. Minor units. */
export interface LimitingHour {
  readonly capacity: Capacity;
  /** minutes of it that one visit takes */
  readonly minutes: number;
  readonly earns: number;
  /** in the mix that brings most, at the margin */
  readonly best: number;
}

const HOUR = 60;

/**
 * Of the rooms, hands and devices that give out in the best week, the one that a visit of a service takes most of by
 * its worth: what an hour of it earns with this service, and what at best.
 * @returns nothing where nothing gives out that it takes
 * @see W1
 */
export function limitingHour(
  { lines }: Pick<WeekMix, 'lines'>,
  serviceId: ServiceId,
): LimitingHour | undefined {
  const line = lines.find(({ need }) => need.service.id === serviceId);
  const dearest = line?.costsElsewhere.find(({ capacity }) => capacity.resource.kind !== 'linen');
  if (!line || !dearest) return undefined;
  const { capacity, minor } = dearest;
  const { resource } = capacity;
  const minutes =
    resource.kind === 'room'
      ? line.need.slotMinutes
      : resource.kind === 'person'
        ? attendedMinutes(line.need, resource.role)
        : line.need.roomMinutes;
  if (!(minutes > 0)) return undefined;
  return {
    capacity,
    minutes,
    earns: (line.need.contribution / minutes) * HOUR,
    best: (minor / minutes) * HOUR,
  };
}
