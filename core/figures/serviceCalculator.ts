import {
  costOfVisit,
  thingsCost,
  type OpenUses,
  type ServiceCost,
  type ThingsCost,
} from '../cost/serviceCost';
import { payIn, performersOf, trainedAmong, type ServiceRates } from '../cost/performers';
import { payRate, type PayRate } from '../cost/therapistRate';
import { consumptionByMaterial } from '../draws/consumption';
import type { Draw } from '../draws/draw';
import { drawsOf } from '../draws/drawsOf';
import type { House, Person, Service, WorkedProtocol } from '../house/house';
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
import { paceSpreadOf } from '../house/settings';
import { settingsFor, shelfOf, type ServiceWork } from './serviceWork';

/** What the doses of a service are made from, besides the service itself. */
export interface DoseInputs {
  readonly house: House;
  readonly index: HouseIndex;
  readonly work: ServiceWork;
  readonly doseFacetOf: (id: MaterialId) => DoseFacet | undefined;
}

/** What the figures of a service are made from, besides the service itself. */
export interface ServiceInputs extends DoseInputs {
  readonly unitCosts: ReadonlyMap<MaterialId, Outcome<number>>;
  /** how much of an open container is used, of what spoils open */
  readonly opens: OpenUses;
  readonly roomRate: Outcome<number>;
  /** who performs it, where several share the work; else those of the service who were trained */
  readonly performers?: readonly Person[];
}

