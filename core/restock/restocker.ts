import { MaterialFacets } from '../figures/facets';
import type { HouseFigures } from '../figures/houseFigures';
import { Remembered } from '../figures/remember';
import { clientOf, editionInUse } from '../figures/serviceWork';
import type {
  BoughtMaterial,
  House,
  LinenMaterial,
  Order,
  Service,
  Supplier,
} from '../house/house';
import { indexHouse, type HouseIndex } from '../house/houseIndex';
import type { MaterialId, ServiceId } from '../house/ids';
import { chosenPack, heldPack, leadTimeOf } from '../house/packs';
import { failWith, ok, type Outcome, type Problem } from '../problem/problem';
import { packUnits } from '../cost/landedUnitCost';
import { dayOf } from '../days/days';
import { closedDaysOf } from './arrival';
import { parLevel } from './parLevel';
import { kindsOfVisit, seasonOf, type KindOfVisit } from './clientKinds';
import { dueVisits, forecastOf, type Forecast } from './forecast';
import { openPacksOf } from './orderProgress';
import { restockRules } from './restockRules';
import {
  restockingNow,
  type MaterialRate,
  type OnItsWay,
  type Restocking,
  type Rules,
} from './restocking';

/** What a piece of linen needs to go round. Pieces. */
export interface LinenLevel {
  readonly usesPerDay: number;
  readonly perDay: number;
  readonly par: number;
  readonly pieces: number;
  readonly washDays: number;
  readonly safetyDays: number;
  /** to buy, so that it goes round */
  readonly short: number;
}

/** What is set aside of a material for visits that are paid for. */
export interface SetAside {
  /** in the material's unit */
  readonly amount: number;
  readonly visits: readonly {
    readonly day: string;
    readonly amount: number;
    readonly name: string;
  }[];
}

/** When to order what, for the whole shelf. */
export interface RestockFigures {
  readonly today: string;
  readonly forecasts: ReadonlyMap<ServiceId, Forecast>;
  readonly promises: ReadonlyMap<MaterialId, SetAside>;
  readonly materials: ReadonlyMap<MaterialId, Outcome<Restocking>>;
  readonly linen: ReadonlyMap<MaterialId, LinenLevel>;
}

/** Turns a House and its figures into when to order what, remembering what an edit leaves as it was. */
export type Restocker = (house: House, figures: HouseFigures, now: Date) => RestockFigures;

/**
 * A restocker; keep one for as long as a House is edited.
 * @see S1 S2 S3 S4 S5 S6 S7
 */
