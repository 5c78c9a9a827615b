import {
  costOfVisit,
  thingsCost,
  type MinuteRates,
  type ServiceCost,
  type ThingsCost,
} from '../cost/serviceCost';
import { ratePerMinute } from '../cost/therapistRate';
import { consumptionByMaterial } from '../draws/consumption';
import { drawsOf, type Draw } from '../draws/drawsOf';
import type { House, Service, WorkedProtocol } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { MaterialId, ServiceId } from '../house/ids';
import { collect, failWith, ok, type Outcome, type Problem } from '../problem/problem';
import { servicePrice, type ServicePrice } from '../price/ladders';
import type { PriceLoad } from '../price/priceOf';
import type { Triple } from '../quantity/triple';
import { scheduleOf, type Schedule } from '../time/schedule';
import { clockFacet, type DoseFacet } from './facets';
import type { ServiceFigures } from './houseFigures';
import { Remembered } from './remember';
import { settingsFor, shelfOf, type ServiceWork } from './serviceWork';

/** What the figures of a service are made from, besides the service itself. */
export interface ServiceInputs {
  readonly house: House;
  readonly index: HouseIndex;
  readonly work: ServiceWork;
  readonly doseFacetOf: (id: MaterialId) => DoseFacet | undefined;
  readonly unitCosts: ReadonlyMap<MaterialId, Outcome<number>>;
  readonly roomRate: Outcome<number>;
}

interface Dosed {
  readonly draws: Outcome<readonly Draw[]>;
  readonly consumption: Outcome<ReadonlyMap<MaterialId, Triple>>;
}

/** Computes services, each part of one anew only when something it depends on is another. */
export class ServiceCalculator {
  readonly #schedules: Remembered<ServiceId, Outcome<Schedule>>;
  readonly #clocks: Remembered<ServiceId, Outcome<Schedule>>;
  readonly #shelves: Remembered<ServiceId, Dosed>;
  readonly #doses: Remembered<ServiceId, Dosed>;
  readonly #priced: Remembered<ServiceId, Outcome<ThingsCost>>;
  readonly #things: Remembered<ServiceId, Outcome<ThingsCost>>;
  readonly #rates: Remembered<ServiceId, Outcome<MinuteRates>>;
  readonly #costs: Remembered<ServiceId, Outcome<ServiceCost>>;
  readonly #prices: Remembered<ServiceId, Outcome<ServicePrice>>;
  readonly #figures: Remembered<ServiceId, ServiceFigures>;

  /** @param depth how many states of each service are remembered */
  constructor(depth = 1) {
    this.#schedules = new Remembered(depth);
    this.#clocks = new Remembered(depth);
    this.#shelves = new Remembered(depth);
    this.#doses = new Remembered(depth);
    this.#priced = new Remembered(depth);
    this.#things = new Remembered(depth);
    this.#rates = new Remembered(depth);
    this.#costs = new Remembered(depth);
    this.#prices = new Remembered(depth);
    this.#figures = new Remembered(depth);
  }

