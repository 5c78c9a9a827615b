import type { Amount } from './amount';
import type { MaterialId } from './ids';
import type { Condition, Season } from './traits';
import type { ComparedWith, DayPart } from './ways';

/* What happens before and after a visit, and what it asks to be minded. */

export type CautionLevel = 'stop' | 'refer' | 'take-care';

/** A caution that somebody of the house added, and the usual ones taken off with a reason. */
export interface OwnCautions {
  readonly added: readonly {
    readonly level: CautionLevel;
    readonly text: string;
    readonly why: string;
  }[];
  readonly removed: readonly { readonly ruleId: string; readonly reason: string }[];
}

/** A length of time outside the treatment room. */
export interface Lasting {
  readonly amount: number;
  /** from `amount` to this */
  readonly upTo?: number;
  readonly unit: 'hours' | 'days' | 'weeks';
}

/** What the client uses at home after the visit; the order of the list is the order of use. */
export interface HomeUse {
  readonly materialId: MaterialId;
  /** each time */
  readonly amount: Amount;
  readonly at: readonly DayPart[];
  readonly for: Lasting;
  /** how, in words */
  readonly how?: string;
}

/** What is looked at again, and beside what. */
export interface Compared {
  readonly what: string;
  readonly beside: ComparedWith;
  /** how long after the visit; in it unless given */
  readonly after?: Lasting;
}

/** What is recommended to buy. */
export interface Recommended {
  readonly materialId: MaterialId;
  /** the finding that it is for; for everybody unless given */
  readonly finding?: Condition;
  /** expected share of guests who buy it */
  readonly takeUp: number;
}

/** What happens before and after the visit. */
export interface Around {
  /** at home, from so long before */
  readonly before: readonly { readonly what: string; readonly from: Lasting }[];
  /** what the client takes off at home, and after how long */
  readonly takeOff?: { readonly what: string; readonly after: Lasting };
  readonly avoid: readonly { readonly what: string; readonly for: Lasting }[];
  readonly expect: readonly { readonly what: string; readonly when: string }[];
  readonly call: readonly string[];
  /** what is looked at again to see what it did */
  readonly compares?: readonly Compared[];
  /** at home afterwards, product by product */
  readonly home?: readonly HomeUse[];
  readonly recommends?: readonly Recommended[];
  readonly spacing?: {
    readonly leastDays: number;
    readonly mostPerYear?: number;
    /** of a course, and the days between maintenance visits after it */
    readonly visits?: number;
    readonly thenEveryDays?: number;
    readonly mostDays?: number;
    /** seasons in which it is not done */
    readonly notIn?: readonly Season[];
  };
}