export function createRestocker(): Restocker {
  const facets = new MaterialFacets();
  const kinds = new Remembered<ServiceId, Outcome<readonly KindOfVisit[]>>();
  const rules = new Remembered<MaterialId, Outcome<Rules>>();
  const visits = new Remembered<'a week', ReadonlyMap<ServiceId, Forecast>>();

  /** Read of the log and the book, which may be long, only when one of its sources is another. */
  const visitsAWeek = (house: House, today: string): ReadonlyMap<ServiceId, Forecast> => {
    const { services, demand, bookings, placed, log, offers, soldCourses } = house;
    const { restock, timeZone } = house.settings;
    const records = { services, demand, bookings, placed, log, offers, soldCourses };
    const from = [today, restock, timeZone, ...Object.values(records)];
    return visits.get('a week', from, () =>
      forecastOf({ ...records, settings: { restock, timeZone } }, today),
    );
  };

  const kindsOf = (
    service: Service,
    house: House,
    figures: HouseFigures,
    index: HouseIndex,
    today: string,
  ): Outcome<readonly KindOfVisit[]> => {
    const { clientMix } = house.settings.restock;
    const of = figures.services.get(service.id);
    if (!of) return ok([]);
    if (!clientMix) {
      const { consumption } = of;
      return kinds.get(service.id, [consumption], () =>
        consumption.ok
          ? ok([
              {
                share: 1,
                consumed: new Map([...consumption.value].map(([id, t]) => [id, t.usual])),
              },
            ])
          : consumption,
      );
    }
    const inUse = editionInUse(service, index, house);
    if (!inUse) return of.consumption.ok ? ok([]) : failWith(of.consumption.problems);
    const alone = !house.services.some(
      (each) =>
        each.protocolId === service.protocolId &&
        each.id !== service.id &&
        each.visitKind !== service.visitKind,
    );
    const season = seasonOf(today);
    const { settings } = house;
    const from = [
      inUse.protocol,
      inUse.mixes,
      house.blocks,
      service.visitKind,
      service.shownFor,
      clientMix,
      alone,
      season,
      settings.spoons,
      settings.handlingLoss,
      settings.coatMgPerCm2,
      settings.vessels,
      settings.referenceClient,
      settings.builds,
      settings.trunkPercent,
      settings.faceShares,
      settings.zoneShares,
      ...house.materials.map((material) => facets.doseFacet(material)),
    ];
    return kinds.get(service.id, from, () =>
      kindsOfVisit(
        inUse,
        clientOf(service),
        clientMix,
        alone ? 'mixed' : 'as-shown',
        season,
        house,
        index,
      ),
    );
  };

  return (house, figures, now) => {
    const { timeZone } = house.settings;
    const today = dayOf(now, timeZone);
    const index = indexHouse(house);
    const forecasts = visitsAWeek(house, today);
    const rates = new Map<MaterialId, MaterialRate[]>();
    const faults = new Map<MaterialId, Problem[]>();
    for (const service of house.services) {
      const visitsPerWeek = forecasts.get(service.id)?.used ?? 0;
      const of = kindsOf(service, house, figures, index, today);
      if (!of.ok) {
        if (visitsPerWeek > 0) noteFaults(service, of.problems, figures, faults);
        continue;
      }
      const note = (id: MaterialId, perWeek: number, amount: number): void => {
        if (!(amount > 0)) return;
        const rate = { serviceId: service.id, visitsPerWeek: perWeek, amount };
        const known = rates.get(id);
        if (known) known.push(rate);
        else rates.set(id, [rate]);
      };
      for (const { share, consumed } of of.value) {
        for (const [id, amount] of consumed) note(id, visitsPerWeek * share, amount);
      }
      /* What guests are expected to buy goes off the shelf as well, a container each. */
      const around = editionInUse(service, index, house)?.protocol.around;
      for (const { materialId, takeUp } of around?.recommends ?? []) {
        const sold = index.materials.get(materialId);
        if (sold && sold.kind !== 'linen')
          note(materialId, visitsPerWeek * takeUp, chosenPack(sold).content);
      }
    }
    const promises = promisesOf(house, figures, today);
    const onItsWay = onItsWayOf(house, index);
    const stock = new Map(house.stock.map((line) => [line.materialId, line]));
    const materials = new Map<MaterialId, Outcome<Restocking>>();
    const linen = new Map<MaterialId, LinenLevel>();
    for (const material of house.materials) {
      const of = rates.get(material.id) ?? [];
      if (material.kind === 'linen') {
        linen.set(material.id, linenLevel(material, of));
        continue;
      }
      const lots = stock.get(material.id) ?? { lots: [] };
      const supplier = index.suppliers.get(chosenPack(material).supplierId);
      const why = faults.get(material.id) ?? [];
      const closedDays = supplier ? closedNow(material, supplier, today) : 0;
      const from = [...fromOf(material, supplier, of, house, lots, why), closedDays];
      const ruled = rules.get(material.id, from, () =>
        why.length > 0
          ? failWith(why)
          : restockRules({
              material,
              supplier,
              rates: of,
              stock: lots,
              settings: house.settings,
              closedDays,
            }),
      );
      materials.set(
        material.id,
        ruled.ok
          ? ok(
              restockingNow(ruled.value, {
                material,
                stock: lots,
                promised: promises.get(material.id)?.amount ?? 0,
                onItsWay: onItsWay.get(material.id) ?? [],
                now,
                timeZone,
              }),
            )
          : ruled,
      );
    }
    return { today, forecasts, promises, materials, linen };
  };
}

