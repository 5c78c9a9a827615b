import type { House, Offer } from '../house/house';
import type { OfferFigures } from '../offer/offerFigures';
import { figure, worked, type Origin, type Working, type WorkingInput } from './working';

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
        label: 'Endings repeat after',
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
    words: '(Net price − fees − direct cost − room) ÷ net price, of everything together.',
    inputs: [
      worked(explainOfferPrice(offer, figures, house)),
      { label: 'VAT', value: figure(house.settings.vat, 'share'), from },
      { label: 'Net price', value: figure(price.net, 'money') },
      { label: 'Fees', value: figure(price.fees, 'money'), from },
      {
        label: 'Direct cost',
        value: figure(price.net - price.fees - price.contribution, 'money'),
      },
      { label: 'Room', value: figure(price.contribution - price.profit, 'money') },
    ],
    result: figure(price.margin, 'share'),
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
