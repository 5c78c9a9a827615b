import type { ServiceRates } from '../cost/performers';
import {
  chargedMinutes,
  MATERIAL_COST_PARTS,
  type CostLine,
  type DeviceLine,
  type MaterialCostPart,
  type ServiceCost,
} from '../cost/serviceCost';
import type { ShownCost } from '../cost/shownCost';
import { paidHoursOf, payOf, type Pay } from '../cost/therapistRate';
import type { OpenUse } from '../cost/openLife';
import type {
  Device,
  House,
  Material,
  Person,
  WorkedProtocol,
  Role,
  Service,
} from '../house/house';
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
export type CostPart = keyof ShownCost;

/** What the workings of one service are made from. */
export interface ExplainedService {
  readonly house: House;
  readonly service: Service;
  readonly protocol: WorkedProtocol;
  readonly schedule: Schedule;
  readonly rates: ServiceRates;
  readonly cost: ServiceCost;
}

export const COST_PART_TITLES: Record<CostPart, string> = {
  product: 'Product',
  consumables: 'Consumables',
  singleUse: 'Single-use parts',
  linen: 'Linen',
  givenAway: 'Given away',
  expires: 'Open too long',
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
    case 'expires':
      return explainExpires(of);
    case 'devices':
      return explainDevices(of);
    case 'therapist':
      return explainHands(of);
    case 'room':
      return explainRoom(of);
    case 'direct':
      return sumOf(
        part,
        'Everything drawn from the shelf, given away or washed, what of open containers is over before it is used, devices and hands: what a visit costs on the day.',
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

/** What of open containers is over before it is used, material by material. */
function explainExpires(of: ExplainedService): Working {
  const lines = of.cost.lines.filter(({ open }) => open !== undefined);
  const drawn = new Set(lines.map(({ draw }) => draw.materialId));
  return {
    title: COST_PART_TITLES.expires,
    codes: ['C2'],
    words:
      'Of what spoils once it is open: what is drawn in the visit × (1 ÷ the share of a container that is used − 1).',
    inputs: [...drawn].flatMap((id) => {
      const all = lines.filter(({ draw }) => draw.materialId === id);
      const material = of.house.materials.find((each) => each.id === id);
      const [{ open } = { open: undefined }] = all;
      return material && open ? [worked(explainSpoiling(material, open, all))] : [];
    }),
    result: figure(of.cost.expires.usual, 'money'),
  };
}

function explainSpoiling(material: Material, open: OpenUse, lines: readonly CostLine[]): Working {
  const from: Origin = { place: 'shelf', materialId: material.id };
  const drawn = lines.reduce((sum, { cost }) => sum + cost.usual, 0);
  return {
    title: material.name,
    codes: ['C2'],
    words:
      'The first use opens a container; others come while it is open, at the planned visits. The share that is used is what these take of it, at most all.',
    inputs: [
      { label: 'Drawn in the visit', value: figure(drawn, 'money') },
      { label: 'Uses in a container', value: figure(open.room, 'uses'), from },
      { label: 'Further uses while it is open', value: figure(open.expectedUses, 'uses'), from },
      { label: 'Used of a container', value: figure(open.usedShare, 'share') },
    ],
    result: figure(
      lines.reduce((sum, { expires }) => sum + expires.usual, 0),
      'money',
    ),
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
    words: 'What is expected to be drawn × what a unit costs.',
    inputs: [
      worked(explainDraw(line.draw, material, step, protocol, house), 'Drawn'),
      worked(explainUnitCost(material, line.perUnit, house)),
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
  const { house, schedule, cost } = of;
  const charge = house.settings.therapistCharge;
  const bySlot = charge === 'slot';
  const inputs: WorkingInput[] = [
    bySlot
      ? worked(explainSlot(schedule, of.service, house))
      : worked(explainAttended(schedule, of.protocol)),
    worked(explainPay(of, 'therapist')),
  ];
  const assistant = chargedMinutes(schedule, charge, 'assistant');
  if (assistant > 0) {
    inputs.push(
      {
        label: 'Assistant’s minutes',
        value: figure(assistant, 'min'),
        from: { place: 'protocol', protocolId: of.protocol.id },
      },
      worked(explainPay(of, 'assistant')),
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

function explainPay({ house, rates }: ExplainedService, role: Role): Working {
  const from: Origin = { place: 'house' };
  return {
    title: role === 'therapist' ? 'A therapist’s minute' : 'An assistant’s minute',
    codes: ['C3'],
    words: rates.people[role].some((person) => isOwnTerms(payOf(person, house.settings)))
      ? 'The mean of those who may do it, each with on-cost: agreed hours and pay by the month ÷ the hours paid ÷ 60 ÷ the share of paid time that can be booked; hours of work alone ÷ 60.'
      : 'Mean hourly pay of those who may do it × (1 + on-cost) ÷ 60 ÷ the share of paid time that can be booked.',
    inputs: [
      ...rates.people[role].flatMap((person) => payInputs(person, house)),
      { label: 'On-cost', value: figure(house.settings.onCost, 'share'), from },
      { label: 'Bookable share', value: figure(house.settings.bookableShare, 'share'), from },
    ],
    result: figure(rates[role], 'money/min'),
  };
}

function isOwnTerms({ whenWorking, perMonthMinor }: Pay): boolean {
  return whenWorking || perMonthMinor > 0;
}

function payInputs(person: Person, { settings }: House): WorkingInput[] {
  const from: Origin = { place: 'house' };
  const { name } = person;
  const pay = payOf(person, settings);
  const inputs: WorkingInput[] = [];
  const say = (label: string, value: WorkingInput['value']): void =>
    void inputs.push({ label, value, from });
  if (pay.hourlyMinor > 0 || !isOwnTerms(pay)) {
    const label = pay.whenWorking ? `Pay of ${name}, hours of work alone` : `Pay of ${name}`;
    say(label, figure(pay.hourlyMinor, 'money/h'));
  }
  if (pay.perMonthMinor > 0) {
    say(`Pay of ${name} a month`, figure(pay.perMonthMinor, 'money'));
    say(`Hours of ${name} a week`, figure(paidHoursOf(person, settings), 'hours'));
  }
  if (pay.onCost !== settings.onCost) say(`On-cost of ${name}`, figure(pay.onCost, 'share'));
  return inputs;
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
