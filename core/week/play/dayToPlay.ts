import type { HouseFigures } from '../../figures/houseFigures';
import type { House } from '../../house/house';
import type { RoomId, ServiceId } from '../../house/ids';
import type { Distribution } from '../../time/distribution';
import { paceSpreadOf } from '../../house/settings';
import { collect, ok, type Outcome } from '../../problem/problem';
import { slotMinutes } from '../../time/slot';
import { backToBack } from './backToBack';
import { weekSettingsOf, type WeekOfHouse } from '../capacity';
import type { DayVisit } from '../day/dayVisits';
import { openOn } from '../openTimes';
import type { PlayedDay, PlayedVisit } from './playedDay';
import { visitParts } from './visitParts';

/** Later than this a visit counts as late. Minutes. */
export const LATE_MINUTES = 5;

/** What is known of guests: by how much they come late, and which share does not come. */
export interface GuestHabits {
  /** minutes, one for each visit that was looked at */
  readonly lateness: readonly number[];
  readonly noShows: number;
}

/**
 * A day as it can be played through: the visits that have a room, each by the protocol of its service.
 * @param day ISO date
 * @returns problems of a visit whose protocol cannot be worked
 * @see W3
 */
export function dayToPlay(
  house: House,
  day: string,
  visits: readonly DayVisit[],
  habits: GuestHabits,
): Outcome<PlayedDay> {
  const { settings } = house;
  const parts = collect(
    visits.flatMap((visit): Outcome<PlayedVisit>[] => {
      const { roomId, need, key, starts, therapistId, assistantId } = visit;
      if (!roomId) return [];
      const of = visitParts(need.work, need.service.visitKind, paceSpreadOf(settings));
      if (!of.ok) return [of];
      return [
        ok({
          key,
          roomId,
          starts,
          slotMinutes: need.slotMinutes,
          parts: of.value,
          ...(therapistId && { therapistId }),
          ...(assistantId && { assistantId }),
        }),
      ];
    }),
  );
  if (!parts.ok) return parts;
  const { walkMinutes, waitMinutes } = weekSettingsOf(house);
  const closes = settings.openHours && openOn(day, settings.openHours).spans.at(-1)?.to;
  return ok({
    visits: parts.value,
    devices: house.devices,
    walkMinutes,
    waitMinutes,
    lateMinutes: LATE_MINUTES,
    ...(closes !== undefined && { closes }),
    guestLateness: habits.lateness,
    noShows: habits.noShows,
  });
}

/** What slots that hold another share of the visits would mean. Minutes, shares. */
export interface SlotChoice {
  readonly quantile: number;
  readonly isChosen: boolean;
  /** the planned mix at these slots: minutes of a visit in the mean, and the visits a week that rooms then hold */
  readonly meanSlot: number;
  readonly visitsPerWeek: number;
  /** of the visits of this day back to back in their rooms, those that begin late, and the chance to end late */
  readonly shareLate: number;
  readonly chanceAfterEnd: number;
}

/** The shares that are looked at beside each other; the house's own is put among them. */
const QUANTILES = [0.85, 0.9, 0.95] as const;

/**
 * Slots of several shares beside each other: what longer ones cost in visits, and how many visits of a day begin late
 * when each room works without a gap. Exact.
 * @param visits a week by service, as planned
 * @see T5 W3
 */
export function slotChoices(
  house: House,
  figures: HouseFigures,
  { capacities, needs }: WeekOfHouse,
  visits: ReadonlyMap<ServiceId, number>,
  day: readonly DayVisit[],
): readonly SlotChoice[] {
  const { slotQuantile, slotGridMinutes } = house.settings;
  const shares = [...new Set([...QUANTILES, slotQuantile])].toSorted((a, b) => a - b);
  const timeOf = (serviceId: ServiceId): Distribution | undefined => {
    const schedule = figures.services.get(serviceId)?.schedule;
    return schedule?.ok ? schedule.value.roomTime : undefined;
  };
  const rooms = new Map<RoomId, DayVisit[]>();
  for (const visit of day) {
    if (visit.roomId) rooms.set(visit.roomId, [...(rooms.get(visit.roomId) ?? []), visit]);
  }
  return shares.map((quantile): SlotChoice => {
    const slotOf = (serviceId: ServiceId): number => {
      const time = timeOf(serviceId);
      return time ? slotMinutes(time, quantile, slotGridMinutes) : 0;
    };
    let planned = 0;
    const taken = new Map<string, number>();
    for (const { service, roomKind, isAddOn } of needs) {
      const often = isAddOn ? 0 : (visits.get(service.id) ?? 0);
      planned += often;
      taken.set(roomKind, (taken.get(roomKind) ?? 0) + often * slotOf(service.id));
    }
    const fits = capacities.flatMap(({ resource, perDay }) => {
      const minutes = resource.kind === 'room' ? (taken.get(resource.roomKind) ?? 0) : 0;
      return minutes > 0 ? [perDay.reduce((sum, each) => sum + each, 0) / minutes] : [];
    });
    const all = [...taken.values()].reduce((sum, each) => sum + each, 0);
    const rows = [...rooms.values()].map((row) =>
      backToBack(
        row.flatMap(({ need }) => {
          const roomTime = timeOf(need.service.id);
          return roomTime ? [{ roomTime, slotMinutes: slotOf(need.service.id) }] : [];
        }),
        LATE_MINUTES,
      ),
    );
    const late = rows.flatMap((row) => row.late);
    return {
      quantile,
      isChosen: quantile === slotQuantile,
      meanSlot: planned > 0 ? all / planned : 0,
      visitsPerWeek: fits.length > 0 ? planned * Math.min(...fits) : 0,
      shareLate:
        late.length > 0
          ? late.reduce((sum, { chanceLate }) => sum + chanceLate, 0) / late.length
          : 0,
      chanceAfterEnd: 1 - rows.reduce((all, row) => all * (1 - row.chanceAfterEnd), 1),
    };
  });
}
