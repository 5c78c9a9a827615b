import {
  chargedMinutes,
  MATERIAL_COST_PARTS,
  type CostLine,
  type DeviceLine,
  type MaterialCostPart,
  type ServiceCost,
} from '../cost/serviceCost';
import type { MinuteRates } from '../cost/serviceCost';
import { payOf } from '../cost/therapistRate';
import type { Device, House, WorkedProtocol, Role, Service } from '../house/house';
import type { Schedule } from '../time/schedule';
import { explainDraw } from './explainDraw';
import { explainAttended, explainSlot } from './explainTime';
import { explainUnitCost } from './explainUnitCost';
import {
  figure,
  worked,
  type FigureUnit,
  type Origin,
  type Working,
  type WorkingInput,
} from './working';

/** The parts of a service's cost that have a working. */
export type CostPart = Exclude<keyof ServiceCost, 'lines' | 'deviceLines'>;

/** What the workings of one service are made from. */
export interface ExplainedService {
  readonly house: House;
  readonly service: Service;
  readonly protocol: WorkedProtocol;
  readonly schedule: Schedule;
  readonly rates: MinuteRates;
  readonly cost: ServiceCost;
}

export const COST_PART_TITLES: Record<CostPart, string> = {
  product: 'Product',
  consumables: 'Consumables',
  singleUse: 'Single-use parts',
  linen: 'Linen',
  givenAway: 'Given away',
  devices: 'Devices',
  therapist: 'Hands',
  room: 'Room',
  direct: 'Direct cost',
  full: 'Full cost',
};

/**
 * The working of one part of a service's cost, down to pack prices, pay and room costs.
 * @see C1 C3 C4 C5 C6 C7
 */
export function explainCost(part: CostPart, of: ExplainedService): Working {
  switch (part) {
    case 'product':
    case 'consumables':
    case 'singleUse':
    case 'linen':
    case 'givenAway':
      return explainMaterials(part, of);
    case 'devices':
      return explainDevices(of);
    case 'therapist':
      return explainHands(of);
    case 'room':
      return explainRoom(of);
    case 'direct':
      return sumOf(
        part,
        'Everything drawn from the shelf, given away or washed, devices and hands: what a visit costs on the day.',
        [...MATERIAL_COST_PARTS, 'devices', 'therapist'],
        of,
      );
    case 'full':
      return sumOf(part, 'Direct cost and the room for the slot.', ['direct', 'room'], of);
  }
}

function sumOf(
  part: CostPart,
  words: string,
  parts: readonly CostPart[],
  of: ExplainedService,
): Working {
  return {
    title: COST_PART_TITLES[part],
    codes: ['C7'],
    words,
    inputs: parts.map((each) => worked(explainCost(each, of))),
    result: figure(of.cost[part].usual, 'money'),
  };
}

function explainMaterials(part: MaterialCostPart, of: ExplainedService): Working {
  const lines = of.cost.lines.filter((line) => line.part === part);
  return {
    title: COST_PART_TITLES[part],
    codes: ['C7'],
    words: 'Everything drawn in the visit at what a unit of it costs, added up.',
    inputs: lines.flatMap((line) => explainLine(line, of)),
    result: figure(of.cost[part].usual, 'money'),
  };
}

function explainLine(line: CostLine, { house, protocol }: ExplainedService): WorkingInput[] {
  const material = house.materials.find((candidate) => candidate.id === line.draw.materialId);
  const step = protocol.steps.find((candidate) => candidate.id === line.draw.stepId);
  if (!material || !step) return [];
  const layer = line.draw.layer === undefined ? '' : `, layer ${line.draw.layer}`;
  const working: Working = {
    title: `${material.name}, ${step.name}${layer}`,
    codes: ['C7'],
    words: 'What is drawn × what a unit costs.',
    inputs: [
      worked(explainDraw(line.draw, material, step, protocol, house), 'Drawn'),
      worked(explainUnitCost(material, line.perUnit)),
    ],
    result: figure(line.cost.usual, 'money'),
  };
  return [worked(working)];
}

function explainDevices({ house, cost }: ExplainedService): Working {
  return {
    title: COST_PART_TITLES.devices,
    codes: ['C5'],
    words: 'What each device that is switched on loses of its price, and its share of the service.',
    inputs: cost.deviceLines.flatMap((line) => {
      const device = house.devices.find((each) => each.id === line.deviceId);
      return device ? [worked(explainDevice(device, line))] : [];
    }),
    result: figure(cost.devices.usual, 'money'),
  };
}

