import type {
  Device,
  GuestMenu,
  Conditional,
  Material,
  Mix,
  MixPart,
  Offer,
  Order,
  Protocol,
  Service,
  SoldCourse,
  Source,
  Step,
  Writing,
} from '@bienestar/core/house/house';
import { servicesOf } from '@bienestar/core/house/offer';
import { isStep, optionsOf } from '@bienestar/core/house/protocol';
import { editionKey } from '@bienestar/core/house/houseIndex';
import type { Fault } from './check';
import type { HeldHouse } from './houseParts';

/** The kinds of things that others point to across aggregates. */
export type ReferredKind =
  | 'person'
  | 'supplier'
  | 'material'
  | 'mix'
  | 'device'
  | 'block'
  | 'protocol'
  | 'edition'
  | 'service'
  | 'offer';

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
    : material.packs.map((pack, at): Reference => ({
        pointer: `/packs/${at}/supplierId`,
        kind: 'supplier',
        id: pack.supplierId,
      }));
}

/** What a mix points to. */
export function referencesOfMix(mix: Mix): Reference[] {
  const ofParts = (parts: readonly MixPart[], pointer: string): Reference[] =>
    parts.map((part, at) => ofSource(part.source, `${pointer}/${at}/source`));
  return [
    ...ofParts(mix.parts, '/parts'),
    ...(mix.recipes ?? []).flatMap((recipe, at) => ofParts(recipe.parts, `/recipes/${at}/parts`)),
  ];
}

/** What a device points to. */
export function referencesOfDevice(device: Device): Reference[] {
  return device.trainedIds.map((id, at) => ({
    pointer: `/trainedIds/${at}`,
    kind: 'person',
    id,
  }));
}

/** What a protocol or a block points to. */
export function referencesOfWriting({
  steps,
  around,
}: Writing & Pick<Protocol, 'around'>): Reference[] {
  const atHome = (['home', 'recommends'] as const).flatMap((list) =>
    (around?.[list] ?? []).map(({ materialId }, at): Reference => ({
      pointer: `/around/${list}/${at}/materialId`,
      kind: 'material',
      id: materialId,
    })),
  );
  const ofSteps = steps.flatMap((line, at): Reference[] => {
    const pointer = `/steps/${at}`;
    return isStep(line)
      ? referencesOfStep(line, pointer)
      : [{ pointer: `${pointer}/blockId`, kind: 'block', id: line.blockId }];
  });
  return [...ofSteps, ...atHome];
}

function referencesOfStep(step: Step, pointer: string): Reference[] {
  const listed = (kind: ReferredKind, key: 'makes' | 'offers'): Reference[] =>
    (step[key] ?? []).map((id, at) => ({ pointer: `${pointer}/${key}/${at}`, kind, id }));
  return [
    ...step.doses.map((dose, at) => ofSource(dose.source, `${pointer}/doses/${at}/source`)),
    ...referencesOfWork(step, pointer),
    ...listed('mix', 'makes'),
    ...listed('protocol', 'offers'),
    ...(step.otherwise ?? []).flatMap(({ says }, at) =>
      referencesOfWork(says, `${pointer}/otherwise/${at}/says`),
    ),
  ];
}

/** What a step works with, for everybody or for some. */
function referencesOfWork(
  {
    removal,
    device,
    running = [],
    runningAt = [],
  }: Partial<Pick<Step, 'removal' | 'device' | 'running' | 'runningAt'>>,
  pointer: string,
): Reference[] {
  const one = (kind: ReferredKind, at: string, id: string | undefined): Reference[] =>
    id === undefined ? [] : [{ pointer: `${pointer}/${at}`, kind, id }];
  return [
    ...one('material', 'removal/taking/materialId', removal?.taking?.materialId),
    ...one('device', 'device/deviceId', device?.deviceId),
    ...running.flatMap((id, at) => one('device', `running/${at}`, id)),
    ...runningAt.flatMap(({ deviceId }, at) => one('device', `runningAt/${at}/deviceId`, deviceId)),
  ];
}

/** What a service points to. */
export function referencesOfService(service: Service): Reference[] {
  return [
    { pointer: '/protocolId', kind: 'protocol', id: service.protocolId },
    ...(service.edition === undefined
      ? []
      : [
          {
            pointer: '/edition',
            kind: 'edition',
            id: editionKey(service.protocolId, service.edition),
          } as const,
        ]),
    ...service.therapistIds.map((id, at): Reference => ({
      pointer: `/therapistIds/${at}`,
      kind: 'person',
      id,
    })),
  ];
}

/** What a course, package or duo visit points to. */
export function referencesOfOffer(offer: Offer): Reference[] {
  const at = offer.kind === 'course' ? '/visits' : '/serviceIds';
  const within = offer.kind === 'course' ? '/serviceId' : '';
  return servicesOf(offer).map((id, which) => ({
    pointer: `${at}/${which}${within}`,
    kind: 'service',
    id,
  }));
}

/** What an order points to. */
export function referencesOfOrder({ supplierId, lines }: Order): Reference[] {
  return [
    { pointer: '/supplierId', kind: 'supplier', id: supplierId },
    ...lines.map(({ materialId }, at): Reference => ({
      pointer: `/lines/${at}/materialId`,
      kind: 'material',
      id: materialId,
    })),
  ];
}

/** What a sold course points to. */
export function referencesOfSoldCourse({ offerId }: SoldCourse): Reference[] {
  return [{ pointer: '/offerId', kind: 'offer', id: offerId }];
}

