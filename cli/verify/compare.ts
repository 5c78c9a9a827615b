import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { HouseFigures, ServiceFigures } from '@bienestar/core/figures/houseFigures';
import type { House, Service } from '@bienestar/core/house/house';
import { ok } from '@bienestar/core/problem/problem';
import { retailOf } from '@bienestar/core/price/retail';
import type { Schedule } from '@bienestar/core/time/schedule';
import { byHand, expectedLongest, type HandFigures } from './byHand';
import { clockedSchedule } from './clockedSchedule';
import { contactsByHand } from './contactByHand';
import { payByHand, retailByHand, unitCostByHand, usedShareByHand } from './costByHand';
import { byMean, likely } from './three';

/** What a house came to, looked at twice. */
export interface Compared {
  /** figures that were compared */
  readonly figures: number;
  /** services that cannot be counted, by the code of their first problem */
  readonly uncounted: readonly string[];
  readonly differences: readonly string[];
}

/** Expected minutes of work side by side are read off a grid: they agree to this, each time. */
const MINUTES = 0.02;
const minutesWithin = ({ sideBySide }: HandFigures): number => MINUTES * (1 + sideBySide);
const EXACT = 1e-6;

/**
 * Compares every figure of every service of a house with what is worked out by hand.
 * @param figures those of core
 */
export function compareHouse(
  house: House,
  figures: HouseFigures = createCalculator()(house),
): Compared {
  const differences: string[] = [];
  const uncounted: string[] = [];
  let compared = 0;
  const same = (what: string, found: number, wanted: number, within = EXACT): void => {
    compared += 1;
    const room = within + Math.abs(wanted) * 1e-9;
    if (!(Math.abs(found - wanted) <= room))
      differences.push(`${what}: ${found} instead of ${wanted}`);
  };
  const hands = new Map<string, HandFigures>();
  for (const service of house.services) {
    if (figures.services.get(service.id)?.cost.ok) hands.set(service.id, byHand(house, service));
  }
  const perWeek = new Map(
    house.demand.map((line) => [line.serviceId as string, line.visitsPerWeek]),
  );
  const shareOf = (id: string): number => {
    const material = house.materials.find((one) => one.id === id);
    if (!material || house.settings.withoutExpired) return 1;
    const uses = [...hands].flatMap(([service, { doses }]) => {
      const dose = doses.get(id);
      return dose ? [{ perWeek: perWeek.get(service) ?? 0, amount: dose[1] }] : [];
    });
    return usedShareByHand(material, uses);
  };
  const allCounted = house.services.every(({ id }) => figures.services.get(id)?.consumption.ok);
  for (const service of house.services) {
    const of = figures.services.get(service.id);
    const hand = hands.get(service.id);
    if (!of?.cost.ok || !of.schedule.ok || !of.consumption.ok || !of.rates.ok || !hand) {
      const problem = of && [of.work, of.schedule, of.draws, of.cost].find((each) => !each.ok);
      uncounted.push(problem?.problems[0]?.code ?? '?');
      continue;
    }
    const at = `${service.id}: `;
    const drawn = of.consumption.value;
    const ids = new Set<string>([...drawn.keys(), ...hand.doses.keys()]);
    for (const id of ids) {
      const found = drawn.get(id as never) ?? { low: 0, usual: 0, high: 0 };
      const wanted = hand.doses.get(id) ?? [0, 0, 0];
      same(`${at}${id}, low`, found.low, wanted[0]);
      same(`${at}${id}, usual`, found.usual, wanted[1]);
      same(`${at}${id}, high`, found.high, wanted[2]);
    }
    const { schedule } = of;
    const minutes = minutesWithin(hand);
    same(`${at}room minutes`, schedule.value.room.mean, hand.roomMean, minutes);
    same(
      `${at}therapist’s minutes`,
      schedule.value.attended.therapist,
      hand.attended.therapist,
      minutes,
    );
    same(
      `${at}assistant’s minutes`,
      schedule.value.attended.assistant,
      hand.attended.assistant,
      minutes,
    );
    const devices = new Set<string>([
      ...schedule.value.deviceMinutes.keys(),
      ...hand.deviceMinutes.keys(),
    ]);
    for (const id of devices) {
      const found = schedule.value.deviceMinutes.get(id as never) ?? 0;
      same(`${at}${id}, minutes`, found, hand.deviceMinutes.get(id) ?? 0, minutes);
    }
    compareContacts(house, service, clockedSchedule(house, service, of), same, at);
    if (allCounted) compareMoney(house, service, of, hand, shareOf, same, at);
  }
  return { figures: compared, uncounted, differences };
}

