import type { ZoneId } from '../zone/zones';
import type { Amount, Source } from './amount';
import type {
  BlockId,
  ChoiceId,
  DeviceId,
  DoseId,
  LayerGroupId,
  MaterialId,
  MixId,
  OptionId,
  ProtocolId,
  StepId,
} from './ids';
import type { SettingKind } from './device';
import type { Action, Hands, Phase, Stretch } from './actions';
import type { OwnCautions, Around } from './around';
import type { Question } from './question';
import type { Technique } from './technique';
import type { ChoosingBy, DoseInto, VisitKind, RemovalWay, Tool, Varying } from './ways';

export type Role = 'therapist' | 'assistant';

/** How long a step takes; the three alike is a fixed time. */
export interface Minutes {
  readonly least: number;
  readonly usual: number;
  readonly most: number;
}

/** Belonging to one option of a choice. */
export interface InOption {
  readonly choiceId: ChoiceId;
  readonly optionId: OptionId;
}

/** What holds only for clients for whom every one of these options is taken; for everybody without one. */
export interface Conditional {
  readonly option?: InOption;
  /** joined to it */
  readonly also?: readonly InOption[];
}

/** What is never for everybody. */
interface ForSome extends Conditional {
  readonly option: InOption;
}

export interface Dose extends Conditional {
  readonly id: DoseId;
  readonly source: Source;
  readonly amount: Amount;
  /** whether a single dose opened earlier in the visit is used up first */
  readonly opening: 'fresh' | 'left-over-first';
  /** measured once for all layers in which its step is done; for each of them unless given */
  readonly over?: 'all-layers';
  /** where it goes; onto the skin unless given */
  readonly into?: DoseInto;
  /** of pieces: those that were used earlier in the visit, as far as there were any */
  readonly again?: true;
}

export interface Removal {
  readonly how: RemovalWay;
  /** towels, sponges or tissues it takes */
  readonly taking?: {
    readonly materialId: MaterialId;
    readonly pieces: number;
    /** those that were used earlier in the visit, as far as there were any */
    readonly again?: true;
  };
  readonly waterMl?: number;
}

/** Something that is set: to a number, or from it to another. */
export interface SetValue {
  readonly kind: SettingKind;
  readonly value: number;
  readonly upTo?: number;
}

/** What a device that runs along is set to. */
export interface RunningAt {
  readonly deviceId: DeviceId;
  readonly values: readonly SetValue[];
}

/** What a device is set to on some zones. */
export interface ZoneSetting {
  readonly zones: readonly ZoneId[];
  readonly values: readonly SetValue[];
  readonly passes?: number;
  /** of what is not said here, the part that it is of what other zones have */
  readonly share?: { readonly of: ZoneId; readonly part: number };
}

/** Something that happens or is done while a step lasts: it grows warm, the steamer is turned off. */
export interface Moment {
  /** minutes from the beginning of the step */
  readonly atMinute: number;
  readonly what: string;
}

export interface DeviceWork {
  readonly deviceId: DeviceId;
  readonly settings: readonly ZoneSetting[];
}

/** What every line of a protocol has: where it stands. */
export interface Placed extends Conditional {
  readonly id: StepId;
  readonly stretch: Stretch;
  readonly name: string;
  /** the step beside which this one is done */
  readonly meanwhileOf?: StepId;
  readonly layerGroupId?: LayerGroupId;
  /** of the layers, those in which it is done; all unless given */
  readonly inLayers?: 'first' | 'last' | 'all-but-last';
}

/** Every option on which something hangs. */
export function optionsOf({ option, also = [] }: Conditional): readonly InOption[] {
  return option ? [option, ...also] : also;
}

/** The options on which something hangs, as they are kept. */
export function hangingOn([option, ...also]: readonly InOption[]): Conditional {
  return { ...(option && { option }), ...(also.length > 0 && { also }) };
}

/** Where a line of a block stands in the place of the line that stands for the block: also only if that is done. */
export function standingIn<L extends Line>(line: L, block: Placed): L {
  const { inLayers, layerGroupId, meanwhileOf } = block;
  const isLayered = line.layerGroupId === undefined && layerGroupId !== undefined;
  return {
    ...line,
    stretch: block.stretch,
    ...hangingOn([...optionsOf(line), ...optionsOf(block)]),
    ...(isLayered && { layerGroupId, ...(inLayers && { inLayers }) }),
    ...(line.meanwhileOf === undefined && meanwhileOf !== undefined && { meanwhileOf }),
  };
}

/**
 * One line of work. The order of `steps` is the order of work; a step that is done meanwhile follows
 * the step it lies beside.
 */