function explainDevice({ name, economics }: Device, { minutes, cost }: DeviceLine): Working {
  const from: Origin = { place: 'house' };
  const byMinutes = economics?.life.unit === 'minutes';
  const input = (label: string, value: number, unit: FigureUnit): WorkingInput => ({
    label,
    value: figure(value, unit),
    from,
  });
  return {
    title: name,
    codes: ['C5'],
    words: byMinutes
      ? '(Price - resale) ÷ minutes of its life × minutes it is on + yearly service ÷ uses a year.'
      : '(Price - resale) ÷ uses of its life + yearly service ÷ uses a year.',
    inputs: economics
      ? [
          input('Price', economics.priceMinor, 'money'),
          input('Resale', economics.resaleMinor, 'money'),
          input('Life', economics.life.amount, byMinutes ? 'min' : 'uses'),
          ...(byMinutes ? [{ label: 'On in a visit', value: figure(minutes, 'min') }] : []),
          input('Service a year', economics.servicePerYearMinor, 'money'),
          input('Uses a year', economics.usesPerYear, 'uses'),
        ]
      : [],
    result: figure(cost.cost, 'money'),
  };
}

function explainHands(of: ExplainedService): Working {
  const { house, schedule, rates, cost } = of;
  const charge = house.settings.therapistCharge;
  const bySlot = charge === 'slot';
  const inputs: WorkingInput[] = [
    bySlot
      ? worked(explainSlot(schedule, of.service, house))
      : worked(explainAttended(schedule, of.protocol)),
    worked(explainPay(of, 'therapist', rates.therapist)),
  ];
  const assistant = chargedMinutes(schedule, charge, 'assistant');
  if (assistant > 0) {
    inputs.push(
      {
        label: 'Assistant’s minutes',
        value: figure(assistant, 'min'),
        from: { place: 'protocol', protocolId: of.protocol.id },
      },
      worked(explainPay(of, 'assistant', rates.assistant)),
    );
  }
  return {
    title: COST_PART_TITLES.therapist,
    codes: ['C3'],
    words: `${bySlot ? 'The whole slot' : 'Attended minutes'} × what a therapist’s minute costs, and the assistant’s minutes at theirs.`,
    inputs,
    result: figure(cost.therapist.usual, 'money'),
  };
}

function explainPay({ house, service }: ExplainedService, role: Role, rate: number): Working {
  const from: Origin = { place: 'house' };
  const people =
    role === 'therapist'
      ? house.people.filter((person) => service.therapistIds.includes(person.id))
      : house.people.filter((person) => person.role === 'assistant');
  return {
    title: role === 'therapist' ? 'A therapist’s minute' : 'An assistant’s minute',
    codes: ['C3'],
    words:
      'Mean hourly pay of those who may do it × (1 + on-cost) ÷ 60 ÷ the share of paid time that can be booked.',
    inputs: [
      ...people.flatMap((person): WorkingInput[] => {
        const { hourlyMinor, onCost } = payOf(person, house.settings);
        const pay = { label: `Pay of ${person.name}`, value: figure(hourlyMinor, 'money/h'), from };
        const own = { label: `On-cost of ${person.name}`, value: figure(onCost, 'share'), from };
        return onCost === house.settings.onCost ? [pay] : [pay, own];
      }),
      { label: 'On-cost', value: figure(house.settings.onCost, 'share'), from },
      { label: 'Bookable share', value: figure(house.settings.bookableShare, 'share'), from },
    ],
    result: figure(rate, 'money/min'),
  };
}

function explainRoom({ house, service, schedule, rates, cost }: ExplainedService): Working {
  const from: Origin = { place: 'house' };
  const { fixedPerMonthMinor, openDaysPerMonth, openHoursPerDay, occupancy } =
    house.settings.roomCost;
  const minute: Working = {
    title: 'A room minute',
    codes: ['C4'],
    words: 'Fixed cost a month ÷ (rooms × open minutes a month × planned occupancy).',
    inputs: [
      { label: 'Fixed cost a month', value: figure(fixedPerMonthMinor, 'money'), from },
      { label: 'Rooms', value: figure(house.rooms.length, 'rooms'), from },
      { label: 'Open days a month', value: figure(openDaysPerMonth, 'days'), from },
      { label: 'Open hours a day', value: figure(openHoursPerDay, 'hours'), from },
      { label: 'Planned occupancy', value: figure(occupancy, 'share'), from },
    ],
    result: figure(rates.room, 'money/min'),
  };
  return {
    title: COST_PART_TITLES.room,
    codes: ['C4'],
    words: 'The slot × what a room minute costs.',
    inputs: [worked(explainSlot(schedule, service, house)), worked(minute)],
    result: figure(cost.room.usual, 'money'),
  };
}
