import { serviceCost, type MinuteRates, type ServiceCost } from '../cost/serviceCost';
import { ratePerMinute } from '../cost/therapistRate';
import { consumptionByMaterial } from '../dose/consumption';
import { drawsOf, type Draw } from '../dose/drawsOf';
import type { House, Service, WorkedProtocol } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { MaterialId, ServiceId } from '../house/ids';
import { collect, failWith, ok, type Outcome, type Problem } from '../house/problem';
import { servicePrice, type ServicePrice } from '../price/ladders';
import type { PriceLoad } from '../price/priceOf';
import type { Triple } from '../quantity/triple';
import { scheduleOf, type Schedule } from '../time/schedule';
import { clockFacet, type DoseFacet } from './facets';
import type { ServiceFigures } from './houseFigures';
import { Remembered } from './remember';
import { clientOf, settingsFor, shelfOf, type ServiceWork } from './serviceWork';

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
  readonly #schedules = new Remembered<ServiceId, Outcome<Schedule>>();
  readonly #doses = new Remembered<ServiceId, Dosed>();
  readonly #rates = new Remembered<ServiceId, Outcome<MinuteRates>>();
  readonly #costs = new Remembered<ServiceId, Outcome<ServiceCost>>();
  readonly #prices = new Remembered<ServiceId, Outcome<ServicePrice>>();
  readonly #figures = new Remembered<ServiceId, ServiceFigures>();

  /** The figures of `service`. */
  compute(service: Service, inputs: ServiceInputs): ServiceFigures {
    const { protocol: work } = inputs.work;
    if (!work.ok) return withoutWork(service, work);
    const protocol = work.value;
    const { settings } = inputs.house;
    const schedule = this.#schedules.get(
      service.id,
      [service.visitKind, settings.slotGridMinutes, settings.slotQuantile, ...clockFacet(protocol)],
      () => scheduleOf(protocol, service.visitKind, settings),
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
      this.#schedules,
      this.#doses,
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
    const settings = settingsFor(house.settings, clientOf(service));
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
      ...work.reached.map(doseFacetOf),
    ];
    return this.#doses.get(service.id, from, () => {
      const draws = drawsOf(protocol, service.visitKind, shelfOf(work, index), settings);
      return { draws, consumption: draws.ok ? ok(consumptionByMaterial(draws.value)) : draws };
    });
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
    const from = [
      draws,
      schedule,
      rates,
      charge,
      house.devices,
      ...work.reached.map((id) => unitCosts.get(id)),
    ];
    return this.#costs.get(service.id, from, () =>
      draws.ok && schedule.ok && rates.ok
        ? serviceCost(draws.value, schedule.value, index, unitCosts, rates.value, charge)
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