export interface Step extends Placed {
  readonly phase?: Phase;
  readonly action?: Action;
  readonly by: Role;
  readonly hands: Hands;
  readonly minutes: Minutes;
  /** until what the skin shows; asks for a cap */
  readonly until?: string;
  /** the longest that what sits on the skin may stay there, or that an endpoint is waited for */
  readonly capMinutes?: number;
  /** the longest is counted from when the product was first put on, over steps and layers; else in this step */
  readonly capSince?: 'first-touch';
  /** in the order in which they are worked */
  readonly zones: readonly ZoneId[];
  /** of the zones, where to go lightly */
  readonly lightly?: readonly ZoneId[];
  /** of the zones, where more of it is needed */
  readonly more?: readonly ZoneId[];
  /** of the zones, those that come last */
  readonly last?: readonly ZoneId[];
  /** where this step is never done, said aloud on the card */
  readonly never?: readonly ZoneId[];
  readonly doses: readonly Dose[];
  readonly tools?: readonly Tool[];
  readonly technique?: Technique;
  readonly device?: DeviceWork;
  /** devices that run along: steam, light, a warmer */
  readonly running?: readonly DeviceId[];
  /** what of those is set, and to what */
  readonly runningAt?: readonly RunningAt[];
  /** its zones lie under it until something is taken off them */
  readonly covers?: true;
  readonly removal?: Removal;
  readonly gloves?: 'plain' | 'sterile';
  /** mixes that are made in this step */
  readonly makes?: readonly MixId[];
  /** done only if needed, and what that is seen by */
  readonly optional?: { readonly usually: 'done' | 'left-out'; readonly if: string };
  /** of the set-up: how long what it makes ready serves the same work of a later visit in the room, in minutes */
  readonly holdsMinutes?: number;
  /** treatments that may be offered at this point */
  readonly offers?: readonly ProtocolId[];
  /** while it is done, or at its end */
  readonly asks?: readonly Question[];
  readonly moments?: readonly Moment[];
  /** to the client */
  readonly say?: string;
  readonly why?: string;
  readonly watch?: string;
  readonly note?: string;
  /** how it is otherwise for some; of several that hold for a client, what the later one says stands */
  readonly otherwise?: readonly Otherwise[];
}

/** How a step is for some: what is said here stands in the place of what the step says. */
export interface Otherwise extends ForSome {
  readonly says: Partial<Pick<Step, Varying>>;
}

/** A line that stands for all steps of a block. */
export interface BlockUse extends Placed {
  readonly blockId: BlockId;
}

export type Line = Step | BlockUse;

/** A spot tried before the rest. */
export interface TestSpot {
  readonly zones: readonly ZoneId[];
  readonly minutes: Minutes;
  readonly wait: Minutes;
  readonly watch: string;
}

/** A run of steps done again for every layer or pass. */
export interface LayerGroup {
  readonly id: LayerGroupId;
  readonly name: string;
  readonly layers: Readonly<Record<VisitKind, number>>;
  /** what happens between two layers */
  readonly between?: { readonly wait: Minutes };
  /** after each layer */
  readonly asks?: readonly Question[];
  /** one half of the face after the other: all is done as written for each half */
  readonly halves?: true;
  readonly testSpot?: TestSpot;
  /** how many for some; of several that hold, the last */
  readonly otherwise?: readonly OtherLayers[];
}

/** How many layers for some clients. */
export interface OtherLayers extends ForSome {
  readonly layers: Readonly<Record<VisitKind, number>>;
}

export interface ChoiceOption {
  readonly id: OptionId;
  readonly name: string;
  /** values of what the choice looks at; none for anybody else, or where it is decided at the couch */
  readonly for: readonly string[];
  /** of findings: only where they are seen on some of this skin */
  readonly where?: readonly ZoneId[];
}

/** One of several products or steps, by who the client is or as decided at the couch. */
export interface Choice {
  readonly id: ChoiceId;
  readonly name: string;
  readonly by: ChoosingBy;
  /** the first option that fits, or each that does: a table of additives */
  readonly take: 'first' | 'each';
  /** at the couch, the first is the usual one */
  readonly options: readonly ChoiceOption[];
  /** a client for whom no option fits goes without, and that is meant */
  readonly noneIsFine?: true;
}

/** Steps as they are written down: of a protocol, or of a block. */
export interface Writing {
  readonly steps: readonly Line[];
  readonly layerGroups: readonly LayerGroup[];
  readonly choices: readonly Choice[];
}

/** A run of steps kept by name and used in several protocols. */
export interface Block extends Writing {
  readonly id: BlockId;
  readonly name: string;
  readonly summary: string;
  /** what it is to bring about, in words */
  readonly goal?: string;
  /** ISO date from which it is offered no more where something is chosen */
  readonly archivedOn?: string;
}

export interface Protocol extends Writing {
  readonly id: ProtocolId;
  readonly name: string;
  readonly summary: string;
  /** what it is to bring about, in words */
  readonly goal?: string;
  /** for whom it is meant, in words */
  readonly meantFor?: string;
  /** who may do it, and what of it only who, by licence and local code */
  readonly licence?: string;
  /** ISO date from which it is offered no more where something is chosen */
  readonly archivedOn?: string;
  readonly cautions?: OwnCautions;
  readonly around?: Around;
  /** how pain is eased before a device; whichever it is, the score is asked */
  readonly painRelief?: 'none' | 'numbing' | 'cooling';
}

/** A protocol worked for somebody: blocks are steps, and every choice is made. */
export interface WorkedProtocol extends Protocol {
  readonly steps: readonly Step[];
  /** steps are written, and none of them is done for this client */
  readonly isAllLeftOut?: true;
}

/** Whether a line is work of its own. */
export function isStep(line: Line): line is Step {
  return !('blockId' in line);
}

/** The devices a step works with or that run along, each once. */
export function devicesOf({ device, running = [] }: Pick<Step, 'device' | 'running'>): DeviceId[] {
  return [...new Set(device ? [device.deviceId, ...running] : running)];
}
