import { roomRatePerMinute } from '../cost/roomRate';
import { serviceCost, type MinuteRates, type ServiceCost } from '../cost/serviceCost';
import { ratePerMinute } from '../cost/therapistRate';
import { unitCost } from '../cost/unitCost';
import { packUnits } from '../cost/landedUnitCost';
import { consumptionByMaterial } from '../dose/consumption';
import { drawsOf, type Draw } from '../dose/drawsOf';
import type { House, Material, Protocol, Service } from '../house/house';
import { indexHouse, type HouseIndex } from '../house/houseIndex';
import type { MaterialId, MixId, ServiceId } from '../house/ids';
import { collect, fail, failWith, ok, type Outcome, type Problem } from '../house/problem';
import { costPlusPrice, type CostPlusPrice, type PriceLoad } from '../price/priceOf';
import type { Triple } from '../quantity/triple';
import { cover } from '../stock/cover';
import { materialDemand } from '../stock/demandRate';
import { reorderPoint } from '../stock/reorderPoint';
import { usesWhileWaiting } from '../stock/usesWhileWaiting';
import { scheduleOf, type Schedule } from '../time/schedule';
import type {
  HouseFigures,
  MaterialFigures,
  MaterialUse,
  Restocking,
  ServiceFigures,
} from './houseFigures';
import { Remembered } from './remember';

/** Turns Houses into figures, remembering what an edit leaves as it was. */
export type Calculator = (house: House) => HouseFigures;

interface Dosed {
  readonly draws: Outcome<readonly Draw[]>;
  readonly consumption: Outcome<ReadonlyMap<MaterialId, Triple>>;
}

/**
 * A calculator that computes every figure of a House, and on the next House only what depends on
 * what is different. Keep one for as long as a House is edited.
 * @see C7 P6 S3 T5 for what it puts together
 */
