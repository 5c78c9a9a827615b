import type { Draw } from '../draws/draw';
import type { Device, MaterialKind, Role } from '../house/house';
import type { HouseIndex } from '../house/houseIndex';
import type { DeviceId, MaterialId } from '../house/ids';
import { fail, failWith, ok, type Outcome, type Problem } from '../problem/problem';
import type { TherapistCharge } from '../house/settings';
import {
  addTriples,
  exactly,
  expectedOf,
  scaleTriple,
  ZERO,
  type Triple,
} from '../quantity/triple';
import type { DeviceMinutes } from '../time/stepLoad';
import type { Schedule } from '../time/schedule';
import { deviceCost, type DeviceCost } from './deviceCost';
import type { OpenUse } from './openLife';

/** The parts of a service's cost that come from the shelf. */
export const MATERIAL_COST_PARTS = [
  'product',
  'consumables',
  'singleUse',
  'linen',
  'givenAway',
  'expires',
] as const;
export type MaterialCostPart = (typeof MATERIAL_COST_PARTS)[number];
/** A part that materials of some kinds fall under, whatever expires of them. */
type PartOfKind = Exclude<MaterialCostPart, 'expires'>;

export const COST_PART_OF_KIND: Record<MaterialKind, PartOfKind> = {
  'back-bar': 'product',
  'single-dose': 'product',
  consumable: 'consumables',
  'device-part': 'singleUse',
  fresh: 'product',
  retail: 'givenAway',
  kit: 'product',
  linen: 'linen',
};

/** What one draw costs. */
export interface CostLine {
  readonly draw: Draw;
  readonly part: PartOfKind;
  /** landed, minor units */
  readonly perUnit: number;
  /** of what is drawn; usual is what is expected of it */
  readonly cost: Triple;
  /** how much of an open container is used, where it spoils open */
  readonly open?: OpenUse;
  /** what expires open for it, beyond what is drawn */
  readonly expires: Triple;
}

/** What the use of one device costs. */
export interface DeviceLine {
  readonly deviceId: DeviceId;
  readonly minutes: number;
  readonly cost: DeviceCost;
}

/** What a cost is made from besides draws and time. */
export type Costed = Pick<HouseIndex, 'materials' | 'devices'>;

/** The cost of one visit, minor units; low and high follow the amounts, usual is what is expected. @see C7 */
export interface ServiceCost {
  readonly lines: readonly CostLine[];
  readonly deviceLines: readonly DeviceLine[];
  readonly product: Triple;
  readonly consumables: Triple;
  /** tips, blades and cartridges that are never used again */
  readonly singleUse: Triple;
  readonly linen: Triple;
  /** home kits and samples */
  readonly givenAway: Triple;
  /** of open containers, what is over before it is used */
  readonly expires: Triple;
  /** wear and service of what is switched on */
  readonly devices: Triple;
  /** everybody's time */
  readonly therapist: Triple;
  /** of that, what is owed whether or not somebody comes */
  readonly fixedPay: Triple;
  readonly room: Triple;
  /** all but the room */
  readonly direct: Triple;
  readonly full: Triple;
}

/** Minor units per minute. */
export interface MinuteRates {
  readonly therapist: number;
  /** only asked for when an assistant works in the protocol */
  readonly assistant: number;
  readonly room: number;
  /** of the pay, what is owed whether or not somebody comes */
  readonly fixed: Readonly<Record<Role, number>>;
}

/**
 * Minutes of a person that a service is charged for. Where the whole slot is charged, an assistant's minutes lie
 * inside it and are not charged again.
 * @see C3 C8
 */
export function chargedMinutes(
  schedule: Pick<Schedule, 'slotMinutes' | 'attended'>,
  charge: TherapistCharge,
  role: Role,
): number {
  if (charge === 'attended') return schedule.attended[role];
  return role === 'therapist' ? schedule.slotMinutes : 0;
}

/** How much of an open container is used, of materials that spoil open. @see C2 */
export type OpenUses = ReadonlyMap<MaterialId, OpenUse>;

const NONE_OPEN: OpenUses = new Map();

/** What is drawn in a visit, at what it costs. */
export type ThingsCost = Pick<ServiceCost, 'lines' | MaterialCostPart>;

/**
 * The cost of what a visit takes from the shelf: product, consumables, single-use parts, linen and what is
 * given away; and what of open containers expires for it. A draw is charged for what is expected of it.
 * @param unitCosts landed, minor units per unit, by material
 * @param opens how much of an open container is used, by material; of others nothing expires
 * @returns problems of every material without a unit cost
 * @see C1 C2 C6 C7
 */
