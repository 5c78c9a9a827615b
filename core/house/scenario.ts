import type { Phase } from './actions';
import type { Amount } from './amount';
import type { Weekday } from '../days/days';
import type { Span } from './hours';
import type { RoomKind } from './room';
import type {
  ChangeId,
  DeviceId,
  MaterialId,
  PackId,
  PersonId,
  ProtocolId,
  RoomId,
  ScenarioId,
  ServiceId,
  SupplierId,
} from './ids';
import type { HouseSettings } from './settings';

/** Figures of the house that a scenario may set; shares are parts of 1, money is in minor units. */
export const TRIED_SETTINGS = [
  'vat',
  'commission',
  'cardFee',
  'onCost',
  'bookableShare',
  'targetMargin',
  'targetPerRoomHourMinor',
  'occupancy',
  'fixedPerMonthMinor',
  'openDaysPerMonth',
  'openHoursPerDay',
] as const;
export type TriedSetting = (typeof TRIED_SETTINGS)[number];

/** How much of another material is drawn. */
export type SwapAmount = Extract<Amount, { how: 'measured' | 'packs' }>;

/** One thing that a scenario has otherwise than the house. */
export type Change = { readonly id: ChangeId } & (
  | { readonly kind: 'setting'; readonly setting: TriedSetting; readonly to: number }
  | {
      readonly kind: 'charge';
      readonly to: HouseSettings['therapistCharge'];
    }
  /** of one person, or of everybody; a share of what it is */
  | { readonly kind: 'pay'; readonly personId?: PersonId; readonly byShare: number }
  /** everything a supplier sells; a share of what it costs */
  | { readonly kind: 'supplier'; readonly supplierId: SupplierId; readonly byShare: number }
  | {
      readonly kind: 'pack-price';
      readonly materialId: MaterialId;
      readonly packId: PackId;
      readonly priceMinor: number;
      /** as it is unless given */
      readonly discount?: number;
      readonly freightMinor?: number;
    }
  /** bought in another pack */
  | { readonly kind: 'pack'; readonly materialId: MaterialId; readonly packId: PackId }
  /** drawn instead, everywhere or in one protocol */
  | {
      readonly kind: 'swap';
      readonly from: MaterialId;
      readonly to: MaterialId;
      /** as a recipe may also say it */
      readonly amount: SwapAmount;
      readonly protocolId?: ProtocolId;
    }
  /** longer or shorter, by minutes, in every step of a phase */
  | {
      readonly kind: 'minutes';
      readonly phase: Phase;
      readonly byMinutes: number;
      readonly protocolId?: ProtocolId;
    }
  /** worked by another edition; by the draft where none is given */
  | { readonly kind: 'edition'; readonly serviceId: ServiceId; readonly edition?: number }
  | { readonly kind: 'price'; readonly serviceId: ServiceId; readonly grossMinor: number }
  | { readonly kind: 'visits'; readonly serviceId: ServiceId; readonly visitsPerWeek: number }
  /** somebody works at other hours on a day of every week, 1 being Monday */
  | {
      readonly kind: 'work-hours';
      readonly personId: PersonId;
      readonly weekday: Weekday;
      readonly spans: readonly Span[];
    }
  /** the house is open at other hours on a day of every week */
  | { readonly kind: 'open-hours'; readonly weekday: Weekday; readonly spans: readonly Span[] }
  /** somebody more, who may do and earns the same as one who is there, at the same hours */
  | {
      readonly kind: 'hire';
      readonly likeId: PersonId;
      readonly newId: PersonId;
      readonly name: string;
    }
  | {
      readonly kind: 'room';
      readonly newId: RoomId;
      readonly name: string;
      readonly roomKind: RoomKind;
    }
  | { readonly kind: 'device-count'; readonly deviceId: DeviceId; readonly count: number }
);
export type ChangeKind = Change['kind'];

/** Changes that are tried together without touching the house. */
export interface Scenario {
  readonly id: ScenarioId;
  readonly name: string;
  readonly note?: string;
  readonly changes: readonly Change[];
  /** what of it became the house, and when: it is no change any more */
  readonly adopted?: readonly AdoptedChanges[];
}

/** Changes that became the house. */
export interface AdoptedChanges {
  /** ISO date */
  readonly on: string;
  readonly changes: readonly Change[];
}