/** How much longer an order of these days waits, because the supplier is closed. */
function closedNow(material: BoughtMaterial, supplier: Supplier, today: string): number {
  const { leadTimeDays, reviewDays } = leadTimeOf(chosenPack(material), supplier);
  return closedDaysOf(today, leadTimeDays, reviewDays, supplier);
}

/** What the rules of a material depend on; amounts by value, since they are made anew each time. */
function fromOf(
  material: BoughtMaterial,
  supplier: unknown,
  rates: readonly MaterialRate[],
  { settings }: House,
  { lots }: { readonly lots: readonly unknown[] },
  faults: readonly Problem[],
): unknown[] {
  const { serviceLevel, restock, purchaseTax } = settings;
  const flat: unknown[] = [material, supplier, serviceLevel, restock, purchaseTax, lots];
  for (const { serviceId, visitsPerWeek, amount } of rates) {
    flat.push(serviceId, visitsPerWeek, amount);
  }
  return [...flat, ...faults];
}

function linenLevel({ loop }: LinenMaterial, rates: readonly MaterialRate[]): LinenLevel {
  const perDay = rates.reduce((sum, each) => sum + each.visitsPerWeek * each.amount, 0) / 7;
  const { pieces, washDays, safetyDays } = loop ?? USUAL_LOOP;
  const par = parLevel(perDay, washDays, safetyDays);
  const usesPerDay = rates.reduce((sum, each) => sum + each.visitsPerWeek, 0) / 7;
  return {
    usesPerDay,
    perDay,
    par,
    pieces,
    washDays,
    safetyDays,
    short: Math.max(0, par - pieces),
  };
}

const USUAL_LOOP = { pieces: 0, washDays: 2, safetyDays: 1 };

/** A fault of a service is one of everything that it may draw. */
function noteFaults(
  { id }: Service,
  problems: readonly Problem[],
  figures: HouseFigures,
  faults: Map<MaterialId, Problem[]>,
): void {
  for (const [materialId, { drawnBy }] of figures.materials) {
    if (!drawnBy.includes(id)) continue;
    faults.set(materialId, [...(faults.get(materialId) ?? []), ...problems]);
  }
}

function promisesOf(
  house: House,
  figures: HouseFigures,
  today: string,
): ReadonlyMap<MaterialId, SetAside> {
  const promises = new Map<MaterialId, SetAside>();
  for (const { serviceId, day, soldCourse } of dueVisits(house, today)) {
    const consumption = figures.services.get(serviceId)?.consumption;
    if (!consumption?.ok) continue;
    for (const [id, { usual: amount }] of consumption.value) {
      const known = promises.get(id) ?? { amount: 0, visits: [] };
      promises.set(id, {
        amount: known.amount + amount,
        visits: [...known.visits, { day, amount, name: soldCourse.name }],
      });
    }
  }
  return promises;
}

function onItsWayOf(house: House, index: HouseIndex): ReadonlyMap<MaterialId, OnItsWay[]> {
  const coming = new Map<MaterialId, OnItsWay[]>();
  for (const order of house.orders) {
    for (const { material, amount } of comingOf(order, index)) {
      const line = { orderName: order.name, amount, dueOn: order.dueOn ?? order.writtenOn };
      coming.set(material.id, [...(coming.get(material.id) ?? []), line]);
    }
  }
  return coming;
}

/** What an order still brings, in the units of its materials. */
function comingOf(
  order: Order,
  { materials }: Pick<HouseIndex, 'materials'>,
): readonly { readonly material: BoughtMaterial; readonly amount: number }[] {
  if (order.state !== 'sent' && order.state !== 'confirmed') return [];
  return order.lines.flatMap((line) => {
    const material = materials.get(line.materialId);
    if (!material || material.kind === 'linen') return [];
    const packId = line.confirmed?.packId ?? line.packId;
    const pack = material.packs.find(({ id }) => id === packId) ?? chosenPack(material);
    const packs = openPacksOf(line);
    return packs > 0 ? [{ material, amount: packs * packUnits(heldPack(material, pack)) }] : [];
  });
}