export function thingsCost(
  draws: readonly Draw[],
  materials: Costed['materials'],
  unitCosts: ReadonlyMap<MaterialId, Outcome<number>>,
  opens: OpenUses = NONE_OPEN,
): Outcome<ThingsCost> {
  const lines: CostLine[] = [];
  const problems: Problem[] = [];
  for (const draw of draws) {
    const material = materials.get(draw.materialId);
    const perUnit = unitCosts.get(draw.materialId);
    if (!material || !perUnit) {
      return fail('material-unknown', 'A material of this service is not on the shelf.', {
        stepId: draw.stepId,
        doseId: draw.doseId,
      });
    }
    if (!perUnit.ok) {
      problems.push(...perUnit.problems);
      continue;
    }
    const { consumed } = draw;
    const cost = scaleTriple({ ...consumed, usual: expectedOf(consumed) }, perUnit.value);
    const open = opens.get(draw.materialId);
    lines.push({
      draw,
      part: COST_PART_OF_KIND[material.kind],
      perUnit: perUnit.value,
      cost,
      ...(open && { open }),
      expires: open ? scaleTriple(cost, 1 / open.usedShare - 1) : ZERO,
    });
  }
  if (problems.length > 0) return failWith(problems);
  const cost: { -readonly [K in keyof ThingsCost]: ThingsCost[K] } = {
    lines,
    product: ZERO,
    consumables: ZERO,
    singleUse: ZERO,
    linen: ZERO,
    givenAway: ZERO,
    expires: ZERO,
  };
  for (const line of lines) {
    cost[line.part] = addTriples(cost[line.part], line.cost);
    if (line.open) cost.expires = addTriples(cost.expires, line.expires);
  }
  return ok(cost);
}

/**
 * The cost of a visit from that of its things: devices for their use, therapist and assistant for their
 * minutes, the room for its slot. Direct is all but the room, full is all.
 * @param rates minor units per minute
 * @see C3 C4 C5 C7 C9
 */
export function costOfVisit(
  things: ThingsCost,
  schedule: Pick<Schedule, 'slotMinutes' | 'attended' | 'deviceMinutes'>,
  devices: Costed['devices'],
  rates: MinuteRates,
  charge: TherapistCharge,
): ServiceCost {
  const { lines, product, consumables, singleUse, linen, givenAway, expires } = things;
  const deviceLines = linesOfDevices(schedule.deviceMinutes, devices);
  const used = deviceLines.reduce((sum, { cost }) => sum + cost.cost, 0);
  const minutes = {
    therapist: chargedMinutes(schedule, charge, 'therapist'),
    assistant: chargedMinutes(schedule, charge, 'assistant'),
  };
  const hands = minutes.therapist * rates.therapist + minutes.assistant * rates.assistant;
  const { fixed } = rates;
  const owed = minutes.therapist * fixed.therapist + minutes.assistant * fixed.assistant;
  const room = schedule.slotMinutes * rates.room;
  /* Summed by hand: every service of the menu comes through here at every change of pay. */
  let low = used + hands;
  let usual = low;
  let high = low;
  for (const part of MATERIAL_COST_PARTS) {
    low += things[part].low;
    usual += things[part].usual;
    high += things[part].high;
  }
  return {
    lines,
    deviceLines,
    product,
    consumables,
    singleUse,
    linen,
    givenAway,
    expires,
    devices: exactly(used),
    therapist: exactly(hands),
    fixedPay: exactly(owed),
    room: exactly(room),
    direct: { low, usual, high },
    full: { low: low + room, usual: usual + room, high: high + room },
  };
}

/**
 * The cost of a visit: what it draws, devices, hands and the room.
 * @param draws what the visit takes from the shelf
 * @param unitCosts minor units per unit, by material
 * @param rates minor units per minute
 * @returns problems of every material without a unit cost
 * @see C3 C4 C5 C7
 */
export function serviceCost(
  draws: readonly Draw[],
  schedule: Pick<Schedule, 'slotMinutes' | 'attended' | 'deviceMinutes'>,
  { materials, devices }: Costed,
  unitCosts: ReadonlyMap<MaterialId, Outcome<number>>,
  rates: MinuteRates,
  charge: TherapistCharge,
  opens: OpenUses = NONE_OPEN,
): Outcome<ServiceCost> {
  const things = thingsCost(draws, materials, unitCosts, opens);
  return things.ok ? ok(costOfVisit(things.value, schedule, devices, rates, charge)) : things;
}

function linesOfDevices(
  minutesOf: DeviceMinutes,
  devices: ReadonlyMap<DeviceId, Device>,
): DeviceLine[] {
  return [...minutesOf].flatMap(([deviceId, minutes]) => {
    const device = devices.get(deviceId);
    const cost = device && deviceCost(device, minutes);
    return cost ? [{ deviceId, minutes, cost }] : [];
  });
}
