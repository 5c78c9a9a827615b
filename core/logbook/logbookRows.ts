import { dayOf } from '../days/days';
import type { House } from '../house/house';
import { isSkippedUsually, toldOf, type LogbookVisit } from '../house/logbook';
import type { PersonId, RoomId, ServiceId, TreatmentId } from '../house/ids';
import { isTakingOff } from '../run/answers';
import { isWithinSlot } from './cameOut';

/** What of a visit was other than planned. */
export const DEVIATIONS = ['over', 'stopped', 'off', 'left-out', 'amounts', 'incident'] as const;
export type Deviation = (typeof DEVIATIONS)[number];

/** A visit as a line of the logbook. */
export interface LogbookRow {
  readonly id: TreatmentId;
  readonly at: string;
  /** ISO date by the clocks of the house */
  readonly day: string;
  readonly serviceId: ServiceId;
  readonly service: string;
  readonly guest: string;
  readonly performedBy?: PersonId;
  readonly person: string;
  readonly roomId?: RoomId;
  readonly room: string;
  readonly roomMinutes: number;
  readonly slotMinutes: number;
  readonly deviations: readonly Deviation[];
  readonly isCorrected: boolean;
  /** it was not performed after all */
  readonly isTakenBack: boolean;
  /** all that is searched, in small letters without accents */
  readonly words: string;
}

/** What of a visit was other than planned: too long, stopped, off, left out, amounts, hurt. */
export function deviationsOf(visit: LogbookVisit): Deviation[] {
  const { plan, entry } = visit;
  const isLeftOut = plan.acts.some(
    (act, at) => !isSkippedUsually(act) && (entry.minutes[at] ?? null) === null,
  );
  const is: Readonly<Record<Deviation, boolean>> = {
    over: !isWithinSlot(visit),
    stopped: entry.stopped !== undefined,
    off: entry.answers.some(({ response }) => isTakingOff(response)),
    'left-out': isLeftOut,
    amounts: toldOf(entry).some(
      ({ draw, quantity }) => quantity !== plan.draws[draw]?.quantity.usual,
    ),
    incident: (entry.incidents?.length ?? 0) > 0,
  };
  return DEVIATIONS.filter((each) => is[each]);
}

/** Text as it is looked for: small letters, no accents. */
function plain(text: string): string {
  return text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');
}

type Named = Pick<House, 'services' | 'people' | 'rooms' | 'settings'>;

/** A maker of lines of the logbook; what is gone from the house is called as it was then, or not at all. */
export function logbookRows({
  services,
  people,
  rooms,
  settings,
}: Named): (visit: LogbookVisit, takenBackAt?: string) => LogbookRow {
  const serviceNames = new Map(services.map(({ id, name }) => [id, name]));
  const personNames = new Map(people.map(({ id, name }) => [id, name]));
  const roomNames = new Map(rooms.map(({ id, name }) => [id, name]));
  return (visit, takenBackAt) => {
    const { plan, entry } = visit;
    const { performedBy, roomId, guest = '' } = entry;
    const service = serviceNames.get(plan.serviceId) ?? plan.name;
    const person = (performedBy && personNames.get(performedBy)) ?? '';
    const room = (roomId && roomNames.get(roomId)) ?? '';
    return {
      id: entry.id,
      at: entry.at,
      day: dayOf(new Date(entry.at), settings.timeZone),
      serviceId: plan.serviceId,
      service,
      guest,
      ...(performedBy && { performedBy }),
      person,
      ...(roomId && { roomId }),
      room,
      roomMinutes: entry.roomMinutes,
      slotMinutes: plan.slotMinutes,
      deviations: deviationsOf(visit),
      isCorrected: (entry.corrections?.length ?? 0) > 0,
      isTakenBack: takenBackAt !== undefined,
      words: plain([service, guest, person, room, ...entry.notes].join('\n')),
    };
  };
}

/** What is looked for in the logbook; what is not said does not matter. */
export interface LogbookFilter {
  /** all of these words */
  readonly words?: string;
  readonly serviceId?: ServiceId;
  readonly performedBy?: PersonId;
  readonly roomId?: RoomId;
  /** ISO dates, both included */
  readonly from?: string;
  readonly until?: string;
  readonly deviation?: Deviation;
}

/** The lines that a filter is for, in their order. */
export function foundRows(rows: readonly LogbookRow[], filter: LogbookFilter): LogbookRow[] {
  const words = plain(filter.words ?? '')
    .split(/\s+/)
    .filter(Boolean);
  const { serviceId, performedBy, roomId, from, until, deviation } = filter;
  return rows.filter(
    (row) =>
      words.every((word) => row.words.includes(word)) &&
      (serviceId === undefined || row.serviceId === serviceId) &&
      (performedBy === undefined || row.performedBy === performedBy) &&
      (roomId === undefined || row.roomId === roomId) &&
      (from === undefined || row.day >= from) &&
      (until === undefined || row.day <= until) &&
      (deviation === undefined || row.deviations.includes(deviation)),
  );
}

/** How often each deviation was, the most often first. */
export function wentWrong(
  rows: readonly LogbookRow[],
): readonly { readonly deviation: Deviation; readonly visits: number }[] {
  return DEVIATIONS.map((deviation) => ({
    deviation,
    visits: rows.filter(({ deviations }) => deviations.includes(deviation)).length,
  }))
    .filter(({ visits }) => visits > 0)
    .toSorted((a, b) => b.visits - a.visits);
}
