import { clientWith, type Client } from '../house/client';
import type { House, Mix, Protocol, Service, WorkedProtocol } from '../house/house';
import { editionKey, type Gloves, type HouseIndex, type ShelfIndex } from '../house/houseIndex';
import type { MaterialId, MixId } from '../house/ids';
import { fail, type Outcome } from '../problem/problem';
import type { HouseSettings } from '../house/settings';
import { recipeFor, workFor } from '../protocol/workFor';
import { materialsReached } from './facets';

/** What a service is worked by: whose protocol, with which recipes. */
export interface EditionInUse {
  readonly protocol: Protocol;
  readonly mixes: readonly Mix[];
}

/** A service worked for the client whose figures are meant. */
export interface ServiceWork {
  readonly protocol: Outcome<WorkedProtocol>;
  readonly mixes: ReadonlyMap<MixId, Mix>;
  readonly reached: readonly MaterialId[];
}

/**
 * The edition a service is worked by, or the draft while none is published.
 * @returns nothing when neither is in the house
 */
export function editionInUse(
  service: Service,
  index: HouseIndex,
  house: House,
): EditionInUse | undefined {
  if (service.edition !== undefined) {
    const edition = index.editions.get(editionKey(service.protocolId, service.edition));
    if (edition) return { protocol: edition.protocol, mixes: edition.mixes };
  }
  const protocol = index.protocols.get(service.protocolId);
  return protocol && { protocol, mixes: house.mixes };
}

/** The client whose figures are those of a service. */
export function clientOf({ visitKind, shownFor }: Service): Client {
  return clientWith({ ...shownFor, visitKind });
}

/** A protocol worked for a client, with the recipes for that skin and what it may draw. */
export function workOf(inUse: EditionInUse, client: Client, index: HouseIndex): ServiceWork {
  const protocol = workFor(inUse.protocol, index.blocks, client);
  const mixes = mixesFor(inUse.mixes, client);
  const reached = protocol.ok ? materialsReached(protocol.value.steps, mixes, index.gloves) : [];
  return { protocol, mixes, reached };
}

/** The recipes by which a service is worked: those of its edition, for the skin that is meant. */
export function recipesOf(
  service: Service,
  index: HouseIndex,
  house: House,
): ReadonlyMap<MixId, Mix> {
  const inUse = editionInUse(service, index, house);
  return inUse ? mixesFor(inUse.mixes, clientOf(service)) : index.mixes;
}

/** The shelf as a service sees it: its own recipes. */
export function shelfOf(
  { mixes }: Pick<ServiceWork, 'mixes'>,
  { materials, gloves }: { readonly materials: ShelfIndex['materials']; readonly gloves: Gloves },
): ShelfIndex {
  return { materials, mixes, gloves };
}

/** The settings by which doses are spread over a client of that build. */
export function settingsFor(settings: HouseSettings, client: Pick<Client, 'build'>): HouseSettings {
  const { build } = client;
  if (build === 'reference') return settings;
  const ofBuild = built.get(settings) ?? new Map<string, HouseSettings>();
  built.set(settings, ofBuild);
  const before = ofBuild.get(build);
  if (before) return before;
  const made = { ...settings, referenceClient: settings.builds[build] };
  ofBuild.set(build, made);
  return made;
}

const built = new WeakMap<HouseSettings, Map<string, HouseSettings>>();

/** The work of a service without a protocol. */
export function workless(service: Service): ServiceWork {
  return {
    protocol: fail('protocol-unknown', `${service.name} has no protocol in the house.`, {
      serviceId: service.id,
      field: 'protocolId',
    }),
    mixes: new Map(),
    reached: [],
  };
}

const known = new WeakMap<readonly Mix[], Map<string, ReadonlyMap<MixId, Mix>>>();

function mixesFor(mixes: readonly Mix[], client: Client): ReadonlyMap<MixId, Mix> {
  const bySkin = known.get(mixes) ?? new Map<string, ReadonlyMap<MixId, Mix>>();
  known.set(mixes, bySkin);
  const skin = [client.skinType, ...client.conditions].join();
  const before = bySkin.get(skin);
  if (before) return before;
  const made = new Map(mixes.map((mix) => [mix.id, recipeFor(mix, client)]));
  bySkin.set(skin, made);
  return made;
}
