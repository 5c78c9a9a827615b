declare const kind: unique symbol;
type Id<K extends string> = string & { readonly [kind]: K };

export type MaterialId = Id<'material'>;
export type MixId = Id<'mix'>;
export type ProtocolId = Id<'protocol'>;
export type StepId = Id<'step'>;
export type DoseId = Id<'dose'>;
export type LayerGroupId = Id<'layerGroup'>;
export type QuestionId = Id<'question'>;
export type RuleId = Id<'rule'>;
export type BlockId = Id<'block'>;
export type ChoiceId = Id<'choice'>;
export type OptionId = Id<'option'>;
export type DeviceId = Id<'device'>;
export type ServiceId = Id<'service'>;
export type PersonId = Id<'person'>;
export type RoomId = Id<'room'>;
export type SupplierId = Id<'supplier'>;
export type PackId = Id<'pack'>;
export type KitPartId = Id<'kit-part'>;
export type LotId = Id<'lot'>;
/** One container that was opened: a bottle, a tub, a fruit that was cut. */
export type ContainerId = Id<'container'>;
/** One entry into the ledger, with all the movements it makes. */
export type EntryId = Id<'entry'>;
export type OfferId = Id<'offer'>;
export type MenuId = Id<'menu'>;
export type ScenarioId = Id<'scenario'>;
export type ChangeId = Id<'change'>;
export type BookingId = Id<'booking'>;
/** A visit that the house has placed into its week. */
export type PlacedVisitId = Id<'placed-visit'>;
export type SoldCourseId = Id<'soldCourse'>;
export type TreatmentId = Id<'treatment'>;
export type OrderId = Id<'order'>;
export type OrderLineId = Id<'orderLine'>;
export type CountId = Id<'count'>;
export type RunId = Id<'run'>;
export type RunEventId = Id<'run-event'>;
export type LogbookPlanId = Id<'logbook-plan'>;

/** Any of the ids of a House. */
export type AnyId =
  | MaterialId
  | MixId
  | ProtocolId
  | StepId
  | DoseId
  | LayerGroupId
  | QuestionId
  | RuleId
  | BlockId
  | ChoiceId
  | OptionId
  | DeviceId
  | ServiceId
  | PersonId
  | RoomId
  | SupplierId
  | PackId
  | KitPartId
  | LotId
  | ContainerId
  | EntryId
  | OfferId
  | MenuId
  | ScenarioId
  | ChangeId
  | BookingId
  | PlacedVisitId
  | SoldCourseId
  | TreatmentId
  | OrderId
  | OrderLineId
  | CountId
  | RunId
  | RunEventId
  | LogbookPlanId;

/** Marks a plain string, already checked at the edge, as an id of the kind the caller expects. */
export function asId<I extends AnyId>(text: string): I {
  return text as I;
}
