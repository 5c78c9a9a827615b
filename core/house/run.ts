import type {
  BookingId,
  ChoiceId,
  OptionId,
  MaterialId,
  PersonId,
  ProtocolId,
  RoomId,
  RunEventId,
  RunId,
  ServiceId,
  SoldCourseId,
} from './ids';
import type { ZoneId } from '../zone/zones';
import type { ClientTraits } from './client';
import type { Protocol } from './protocol';
import type { Response } from './question';
import type { VisitKind } from './ways';

/* A visit that is run in the treatment room. */

/** What a run is of: fixed when it begins, whatever becomes of the protocol meanwhile. */
export interface Run {
  readonly id: RunId;
  readonly serviceId: ServiceId;
  readonly protocolId: ProtocolId;
  /** the edition, its blocks written out; it is worked for the guest, and as is decided at the couch */
  readonly protocol: Protocol;
  readonly visitKind: VisitKind;
  readonly slotMinutes: number;
  /** when the tray was begun, ISO 8601 in UTC */
  readonly at: string;
  readonly performedBy?: PersonId;
  readonly roomId?: RoomId;
  /** of the book */
  readonly bookingId?: BookingId;
  /** of which it takes a visit */
  readonly soldCourseId?: SoldCourseId;
  /** what the guest is like */
  readonly client?: Partial<Omit<ClientTraits, 'visitKind'>>;
  /** where findings are seen, by finding */
  readonly seenOn?: Readonly<Record<string, readonly ZoneId[]>>;
  /** what is decided beforehand of what is decided at the couch, by choice */
  readonly decided?: Readonly<Record<string, OptionId>>;
  /** a first name, as the therapist knows the guest */
  readonly guest?: string;
}

/** An answer as it is given: a score, the place of a grade, or a number; a word of a choice; any words. */
export type Answer = number | string;

/** What was seen when something went wrong. */
export const INCIDENT_SIGNS = [
  'redness',
  'whitening',
  'swelling',
  'blisters',
  'burn',
  'cut',
  'pain',
  'dizziness',
  'trouble breathing',
] as const;
export type IncidentSign = (typeof INCIDENT_SIGNS)[number];

/** What was done about it. */
export const INCIDENT_DEEDS = [
  'taken off',
  'rinsed with cool water',
  'neutralised',
  'cooled',
  'dressed',
  'sent to a doctor',
  'emergency services called',
] as const;
export type IncidentDeed = (typeof INCIDENT_DEEDS)[number];

/** Why a visit is not entered. */
export const PUT_AWAY_WHYS = ['nobody-came', 'by-mistake'] as const;
export type PutAwayWhy = (typeof PUT_AWAY_WHYS)[number];

/** What happened, tap by tap. Each has an id made where it happened, so that it counts once. */
interface EventBase {
  readonly id: RunEventId;
  /** when, ISO 8601 in UTC to the millisecond */
  readonly at: string;
  readonly by?: PersonId;
}

export type RunEvent = EventBase &
  /** on which tablet, which leads from then on */
  (
    | { readonly kind: 'began'; readonly on?: string }
    /** another tablet leads from here */
    | { readonly kind: 'led'; readonly on: string }
    /** something of the tray stands ready, or does not after all */
    | { readonly kind: 'readied'; readonly thing: string; readonly isReady: boolean }
    /** an act is over, and the next one begins */
    | { readonly kind: 'done'; readonly act: string }
    /** the act that was over is not: what was pressed too early */
    | { readonly kind: 'undone'; readonly act: string }
    | { readonly kind: 'left-out'; readonly act: string }
    | { readonly kind: 'taken-in'; readonly act: string }
    | {
        readonly kind: 'answered';
        readonly act: string;
        readonly question: string;
        readonly answer: Answer;
        /** what is done, where it is not what the rule says */
        readonly response?: Response;
        readonly reason?: string;
      }
    /** as much was taken of one draw, in the unit of its material */
    | {
        readonly kind: 'took';
        readonly act: string;
        readonly draw: string;
        readonly quantity: number;
        /** by the scale, before and after; else by pumps, drops and packs */
        readonly by?: 'weighed';
      }
    /** what it is taken of lies on the scale, so many grams with its container */
    | {
        readonly kind: 'on-scale';
        readonly act: string;
        readonly draw: string;
        readonly grams: number;
      }
    /** another product was taken for a draw; of the product that was planned, nothing */
    | {
        readonly kind: 'instead';
        readonly act: string;
        readonly draw: string;
        readonly materialId: MaterialId;
      }
    /** a device was set to another value than written: which of the settings of the act, and to what */
    | {
        readonly kind: 'set';
        readonly act: string;
        readonly setting: string;
        readonly value: number;
      }
    /** an act that is done in its least minutes, so that time is won back */
    | { readonly kind: 'shortened'; readonly act: string }
    /** so many passes were gone over the zones of a setting of the act */
    | {
        readonly kind: 'passed';
        readonly act: string;
        readonly setting: string;
        readonly passes: number;
      }
    /** an act that comes later is done now, before what is in hand */
    | { readonly kind: 'moved'; readonly act: string }
    /** an act is done once more */
    | { readonly kind: 'again'; readonly act: string }
    /** what was decided at the couch */
    | { readonly kind: 'decided'; readonly choice: ChoiceId; readonly option: OptionId }
    | { readonly kind: 'noted'; readonly words: string }
    /** the guest buys so many packs; said again it is that many instead */
    | { readonly kind: 'sold'; readonly materialId: MaterialId; readonly quantity: number }
    /** what went wrong, and what was done; nothing of it is ever taken away */
    | {
        readonly kind: 'incident';
        readonly seen: readonly IncidentSign[];
        readonly done: readonly IncidentDeed[];
        readonly words: string;
        /** ISO date on which the guest is asked how it is */
        readonly followUpOn?: string;
      }
    | { readonly kind: 'followed-up'; readonly incident: RunEventId; readonly words: string }
    /** it comes off now, whatever was to come; then the visit goes on */
    | { readonly kind: 'off' }
    /** stop and take off */
    | { readonly kind: 'stopped'; readonly why: string }
    | { readonly kind: 'took-off' }
    | { readonly kind: 'ended' }
    /** the visit is in the log, and what it used in the ledger */
    | { readonly kind: 'entered' }
    /** it is not entered */
    | { readonly kind: 'put-away'; readonly why?: PutAwayWhy }
  );

/** What happened, before it has an id and a moment. */
export type Happening = RunEvent extends infer E
  ? E extends RunEvent
    ? Omit<E, keyof EventBase>
    : never
  : never;

/** Whether nothing is left to do with a run after an event. */
export function closesRun({ kind }: Pick<RunEvent, 'kind'>): boolean {
  return kind === 'entered' || kind === 'put-away';
}

/** An event, and of which run it is. */
export type RunLogEntry = RunEvent & { readonly runId: RunId };
