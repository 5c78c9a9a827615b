import type { Ladder } from '../house/house';
import type { ServicePrice } from '../price/ladders';
import { explainCost, type ExplainedService } from './explainCost';
import { explainAttended, explainSlot } from './explainTime';
import { figure, worked, type Origin, type Working, type WorkingInput } from './working';

/** The figures of a price that have a working. */
export type PricePart =
  | 'gross'
  | 'contribution'
  | 'margin'
  | 'perRoomHour'
  | 'perTherapistHour'
  | 'breakEven'
  | 'floor'
  | 'oneMore'
  | 'oneMoreFloor'
  | 'oneMoreBreakEven'
  | 'profit'
  | 'even'
  | 'mostDiscount';

export const PRICE_PART_TITLES: Record<PricePart, string> = {
  gross: 'Price',
  contribution: 'Contribution',
  margin: 'Margin',
  perRoomHour: 'Contribution per room hour',
  perTherapistHour: 'Contribution per therapist hour',
  breakEven: 'Visits a month that pay for one room',
  floor: 'Hands and things are paid from',
  oneMore: 'What one more guest adds',
  oneMoreFloor: 'One more guest: lowest price',
  oneMoreBreakEven: 'Visits a month that pay for one room and one therapist',
  profit: 'What is left after everything',
  even: 'Everything paid: lowest price',
  mostDiscount: 'Most that can be let off',
};

/**
 * The working of a price, or of what it leaves.
 * @see P1 P2 P3 P5 P6
 */
export function explainPrice(part: PricePart, price: ServicePrice, of: ExplainedService): Working {
  switch (part) {
    case 'gross':
      return explainGross(price, of);
    case 'contribution':
      return explainContribution(price, of);
    case 'margin':
      return {
        title: PRICE_PART_TITLES.margin,
        codes: ['P6'],
        words:
          'What is left of the net price after fees and full cost, as a share of the net price.',
        inputs: [
          worked(explainContribution(price, of)),
          worked(explainCost('room', of)),
          { label: 'Net price', value: figure(price.net, 'money') },
        ],
        result: figure(price.margin, 'share'),
      };
    case 'perRoomHour':
      return {
        title: PRICE_PART_TITLES.perRoomHour,
        codes: ['P3', 'P6'],
        words: 'Contribution × 60 ÷ the minutes of the slot.',
        inputs: [
          worked(explainContribution(price, of)),
          worked(explainSlot(of.schedule, of.service, of.house)),
        ],
        result: figure(price.perRoomHour, 'money/h'),
      };
    case 'perTherapistHour':
      return {
        title: PRICE_PART_TITLES.perTherapistHour,
        codes: ['P6'],
        words: 'Contribution × 60 ÷ the minutes at which a therapist is there.',
        inputs: [
          worked(explainContribution(price, of)),
          worked(explainAttended(of.schedule, of.protocol)),
        ],
        result: figure(price.perTherapistHour ?? 0, 'money/h'),
      };
    case 'breakEven':
      return {
        title: PRICE_PART_TITLES.breakEven,
        codes: ['P6'],
        words: 'What a room costs a month ÷ contribution of a visit.',
        inputs: [
          {
            label: 'Fixed cost of one room a month',
            value: figure(price.load.roomCostPerMonth, 'money'),
            from: { place: 'house' },
          },
          worked(explainContribution(price, of)),
        ],
        result: figure(price.breakEvenVisits ?? 0, 'visits/month'),
      };
    case 'floor':
      return explainFloor('floor', price, of);
    case 'oneMoreFloor':
      return explainFloor('oneMoreFloor', price, of);
    case 'even':
      return explainFloor('even', price, of);
    case 'oneMore':
      return explainOneMore(price, of);
    case 'oneMoreBreakEven':
      return {
        title: PRICE_PART_TITLES.oneMoreBreakEven,
        codes: ['C9', 'P6'],
        words:
          'What a room costs and a therapist who performs it is owed a month ÷ what one more guest adds.',
        inputs: [
          {
            label: 'Fixed cost of one room a month',
            value: figure(price.load.roomCostPerMonth, 'money'),
            from: { place: 'house' },
          },
          {
            label: 'Owed to a therapist a month, with on-cost',
            value: figure(price.load.pay.perMonth, 'money'),
            from: { place: 'house' },
          },
          worked(explainOneMore(price, of)),
        ],
        result: figure(price.oneMore.breakEvenVisits ?? 0, 'visits/month'),
      };
    case 'profit':
      return {
        title: PRICE_PART_TITLES.profit,
        codes: ['P6'],
        words: 'Contribution − the room for the slot.',
        inputs: [worked(explainContribution(price, of)), worked(explainCost('room', of))],
        result: figure(price.profit, 'money'),
      };
    case 'mostDiscount':
      return {
        title: PRICE_PART_TITLES.mostDiscount,
        codes: ['P6'],
        words: '1 − the price from which hands and things are paid ÷ the price.',
        inputs: [worked(explainFloor('floor', price, of)), worked(explainGross(price, of))],
        result: figure(price.mostDiscount, 'share'),
      };
  }
}