type Same = (what: string, found: number, wanted: number, within?: number) => void;

/** Minutes of contact on average, of the skin that is touched first and of that touched last. */
function compareContacts(
  house: House,
  service: Service,
  schedule: Schedule | undefined,
  same: Same,
  at: string,
): void {
  const found = (schedule?.rows ?? []).flatMap(({ of, contact }) =>
    of.kind === 'step' && contact?.clock
      ? [{ stepId: of.stepId.replaceAll('.', '>'), clock: contact.clock }]
      : [],
  );
  const wanted = contactsByHand(house, service);
  const ids = (all: readonly { readonly stepId: string }[]): string =>
    all.map(({ stepId }) => stepId).join(' ');
  if (ids(found) !== ids(wanted)) {
    same(`${at}contacts of ${ids(found)} instead of ${ids(wanted)}`, found.length, Number.NaN);
    return;
  }
  wanted.forEach((contact, which) => {
    const clock = found[which]?.clock;
    const means = contact.while.map((part) =>
      part.what === 'wait'
        ? byMean(part.minutes)
        : expectedLongest(part.host.step, part.host.beside, house).mean,
    );
    const first = means.reduce((sum, each) => sum + each, 0);
    const last = contact.isPutOnBefore ? first - (means[0] ?? 0) : first;
    const within = MINUTES * means.length;
    const name = `${at}contact of ${contact.stepId}`;
    same(`${name}, first touched`, clock?.firstZoneMinutes ?? 0, first, within);
    same(`${name}, last touched`, clock?.lastZoneMinutes ?? 0, last, within);
  });
}

function compareMoney(
  house: House,
  service: Service,
  of: ServiceFigures,
  hand: HandFigures,
  shareOf: (id: string) => number,
  same: Same,
  at: string,
): void {
  if (!of.cost.ok || !of.schedule.ok) return;
  const { settings } = house;
  const cost = of.cost.value;
  const { slotMinutes } = of.schedule.value;
  const parts: Record<string, number> = {
    product: 0,
    consumables: 0,
    singleUse: 0,
    linen: 0,
    givenAway: 0,
  };
  const kinds: Readonly<Record<string, string>> = {
    'back-bar': 'product',
    'single-dose': 'product',
    fresh: 'product',
    consumable: 'consumables',
    'device-part': 'singleUse',
    retail: 'givenAway',
    kit: 'product',
    linen: 'linen',
  };
  let expires = 0;
  for (const [id, dose] of hand.doses) {
    const material = house.materials.find((one) => one.id === id);
    if (!material) continue;
    const charged = likely(dose) * unitCostByHand(material, house);
    const part = kinds[material.kind] ?? '';
    parts[part] = (parts[part] ?? 0) + charged;
    expires += charged * (1 / shareOf(id) - 1);
  }
  for (const part of ['product', 'consumables', 'singleUse', 'linen', 'givenAway'] as const)
    same(`${at}${part}`, cost[part].usual, parts[part] ?? 0);
  same(`${at}open too long`, cost.expires.usual, expires);
  const devices = [...hand.deviceMinutes].reduce((sum, [id, minutes]) => {
    const economics = house.devices.find((one) => one.id === id)?.economics;
    if (!economics) return sum;
    const { priceMinor, resaleMinor, life, servicePerYearMinor, usesPerYear } = economics;
    const used = life.unit === 'uses' ? 1 : minutes;
    return (
      sum + ((priceMinor - resaleMinor) * used) / life.amount + servicePerYearMinor / usesPerYear
    );
  }, 0);
  same(`${at}devices`, cost.devices.usual, devices, 0.5 + devices * 0.002);
  const therapists = house.people.filter(({ id }) => service.therapistIds.includes(id));
  const assistants = house.people.filter(({ role }) => role === 'assistant');
  const [performing, helping] = [payByHand(therapists, house), payByHand(assistants, house)];
  const [therapist, assistant] = [performing.perMinute, helping.perMinute];
  const isHelped = hand.attended.assistant > 0;
  const isSlot = settings.therapistCharge === 'slot';
  const minutes = {
    therapist: isSlot ? slotMinutes : hand.attended.therapist,
    assistant: isSlot ? 0 : hand.attended.assistant,
  };
  const sumOfPay = (of: 'perMinute' | 'fixed'): number =>
    minutes.therapist * performing[of] + (isHelped ? minutes.assistant * helping[of] : 0);
  const within = minutesWithin(hand) * (therapist + assistant);
  same(`${at}hands`, cost.therapist.usual, sumOfPay('perMinute'), within);
  same(`${at}of them owed anyhow`, cost.fixedPay.usual, sumOfPay('fixed'), within);
  const { fixedPerMonthMinor, openDaysPerMonth, openHoursPerDay, occupancy } = settings.roomCost;
  const minute =
    fixedPerMonthMinor / (house.rooms.length * openDaysPerMonth * openHoursPerDay * 60 * occupancy);
  same(`${at}room`, cost.room.usual, slotMinutes * minute);
  const direct =
    Object.values(parts).reduce((sum, part) => sum + part, 0) +
    expires +
    cost.devices.usual +
    cost.therapist.usual;
  same(`${at}direct cost`, cost.direct.usual, direct);
  const protocol = house.protocols.find(({ id }) => id === service.protocolId);
  if (protocol) {
    const shelf = new Map(house.materials.map((material) => [material.id, material]));
    const unitCosts = new Map(
      house.materials.map((one) => [one.id, ok(unitCostByHand(one, house))]),
    );
    const { perVisitMinor } = retailOf(protocol, shelf, unitCosts, settings);
    same(`${at}sold beside it`, perVisitMinor, retailByHand(protocol, house));
  }
  same(`${at}full cost`, cost.full.usual, direct + slotMinutes * minute);
  if (of.price.ok)
    comparePrice(
      house,
      service,
      of.price.value,
      {
        direct: cost.direct.usual,
        room: cost.room.usual,
        slot: slotMinutes,
        fixed: cost.fixedPay.usual,
        /* An assistant who is named in a step is paid a share, also where no minute of hers is expected. */
        payShare:
          performing.share +
          (of.rates.ok && of.rates.value.people.assistant.length > 0 ? helping.share : 0),
      },
      same,
      at,
    );
}

