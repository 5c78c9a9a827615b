declare const kind: unique symbol;
type Id<K extends string> = string & { readonly [kind]: K };

export type MaterialId = Id<'material'>;
export type MixId = Id<'mix'>;
export type ProtocolId = Id<'protocol'>;
export type StepId = Id<'step'>;
export type DoseId = Id<'dose'>;
export type LayerGroupId = Id<'layerGroup'>;
export type ServiceId = Id<'service'>;
export type PersonId = Id<'person'>;
export type RoomId = Id<'room'>;
export type SupplierId = Id<'supplier'>;

/** Any of the ids of a House. */
export type AnyId =
  | MaterialId
  | MixId
  | ProtocolId
  | StepId
  | DoseId
  | LayerGroupId
  | ServiceId
  | PersonId
  | RoomId
  | SupplierId;

/** Marks a plain string, already checked at the edge, as an id of the kind the caller expects. */
export function asId<I extends AnyId>(text: string): I {
  return text as I;
}