export function createCalculator(): Calculator {
  const schedules = new Remembered<ServiceId, Outcome<Schedule>>();
  const doses = new Remembered<ServiceId, Dosed>();
  const unitCosts = new Remembered<MaterialId, Outcome<number>>();
  const rates = new Remembered<ServiceId, Outcome<MinuteRates>>();
  const costs = new Remembered<ServiceId, Outcome<ServiceCost>>();
  const prices = new Remembered<ServiceId, Outcome<CostPlusPrice>>();
  const services = new Remembered<ServiceId, ServiceFigures>();
  const restockings = new Remembered<MaterialId, Outcome<Restocking>>();
  const materials = new Remembered<MaterialId, MaterialFigures>();
  const uses = new Remembered<MaterialId, readonly MaterialUse[]>();
  const indexes = new Remembered<'house', HouseIndex>();
  const reach = new Remembered<Protocol, readonly MaterialId[]>();

  return (house) => {
    const index = indexes.get('house', [house], () => indexHouse(house));
    const { settings } = house;
    const roomRate = roomRatePerMinute(settings.roomCost, house.rooms.length);
    const costOf = new Map(
      house.materials.map((material) => [
        material.id,
        unitCosts.get(material.id, priceInputs(material), () => unitCost(material)),
      ]),
    );

    const reachOf = (protocol: Protocol): readonly MaterialId[] =>
      reach.get(protocol, [house.mixes], () => materialsReached(protocol, index));

    const computeService = (service: Service): ServiceFigures => {
      const protocol = index.protocols.get(service.protocolId);
      if (!protocol) return withoutProtocol(service);
      const { visitKind } = service;
      const reached = reachOf(protocol);
      const schedule = schedules.get(
        service.id,
        [protocol, visitKind, settings.slotGridMinutes, settings.slotQuantile],
        () => scheduleOf(protocol, visitKind, settings),
      );
      const dosed = doses.get(
        service.id,
        [protocol, visitKind, house.mixes, ...doseInputs(house), ...measureInputs(reached, index)],
        () => {
          const draws = drawsOf(protocol, visitKind, index, settings);
          return { draws, consumption: draws.ok ? ok(consumptionByMaterial(draws.value)) : draws };
        },
      );
      const rate = rates.get(
        service.id,
        [
          service,
          protocol,
          house.people,
          house.rooms.length,
          settings.roomCost,
          settings.onCost,
          settings.bookableShare,
        ],
        () => minuteRates(service, protocol, house, index, roomRate),
      );
      const cost = costs.get(
        service.id,
        [dosed, schedule, rate, settings.therapistCharge, ...reached.map((id) => costOf.get(id))],
        () => {
          const parts = missing([dosed.draws, schedule, rate]);
          if (!dosed.draws.ok || !schedule.ok || !rate.ok) return failWith(parts);
          return serviceCost(
            dosed.draws.value,
            schedule.value,
            index.materials,
            costOf,
            rate.value,
            settings.therapistCharge,
          );
        },
      );
      const targetMargin = service.targetMargin ?? settings.targetMargin;
      const price = prices.get(
        service.id,
        [
          cost,
          targetMargin,
          settings.vat,
          settings.commission,
          settings.cardFee,
          settings.priceEndings,
        ],
        () => {
          if (!cost.ok || !schedule.ok) return failWith(missing([cost]));
          const load = priceLoad(cost.value, schedule.value, house);
          return costPlusPrice(load, targetMargin, settings, { serviceId: service.id });
        },
      );
      return services.get(service.id, [schedule, dosed, rate, cost, price], () => ({
        serviceId: service.id,
        schedule,
        ...dosed,
        rates: rate,
        cost,
        price,
      }));
    };

    const ofServices = new Map(
      house.services.map((service) => [service.id, computeService(service)]),
    );
    const usesOf = collectUses(house, index, ofServices, reachOf);

    const ofMaterials = new Map(
      house.materials.map((material) => {
        const { id } = material;
        const found = usesOf.get(id);
        const used = uses.get(id, flattenUses(found?.uses ?? []), () => found?.uses ?? []);
        const onHand = index.onHand.get(id) ?? 0;
        const cost = costOf.get(id) ?? fail('pack-missing', 'No price.', { materialId: id });
        const supplier =
          material.kind === 'linen' ? undefined : index.suppliers.get(material.supplierId);
        const faults = found?.problems ?? [];
        const restocking =
          material.kind === 'linen'
            ? null
            : restockings.get(
                id,
                [
                  used,
                  onHand,
                  supplier,
                  material.pack.content,
                  material.pack.containers,
                  material.kind,
                  material.unit,
                  settings.serviceLevel,
                  ...faults,
                ],
                () =>
                  faults.length > 0
                    ? failWith(faults)
                    : restock(material, used, onHand, index, settings.serviceLevel),
              );
        const figures = materials.get(id, [cost, used, onHand, restocking], () => ({
          materialId: id,
          unitCost: cost,
          uses: used,
          onHand,
          restocking,
        }));
        return [id, figures] as const;
      }),
    );

    const isService = (id: ServiceId): boolean => index.services.has(id);
    const isMaterial = (id: MaterialId): boolean => index.materials.has(id);
    for (const kept of [schedules, doses, rates, costs, prices, services]) kept.keepOnly(isService);
    for (const kept of [unitCosts, restockings, materials, uses]) kept.keepOnly(isMaterial);
    reach.keepOnly((protocol) => index.protocols.get(protocol.id) === protocol);
    return { services: ofServices, materials: ofMaterials, roomRate };
  };
}

function missing(outcomes: readonly Outcome<unknown>[]): readonly Problem[] {
  const all = collect(outcomes);
  return all.ok ? [] : all.problems;
}

function withoutProtocol(service: Service): ServiceFigures {
  const none = fail('protocol-unknown', `${service.name} has no protocol in the house.`, {
    serviceId: service.id,
    field: 'protocolId',
  });
  return {
    serviceId: service.id,
    schedule: none,
    draws: none,
    consumption: none,
    rates: none,
    cost: none,
    price: none,
  };
}

/** Whatever a protocol may draw, also through mixes, in order of first mention. */
function materialsReached(protocol: Protocol, index: HouseIndex): readonly MaterialId[] {
  const reached = new Set<MaterialId>();
  const seen = new Set<MixId>();
  const visitMix = (mixId: MixId): void => {
    if (seen.has(mixId)) return;
    seen.add(mixId);
    for (const { source } of index.mixes.get(mixId)?.parts ?? []) {
      if (source.kind === 'material') reached.add(source.materialId);
      else visitMix(source.mixId);
    }
  };
  for (const step of protocol.steps) {
    for (const { source } of step.doses) {
      if (source.kind === 'material') reached.add(source.materialId);
      else visitMix(source.mixId);
    }
  }
  return [...reached];
}

function priceInputs(material: Material): unknown[] {
  return material.kind === 'linen'
    ? [material.kind, material.name, material.laundry]
    : [material.kind, material.name, material.pack];
}