interface HandLoad {
  readonly direct: number;
  readonly room: number;
  readonly slot: number;
  readonly fixed: number;
  readonly payShare: number;
}

function comparePrice(
  { settings }: House,
  { pricing, targetMargin = settings.targetMargin }: Service,
  price: Extract<ServiceFigures['price'], { ok: true }>['value'],
  load: HandLoad,
  same: Same,
  at: string,
): void {
  const { vat, commission, cardFee, priceEndings, targetPerRoomHourMinor } = settings;
  const { direct, room, slot, fixed, payShare } = load;
  const fees = commission + payShare + cardFee * (1 + vat);
  const charged = (gross: number): number => {
    const { everyMinor, endingsMinor, rounding } = priceEndings;
    const all: number[] = [];
    for (let base = 0; base <= gross + 3 * everyMinor; base += everyMinor)
      for (const ending of endingsMinor) if (base + ending > 0) all.push(base + ending);
    all.sort((a, b) => a - b);
    const above = all.find((one) => one >= gross - 1e-6) ?? Number.NaN;
    const below = all.findLast((one) => one < gross - 1e-6);
    if (rounding === 'up' || below === undefined) return above;
    return gross - below < above - gross ? below : above;
  };
  const ladders: Readonly<Record<string, number | undefined>> = {
    'cost-plus': charged(((direct + room) / (1 - targetMargin - fees)) * (1 + vat)),
    'room-hour':
      targetPerRoomHourMinor === undefined
        ? undefined
        : charged(((direct + (targetPerRoomHourMinor * slot) / 60) / (1 - fees)) * (1 + vat)),
    neighbourhood: pricing?.neighbourhood && charged(pricing.neighbourhood.usual),
  };
  for (const { ladder, price: rung } of price.rungs)
    same(`${at}${ladder}`, rung.gross, ladders[ladder] ?? Number.NaN);
  const by = pricing?.by ?? 'cost-plus';
  const gross = by === 'own' ? (pricing?.ownMinor ?? Number.NaN) : (ladders[by] ?? Number.NaN);
  same(`${at}price`, price.gross, gross);
  const net = gross / (1 + vat);
  const contribution = net - net * (commission + payShare) - gross * cardFee - direct;
  same(`${at}contribution`, price.contribution, contribution);
  same(`${at}margin`, price.margin, (contribution - room) / net);
  same(`${at}floor`, price.floorGross, (direct / (1 - fees)) * (1 + vat));
  same(`${at}one more guest adds`, price.oneMore.contribution, contribution + fixed);
  const least = ((direct - fixed) / (1 - fees)) * (1 + vat);
  same(`${at}lowest price for one more`, price.oneMore.floorGross, least);
  same(`${at}everything paid`, price.evenGross, ((direct + room) / (1 - fees)) * (1 + vat));
  same(`${at}per room hour`, price.perRoomHour, slot > 0 ? (contribution * 60) / slot : 0);
}
