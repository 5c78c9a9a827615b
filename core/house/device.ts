import type { ZoneId } from '../zone/zones';
import type { DeviceId, PersonId } from './ids';

/** What a device does that can hurt. */
export const HAZARDS = [
  'heat',
  'cold',
  'light',
  'needles',
  'current',
  'radio-frequency',
  'ultrasound',
  'suction',
  'steam',
] as const;
export type Hazard = (typeof HAZARDS)[number];

export const SETTING_KINDS = [
  'depth',
  'energy',
  'pulse',
  'suction',
  'needle-count',
  'frequency',
  'temperature',
  'intensity',
] as const;
export type SettingKind = (typeof SETTING_KINDS)[number];

/** Something that is set on a device, within the limits of the house. */
export interface DeviceSetting {
  readonly kind: SettingKind;
  readonly unit: string;
  readonly least: number;
  readonly most: number;
  /** which way is gentler: where a value is not known, it begins there */
  readonly safer: 'less' | 'more';
}

/** What a device costs to own; money in minor units. */
export interface DeviceEconomics {
  readonly priceMinor: number;
  /** what it still brings when it goes */
  readonly resaleMinor: number;
  /** how much work it does before it goes */
  readonly life: { readonly amount: number; readonly unit: 'uses' | 'minutes' };
  readonly servicePerYearMinor: number;
  readonly usesPerYear: number;
}

/** The most that a device is used on one guest. */
export interface DeviceLimits {
  readonly minutesPerVisit?: number;
  /** over the same skin, all layers together */
  readonly passesPerVisit?: number;
  readonly visitsPerYear?: number;
}

/** A machine of the house, or several alike. */
export interface Device {
  readonly id: DeviceId;
  readonly name: string;
  /** how many of them the house has */
  readonly count: number;
  readonly hazards: readonly Hazard[];
  readonly settings: readonly DeviceSetting[];
  /** where it is never used */
  readonly neverZones: readonly ZoneId[];
  /** everybody in the room covers their eyes */
  readonly eyeProtection: boolean;
  /** who may work with it; everybody when nobody is named */
  readonly trainedIds: readonly PersonId[];
  /** how far it goes with one guest; more is not said than is known */
  readonly limits?: DeviceLimits;
  /** where the maker's instructions are filed */
  readonly sheet?: string;
  /** how long it warms up before it can be worked with */
  readonly warmMinutes?: number;
  /** hot towels that one of them keeps ready at a time, and how long new ones take */
  readonly heats?: { readonly pieces: number; readonly minutes: number };
  /** of one of them; its use costs nothing where this is not told */
  readonly economics?: DeviceEconomics;
  /** ISO date from which it is offered no more where something is chosen */
  readonly archivedOn?: string;
}

/** The gentlest value of a setting within the limits of the house. */
export function gentlest(setting: DeviceSetting): number {
  return setting.safer === 'less' ? setting.least : setting.most;
}
