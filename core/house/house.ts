import type { BaseUnit, StatedUnit } from '../quantity/unit';
import type { CountedMeasure, Measures } from '../quantity/measures';
import type { Triple } from '../quantity/triple';
import type { ZoneId } from '../zone/zones';
import type {
  DoseId,
  LayerGroupId,
  MaterialId,
  MixId,
  PersonId,
  ProtocolId,
  RoomId,
  ServiceId,
  StepId,
  SupplierId,
} from './ids';
import type { HouseSettings } from './settings';

export interface Room {
  readonly id: RoomId;
  readonly name: string;
  readonly kind: 'dry' | 'wet';
}

export type Role = 'therapist' | 'assistant';

export interface Person {
  readonly id: PersonId;
  readonly name: string;
  readonly role: Role;
  readonly hourlyPayMinor: number;
}

export interface Supplier {
  readonly id: SupplierId;
  readonly name: string;
  readonly leadTimeDays: number;
  readonly leadTimeSdDays: number;
  /** days between looks at the shelf; 0 is a continuous review */
  readonly reviewDays: number;
}

/** How a material is bought. */
export interface Pack {
  /** tubs, bottles or sachets in what is bought */
  readonly containers: number;
  /** of the material's unit, in one container */
  readonly content: number;
  /** for all containers together */
  readonly priceMinor: number;
  readonly discount: number;
  readonly freightMinor: number;
  readonly unrecoveredTaxMinor: number;
  /** share that cannot be got out of a container */
  readonly residual: number;
}

interface MaterialBase {
  readonly id: MaterialId;
  readonly name: string;
  readonly unit: BaseUnit;
  readonly measures: Measures;
}

interface Bought extends MaterialBase {
  readonly supplierId: SupplierId;
  readonly pack: Pack;
}

/** Dispensed by hand from a tub, bottle or tube. */
export interface BackBarMaterial extends Bought {
  readonly kind: 'back-bar';
}

/** Opened whole: sachet, ampoule, capsule, sheet. */
export interface SingleDoseMaterial extends Bought {
  readonly kind: 'single-dose';
}

/** Used up by the piece: pads, gloves, film. */
export interface ConsumableMaterial extends Bought {
  readonly kind: 'consumable';
}

/** Goes round the laundry: a loop of washes, not a use. */
export interface LinenMaterial extends MaterialBase {
  readonly kind: 'linen';
  readonly laundry: {
    readonly washMinor: number;
    readonly replacementMinor: number;
    readonly washesInLife: number;
  };
}

export type Material = BackBarMaterial | SingleDoseMaterial | ConsumableMaterial | LinenMaterial;
export type MaterialKind = Material['kind'];

/** What a dose or a part of a mix is drawn from. */
export type Source =
  | { readonly kind: 'material'; readonly materialId: MaterialId }
  | { readonly kind: 'mix'; readonly mixId: MixId };

export type Coat = 'thin' | 'standard' | 'generous';

/** An amount as it is said in the treatment room. */
export type Amount =
  | { readonly how: 'measured'; readonly quantity: Triple; readonly unit: StatedUnit }
  | { readonly how: 'counted'; readonly quantity: Triple; readonly measure: CountedMeasure }
  | { readonly how: 'named'; readonly quantity: Triple; readonly name: string }
  | { readonly how: 'packs'; readonly quantity: Triple }
  | { readonly how: 'fingertip'; readonly quantity: Triple }
  | { readonly how: 'coat'; readonly coat: Coat }
  | { readonly how: 'coat-weight'; readonly mgPerCm2: Triple };

export interface Dose {
  readonly id: DoseId;
  readonly source: Source;
  readonly amount: Amount;
  /** whether a single dose opened earlier in the visit is used up first */
  readonly opening: 'fresh' | 'left-over-first';
}

export interface MixPart {
  readonly source: Source;
  readonly amount: Extract<Amount, { how: 'measured' | 'packs' }>;
}

/** A recipe made at the tray, written for a reference batch. */
export interface Mix {
  readonly id: MixId;
  readonly name: string;
  readonly basis: 'ml' | 'g';
  /** g per ml of the finished mix */
  readonly density?: number;
  /** share that stays in the bowl */
  readonly bowlLoss: number;
  readonly parts: readonly MixPart[];
}

/** How long a step takes; the three alike is a fixed time. */
export interface Minutes {
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

export type Stretch = 'set-up' | 'visit' | 'reset';
export type Hands = 'hands-on' | 'watching' | 'free';

/**
 * One line of a protocol. The order of `Protocol.steps` is the order of work; a step that is done
 * meanwhile follows the step it lies beside.
 */
export interface Step {
  readonly id: StepId;
  readonly stretch: Stretch;
  readonly name: string;
  readonly by: Role;
  readonly hands: Hands;
  readonly minutes: Minutes;
  readonly zones: readonly ZoneId[];
  readonly doses: readonly Dose[];
  /** the step beside which this one is done */
  readonly meanwhileOf?: StepId;
  readonly layerGroupId?: LayerGroupId;
  /** the longest that what sits on the skin may stay there */
  readonly capMinutes?: number;
  readonly note?: string;
}

export type VisitKind = 'first' | 'returning';

/** A run of steps done again for every layer. */
export interface LayerGroup {
  readonly id: LayerGroupId;
  readonly name: string;
  readonly layers: Readonly<Record<VisitKind, number>>;
  /** what happens between two layers */
  readonly between?: { readonly wait: Minutes; readonly question: string };
}

export interface Protocol {
  readonly id: ProtocolId;
  readonly name: string;
  readonly summary: string;
  readonly steps: readonly Step[];
  readonly layerGroups: readonly LayerGroup[];
}

/** A protocol as it is sold. */
export interface Service {
  readonly id: ServiceId;
  readonly name: string;
  readonly protocolId: ProtocolId;
  /** the visit whose layers, minutes and cost are meant */
  readonly visitKind: VisitKind;
  /** who may perform it; their mean pay is charged */
  readonly therapistIds: readonly PersonId[];
  /** the house's target margin unless given */
  readonly targetMargin?: number;
}

export interface Demand {
  readonly serviceId: ServiceId;
  readonly visitsPerWeek: number;
}

export interface StockOnHand {
  readonly materialId: MaterialId;
  /** in the material's unit */
  readonly onHand: number;
}

/** The whole spa as one plain value; `core` turns it into figures and knows nothing else. */
export interface House {
  readonly settings: HouseSettings;
  readonly rooms: readonly Room[];
  readonly people: readonly Person[];
  readonly suppliers: readonly Supplier[];
  readonly materials: readonly Material[];
  readonly mixes: readonly Mix[];
  readonly protocols: readonly Protocol[];
  readonly services: readonly Service[];
  readonly demand: readonly Demand[];
  readonly stock: readonly StockOnHand[];
}
