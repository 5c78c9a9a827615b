/** Minutes of a day by the clocks of the house: from 0 to 1440, and it ends after it begins. */
export interface Span {
  readonly from: number;
  readonly to: number;
}

/** What holds on each day of a week, Monday first; seven of them, each in the order of the day. */
export type WeekOfSpans = readonly (readonly Span[])[];

/** Days on which the house is open at other times than usual: a holiday, a fair, the short season. */
export interface OtherHours {
  /** ISO dates, both included */
  readonly from: string;
  readonly to: string;
  readonly name: string;
  /** closed without any */
  readonly spans: readonly Span[];
}

/** A part of every year in which other hours hold. Days of the year (MM-DD), both included; it may lie over New Year. */
export interface HoursSeason {
  readonly name: string;
  readonly from: string;
  readonly to: string;
  readonly week: WeekOfSpans;
}

/** When the house is open. */
export interface OpenHours {
  readonly week: WeekOfSpans;
  /** of several that a day lies in, the first */
  readonly seasons?: readonly HoursSeason[];
  readonly otherwise?: readonly OtherHours[];
}

/** Who works when in one week that is not as usual. */
export interface RosteredWeek {
  /** ISO date of its Monday */
  readonly monday: string;
  readonly days: WeekOfSpans;
}

/** Days on which somebody does not work at all, both included. */
export interface Away {
  readonly from: string;
  readonly to: string;
  readonly why?: string;
}

/** When somebody works. What lies between two spans of a day is a break. */
export interface WorkHours {
  readonly usually: WeekOfSpans;
  /** of several that a day lies in, the first */
  readonly seasons?: readonly HoursSeason[];
  readonly weeks?: readonly RosteredWeek[];
  readonly away?: readonly Away[];
}

/** How a house plans its weeks. Shares are parts of 1. */
export interface WeekSettings {
  /** of the open time of rooms and devices, the part that visits can fill */
  readonly roomShare: number;
  /** minutes that it takes to walk from one room to another */
  readonly walkMinutes: number;
  /** so many minutes a guest may wait for hands */
  readonly waitMinutes: number;
}

/** How a house plans its weeks until it says otherwise. */
export const USUAL_WEEK: WeekSettings = { roomShare: 0.8, walkMinutes: 2, waitMinutes: 3 };
