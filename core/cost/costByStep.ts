import type { WorkedProtocol } from '../house/house';
import type { StepId } from '../house/ids';
import type { TherapistCharge } from '../house/settings';
import type { Schedule } from '../time/schedule';
import type { MinuteRates, ServiceCost } from './serviceCost';

/** What one step takes of the cost of a visit, all its layers together; usual figures, minor units. */
export interface StepCost {
  /** nothing of what belongs to no step: waits between layers, and the rest of the slot */
  readonly stepId?: StepId;
  readonly name: string;
  /** from the shelf, given away or washed, and devices */
  readonly things: number;
  readonly hands: number;
  readonly room: number;
  readonly sum: number;
}

/**
 * The cost of a visit step by step, in the order of work. What no step takes (waits, the minutes of
 * the slot that are kept free) stands in a last line, so that the lines add up to the full cost.
 * @see C3 C4 C7
 */
export function costByStep(
  protocol: WorkedProtocol,
  schedule: Schedule,
  cost: ServiceCost,
  rates: MinuteRates,
  charge: TherapistCharge,
): readonly StepCost[] {
  const things = thingsByStep(protocol, cost);
  const hands = new Map<StepId, number>();
  const room = new Map<StepId, number>();
  for (const row of schedule.rows) {
    if (row.of.kind !== 'step') continue;
    const { stepId } = row.of;
    /* The slot is the therapist's, whoever works in it. */
    const ofHands =
      charge === 'slot'
        ? row.roomMinutes * rates.therapist
        : (row.handsOn + row.watching) * rates[row.by];
    add(hands, stepId, ofHands);
    add(room, stepId, row.roomMinutes * rates.room);
  }
  const lines = protocol.steps.map((step): StepCost => {
    const of = {
      things: things.get(step.id) ?? 0,
      hands: hands.get(step.id) ?? 0,
      room: room.get(step.id) ?? 0,
    };
    return { stepId: step.id, name: step.name, ...of, sum: of.things + of.hands + of.room };
  });
  const total = (part: 'hands' | 'room'): number =>
    lines.reduce((sum, line) => sum + line[part], 0);
  const left = {
    things: 0,
    hands: cost.therapist.usual - total('hands'),
    room: cost.room.usual - total('room'),
  };
  return [
    ...lines,
    { name: 'Between, and the rest of the slot', ...left, sum: left.hands + left.room },
  ];
}

function thingsByStep(
  { steps }: WorkedProtocol,
  { lines, deviceLines }: ServiceCost,
): Map<StepId, number> {
  const things = new Map<StepId, number>();
  for (const { draw, cost, expires } of lines) {
    add(things, draw.stepId, cost.usual + expires.usual);
  }
  for (const { deviceId, cost } of deviceLines) {
    const users = steps.filter(
      ({ device, running = [] }) => device?.deviceId === deviceId || running.includes(deviceId),
    );
    for (const step of users) add(things, step.id, cost.cost / users.length);
  }
  return things;
}

function add(sums: Map<StepId, number>, id: StepId, amount: number): void {
  sums.set(id, (sums.get(id) ?? 0) + amount);
}