function doseInputs({ settings }: House): unknown[] {
  return [
    settings.spoons,
    settings.handlingLoss,
    settings.coatMgPerCm2,
    settings.referenceClient,
    settings.trunkPercent,
    settings.faceShares,
  ];
}

/** What of the materials decides doses: all but the price. */
function measureInputs(reached: readonly MaterialId[], index: HouseIndex): unknown[] {
  return reached.flatMap((id) => {
    const material = index.materials.get(id);
    if (!material) return [undefined];
    const content = material.kind === 'single-dose' ? material.pack.content : undefined;
    return [material.kind, material.name, material.unit, material.measures, content];
  });
}

function minuteRates(
  service: Service,
  protocol: Protocol,
  house: House,
  index: HouseIndex,
  room: Outcome<number>,
): Outcome<MinuteRates> {
  const where = { serviceId: service.id };
  const performers = service.therapistIds.flatMap((id) => index.people.get(id) ?? []);
  const therapist = ratePerMinute(performers, 'therapist', house.settings, where);
  const assistants = house.people.filter((person) => person.role === 'assistant');
  const assisted = protocol.steps.some((step) => step.by === 'assistant');
  const assistant = assisted
    ? ratePerMinute(assistants, 'assistant', house.settings, { protocolId: protocol.id })
    : ok(0);
  if (!therapist.ok || !assistant.ok || !room.ok) {
    return failWith(missing([therapist, assistant, room]));
  }
  return ok({ therapist: therapist.value, assistant: assistant.value, room: room.value });
}

function priceLoad(cost: ServiceCost, schedule: Schedule, house: House): PriceLoad {
  return {
    directCost: cost.direct.usual,
    roomCost: cost.room.usual,
    slotMinutes: schedule.slotMinutes,
    attendedMinutes: schedule.attended.therapist,
    roomCostPerMonth: house.settings.roomCost.fixedPerMonthMinor / house.rooms.length,
  };
}

interface FoundUses {
  readonly uses: MaterialUse[];
  readonly problems: Problem[];
}

function collectUses(
  house: House,
  index: HouseIndex,
  ofServices: ReadonlyMap<ServiceId, ServiceFigures>,
  reachOf: (protocol: Protocol) => readonly MaterialId[],
): ReadonlyMap<MaterialId, FoundUses> {
  const found = new Map<MaterialId, FoundUses>();
  const at = (id: MaterialId): FoundUses => {
    const known = found.get(id) ?? { uses: [], problems: [] };
    found.set(id, known);
    return known;
  };
  for (const service of house.services) {
    const visitsPerWeek = index.visitsPerWeek.get(service.id) ?? 0;
    const consumption = ofServices.get(service.id)?.consumption;
    if (!consumption) continue;
    if (consumption.ok) {
      for (const [id, consumed] of consumption.value) {
        at(id).uses.push({ serviceId: service.id, visitsPerWeek, consumed });
      }
    } else if (visitsPerWeek > 0) {
      const protocol = index.protocols.get(service.protocolId);
      if (!protocol) continue;
      for (const id of reachOf(protocol)) at(id).problems.push(...consumption.problems);
    }
  }
  return found;
}

function flattenUses(uses: readonly MaterialUse[]): unknown[] {
  return uses.flatMap((use) => [use.serviceId, use.visitsPerWeek, use.consumed]);
}

function restock(
  material: Exclude<Material, { kind: 'linen' }>,
  uses: readonly MaterialUse[],
  onHand: number,
  index: HouseIndex,
  serviceLevel: number,
): Outcome<Restocking> {
  const where = { materialId: material.id };
  const supplier = index.suppliers.get(material.supplierId);
  if (!supplier) {
    return fail(
      'supplier-unknown',
      `Say who supplies ${material.name}, so that its lead time is known.`,
      {
        ...where,
        field: 'supplierId',
      },
    );
  }
  const demand = materialDemand(
    uses.map((use) => ({ visitsPerWeek: use.visitsPerWeek, amount: use.consumed.usual })),
  );
  const waiting = usesWhileWaiting(demand.usesPerDay, supplier);
  const indivisible =
    material.kind === 'single-dose'
      ? material.pack.content
      : material.unit === 'piece'
        ? 1
        : undefined;
  const point = reorderPoint(
    demand,
    waiting,
    { indivisible, packUnits: packUnits(material.pack), serviceLevel },
    where,
  );
  if (!point.ok) return point;
  return ok({
    demand,
    uses: waiting,
    reorderPoint: point.value,
    cover: cover(onHand, demand.perDay, point.value.amount),
  });
}
