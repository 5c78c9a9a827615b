import type { Offer } from '@bienestar/core/house/house';
import type { CourseFigures } from '@bienestar/core/offer/courseFigures';
import type { DuoFigures } from '@bienestar/core/offer/duoFigures';
import type { OfferFigures } from '@bienestar/core/offer/offerFigures';
import type { PackageFigures } from '@bienestar/core/offer/packageFigures';
import { money, number } from '../../../format/figures';

export const OFFER_KINDS: Record<Offer['kind'], string> = {
  course: 'Course',
  package: 'Package',
  duo: 'For two',
};

/** What an offer is of, in a line. */
export function offerSummary(offer: Offer, nameOf: (id: string) => string): string {
  if (offer.kind === 'course') {
    const visits = offer.visits.reduce((sum, { times }) => sum + times, 0);
    return `${number(visits)} ${visits === 1 ? 'visit' : 'visits'}, every ${number(offer.everyDays)} days`;
  }
  return offer.serviceIds.map(nameOf).join(offer.kind === 'duo' ? ' and ' : ', then ');
}

/** What asks for a second look: each in a sentence. */
export function offerWarnings(figures: OfferFigures): readonly string[] {
  const { belowFloor, margin } = figures.price;
  const price = belowFloor
    ? ['At this price it loses money with every sale.']
    : margin < 0
      ? ['At this price it does not pay for its room.']
      : [];
  switch (figures.kind) {
    case 'course':
      return [...price, ...courseWarnings(figures)];
    case 'package':
      return [...price, ...packageWarnings(figures)];
    case 'duo':
      return [...price, ...duoWarnings(figures)];
  }
}

function courseWarnings({ fits, lastsDays }: CourseFigures): string[] {
  return fits
    ? []
    : [`The last visit is ${number(lastsDays)} days after the first: more than it is valid for.`];
}

function packageWarnings({ oneTherapist }: PackageFigures): string[] {
  return oneTherapist ? [] : ['Nobody performs all of it: two people take turns.'];
}

function duoWarnings({ twoTherapists, roomsEnough }: DuoFigures): string[] {
  return [
    ...(twoTherapists ? [] : ['It takes two people who perform it, and the house has one.']),
    ...(roomsEnough ? [] : ['The house has too few rooms for it.']),
  ];
}

/** What falls away where two services share it, in a line. */
export function leftOutWords({ leftOut, singleSlotMinutes, slotMinutes }: PackageFigures): string {
  const names = [...new Set(leftOut.map(({ step }) => step.name))];
  const saved = number(singleSlotMinutes - slotMinutes, 0);
  return names.length === 0
    ? 'Nothing falls away.'
    : `Done once: ${names.join(', ')}. That saves ${saved} min.`;
}

/** What a missed visit does, in a line. */
export function missedWords(
  { price, missed }: CourseFigures,
  way: 'made-up' | 'lost',
  currency: string,
): string {
  const by = missed[way].profit - price.profit;
  const size = money(Math.abs(by), currency);
  return by < 0 ? `costs the house ${size}` : `leaves the house ${size} more`;
}
