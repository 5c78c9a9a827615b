import type { House, Material, Mix, Protocol, Service, Source } from '@bienestar/core/house/house';
import type { Fault } from './check';

/** The kinds of things that others point to across aggregates. */
export type ReferredKind = 'person' | 'supplier' | 'material' | 'mix' | 'protocol' | 'service';

/** A pointer from one aggregate to another. */
export interface Reference {
  readonly pointer: string;
  readonly kind: ReferredKind;
  readonly id: string;
}

function ofSource(source: Source, pointer: string): Reference {
  return source.kind === 'material'
    ? { pointer: `${pointer}/materialId`, kind: 'material', id: source.materialId }
    : { pointer: `${pointer}/mixId`, kind: 'mix', id: source.mixId };
}

/** What a material points to. */
export function referencesOfMaterial(material: Material): Reference[] {
  return material.kind === 'linen'
    ? []
    : [{ pointer: '/supplierId', kind: 'supplier', id: material.supplierId }];
}

/** What a mix points to. */
export function referencesOfMix(mix: Mix): Reference[] {
  return mix.parts.map((part, at) => ofSource(part.source, `/parts/${at}/source`));
}

/** What a protocol points to. */
export function referencesOfProtocol(protocol: Protocol): Reference[] {
  return protocol.steps.flatMap((step, at) =>
    step.doses.map((dose, which) => ofSource(dose.source, `/steps/${at}/doses/${which}/source`)),
  );
}

/** What a service points to. */
export function referencesOfService(service: Service): Reference[] {
  return [
    { pointer: '/protocolId', kind: 'protocol', id: service.protocolId },
    ...service.therapistIds.map((id, at): Reference => ({
      pointer: `/therapistIds/${at}`,
      kind: 'person',
      id,
    })),
  ];
}

/** The faults of a protocol within itself: steps and layer groups that are pointed to and not there. */
export function faultsWithinProtocol(protocol: Protocol): Fault[] {
  const outer = new Set(protocol.steps.filter((s) => s.meanwhileOf === undefined).map((s) => s.id));
  const groups = new Set(protocol.layerGroups.map((group) => group.id));
  return protocol.steps.flatMap((step, at) => {
    const faults: Fault[] = [];
    if (step.meanwhileOf !== undefined && !outer.has(step.meanwhileOf)) {
      faults.push({
        pointer: `/steps/${at}/meanwhileOf`,
        code: 'reference.meanwhile',
        message:
          'Work can only be done beside a step that is there and is not itself done meanwhile.',
      });
    }
    if (step.layerGroupId !== undefined && !groups.has(step.layerGroupId)) {
      faults.push({
        pointer: `/steps/${at}/layerGroupId`,
        code: 'reference.layers',
        message: 'These layers do not exist in the protocol.',
      });
    }
    return faults;
  });
}

/** The words for a reference to something that is not there. */
export function danglingFault({ pointer, kind, id }: Reference): Fault {
  return {
    pointer,
    code: 'reference.unknown',
    message: `There is no ${kind} “${id}” in the house.`,
  };
}

/** Every reference of a House that leads nowhere. */
export function danglingIn(house: House): Fault[] {
  const known: Record<ReferredKind, ReadonlySet<string>> = {
    person: idsOf(house.people),
    supplier: idsOf(house.suppliers),
    material: idsOf(house.materials),
    mix: idsOf(house.mixes),
    protocol: idsOf(house.protocols),
    service: idsOf(house.services),
  };
  const within = (list: string, of: readonly (readonly Reference[])[]): Reference[] =>
    of.flatMap((references, at) =>
      references.map((reference) => ({
        ...reference,
        pointer: `/${list}/${at}${reference.pointer}`,
      })),
    );
  const references: Reference[] = [
    ...within('materials', house.materials.map(referencesOfMaterial)),
    ...within('mixes', house.mixes.map(referencesOfMix)),
    ...within('protocols', house.protocols.map(referencesOfProtocol)),
    ...within('services', house.services.map(referencesOfService)),
    ...house.demand.map((line, at): Reference => ({
      pointer: `/demand/${at}/serviceId`,
      kind: 'service',
      id: line.serviceId,
    })),
    ...house.stock.map((line, at): Reference => ({
      pointer: `/stock/${at}/materialId`,
      kind: 'material',
      id: line.materialId,
    })),
  ];
  return references.filter(({ kind, id }) => !known[kind].has(id)).map(danglingFault);
}

function idsOf(things: readonly { readonly id: string }[]): ReadonlySet<string> {
  return new Set(things.map((thing) => thing.id));
}