  /** The figures of `service`. */
  compute(service: Service, inputs: ServiceInputs): ServiceFigures {
    const { protocol: work } = inputs.work;
    if (!work.ok) return withoutWork(service, work);
    const protocol = work.value;
    const { settings } = inputs.house;
    const { visitKind } = service;
    const { slotGridMinutes, slotQuantile } = settings;
    /* The same protocol has the same clock; another one may still have it. */
    const schedule = this.#clocks.get(
      service.id,
      [protocol, visitKind, slotGridMinutes, slotQuantile],
      () =>
        this.#schedules.get(
          service.id,
          [visitKind, slotGridMinutes, slotQuantile, ...clockFacet(protocol)],
          () => scheduleOf(protocol, visitKind, settings),
        ),
    );
    const dosed = this.#dose(service, protocol, inputs);
    const rates = this.#rate(service, protocol, inputs);
    const cost = this.#cost(service, dosed, schedule, rates, inputs);
    const price = this.#price(service, cost, schedule, inputs.house);
    return this.#figures.get(service.id, [work, schedule, dosed, rates, cost, price], () => ({
      serviceId: service.id,
      work,
      schedule,
      ...dosed,
      rates,
      cost,
      price,
    }));
  }

  /** Forgets what is no longer there. */
  keepOnly(isCurrent: (id: ServiceId) => boolean): void {
    for (const kept of [
      this.#clocks,
      this.#schedules,
      this.#shelves,
      this.#doses,
      this.#priced,
      this.#things,
      this.#rates,
      this.#costs,
      this.#prices,
      this.#figures,
    ]) {
      kept.keepOnly(isCurrent);
    }
  }

  #dose(service: Service, protocol: WorkedProtocol, inputs: ServiceInputs): Dosed {
    const { house, index, work, doseFacetOf } = inputs;
    const settings = settingsFor(house.settings, { build: service.shownFor?.build ?? 'reference' });
    const from = [
      protocol,
      service.visitKind,
      work.mixes,
      settings.spoons,
      settings.handlingLoss,
      settings.coatMgPerCm2,
      settings.referenceClient,
      settings.trunkPercent,
      settings.faceShares,
    ];
    return this.#shelves.get(service.id, [...from, house.materials], () =>
      this.#doses.get(service.id, [...from, ...work.reached.map(doseFacetOf)], () => {
        const draws = drawsOf(protocol, service.visitKind, shelfOf(work, index), settings);
        return { draws, consumption: draws.ok ? ok(consumptionByMaterial(draws.value)) : draws };
      }),
    );
  }

  #rate(
    service: Service,
    protocol: WorkedProtocol,
    { house, index, roomRate }: ServiceInputs,
  ): Outcome<MinuteRates> {
    const { settings } = house;
    const assisted = protocol.steps.some((step) => step.by === 'assistant');
    const room = roomRate.ok ? roomRate.value : roomRate;
    const from = [
      service,
      assisted,
      house.people,
      room,
      settings.onCost,
      settings.grades,
      settings.bookableShare,
    ];
    return this.#rates.get(service.id, from, () =>
      minuteRates(service, assisted, house, index, roomRate),
    );
  }

  #cost(
    service: Service,
    { draws }: Dosed,
    schedule: Outcome<Schedule>,
    rates: Outcome<MinuteRates>,
    { house, index, work, unitCosts }: ServiceInputs,
  ): Outcome<ServiceCost> {
    const charge = house.settings.therapistCharge;
    const things = this.#priced.get(service.id, [draws, house.materials], () =>
      this.#things.get(service.id, [draws, ...work.reached.map((id) => unitCosts.get(id))], () =>
        draws.ok ? thingsCost(draws.value, index.materials, unitCosts) : failWith(draws.problems),
      ),
    );
    const from = [things, draws, schedule, rates, charge, house.devices];
    return this.#costs.get(service.id, from, () =>
      draws.ok && schedule.ok && rates.ok
        ? things.ok
          ? ok(costOfVisit(things.value, schedule.value, index.devices, rates.value, charge))
          : failWith(things.problems)
        : failWith(missing([draws, schedule, rates])),
    );
  }

  #price(
    service: Service,
    cost: Outcome<ServiceCost>,
    schedule: Outcome<Schedule>,
    { settings, rooms }: House,
  ): Outcome<ServicePrice> {
    const margin = service.targetMargin ?? settings.targetMargin;
    const { vat, commission, cardFee, priceEndings, roomCost, targetPerRoomHourMinor } = settings;
    const roomCostPerMonth = roomCost.fixedPerMonthMinor / rooms.length;
    const from = [
      cost,
      margin,
      service.pricing,
      vat,
      commission,
      cardFee,
      priceEndings,
      roomCostPerMonth,
      targetPerRoomHourMinor,
    ];
    return this.#prices.get(service.id, from, () => {
      if (!cost.ok || !schedule.ok) return failWith(missing([cost]));
      const load: PriceLoad = {
        directCost: cost.value.direct.usual,
        roomCost: cost.value.room.usual,
        slotMinutes: schedule.value.slotMinutes,
        attendedMinutes: schedule.value.attended.therapist,
        roomCostPerMonth,
      };
      return servicePrice(load, margin, service.pricing, settings, { serviceId: service.id });
    });
  }
}

function minuteRates(
  service: Service,
  assisted: boolean,
  { people, settings }: House,
  index: HouseIndex,
  room: Outcome<number>,
): Outcome<MinuteRates> {
  const where = { serviceId: service.id };
  const performers = service.therapistIds.flatMap((id) => index.people.get(id) ?? []);
  const therapist = ratePerMinute(performers, 'therapist', settings, where);
  const assistants = people.filter((person) => person.role === 'assistant');
  const assistant = assisted ? ratePerMinute(assistants, 'assistant', settings, where) : ok(0);
  if (!therapist.ok || !assistant.ok || !room.ok) {
    return failWith(missing([therapist, assistant, room]));
  }
  return ok({ therapist: therapist.value, assistant: assistant.value, room: room.value });
}

function missing(outcomes: readonly Outcome<unknown>[]): readonly Problem[] {
  const all = collect(outcomes);
  return all.ok ? [] : all.problems;
}

function withoutWork(
  service: Service,
  none: Outcome<WorkedProtocol> & { ok: false },
): ServiceFigures {
  return {
    serviceId: service.id,
    work: none,
    schedule: none,
    draws: none,
    consumption: none,
    rates: none,
    cost: none,
    price: none,
  };
}