/** What a visit of a service draws. */
export interface Dosed {
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
  readonly #people: Remembered<
    ServiceId,
    Outcome<{ readonly assisted: boolean; readonly people: ServiceRates['people'] }>
  >;
  readonly #rates: Remembered<ServiceId, Outcome<ServiceRates>>;
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
    this.#people = new Remembered(depth);
    this.#rates = new Remembered(depth);
    this.#costs = new Remembered(depth);
    this.#prices = new Remembered(depth);
    this.#figures = new Remembered(depth);
  }

  /** What a visit of `service` draws, before anything of it has a price. */
  dose(service: Service, inputs: DoseInputs): Dosed {
    const { protocol } = inputs.work;
    if (!protocol.ok) return { draws: protocol, consumption: protocol };
    return this.#dose(service, protocol.value, inputs);
  }

  /** The figures of `service`. */
  compute(service: Service, inputs: ServiceInputs): ServiceFigures {
    const { protocol: work } = inputs.work;
    if (!work.ok) return withoutWork(service, work);
    const protocol = work.value;
    const { settings } = inputs.house;
    const { visitKind } = service;
    const timing = [settings.slotGridMinutes, settings.slotQuantile, paceSpreadOf(settings)];
    /* The same protocol has the same clock; another one may still have it. */
    const schedule = this.#clocks.get(service.id, [protocol, visitKind, ...timing], () =>
      this.#schedules.get(service.id, [visitKind, ...timing, ...clockFacet(protocol)], () =>
        scheduleOf(protocol, visitKind, settings),
      ),
    );
    const dosed = this.#dose(service, protocol, inputs);
    const rates = this.#rate(service, protocol, inputs);
    const cost = this.#cost(service, dosed, schedule, rates, inputs);
    const price = this.#price(service, cost, schedule, rates, inputs.house);
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
      this.#people,
      this.#rates,
      this.#costs,
      this.#prices,
      this.#figures,
    ]) {
      kept.keepOnly(isCurrent);
    }
  }

  #dose(service: Service, protocol: WorkedProtocol, inputs: DoseInputs): Dosed {
    const { house, index, work, doseFacetOf } = inputs;
    const settings = settingsFor(house.settings, { build: service.shownFor?.build ?? 'reference' });
    const from = [
      protocol,
      service.visitKind,
      work.mixes,
      settings.spoons,
      settings.vessels,
      settings.handlingLoss,
      settings.coatMgPerCm2,
      settings.referenceClient,
      settings.trunkPercent,
      settings.faceShares,
      settings.zoneShares,
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
    { house, index, roomRate, performers }: ServiceInputs,
  ): Outcome<ServiceRates> {
    const { settings } = house;
    const room = roomRate.ok ? roomRate.value : roomRate;
    const working = this.#people.get(
      service.id,
      [service, protocol, house.people, house.devices, performers],
      () => {
        const assisted = protocol.steps.some((step) => step.by === 'assistant');
        const where = { serviceId: service.id, field: 'therapistIds' } as const;
        const assistants = assisted ? house.people.filter(({ role }) => role === 'assistant') : [];
        const therapist = performers ? ok(performers) : performersOf(service, protocol, index);
        const assistant = trainedAmong(assistants, protocol, index.devices, where);
        return therapist.ok && assistant.ok
          ? ok({ assisted, people: { therapist: therapist.value, assistant: assistant.value } })
          : failWith(missing([therapist, assistant]));
      },
    );
    if (!working.ok) return working;
    const { assisted, people } = working.value;
    const from = [
      service,
      assisted,
      people.therapist.length,
      ...people.therapist,
      ...people.assistant,
      room,
      settings.onCost,
      settings.grades,
      settings.bookableShare,
      settings.roomCost.openDaysPerMonth,
      settings.roomCost.openHoursPerDay,
    ];
    return this.#rates.get(service.id, from, () =>
      minuteRates(service, assisted, people, settings, roomRate),
    );
  }

  #cost(
    service: Service,
    { draws }: Dosed,
    schedule: Outcome<Schedule>,
    rates: Outcome<ServiceRates>,
    { house, index, work, unitCosts, opens }: ServiceInputs,
  ): Outcome<ServiceCost> {
    const charge = house.settings.therapistCharge;
    const things = this.#priced.get(service.id, [draws, unitCosts, opens], () => {
      const priced = work.reached.flatMap((id) => [unitCosts.get(id), opens.get(id)]);
      return this.#things.get(service.id, [draws, ...priced], () =>
        draws.ok
          ? thingsCost(draws.value, index.materials, unitCosts, opens)
          : failWith(draws.problems),
      );
    });
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
    rates: Outcome<ServiceRates>,
    { settings, rooms }: House,
  ): Outcome<ServicePrice> {
    const margin = service.targetMargin ?? settings.targetMargin;
    const { vat, commission, cardFee, priceEndings, roomCost, targetPerRoomHourMinor } = settings;
    const roomCostPerMonth = roomCost.fixedPerMonthMinor / rooms.length;
    const from = [
      cost,
      rates,
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
      if (!cost.ok || !schedule.ok || !rates.ok) return failWith(missing([cost]));
      const load: PriceLoad = {
        directCost: cost.value.direct.usual,
        roomCost: cost.value.room.usual,
        slotMinutes: schedule.value.slotMinutes,
        attendedMinutes: schedule.value.attended.therapist,
        roomCostPerMonth,
        pay: payIn(rates.value.pay, cost.value.fixedPay.usual),
      };
      return servicePrice(load, margin, service.pricing, settings, { serviceId: service.id });
    });
  }
}

const NO_PAY: PayRate = { perMinute: 0, fixed: 0, shareOfPrice: 0, owedPerMonth: 0 };

function minuteRates(
  service: Service,
  assisted: boolean,
  people: ServiceRates['people'],
  settings: House['settings'],
  room: Outcome<number>,
): Outcome<ServiceRates> {
  const where = { serviceId: service.id };
  const therapist = payRate(people.therapist, 'therapist', settings, where);
  const assistant = assisted ? payRate(people.assistant, 'assistant', settings, where) : ok(NO_PAY);
  if (!therapist.ok || !assistant.ok || !room.ok) {
    return failWith(missing([therapist, assistant, room]));
  }
  const [performs, helps] = [therapist.value, assistant.value];
  return ok({
    people,
    therapist: performs.perMinute,
    assistant: helps.perMinute,
    room: room.value,
    fixed: { therapist: performs.fixed, assistant: helps.fixed },
    pay: { therapist: performs, assistant: helps },
  });
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
