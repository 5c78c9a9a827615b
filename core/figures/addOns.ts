import type { House, Service } from '../house/house';
import type { StepId } from '../house/ids';
import { chosenPack } from '../house/packs';
import { overrun } from '../time/overrun';
import { chanceBeyond, inSequence } from '../time/distribution';
import { slotMinutes } from '../time/slot';
import { priceFigures, type PriceFigures } from '../price/priceOf';
import type { ServiceFigures } from './houseFigures';

/** A service that may be offered within another, and what it adds to the visit. Minor units, minutes. */
export interface AddOn {
  readonly service: Service;
  /** the step at which it is offered */
  readonly stepId: StepId;
  readonly stepName: string;
  /** expected minutes of the therapist that are free there */
  readonly freeMinutes: number;
  readonly ownMinutes: number;
  /** the chance that it takes longer than what is free */
  readonly chanceOver: number;
  /** by which the slot grows; nothing where it fits into free time */
  readonly extraSlotMinutes: number;
  readonly extraDirect: number;
  readonly extraRoom: number;
  readonly figures: PriceFigures;
  /** packs that must be bought for it alone: of materials that nothing else on the menu draws */
  readonly stake: number;
  /** how many must be bought to pay for those packs; nothing where none is, or none ever would */
  readonly toPay: number | null;
  /** what a room hour brings of both together */
  readonly togetherPerRoomHour: number;
}

/**
 * The add-ons that the steps of a service offer: each takes its product, devices and hands, and of the
 * room only what does not fit into the free minutes of the step at which it is offered.
 * @param figuresOf of every service of the menu
 * @returns those that can be counted, in the order of the steps
 * @see C3 C7 P6 P8 T5
 */
export function addOnsOf(
  host: ServiceFigures,
  house: House,
  figuresOf: (service: Service) => ServiceFigures | undefined,
): readonly AddOn[] {
  const { work, schedule, price, rates } = host;
  if (!work.ok || !schedule.ok || !price.ok || !rates.ok) return [];
  const { settings, services } = house;
  const clock = schedule.value;
  const offered = new Map<string, AddOn>();
  for (const step of work.value.steps) {
    const row = clock.rows.find(({ of }) => of.kind === 'step' && of.stepId === step.id);
    for (const protocolId of step.offers ?? []) {
      const service = services.find((each) => each.protocolId === protocolId);
      const own = service && figuresOf(service);
      if (!service || !row || !own?.schedule.ok || !own.cost.ok || !own.price.ok) continue;
      const known = offered.get(service.id);
      if (known && known.freeMinutes >= row.free) continue;
      const time = own.schedule.value.roomTime;
      const together = inSequence(clock.roomTime, overrun(time, row.free));
      const slot = slotMinutes(together, settings.slotQuantile, settings.slotGridMinutes);
      const extraSlotMinutes = slot - clock.slotMinutes;
      const { direct, therapist, fixedPay } = own.cost.value;
      const [hands, fixed] =
        settings.therapistCharge === 'slot'
          ? [
              extraSlotMinutes * rates.value.therapist,
              extraSlotMinutes * rates.value.fixed.therapist,
            ]
          : [therapist.usual, fixedPay.usual];
      const extraDirect = direct.usual - therapist.usual + hands;
      const extraRoom = extraSlotMinutes * rates.value.room;
      const load = { ...price.value.load, directCost: extraDirect, roomCost: extraRoom };
      const figures = priceFigures(
        own.price.value.gross,
        {
          ...load,
          slotMinutes: extraSlotMinutes,
          attendedMinutes: own.schedule.value.attended.therapist,
          pay: { ...load.pay, fixed },
        },
        settings,
        { serviceId: service.id },
      );
      if (!figures.ok) continue;
      const stake = stakeOf(own, house, figuresOf);
      const { contribution, profit } = figures.value;
      offered.set(service.id, {
        service,
        stepId: step.id,
        stepName: step.name,
        freeMinutes: row.free,
        ownMinutes: own.schedule.value.room.mean,
        chanceOver: chanceBeyond(time, row.free),
        extraSlotMinutes,
        extraDirect,
        extraRoom,
        figures: figures.value,
        stake,
        toPay: stake > 0 && profit > 0 ? Math.ceil(stake / profit) : null,
        togetherPerRoomHour: ((price.value.contribution + contribution) * 60) / slot,
      });
    }
  }
  return [...offered.values()];
}

/** Where a service may be offered: the services of which a step offers its protocol. @see P8 */
export function hostsOf(
  service: Service,
  { services }: Pick<House, 'services'>,
  figuresOf: (service: Service) => ServiceFigures | undefined,
): readonly Service[] {
  return services.filter((host) => {
    const work = figuresOf(host)?.work;
    return (
      work?.ok === true &&
      work.value.steps.some(({ offers = [] }) => offers.includes(service.protocolId))
    );
  });
}

/** One pack of everything that only this service draws. */
function stakeOf(
  own: ServiceFigures,
  { services, materials }: House,
  figuresOf: (service: Service) => ServiceFigures | undefined,
): number {
  const drawnElsewhere = new Set(
    services.flatMap((service) => {
      const consumption =
        service.id === own.serviceId ? undefined : figuresOf(service)?.consumption;
      return consumption?.ok === true ? [...consumption.value.keys()] : [];
    }),
  );
  const drawn = own.consumption.ok ? [...own.consumption.value.keys()] : [];
  return materials.reduce(
    (sum, material) =>
      material.kind !== 'linen' && drawn.includes(material.id) && !drawnElsewhere.has(material.id)
        ? sum + chosenPack(material).priceMinor
        : sum,
    0,
  );
}
