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
  | 'mostDiscount';

export const PRICE_PART_TITLES: Record<PricePart, string> = {
  gross: 'Price',
  contribution: 'Contribution',
  margin: 'Margin',
  perRoomHour: 'Contribution per room hour',
  perTherapistHour: 'Contribution per therapist hour',
  breakEven: 'Visits a month that pay for one room',
  floor: 'A visit loses money below',
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
      return explainFloor(price, of);
    case 'mostDiscount':
      return {
        title: PRICE_PART_TITLES.mostDiscount,
        codes: ['P6'],
        words: '1 − the price below which a visit loses money ÷ the price.',
        inputs: [worked(explainFloor(price, of)), worked(explainGross(price, of))],
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
      { label: 'Endings repeat after', value: figure(everyMinor, 'money'), from: house },
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
    { label: 'VAT', value: figure(settings.vat, 'share'), from: house },
  ];
  const result = figure(computed, 'money');
  switch (ladder) {
    case 'cost-plus': {
      const ownMargin = of.service.targetMargin !== undefined;
      return {
        title: 'Computed price',
        codes: ['P2', 'P1'],
        words:
          'Full cost ÷ (1 − margin − commission − card fee × (1 + VAT)) is the net price; × (1 + VAT) the price with tax.',
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
        words:
          '(Direct cost + what a room hour should bring × hours of the slot) ÷ (1 − commission − card fee × (1 + VAT)) is the net price; × (1 + VAT) the price with tax.',
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

function explainFloor(price: ServicePrice, of: ExplainedService): Working {
  const house: Origin = { place: 'house' };
  const { settings } = of.house;
  return {
    title: PRICE_PART_TITLES.floor,
    codes: ['P1', 'P6'],
    words: 'Direct cost ÷ (1 − commission − card fee × (1 + VAT)), × (1 + VAT).',
    inputs: [
      worked(explainCost('direct', of)),
      { label: 'Commission on net', value: figure(settings.commission, 'share'), from: house },
      { label: 'Card fee on the price', value: figure(settings.cardFee, 'share'), from: house },
      { label: 'VAT', value: figure(settings.vat, 'share'), from: house },
    ],
    result: figure(price.floorGross, 'money'),
  };
}

function explainContribution(price: ServicePrice, of: ExplainedService): Working {
  return {
    title: PRICE_PART_TITLES.contribution,
    codes: ['P1', 'P3', 'P6'],
    words: 'Net price − fees − direct cost: what a visit brings towards rooms and profit.',
    inputs: [
      { label: 'Net price', value: figure(price.net, 'money') },
      { label: 'Commission', value: figure(price.commission, 'money'), from: { place: 'house' } },
      { label: 'Card fee', value: figure(price.cardFee, 'money'), from: { place: 'house' } },
      worked(explainCost('direct', of)),
    ],
    result: figure(price.contribution, 'money'),
  };
}
