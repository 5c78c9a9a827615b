import type { Phase } from './actions';
import type { OwnFinding } from './traits';
import type { OpenHours, WeekSettings } from './hours';
import type { NamedAmount } from '../quantity/measures';
import type { PurchaseTax } from './supplier';
import type { RestockSettings } from './restock';
import type { Spoons } from '../quantity/unit';
import type { RestRule } from './rests';
import type { HouseRule } from './houseRule';
import type { OwnTechnique } from './technique';
import type { FacePart, ZoneId } from '../zone/zones';
import type { ZoneSet } from '../zone/zoneSets';

/** Parts of a zone, each with its share of it. */
export type ZoneShares = Readonly<Partial<Record<ZoneId, number>>>;

/** How a therapist's time is charged to a service. */
export type TherapistCharge = 'attended' | 'slot';

/** How the charged price is taken from the computed one. */
export interface PriceEndings {
  /** the endings repeat every so many minor units */
  readonly everyMinor: number;
  /** the allowed values within one repeat, each 0 <= e < everyMinor */
  readonly endingsMinor: readonly number[];
  readonly rounding: 'up' | 'nearest';
}

/** A start for houses that have not said how much minutes and amounts go either way. */
export const USUAL_SPREAD = 0.2;

/** How much slower or quicker guests and hands are as a whole, until the house knows better. @see T7 */
const USUAL_PACE_SPREAD = 0.06;

/** The spread of the pace of visits, as a share; the usual one where the house has said none. @see T7 */
export function paceSpreadOf({ paceSpread }: Pick<HouseSettings, 'paceSpread'>): number {
  return paceSpread ?? USUAL_PACE_SPREAD;
}

/** What people of one grade are paid. */
export interface Grade {
  readonly name: string;
  readonly hourlyPayMinor: number;
  /** the employer's cost on top; the house's unless given */
  readonly onCost?: number;
}

/** Something that the log taught and that was declined: it is not told again until it has grown. */
export interface DeclinedLesson {
  /** of the lesson */
  readonly key: string;
  /** ISO date */
  readonly on: string;
  readonly why: string;
  /** how far it went then, relative to what is written */
  readonly size: number;
}

/** What holds for the whole house. Shares are parts of 1, money is in minor units. */
export interface HouseSettings {
  readonly name: string;
  readonly place: string;
  /** a house of invented people to look around in, and nobody's own */
  readonly isDemonstration?: boolean;
  /** IANA name: a day, an opening hour, a delivery day are by its clocks */
  readonly timeZone: string;
  /** BCP 47 tag by which numbers and dates are written and read; each reader's own where it is not said */
  readonly locale?: string;
  /** ISO 4217 code */
  readonly currency: string;
  readonly spoons: Spoons;
  readonly referenceClient: { readonly heightCm: number; readonly weightKg: number };
  /** whom "a small build" and "a large build" mean */
  readonly builds: Readonly<
    Record<'small' | 'large', { readonly heightCm: number; readonly weightKg: number }>
  >;
  /** house estimates of the anterior trunk's parts, as percent of the body surface */
  readonly trunkPercent: { readonly decollete: number; readonly abdomen: number };
  /** house estimates of the parts of the face, as shares of the face; they sum to 1 */
  readonly faceShares: Readonly<Record<FacePart, number>>;
  /** of other zones, shares of their parts where the house estimates them otherwise; those of a zone sum to 1 */
  readonly zoneShares?: Readonly<Partial<Record<ZoneId, ZoneShares>>>;
  /** places that go by a name of the house */
  readonly ownZones?: readonly ZoneSet[];
  /** what is looked for under the lamp besides the usual */
  readonly findings?: readonly OwnFinding[];
  /** what holds in all protocols */
  readonly rules?: readonly HouseRule[];
  /** between different treatments of one guest; the usual ones unless given */
  readonly rests?: readonly RestRule[];
  /** ways of working that the house uses often */
  readonly techniques?: readonly OwnTechnique[];
  /** bowls, cups and jars that are filled to a mark, of whatever it is */
  readonly vessels?: readonly NamedAmount[];
  /** share of a coat that stays on hands and tools */
  readonly handlingLoss: number;
  readonly coatMgPerCm2: {
    readonly thin: number;
    readonly standard: number;
    readonly generous: number;
  };
  /** by how much minutes and amounts usually go either way, as a share; `USUAL_SPREAD` where it is not said */
  readonly usualSpread?: number;
  /**
   * by how much guests and hands are slower or quicker as a whole: the standard deviation of a visit's pace, as a
   * share; see `paceSpreadOf`
   */
  readonly paceSpread?: number;
  readonly slotGridMinutes: number;
  /** the share of visits that must fit in the slot */
  readonly slotQuantile: number;
  readonly therapistCharge: TherapistCharge;
  readonly grades?: readonly Grade[];
  /** employer's cost on top of pay */
  readonly onCost: number;
  /** whether what expires open is left out of what a visit costs; it is counted unless said */
  readonly withoutExpired?: true;
  /** share of paid time that can be booked */
  readonly bookableShare: number;
  readonly roomCost: {
    readonly fixedPerMonthMinor: number;
    readonly openDaysPerMonth: number;
    readonly openHoursPerDay: number;
    readonly occupancy: number;
  };
  /** when somebody can come; the week is not counted before it is said */
  readonly openHours?: OpenHours;
  /** how weeks are planned; see `USUAL_WEEK` */
  readonly week?: WeekSettings;
  readonly vat: number;
  /** how prices of what is bought are typed; as they are paid in the end unless said */
  readonly purchaseTax?: PurchaseTax;
  readonly commission: number;
  readonly cardFee: number;
  readonly targetMargin: number;
  /** what a room should bring in an hour, as contribution, in minor units */
  readonly targetPerRoomHourMinor?: number;
  readonly priceEndings: PriceEndings;
  readonly serviceLevel: number;
  /** days of demand that the house buys at once, for comparing packs */
  readonly orderDays: number;
  readonly restock: RestockSettings;
  /** where minutes are won back first in the room, the least harm in front; the usual order unless said */
  readonly givesFirst?: readonly Phase[];
  readonly declinedLessons?: readonly DeclinedLesson[];
}
