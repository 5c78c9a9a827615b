import { roomRatePerMinute } from '../cost/roomRate';
import { openUseOf, type OpenUse } from '../cost/openLife';
import type { OpenUses } from '../cost/serviceCost';
import { taxFactor } from '../cost/purchaseTax';
import { unitCost } from '../cost/unitCost';
import { materialDemand } from '../draws/demandRate';
import type { House, Material, Service } from '../house/house';
import { indexHouse, type Gloves, type HouseIndex } from '../house/houseIndex';
import type { MaterialId, ServiceId } from '../house/ids';
import { openLifeOf, chosenPack, preferredPack } from '../house/packs';
import { fail, type Outcome } from '../problem/problem';
import type { Triple } from '../quantity/triple';
import { MaterialFacets } from './facets';
import type { HouseFigures, MaterialFigures, MaterialUse, ServiceFigures } from './houseFigures';
import { MaterialCalculator } from './materialCalculator';
import { Remembered } from './remember';
import { changesBetween, type Changes } from './scope';
import { ServiceCalculator, type Dosed, type DoseInputs } from './serviceCalculator';
import { clientOf, workless, workOf, editionInUse, type ServiceWork } from './serviceWork';

/**
 * Turns Houses into figures, remembering what an edit leaves as it was. How much of open containers is used follows
 * from the House, or is given where another says it.
 */
export type Calculator = (house: House, opens?: OpenUses) => HouseFigures;

/** The last House, its figures, and who draws what. */
interface Last {
  readonly house: House;
  readonly figures: HouseFigures;
  readonly unitCosts: ReadonlyMap<MaterialId, Outcome<number>>;
  readonly works: ReadonlyMap<ServiceId, ServiceWork>;
  readonly dosed: ReadonlyMap<ServiceId, Dosed>;
  readonly opens: OpenUses;
  /** `opens` followed from another House */
  readonly given: OpenUses | undefined;
  readonly drawnBy: ReadonlyMap<MaterialId, readonly Service[]>;
  readonly gloves: Gloves;
}

/**
 * A calculator that computes every figure of a House, and on the next House only what depends on
 * what is different. Keep one for as long as a House is edited.
 * @param depth how many Houses it goes back and forth between without computing anew
 * @param of `services` leaves out what follows for the shelf, where only services are looked at
 * @see C7 P6 S3 T5 for what it puts together
 */
