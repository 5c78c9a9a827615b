import type { CostSpread } from '../cost/costSpread';
import { MATERIAL_COST_PARTS } from '../cost/serviceCost';
import { explainCost, type ExplainedService } from './explainCost';
import { figure, worked, type Working, type WorkingInput } from './working';

/** Which end of a spread. */
export type Extreme = 'low' | 'usual' | 'high';

/**
 * How a light, a usual or a heavy visit comes to its cost.
 * @see C3 C4 C7 T5
 */
export function explainSpread(
  which: Extreme,
  spread: CostSpread,
  of: ExplainedService,
): Record<'things' | 'hands' | 'room' | 'full', Working> {
  const { cost, house, protocol } = of;
  const drawn = cost.lines.map(({ draw, cost: line }): WorkingInput => {
    const material = house.materials.find(({ id }) => id === draw.materialId);
    const step = protocol.steps.find(({ id }) => id === draw.stepId);
    return {
      label: `${material?.name ?? ''}, ${step?.name ?? ''}`,
      value: figure(line[which], 'money'),
      from: { place: 'step', protocolId: protocol.id, stepId: draw.stepId },
    };
  });
  const things: Working = {
    title: 'Things',
    codes: ['C7'],
    words: `Everything drawn, by the ${WORDS[which]} of its amount, at what a unit costs; and devices.`,
    inputs: [...drawn, worked(explainCost('devices', of))],
    result: figure(spread.things[which], 'money'),
  };
  const bySlot = house.settings.therapistCharge === 'slot';
  const hands: Working = {
    title: 'Hands',
    codes: ['C3', 'T5'],
    words: bySlot
      ? 'The whole slot is charged, however long the visit takes.'
      : 'The usual hands × the minutes of such a visit ÷ the usual minutes.',
    inputs: [
      worked(explainCost('therapist', of)),
      ...(bySlot
        ? []
        : [
            { label: 'Minutes of such a visit', value: figure(spread.minutes[which], 'min') },
            { label: 'Usual minutes', value: figure(spread.minutes.usual, 'min') },
          ]),
    ],
    result: figure(spread.hands[which], 'money'),
  };
  const room = explainCost('room', of);
  return {
    things,
    hands,
    room,
    full: {
      title: 'Full cost',
      codes: ['C7'],
      words: 'Things, hands and the room for its slot.',
      inputs: [worked(things), worked(hands), worked(room)],
      result: figure(spread.full[which], 'money'),
    },
  };
}

const WORDS: Record<Extreme, string> = { low: 'least', usual: 'usual', high: 'most' };

/**
 * Everything that is drawn in a visit, at what it costs, part by part.
 * @see C7
 */
export function explainProduct(of: ExplainedService): Working {
  const parts = MATERIAL_COST_PARTS.filter((part) => of.cost[part].usual > 0);
  return {
    title: 'Product in a visit',
    codes: ['C7'],
    words: 'Everything drawn from the shelf, given away or washed, added up.',
    inputs: parts.map((part) => worked(explainCost(part, of))),
    result: figure(
      parts.reduce((sum, part) => sum + of.cost[part].usual, 0),
      'money',
    ),
  };
}

/**
 * The direct cost of a visit with what of open jars is over before it is used at so many visits, instead of at
 * those that are planned.
 * @param openTooLong minor units a visit
 * @see C2 C7
 */
export function explainInUse(openTooLong: number, of: ExplainedService): Working {
  const direct = explainCost('direct', of);
  const planned = explainCost('expires', of);
  return {
    title: 'Direct cost of a visit',
    codes: ['C2', 'C7'],
    words:
      'Direct cost at the planned visits, without what then expires open, and with what does at so many visits.',
    inputs: [
      worked(direct),
      worked(planned, 'Open too long, as planned'),
      { label: 'Open too long, at so many visits', value: figure(openTooLong, 'money') },
    ],
    result: figure(direct.result.amount - planned.result.amount + openTooLong, 'money'),
  };
}