function explainGross(price: ServicePrice, of: ExplainedService): Working {
  const house: Origin = { place: 'house' };
  const service: Origin = { place: 'service', serviceId: of.service.id };
  if (price.by === 'own') {
    return {
      title: PRICE_PART_TITLES.gross,
      codes: ['P6'],
      words: 'Set by hand, and charged as it is.',
      inputs: [{ label: 'Price of its own', value: figure(price.gross, 'money'), from: service }],
      result: figure(price.gross, 'money'),
    };
  }
  const { everyMinor, endingsMinor, rounding } = of.house.settings.priceEndings;
  return {
    title: PRICE_PART_TITLES.gross,
    codes: ['P5'],
    words: `The ${rounding === 'up' ? 'next allowed price at or above' : 'allowed price nearest to'} the computed one.`,
    inputs: [
      worked(explainRung(price.by, price, of)),
      { label: 'Endings repeat every', value: figure(everyMinor, 'money'), from: house },
      ...endingsMinor.map((ending) => ({
        label: 'Allowed ending',
        value: figure(ending, 'money'),
        from: house,
      })),
    ],
    result: figure(price.gross, 'money'),
  };
}

/**
 * How a ladder comes to its price, before the house's endings.
 * @see P1 P2 P3 P4
 */
export function explainRung(ladder: Ladder, price: ServicePrice, of: ExplainedService): Working {
  const house: Origin = { place: 'house' };
  const service: Origin = { place: 'service', serviceId: of.service.id };
  const { settings } = of.house;
  const computed = price.rungs.find((rung) => rung.ladder === ladder)?.price.computedGross ?? 0;
  const fees: readonly WorkingInput[] = [
    { label: 'Commission on net', value: figure(settings.commission, 'share'), from: house },
    { label: 'Card fee on the price', value: figure(settings.cardFee, 'share'), from: house },
    ...payShare(price),
    { label: 'VAT', value: figure(settings.vat, 'share'), from: house },
  ];
  const by = price.load.pay.share > 0 ? ' pay as a share of the price −' : '';
  const result = figure(computed, 'money');
  switch (ladder) {
    case 'cost-plus': {
      const ownMargin = of.service.targetMargin !== undefined;
      return {
        title: 'Computed price',
        codes: ['P2', 'P1'],
        words: `Full cost ÷ (1 − margin − commission −${by} card fee × (1 + VAT)) is the net price; × (1 + VAT) the price with tax.`,
        inputs: [
          worked(explainCost('full', of)),
          {
            label: ownMargin ? 'Target margin of this service' : 'Target margin of the house',
            value: figure(price.targetMargin, 'share'),
            from: ownMargin ? service : house,
          },
          ...fees,
        ],
        result,
      };
    }
    case 'room-hour':
      return {
        title: 'Computed price',
        codes: ['P3', 'P1'],
        words: `(Direct cost + what a room hour should bring × hours of the slot) ÷ (1 − commission −${by} card fee × (1 + VAT)) is the net price; × (1 + VAT) the price with tax.`,
        inputs: [
          worked(explainCost('direct', of)),
          {
            label: 'A room hour should bring',
            value: figure(settings.targetPerRoomHourMinor ?? 0, 'money/h'),
            from: house,
          },
          worked(explainSlot(of.schedule, of.service, of.house)),
          ...fees,
        ],
        result,
      };
    case 'neighbourhood':
      return {
        title: 'Computed price',
        codes: ['P4'],
        words: 'What is usually asked for the same elsewhere.',
        inputs: [{ label: 'Usual elsewhere', value: result, from: service }],
        result,
      };
  }
}

