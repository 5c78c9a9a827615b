import type { Amount } from './amount';
import type { Hands, Phase, Stretch } from './actions';
import type { ClientTraits } from './client';
import type {
  BookingId,
  DoseId,
  EntryId,
  KitPartId,
  LogbookPlanId,
  MaterialId,
  PersonId,
  ProtocolId,
  RoomId,
  RunEventId,
  ServiceId,
  StepId,
  TreatmentId,
} from './ids';
import type { Minutes } from './protocol';
import type { SettingKind } from './device';
import type { Response } from './question';
import type { ZoneId } from '../zone/zones';
import type { Answer } from './run';
import type { Triple } from '../quantity/triple';
import type { VisitKind } from './ways';

/* The logbook: what a visit was to be, and what it was. It outlives protocols, prices and people. */

/** Something that was done beside an act, and how long it was to take. */
export interface PlannedBeside {
  readonly stepId: StepId;
  readonly minutes: Minutes;
  /** the doses that are its own and not those of the act */
  readonly doseIds?: readonly DoseId[];
}

/** What a device was to be set to on some zones: a number, or from one to another. */
export interface PlannedSetting {
  readonly zones: readonly ZoneId[];
  readonly kind: SettingKind;
  readonly low: number;
  readonly high: number;
}

/** One thing that was to be done, each layer, wait and half for itself. */
export interface PlannedAct {
  /** as the run calls it */
  readonly id: string;
  /** nothing for a wait between layers and for a test spot */
  readonly stepId?: StepId;
  readonly name: string;
  readonly stretch: Stretch;
  readonly phase?: Phase;
  readonly hands?: Hands;
  /** counted from 1 */
  readonly layer?: number;
  readonly minutes: Minutes;
  readonly beside?: readonly PlannedBeside[];
  readonly settings?: readonly PlannedSetting[];
  /** only done if needed, and what is usual */
  readonly ifNeeded?: 'done' | 'left-out';
}

/** What one act was to take of one material. */
export interface PlannedDraw {
  /** the place of its act */
  readonly act: number;
  readonly doseId: DoseId;
  readonly materialId: MaterialId;
  readonly part?: KitPartId;
  /** in the unit of the material; of a kit, boxes */
  readonly quantity: Triple;
  /** as it was said, where one dose of one material was; nothing for what taking off, gloves and mixes take */
  readonly amount?: Amount;
}

/** What a visit was to be. Visits of the same writing for the same kind of guest share it. */
export interface LogbookPlan {
  readonly id: LogbookPlanId;
  readonly serviceId: ServiceId;
  readonly protocolId: ProtocolId;
  /** as it was called then */
  readonly name: string;
  readonly visitKind: VisitKind;
  readonly slotMinutes: number;
  /** share of visits that the slot was to hold */
  readonly promised: number;
  readonly acts: readonly PlannedAct[];
  readonly draws: readonly PlannedDraw[];
}

/** How an amount is known that was another than planned. */
export type ToldBy = 'counted' | 'weighed';

/** An amount that was told. */
export interface ToldAmount {
  /** the place among the draws of the plan */
  readonly draw: number;
  /** in the unit of the material */
  readonly quantity: number;
  readonly by: ToldBy;
  /** of another product than planned, in its unit */
  readonly instead?: MaterialId;
}

/** What a device was set to where it was not as written. */
export interface LoggedSetting {
  /** the place of its act */
  readonly act: number;
  readonly zones: readonly ZoneId[];
  readonly kind: SettingKind;
  readonly unit: string;
  /** as written */
  readonly low: number;
  readonly high: number;
  readonly was: number;
}

/** How often a device went over some zones, where it was counted. */
export interface LoggedPasses {
  /** the place of its act */
  readonly act: number;
  readonly zones: readonly ZoneId[];
  readonly planned: number;
  readonly done: number;
}

/** What was answered when it was asked. */
export interface LoggedAnswer {
  /** the place of its act */
  readonly act: number;
  readonly ask: string;
  readonly answer: Answer;
  /** what was done */
  readonly response: Response;
  /** what the rule says, where that is something else, and why it was not followed */
  readonly rule?: Response;
  readonly reason?: string;
}

/** A product that a guest bought after the visit. */
export interface SoldProduct {
  readonly materialId: MaterialId;
  /** packs */
  readonly quantity: number;
}

/** What a visit used cost: as it was expected to, and as it came out, by the prices of that day; minor units. */
export interface LoggedCost {
  readonly expected: Triple;
  readonly came: number;
}

/** A correction of what stands in the logbook. What stood there stays. */
export interface LogbookCorrection {
  readonly id: EntryId;
  /** ISO 8601 in UTC */
  readonly at: string;
  readonly by?: PersonId;
  readonly why: string;
  /** what was told is this instead */
  readonly told?: readonly ToldAmount[];
}

/** A visit as it was: its id is that of the treatment in the log. */
export interface LogbookEntry {
  readonly id: TreatmentId;
  readonly planId: LogbookPlanId;
  /** when the room was taken, ISO 8601 in UTC */
  readonly at: string;
  readonly performedBy?: PersonId;
  readonly roomId?: RoomId;
  readonly bookingId?: BookingId;
  /** when the book had it, ISO 8601 in UTC */
  readonly bookedAt?: string;
  readonly guest?: string;
  readonly client?: Partial<Omit<ClientTraits, 'visitKind'>>;
  /** until the room was free */
  readonly roomMinutes: number;
  /** of each act of the plan; null for what was left out */
  readonly minutes: readonly (number | null)[];
  /** what was told; all else was as planned, where it was done */
  readonly told: readonly ToldAmount[];
  /** acts that were done more than once: their places, and how often in all */
  readonly repeated?: readonly { readonly act: number; readonly times: number }[];
  readonly settings?: readonly LoggedSetting[];
  readonly passes?: readonly LoggedPasses[];
  readonly answers: readonly LoggedAnswer[];
  readonly notes: readonly string[];
  /** at what it was stopped */
  readonly stopped?: string;
  readonly incidents?: readonly RunEventId[];
  /** the share of forecasts that lie below what it took (R2, at the beginning) */
  readonly fell: number;
  readonly cost?: LoggedCost;
  readonly sold?: readonly SoldProduct[];
  readonly corrections?: readonly LogbookCorrection[];
}

/** A visit with what it was to be. */
export interface LogbookVisit {
  readonly plan: LogbookPlan;
  readonly entry: LogbookEntry;
}

/** What is told of amounts in the end: the last that was said of each. */
export function toldOf({ told, corrections = [] }: LogbookEntry): readonly ToldAmount[] {
  const last = new Map(told.map((each) => [each.draw, each]));
  for (const correction of corrections)
    for (const each of correction.told ?? []) last.set(each.draw, each);
  return [...last.values()];
}

/** Whether an act is not done as a rule. */
export function isSkippedUsually({ ifNeeded }: Pick<PlannedAct, 'ifNeeded'>): boolean {
  return ifNeeded === 'left-out';
}
