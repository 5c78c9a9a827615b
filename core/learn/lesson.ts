import type {
  DoseId,
  MaterialId,
  PersonId,
  ProtocolId,
  ServiceId,
  StepId,
  TreatmentId,
} from '../house/ids';
import type { Minutes } from '../house/house';
import type { PlannedSetting } from '../house/logbook';
import type { CountedMeasure } from '../quantity/measures';
import type { Triple } from '../quantity/triple';
import type { Weekday } from '../days/days';
import type { GuestKind } from './cause';
import type { SeenShare } from './wilson';

/** A value in the picture of a lesson. */
export interface LessonPoint {
  readonly visit: TreatmentId;
  readonly at: string;
  readonly value: number;
  readonly by?: PersonId;
  /** it is one of those that the lesson is told by */
  readonly counts: boolean;
}

/** To whom or what a difference goes back, as far as the log can tell. */
export type LessonCause =
  | { readonly is: 'everybody' }
  | { readonly is: 'person'; readonly personId: PersonId }
  | { readonly is: 'kind'; readonly kind: GuestKind }
  | { readonly is: 'since'; readonly visit: TreatmentId; readonly at: string };

/** What a person's visits come to; pulled towards the house by their number. @see L1 */
export interface LessonPerson {
  readonly personId: PersonId;
  readonly n: number;
  readonly mean: number;
  readonly pulled: number;
}

/** What is measured in a lesson about figures, and how it differs. */
export interface Measured {
  readonly cause: LessonCause;
  /** visits that it is told by */
  readonly n: number;
  readonly mean: number;
  /** 95 % of the mean */
  readonly low: number;
  readonly high: number;
  /** standard errors away from what is written */
  readonly errors: number;
  /** the first visit that drifts out of its limits (L4) */
  readonly firstOutside?: TreatmentId;
  readonly points: readonly LessonPoint[];
  readonly people: readonly LessonPerson[];
}

/** What the log teaches about one thing. */
export type LessonAbout =
  /** a step takes other minutes than written */
  | {
      readonly kind: 'minutes';
      readonly protocolId: ProtocolId;
      readonly stepId: StepId;
      readonly written: Minutes;
      readonly proposed: Minutes;
      /** it would stay longer than it may: the work must change and not the writing */
      readonly isPastCap?: true;
      readonly measured: Measured;
    }
  /** a dose is another amount than written; values are shares of what was planned */
  | {
      readonly kind: 'amount';
      readonly protocolId: ProtocolId;
      readonly stepId: StepId;
      readonly doseId: DoseId;
      readonly materialId: MaterialId;
      /** in the unit of the material */
      readonly written: Triple;
      /** what is written, times so much (L1) */
      readonly factor: number;
      /** of the visits, those in which the amount was told */
      readonly told: number;
      readonly measured: Measured;
    }
  /** one pump, drop, spray gives something else than the shelf says */
  | {
      readonly kind: 'measure';
      readonly materialId: MaterialId;
      readonly measure: CountedMeasure;
      readonly factor: number;
      readonly measured: Measured;
    }
  /** a device is set otherwise than written; values are shares of the middle of what is written */
  | {
      readonly kind: 'setting';
      readonly protocolId: ProtocolId;
      readonly stepId: StepId;
      readonly setting: PlannedSetting;
      readonly measured: Measured;
    }
  /** everything of a material is used otherwise since a day: another batch of it */
  | {
      readonly kind: 'batch';
      readonly materialId: MaterialId;
      readonly factor: number;
      readonly measured: Measured;
    }
  /** the slot does not hold what it promises (L3) */
  | {
      readonly kind: 'slot';
      readonly serviceId: ServiceId;
      /** only on this day of the week */
      readonly weekday?: Weekday;
      readonly slotMinutes: number;
      readonly promised: number;
      readonly held: SeenShare;
    }
  /** what is only done if needed is needed otherwise than usually */
  | {
      readonly kind: 'if-needed';
      readonly protocolId: ProtocolId;
      readonly stepId: StepId;
      readonly usually: 'done' | 'left-out';
      readonly done: SeenShare;
    }
  /** guests buy more or less often than expected */
  | {
      readonly kind: 'take-up';
      readonly protocolId: ProtocolId;
      readonly materialId: MaterialId;
      readonly expected: number;
      readonly bought: SeenShare;
    }
  /** visits are slower and quicker as a whole by another spread (T7) */
  | {
      readonly kind: 'pace';
      readonly written: number;
      readonly seen: number;
      readonly proposed: number;
      readonly visits: number;
    };

/** A lesson: what it is about, how far it goes, and how sure it is. */
export interface Lesson {
  /** the same for as long as it is about the same */
  readonly key: string;
  readonly about: LessonAbout;
  /** relative: 0.25 is a quarter more or less than written */
  readonly size: number;
  readonly sure: 'sure' | 'likely';
}

/** How many standard errors make a lesson sure. */
export const SURE_ERRORS = 6;

/** Figures of a lesson are written down to so many places. */
export function written(value: number, places: number): number {
  const per = 10 ** places;
  return Math.round(value * per) / per;
}