const FLOORS = {
  floor: { words: 'Direct cost', result: (price: ServicePrice) => price.floorGross },
  oneMoreFloor: {
    words: '(Direct cost − pay that is owed anyhow)',
    result: (price: ServicePrice) => price.oneMore.floorGross,
  },
  even: { words: 'Full cost', result: (price: ServicePrice) => price.evenGross },
} as const;

function explainFloor(
  part: keyof typeof FLOORS,
  price: ServicePrice,
  of: ExplainedService,
): Working {
  const house: Origin = { place: 'house' };
  const { settings } = of.house;
  const { words, result } = FLOORS[part];
  const { pay } = price.load;
  return {
    title: PRICE_PART_TITLES[part],
    codes: part === 'oneMoreFloor' ? ['C9', 'P1'] : ['P1', 'P6'],
    words: `${words} ÷ (1 − commission −${pay.share > 0 ? ' pay as a share of the price −' : ''} card fee × (1 + VAT)), × (1 + VAT).`,
    inputs: [
      worked(explainCost(part === 'even' ? 'full' : 'direct', of)),
      ...(part === 'oneMoreFloor' ? [owedAnyhow(price)] : []),
      { label: 'Commission on net', value: figure(settings.commission, 'share'), from: house },
      ...payShare(price),
      { label: 'Card fee on the price', value: figure(settings.cardFee, 'share'), from: house },
      { label: 'VAT', value: figure(settings.vat, 'share'), from: house },
    ],
    result: figure(result(price), 'money'),
  };
}

function owedAnyhow({ load }: ServicePrice): WorkingInput {
  return {
    label: 'Of the hands, pay that is owed anyhow',
    value: figure(load.pay.fixed, 'money'),
    from: { place: 'house' },
  };
}

/** Nothing where nobody is paid by the price. */
function payShare({ load }: ServicePrice): readonly WorkingInput[] {
  if (load.pay.share === 0) return [];
  return [
    {
      label: 'Pay as a share of the net price, with on-cost',
      value: figure(load.pay.share, 'share'),
      from: { place: 'house' },
    },
  ];
}

function explainOneMore(price: ServicePrice, of: ExplainedService): Working {
  return {
    title: PRICE_PART_TITLES.oneMore,
    codes: ['C9'],
    words: 'Contribution + what of the hands is owed whether or not somebody comes.',
    inputs: [worked(explainContribution(price, of)), owedAnyhow(price)],
    result: figure(price.oneMore.contribution, 'money'),
  };
}

function explainContribution(price: ServicePrice, of: ExplainedService): Working {
  return {
    title: PRICE_PART_TITLES.contribution,
    codes: ['P1', 'P3', 'P6'],
    words: `Net price − fees −${price.load.pay.share > 0 ? ' pay as a share of the price −' : ''} direct cost: what a visit brings towards rooms and profit.`,
    inputs: [
      { label: 'Net price', value: figure(price.net, 'money') },
      { label: 'Commission', value: figure(price.commission, 'money'), from: { place: 'house' } },
      { label: 'Card fee', value: figure(price.cardFee, 'money'), from: { place: 'house' } },
      ...(price.sharedPay > 0
        ? [
            {
              label: 'Pay as a share of the price',
              value: figure(price.sharedPay, 'money'),
              from: { place: 'house' } as const,
            },
          ]
        : []),
      worked(explainCost('direct', of)),
    ],
    result: figure(price.contribution, 'money'),
  };
}
