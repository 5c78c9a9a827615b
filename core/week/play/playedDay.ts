import type { Device } from '../../house/house';
import type { PersonId, RoomId } from '../../house/ids';
import type { VisitPart } from './visitParts';

/** A visit of a day that is played through. Minutes of the day. */
export interface PlayedVisit {
  readonly key: string;
  readonly roomId: RoomId;
  readonly starts: number;
  readonly slotMinutes: number;
  readonly parts: readonly VisitPart[];
  readonly therapistId?: PersonId;
  readonly assistantId?: PersonId;
}

/** What a day is played through with. Minutes of the day. */
export interface PlayedDay {
  readonly visits: readonly PlayedVisit[];
  readonly devices: readonly Pick<Device, 'id' | 'count' | 'heats'>[];
  readonly walkMinutes: number;
  /** when the house closes; nothing where the day has no end */
  readonly closes?: number;
  /** so many minutes count as late */
  readonly lateMinutes: number;
  /** so many minutes a guest may wait for hands */
  readonly waitMinutes: number;
  /** by how much guests come late, drawn from these; nobody does without any */
  readonly guestLateness: readonly number[];
  /** share of guests who do not come */
  readonly noShows: number;
}

/** What visits wait for. */
export const WAITS_FOR = ['room', 'therapist', 'assistant', 'device', 'guest'] as const;
export type WaitsFor = (typeof WAITS_FOR)[number];
export type Waits = Readonly<Record<WaitsFor, number>>;

/** How one visit goes over all runs. Minutes, shares of the runs in which it took place. */
export interface VisitPlayed {
  readonly key: string;
  readonly meanLate: number;
  readonly p90Late: number;
  readonly shareLate: number;
  /** mean minutes waited, by what for */
  readonly waits: Waits;
  /** of that, for hands */
  readonly waitsForHands: number;
  /** share in which the guest waited for hands longer than the house allows */
  readonly shareWaitedTooLong: number;
  /** how often the next one in its room began late because of it */
  readonly shareDelaysNext: number;
  /** mean minutes between its end and the next in its room */
  readonly meanIdle: number;
}

/** A day that was played through. */
export interface DayPlayed {
  readonly runs: number;
  readonly visits: readonly VisitPlayed[];
  readonly meanLate: number;
  readonly p90Late: number;
  readonly shareLate: number;
  readonly waits: Waits;
  /** share of the runs in which somebody left after the house closes, and by how much in the mean of all */
  readonly shareAfterClosing: number;
  readonly meanOvertime: number;
  /** share of the runs in which too few hot towels were ready */
  readonly shareTowelsShort: number;
}
