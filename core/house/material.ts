import type { CareFacts } from './careFacts';
import type { Calibrated, Measures } from '../quantity/measures';
import type { BaseUnit } from '../quantity/unit';
import type { KitPartId, MaterialId, PackId, SupplierId } from './ids';
import type { LinenLoop, MaterialRestock } from './restock';

/** Less is paid for each pack from so many packs in one order. */
export interface DiscountBreak {
  readonly fromPacks: number;
  readonly discount: number;
}

/** One way of buying a material: a pack at a supplier. */
export interface Pack {
  readonly id: PackId;
  readonly supplierId: SupplierId;
  /** the supplier's article number */
  readonly code?: string;
  /** tubs, bottles, sachets or fruits in what is bought */
  readonly containers: number;
  /** of the material's unit, in one container; 1 for fresh goods, which are bought by the piece */
  readonly content: number;
  /** for all containers together */
  readonly priceMinor: number;
  readonly discount: number;
  readonly breaks?: readonly DiscountBreak[];
  readonly freightMinor: number;
  readonly unrecoveredTaxMinor: number;
  /** share that cannot be got out of a container */
  readonly residual: number;
  /** of an empty container with its lid, for counting by weight */
  readonly tareG?: number;
  /** packs that must be ordered at once */
  readonly leastPacks?: number;
  /** the supplier's lead time unless given */
  readonly leadTimeDays?: number;
  readonly leadTimeSdDays?: number;
}

/** As makers print it: months first. */
export const KEEPS_UNITS = ['months', 'weeks', 'days', 'hours'] as const;
export type KeepsUnit = (typeof KEEPS_UNITS)[number];

/** How long something keeps. */
export interface Keeps {
  readonly amount: number;
  readonly unit: KeepsUnit;
}

interface MaterialBase {
  readonly id: MaterialId;
  readonly name: string;
  readonly unit: BaseUnit;
  readonly measures: Measures;
  readonly care?: CareFacts;
  /** where it stands: a shelf, a trolley, a cupboard */
  readonly keptAt?: string;
  /** ISO date since which it is no longer offered for new work */
  readonly archivedOn?: string;
}

interface Bought extends MaterialBase {
  /** at least one */
  readonly packs: readonly Pack[];
  /** the pack that costs and reorder points are worked out with */
  readonly preferredPackId: PackId;
  /** days that a new pack keeps closed, where the lot does not say */
  readonly sealedDays?: number;
  readonly restock?: MaterialRestock;
}

/** Dispensed by hand from a tub, bottle or tube. */
export interface BackBarMaterial extends Bought {
  readonly kind: 'back-bar';
  /** period after opening (PAO); without it an open container keeps as long as a sealed one */
  readonly openLife?: Keeps;
}

/** Opened whole: sachet, ampoule, capsule, sheet. */
export interface SingleDoseMaterial extends Bought {
  readonly kind: 'single-dose';
}

/** Used up by the piece: pads, gloves, film. */
export interface ConsumableMaterial extends Bought {
  readonly kind: 'consumable';
  /** stated once for the client, or for everybody in the room (D5) */
  readonly countedPer: 'client' | 'person';
  /** worn where a step asks for gloves; how many pieces make a pair */
  readonly gloves?: { readonly kind: 'plain' | 'sterile'; readonly perPair: 1 | 2 };
}

/** A tip, blade or cartridge of a device, used on one client and never again. */
export interface DevicePartMaterial extends Bought {
  readonly kind: 'device-part';
  readonly sterility: 'sterile' | 'clean';
}

/** Bought by the piece and good for hours or days: an orange gives so many ml. */
export interface FreshMaterial extends Bought {
  readonly kind: 'fresh';
  /** what one piece gives, in the material's unit */
  readonly yieldPerPiece: Calibrated;
  /** whole */
  readonly keeps: Keeps;
  /** once it is cut */
  readonly openLife: Keeps;
}

/** Sold or given to the client to take home: home kit, sample. */
export interface RetailMaterial extends Bought {
  readonly kind: 'retail';
  /** what it is sold for, where it is */
  readonly retailPriceMinor?: number;
}

/** Something in the box of a kit. */
export interface KitPart {
  readonly id: KitPartId;
  readonly name: string;
  /** in one box */
  readonly amount: number;
  readonly unit: BaseUnit;
  readonly measures: Measures;
}

/** One article that holds different things, opened as one: a box of sachets, ampoules and a sheet. */
export interface KitMaterial extends Bought {
  readonly kind: 'kit';
  /** at least one */
  readonly parts: readonly KitPart[];
  /** of one guest, for which one box lasts; one unless given */
  readonly forVisits?: number;
  /** what becomes of what is not used */
  readonly leftOver: 'lost' | 'goes-home';
}

/** Goes round the laundry: a loop of washes, not a use. */
export interface LinenMaterial extends MaterialBase {
  readonly kind: 'linen';
  readonly laundry: {
    readonly washMinor: number;
    readonly replacementMinor: number;
    readonly washesInLife: number;
  };
  readonly loop?: LinenLoop;
}

/** What is used up, bought in packs and kept in stock. */
export type BoughtMaterial =
  | BackBarMaterial
  | SingleDoseMaterial
  | ConsumableMaterial
  | DevicePartMaterial
  | FreshMaterial
  | RetailMaterial
  | KitMaterial;

export type Material = BoughtMaterial | LinenMaterial;
export type MaterialKind = Material['kind'];