export function createCalculator(depth = 1, of: 'all' | 'services' = 'all'): Calculator {
  const services = new ServiceCalculator(depth);
  const materials = new MaterialCalculator(depth);
  const facets = new MaterialFacets(depth);
  const unitCosts = new Remembered<MaterialId, Outcome<number>>(depth);
  const works = new Remembered<ServiceId, ServiceWork>(depth);
  const openUses = new Remembered<MaterialId, OpenUse | undefined>(depth);
  let last: Last | undefined;

  return (house, given) => {
    if (last?.house === house && last.given === given) return last.figures;
    const index = indexHouse(house);
    const roomRate = roomRatePerMinute(house.settings.roomCost, house.rooms.length);
    const changes = last && changesBetween(last.house, house);
    const costOf = (material: Material): Outcome<number> => {
      const tax = material.kind === 'linen' ? 1 : taxFactor(chosenPack(material), house);
      return unitCosts.get(material.id, [facets.priceFacet(material), tax], () =>
        unitCost(material, house),
      );
    };
    const before = changes && last;

    const costs = before
      ? replaced(before.unitCosts, index.materials, changes.materials, costOf)
      : new Map(house.materials.map((material) => [material.id, costOf(material)]));
    const computeWork = (service: Service): ServiceWork => {
      const inUse = editionInUse(service, index, house);
      if (!inUse) return workless(service);
      const { plain, sterile } = index.gloves;
      const { visitKind, shownFor } = service;
      const from = [inUse.protocol, inUse.mixes, house.blocks, visitKind, shownFor, plain, sterile];
      return works.get(service.id, from, () => workOf(inUse, clientOf(service), index));
    };
    const worked = before
      ? replaced(
          before.works,
          index.services,
          rewritten(house, changes, before.gloves, index.gloves),
          computeWork,
        )
      : new Map(house.services.map((service) => [service.id, computeWork(service)]));
    const drawnBy =
      before && sameReach(before.works, worked) ? before.drawnBy : drawnByOf(house, worked);

    const doseInputsOf = (service: Service): DoseInputs => ({
      house,
      index,
      work: worked.get(service.id) ?? workless(service),
      doseFacetOf: (id) => {
        const material = index.materials.get(id);
        return material && facets.doseFacet(material);
      },
    });
    const computeDose = (service: Service): Dosed => services.dose(service, doseInputsOf(service));
    const reached = before && touchedServices(house, changes, [before.drawnBy, drawnBy]);
    const dosed = before
      ? replaced(before.dosed, index.services, reached ?? new Set(), computeDose)
      : new Map(house.services.map((service) => [service.id, computeDose(service)]));
    const usesNow = (id: MaterialId): readonly MaterialUse[] =>
      usesOf(id, drawnBy.get(id) ?? [], index, dosed);
    const demanded =
      before && reached
        ? touchedMaterials(changes, reached, before.dosed, dosed, [before.works, worked])
        : undefined;
    const computeOpen = (material: Material): OpenUse | undefined => {
      if (material.kind === 'linen' || !openLifeOf(material)) return undefined;
      const { usesPerDay, perDay } = materialDemand(
        usesNow(material.id).map(({ visitsPerWeek, consumed }) => ({
          visitsPerWeek,
          amount: consumed.usual,
        })),
      );
      const from = [facets.priceFacet(material), openLifeOf(material), usesPerDay, perDay];
      return openUses.get(material.id, from, () =>
        openUseOf(material, preferredPack(material), { usesPerDay, perDay }),
      );
    };
    const opens =
      given ??
      (house.settings.withoutExpired
        ? NONE_OPEN
        : opensNow(
            before?.given ? undefined : before?.opens,
            index.materials,
            demanded,
            computeOpen,
          ));
    const touched = before && reached && withSpoiling(reached, before.opens, opens, drawnBy);

    const computeService = (service: Service): ServiceFigures =>
      services.compute(service, {
        ...doseInputsOf(service),
        unitCosts: costs,
        opens,
        roomRate,
      });
    const ofServices = before
      ? replaced(before.figures.services, index.services, touched ?? new Set(), computeService)
      : new Map(house.services.map((service) => [service.id, computeService(service)]));

    const computeMaterial = (material: Material): MaterialFigures =>
      materials.compute(material, {
        index,
        unitCost:
          costs.get(material.id) ?? fail('price-missing', 'No price.', { materialId: material.id }),
        open: opens.get(material.id),
        uses: usesNow(material.id),
        drawnBy: (drawnBy.get(material.id) ?? []).map(({ id }) => id),
      });
    const ofMaterials =
      of === 'services'
        ? NOTHING
        : before && demanded
          ? replaced(before.figures.materials, index.materials, demanded, computeMaterial)
          : new Map(house.materials.map((material) => [material.id, computeMaterial(material)]));

    if (!before) {
      services.keepOnly((id) => index.services.has(id));
      materials.keepOnly((id) => index.materials.has(id));
      unitCosts.keepOnly((id) => index.materials.has(id));
      works.keepOnly((id) => index.services.has(id));
      openUses.keepOnly((id) => index.materials.has(id));
    }
    const figures = { services: ofServices, materials: ofMaterials, roomRate };
    last = {
      house,
      figures,
      unitCosts: costs,
      works: worked,
      dosed,
      opens,
      given,
      drawnBy,
      gloves: index.gloves,
    };
    return figures;
  };
}

const NOTHING: HouseFigures['materials'] = new Map();
const NONE_OPEN: OpenUses = new Map();

/** How much of each open container is used: `before` with what is demanded otherwise looked at anew. */
function opensNow(
  before: OpenUses | undefined,
  materials: HouseIndex['materials'],
  demanded: ReadonlySet<MaterialId> | undefined,
  openOf: (material: Material) => OpenUse | undefined,
): OpenUses {
  /* What was left out before is looked at anew, whole. */
  const isWhole = !before || before === NONE_OPEN || !demanded;
  const changed = new Map<MaterialId, OpenUse | undefined>();
  for (const id of isWhole ? materials.keys() : demanded) {
    const material = materials.get(id);
    const open = material && openOf(material);
    if (open !== before?.get(id)) changed.set(id, open);
  }
  if (before && !isWhole && changed.size === 0) return before;
  const after = new Map(isWhole ? [] : before);
  for (const [id, open] of changed) {
    if (open) after.set(id, open);
    else after.delete(id);
  }
  return after;
}

/** The services that are touched, and those that draw what is now used to another share once it is open. */
function withSpoiling(
  touched: ReadonlySet<ServiceId>,
  before: OpenUses,
  now: OpenUses,
  drawnBy: ReadonlyMap<MaterialId, readonly Service[]>,
): ReadonlySet<ServiceId> {
  if (before === now) return touched;
  const all = new Set(touched);
  for (const id of new Set([...before.keys(), ...now.keys()])) {
    if (before.get(id) === now.get(id)) continue;
    for (const service of drawnBy.get(id) ?? []) all.add(service.id);
  }
  return all;
}