/** What a menu points to. */
export function referencesOfMenu({ sections }: GuestMenu): Reference[] {
  return sections.flatMap(({ lines }, section) =>
    lines.map((line, at): Reference => {
      const pointer = `/sections/${section}/lines/${at}`;
      return line.kind === 'service'
        ? { pointer: `${pointer}/serviceId`, kind: 'service', id: line.serviceId }
        : { pointer: `${pointer}/offerId`, kind: 'offer', id: line.offerId };
    }),
  );
}

/**
 * The faults of a protocol or block within itself: steps, layer groups and options that are pointed
 * to and not there.
 */
export function faultsWithinWriting({ steps, layerGroups, choices }: Writing): Fault[] {
  const outer = new Set(steps.filter((s) => s.meanwhileOf === undefined).map((s) => s.id));
  const groups = new Set(layerGroups.map((group) => group.id));
  const options = new Set(
    choices.flatMap((choice) => choice.options.map((option) => `${choice.id}/${option.id}`)),
  );
  const faults: Fault[] = [];
  const checkOptions = (thing: Conditional, pointer: string): void => {
    const isKnown = optionsOf(thing).every(({ choiceId, optionId }) =>
      options.has(`${choiceId}/${optionId}`),
    );
    if (isKnown) return;
    faults.push({
      pointer: `${pointer}/option`,
      code: 'reference.option',
      message: 'This option of a choice does not exist in the protocol.',
    });
  };
  steps.forEach((step, at) => {
    const pointer = `/steps/${at}`;
    if (step.meanwhileOf !== undefined && !outer.has(step.meanwhileOf)) {
      faults.push({
        pointer: `${pointer}/meanwhileOf`,
        code: 'reference.meanwhile',
        message:
          'Work can only be done beside a step that is there and is not itself done meanwhile.',
      });
    }
    if (step.layerGroupId !== undefined && !groups.has(step.layerGroupId)) {
      faults.push({
        pointer: `${pointer}/layerGroupId`,
        code: 'reference.layers',
        message: 'These layers do not exist in the protocol.',
      });
    }
    checkOptions(step, pointer);
    if (isStep(step)) {
      step.doses.forEach((dose, which) => checkOptions(dose, `${pointer}/doses/${which}`));
      step.otherwise?.forEach((each, which) => checkOptions(each, `${pointer}/otherwise/${which}`));
    }
  });
  layerGroups.forEach(({ otherwise = [] }, at) =>
    otherwise.forEach((each, which) => checkOptions(each, `/layerGroups/${at}/otherwise/${which}`)),
  );
  return faults;
}

/** The words for a reference to something that is not there. */
export function danglingFault({ pointer, kind, id }: Reference): Fault {
  return {
    pointer,
    code: 'reference.unknown',
    message: `There is no ${kind} “${id}” in the house.`,
  };
}

/** Every reference within a House, but for its ledger and prices, that leads nowhere. */
export function danglingIn(house: HeldHouse): Fault[] {
  const known: Record<ReferredKind, ReadonlySet<string>> = {
    person: idsOf(house.people),
    supplier: idsOf(house.suppliers),
    material: idsOf(house.materials),
    mix: idsOf(house.mixes),
    device: idsOf(house.devices),
    block: idsOf(house.blocks),
    edition: new Set(house.editions.map((each) => editionKey(each.protocolId, each.number))),
    protocol: idsOf(house.protocols),
    service: idsOf(house.services),
    offer: idsOf(house.offers),
  };
  /* An edition of a protocol that is missing is no second fault. */
  const isOwn = ({ kind, id }: Reference): boolean =>
    kind !== 'edition' || known.protocol.has(id.slice(0, id.indexOf('#')));
  return referencesIn(house)
    .filter((reference) => !known[reference.kind].has(reference.id) && isOwn(reference))
    .map(danglingFault);
}

/** Whether anything of a House holds on to a thing of it; the plan of a service goes with it. */
export function isUsedIn(house: HeldHouse, kind: ReferredKind, id: string): boolean {
  return referencesIn({ ...house, demand: [] }).some(
    (each) => each.kind === kind && each.id === id,
  );
}

function referencesIn(house: HeldHouse): Reference[] {
  const within = (list: string, of: readonly (readonly Reference[])[]): Reference[] =>
    of.flatMap((references, at) =>
      references.map((reference) => ({
        ...reference,
        pointer: `/${list}/${at}${reference.pointer}`,
      })),
    );
  return [
    ...within('materials', house.materials.map(referencesOfMaterial)),
    ...within('mixes', house.mixes.map(referencesOfMix)),
    ...within('devices', house.devices.map(referencesOfDevice)),
    ...within('blocks', house.blocks.map(referencesOfWriting)),
    ...within('protocols', house.protocols.map(referencesOfWriting)),
    ...house.editions.map((edition, at): Reference => ({
      pointer: `/editions/${at}/protocolId`,
      kind: 'protocol',
      id: edition.protocolId,
    })),
    ...within('services', house.services.map(referencesOfService)),
    ...house.demand.map((line, at): Reference => ({
      pointer: `/demand/${at}/serviceId`,
      kind: 'service',
      id: line.serviceId,
    })),
    ...within('offers', house.offers.map(referencesOfOffer)),
    ...within('menus', house.menus.map(referencesOfMenu)),
    ...within('orders', house.orders.map(referencesOfOrder)),
    ...within('soldCourses', house.soldCourses.map(referencesOfSoldCourse)),
  ];
}

function idsOf(things: readonly { readonly id: string }[]): ReadonlySet<string> {
  return new Set(things.map((thing) => thing.id));
}
