import type { House, Offer } from '../house/house';
import type { OfferFigures } from '../offer/offerFigures';
import { COST_PART_TITLES, explainCost } from './explainCost';
import { figure, worked, type Origin, type Working, type WorkingInput } from './working';

const LEAST_TOLD = 0.005;

/**
 * How the price of a course, a package or a visit for two comes about.
 * @see P1 P5 P8
 */
export function explainOfferPrice(offer: Offer, figures: OfferFigures, house: House): Working {
  const { price } = figures;
  const result = figure(price.gross, 'money');
  if (offer.ownMinor !== undefined) {
    return {
      title: 'Price',
      codes: ['P8'],
      words: 'Set by hand, and charged as it is.',
      inputs: [{ label: 'Price of its own', value: result }],
      result,
    };
  }
  return {
    title: 'Price',
    codes: ['P8', 'P5'],
    words:
      offer.discount === 0
        ? 'The sum of the single prices.'
        : 'The sum of the single prices × (1 − what is let off), at the next allowed ending.',
    inputs: [
      worked(explainList(figures)),
      { label: 'Let off', value: figure(offer.discount, 'share') },
      {
        label: 'Endings repeat every',
        value: figure(house.settings.priceEndings.everyMinor, 'money'),
        from: { place: 'house' },
      },
    ],
    result,
  };
}

/**
 * How the margin of the whole comes about.
 * @see P1 P6 P8
 */
export function explainOfferMargin(offer: Offer, figures: OfferFigures, house: House): Working {
  const { price } = figures;
  const from: Origin = { place: 'house' };
  return {
    title: 'Margin of the whole',
    codes: ['P6', 'P8'],
    words: `(Net price − fees −${price.sharedPay > 0 ? ' pay by the price −' : ''} direct cost − room) ÷ net price, of everything together.`,
    inputs: [
      worked(explainOfferPrice(offer, figures, house)),
      { label: 'VAT', value: figure(house.settings.vat, 'share'), from },
      { label: 'Net price', value: figure(price.net, 'money') },
      { label: 'Fees', value: figure(price.fees, 'money'), from },
      ...(price.sharedPay > 0
        ? [{ label: 'Pay by the price', value: figure(price.sharedPay, 'money'), from }]
        : []),
      worked(explainParts('direct', figures, house)),
      worked(explainParts('room', figures, house)),
    ],
    result: figure(price.margin, 'share'),
  };
}

/** Direct cost or room of everything together, down to what each visit in it takes. */
function explainParts(part: 'direct' | 'room', figures: OfferFigures, house: House): Working {
  const { price, parts } = figures;
  const total =
    part === 'direct'
      ? price.net - price.fees - price.sharedPay - price.contribution
      : price.contribution - price.profit;
  const each = parts.map((one): WorkingInput => {
    const working = explainCost(part, { house, ...one });
    const label = one.times === 1 ? one.service.name : `${one.service.name}, ${one.times} ×`;
    return worked(working, label);
  });
  const counted = parts.reduce((sum, { cost, times }) => sum + cost[part].usual * times, 0);
  const rest = total - counted;
  const shared = part === 'room' ? 'The room is shared' : 'Hands that wait for the other guest';
  return {
    title: COST_PART_TITLES[part],
    codes: ['C7', 'P8'],
    words: 'What each visit in it takes, as often as it is in it.',
    inputs: [
      ...each,
      ...(Math.abs(rest) > LEAST_TOLD ? [{ label: shared, value: figure(rest, 'money') }] : []),
    ],
    result: figure(total, 'money'),
  };
}

function explainList(figures: OfferFigures): Working {
  return {
    title: 'One by one',
    codes: ['P8'],
    words: 'What its services cost when each is bought by itself.',
    inputs: singles(figures),
    result: figure(figures.price.listGross, 'money'),
  };
}

function singles(figures: OfferFigures): readonly WorkingInput[] {
  if (figures.kind === 'course') {
    return figures.lines.map(({ service, visits, single }) => ({
      label: `${service.name}, ${visits.times} ×`,
      value: figure(single, 'money'),
      from: { place: 'service', serviceId: service.id },
    }));
  }
  return figures.singles.map(({ service, gross }) => ({
    label: service.name,
    value: figure(gross, 'money'),
    from: { place: 'service', serviceId: service.id },
  }));
}
