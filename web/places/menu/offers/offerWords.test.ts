import { describe, expect, it } from 'vitest';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { Duo, House, Offer, Package } from '@bienestar/core/house/house';
import { asId, type OfferId, type ServiceId } from '@bienestar/core/house/ids';
import { createOfferCalculator } from '@bienestar/core/offer/offerFigures';
import {
  house as sampleHouse,
  minutes,
  protocol,
  service,
  step,
  valueOf,
} from '@bienestar/core/testing/sample';
import { leftOutWords, missedWords, offerSummary, offerWarnings } from './offerWords';
import { newOffer } from './newOffer';

const house: House = sampleHouse({
  protocols: [
    protocol([
      step('Prepare', minutes(5), { stretch: 'set-up', phase: 'prepare' }),
      step('Work', minutes(30)),
    ]),
  ],
  services: [
    service({ id: asId('a'), name: 'Facial' }),
    service({ id: asId('b'), name: 'Polish' }),
  ],
});
const figures = createCalculator()(house);
const count = (offer: Offer) => valueOf(createOfferCalculator()(offer, house, figures));
const nameOf = (id: string): string =>
  house.services.find((each) => each.id === id)?.name ?? 'gone';
const sold = { id: asId<OfferId>('o'), name: 'Offer', discount: 0.1 };
const both = [asId<ServiceId>('a'), asId<ServiceId>('b')] as const;
const pack: Package = { ...sold, kind: 'package', serviceIds: both, once: [] };
const duo: Duo = { ...sold, kind: 'duo', serviceIds: both, rooms: 1 };

describe('offers in words', () => {
  it('say what they are of', () => {
    expect(offerSummary(pack, nameOf)).toBe('Facial, then Polish');
    expect(offerSummary(duo, nameOf)).toBe('Facial and Polish');
    expect(offerSummary(newOffer('course', house.services)!, nameOf)).toBe(
      '4 visits, every 14 days',
    );
  });

  it('begin as something that can be counted', () => {
    for (const kind of ['course', 'package', 'duo'] as const) {
      const offer = newOffer(kind, house.services);
      if (!offer) throw new Error(kind);
      expect(count(offer).price.gross).toBeGreaterThan(0);
      expect(newOffer(kind, [])).toBeUndefined();
    }
  });

  it('warn of what does not work', () => {
    const course = newOffer('course', house.services);
    if (course?.kind !== 'course') throw new Error('no course');
    expect(offerWarnings(count(course))).toEqual([]);
    expect(offerWarnings(count({ ...course, validDays: 7 }))[0]).toMatch(/42 days after the first/);
    expect(offerWarnings(count({ ...course, discount: 0.9 }))[0]).toMatch(/loses money/);
    expect(offerWarnings(count(duo))).toEqual([
      'It takes two people who perform it, and the house has one.',
    ]);
    const ownMinor = Math.ceil(count(pack).price.floorGross) + 1;
    expect(offerWarnings(count({ ...pack, ownMinor }))[0]).toMatch(/does not pay/);
  });

  it('say what is done once, and what a missed visit does', () => {
    const joined = count(pack);
    if (joined.kind !== 'package') throw new Error('no package');
    expect(leftOutWords(joined)).toBe('Done once: Prepare. That saves 5 min.');
    expect(leftOutWords({ ...joined, leftOut: [] })).toBe('Nothing falls away.');
    const course = newOffer('course', house.services);
    const whole = course && count(course);
    if (whole?.kind !== 'course') throw new Error('no course');
    expect(missedWords(whole, 'made-up', 'EUR')).toMatch(/^costs the house €/);
    expect(missedWords(whole, 'lost', 'EUR')).toBe('leaves the house €0.00 more');
  });
});
