import type { MaterialId, MixId, ProtocolId, ServiceId, StepId } from '../house/ids';
import type { BaseUnit } from '../quantity/unit';

/** What a figure of a working is measured in; money in minor units. */
export type FigureUnit =
  | BaseUnit
  | 'money'
  | `money/${BaseUnit}`
  | 'money/min'
  | 'money/h'
  | 'min'
  | 'share'
  | 'cm2'
  | 'mg/cm2'
  | 'g/ml'
  | 'packs'
  | 'days'
  | 'uses'
  | 'uses/day'
  | 'visits/week'
  | 'visits/month'
  | 'rooms'
  | 'persons'
  | 'hours'
  | 'washes'
  | 'batches'
  | 'times';

/** A number with its unit. */
export interface Figure {
  readonly amount: number;
  readonly unit: FigureUnit;
}

/** Where an input of a working is kept, and so can be changed. */
export type Origin =
  | { readonly place: 'shelf'; readonly materialId: MaterialId }
  | { readonly place: 'mix'; readonly mixId: MixId }
  | { readonly place: 'step'; readonly protocolId: ProtocolId; readonly stepId: StepId }
  | { readonly place: 'protocol'; readonly protocolId: ProtocolId }
  | { readonly place: 'service'; readonly serviceId: ServiceId }
  | { readonly place: 'house' };

/** One line of a working. */
export interface WorkingInput {
  readonly label: string;
  readonly value: Figure;
  readonly from?: Origin;
  /** how this input itself comes about */
  readonly working?: Working;
}

/** How a figure comes about: the formula in words, its inputs, and theirs. */
export interface Working {
  readonly title: string;
  /** of the formula, as in docs/calculations.md */
  readonly codes: readonly string[];
  readonly words: string;
  readonly inputs: readonly WorkingInput[];
  readonly result: Figure;
}

/** Shorthand for a figure. */
export function figure(amount: number, unit: FigureUnit): Figure {
  return { amount, unit };
}

/** An input that is itself worked out. */
export function worked(working: Working, label = working.title): WorkingInput {
  return { label, value: working.result, working };
}