/** `before` with the values of `keys` made anew. */
function replaced<K, T, V>(
  before: ReadonlyMap<K, V>,
  things: ReadonlyMap<K, T>,
  keys: ReadonlySet<K>,
  make: (thing: T) => V,
): ReadonlyMap<K, V> {
  if (keys.size === 0) return before;
  const after = new Map(before);
  for (const key of keys) {
    const thing = things.get(key);
    if (thing !== undefined) after.set(key, make(thing));
  }
  return after;
}

/** Whether every service may draw what it could before. */
function sameReach(
  before: ReadonlyMap<ServiceId, ServiceWork>,
  now: ReadonlyMap<ServiceId, ServiceWork>,
): boolean {
  if (before === now) return true;
  for (const [id, { reached }] of now) {
    const was = before.get(id)?.reached ?? [];
    if (was === reached) continue;
    if (was.length !== reached.length || was.some((each, at) => each !== reached[at])) return false;
  }
  return true;
}

function drawnByOf(
  house: House,
  works: ReadonlyMap<ServiceId, ServiceWork>,
): ReadonlyMap<MaterialId, readonly Service[]> {
  const drawnBy = new Map<MaterialId, Service[]>();
  for (const service of house.services) {
    for (const id of works.get(service.id)?.reached ?? []) {
      const known = drawnBy.get(id);
      if (known) known.push(service);
      else drawnBy.set(id, [service]);
    }
  }
  return drawnBy;
}

/** The services whose work may be another: those of changed protocols; all, when gloves are others. */
function rewritten(
  house: House,
  { protocols }: Changes,
  before: Gloves,
  now: Gloves,
): ReadonlySet<ServiceId> {
  const gloves = before.plain === now.plain && before.sterile === now.sterile;
  if (gloves && protocols.size === 0) return new Set();
  return new Set(
    house.services
      .filter((service) => !gloves || protocols.has(service.protocolId))
      .map((service) => service.id),
  );
}

function touchedServices(
  house: House,
  changes: Changes,
  drawnBy: readonly ReadonlyMap<MaterialId, readonly Service[]>[],
): ReadonlySet<ServiceId> {
  if (changes.money) return new Set(house.services.map(({ id }) => id));
  const touched = new Set<ServiceId>([...changes.demand, ...changes.priced]);
  for (const id of changes.materials) {
    for (const map of drawnBy) for (const service of map.get(id) ?? []) touched.add(service.id);
  }
  if (changes.protocols.size > 0) {
    for (const service of house.services) {
      if (changes.protocols.has(service.protocolId)) touched.add(service.id);
    }
  }
  return touched;
}

/** The changed materials, and those of which a service takes otherwise than before, or is booked otherwise. */
function touchedMaterials(
  changes: Changes,
  touched: ReadonlySet<ServiceId>,
  before: ReadonlyMap<ServiceId, Dosed>,
  now: ReadonlyMap<ServiceId, Dosed>,
  works: readonly Last['works'][],
): ReadonlySet<MaterialId> {
  const materials = new Set<MaterialId>([...changes.materials, ...changes.stock]);
  for (const id of touched) {
    const was = before.get(id)?.consumption;
    const is = now.get(id)?.consumption;
    const booked = changes.demand.has(id);
    if (was === is && !booked) continue;
    const [reachedBefore, reachedNow] = works.map((of) => new Set(of.get(id)?.reached));
    for (const drawn of new Set([...(reachedBefore ?? []), ...(reachedNow ?? [])])) {
      const same =
        was?.ok &&
        is?.ok &&
        sameTriple(was.value.get(drawn), is.value.get(drawn)) &&
        reachedBefore?.has(drawn) === reachedNow?.has(drawn);
      if (booked || !same) materials.add(drawn);
    }
  }
  return materials;
}

function sameTriple(a: Triple | undefined, b: Triple | undefined): boolean {
  return a?.low === b?.low && a?.usual === b?.usual && a?.high === b?.high;
}

function usesOf(
  id: MaterialId,
  services: readonly Service[],
  index: HouseIndex,
  dosed: ReadonlyMap<ServiceId, Dosed>,
): readonly MaterialUse[] {
  const uses: MaterialUse[] = [];
  for (const service of services) {
    const visitsPerWeek = index.visitsPerWeek.get(service.id) ?? 0;
    const consumption = dosed.get(service.id)?.consumption;
    if (!consumption?.ok) continue;
    const consumed = consumption.value.get(id);
    if (consumed) uses.push({ serviceId: service.id, visitsPerWeek, consumed });
  }
  return uses;
}
