import { describe, expect, it } from 'vitest';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { GuestMenu, GuestWords, House, Offer } from '@bienestar/core/house/house';
import { asId, type MenuId, type OfferId, type ServiceId } from '@bienestar/core/house/ids';
import { isShownOn } from '@bienestar/core/house/guest';
import { createOfferCalculator } from '@bienestar/core/offer/offerFigures';
import {
  house as sampleHouse,
  minutes,
  protocol,
  service,
  step,
} from '@bienestar/core/testing/sample';
import { guestCsv } from './guestCsv';
import { guestPage, shownWords } from './guestPage';
import { withWords } from './guestWords';

const serviceId = asId<ServiceId>('facial');
const offers: readonly Offer[] = [
  {
    id: asId<OfferId>('course'),
    name: 'Four facials',
    kind: 'course',
    visits: [{ serviceId, visitKind: 'returning', times: 4 }],
    everyDays: 7,
    validDays: 60,
    prepaid: true,
    missed: 'lost',
    discount: 0,
  },
  {
    id: asId<OfferId>('two'),
    name: 'For two',
    kind: 'duo',
    serviceIds: [serviceId, serviceId],
    rooms: 2,
    discount: 0,
    guest: { name: 'Together' },
  },
];
const menu: GuestMenu = {
  id: asId<MenuId>('m'),
  name: 'Treatments',
  intro: 'Warm sand.',
  sections: [
    {
      id: 's',
      title: 'Face',
      lines: [
        { kind: 'service', serviceId },
        { kind: 'offer', offerId: asId('course') },
        { kind: 'offer', offerId: asId('two') },
        { kind: 'service', serviceId: asId('gone') },
      ],
    },
  ],
};
const page = (guest?: GuestWords, more: Partial<House> = {}) => {
  const house: House = sampleHouse({
    protocols: [
      protocol([step('Prepare', minutes(5), { stretch: 'set-up' }), step('Work', minutes(33))]),
    ],
    services: [
      service({
        id: serviceId,
        name: 'Clay facial',
        pricing: { by: 'own', ownMinor: 8000 },
        ...(guest && { guest }),
      }),
    ],
    offers,
    ...more,
  });
  const figures = createCalculator()(house);
  const count = createOfferCalculator();
  return guestPage(menu, house, figures, (offer) => count(offer, house, figures));
};
const lines = (guest?: GuestWords) => page(guest).sections[0]?.lines ?? [];

describe('a menu for guests', () => {
  it('says names, minutes of the visit and charged prices', () => {
    expect(page()).toMatchObject({
      house: 'Casa Cenera',
      title: 'Treatments',
      intro: 'Warm sand.',
    });
    expect(lines().map(({ name, minutes: long, price }) => [name, long, price])).toEqual([
      ['Clay facial', '35 min', '€80'],
      ['Four facials', '4 visits', '€320'],
      ['Together', '35 min', '€160'],
    ]);
  });

  it('says what was given to be said instead', () => {
    const [line] = lines({
      name: 'Black sand',
      text: 'Warm and dark.',
      minutes: 30,
      cautions: ['Not with fever.'],
    });
    expect(line).toMatchObject({
      name: 'Black sand',
      text: 'Warm and dark.',
      minutes: '30 min',
      cautions: ['Not with fever.'],
    });
  });

  it('goes on without a price that cannot be counted', () => {
    const [line] = page(undefined, { rooms: [] }).sections[0]?.lines ?? [];
    expect(line).not.toHaveProperty('price');
  });

  it('is a list for other programs, in the same words', () => {
    const rows = guestCsv(page({ text: 'Warm, and "dark".', cautions: ['=1+1'] })).split('\r\n');
    expect(rows[0]).toBe('menu,section,name,minutes,price,text,cautions');
    /* A text that would be a formula elsewhere is text. */
    expect(rows[1]).toBe(`Treatments,Face,Clay facial,35 min,€80,"Warm, and ""dark"".","'=1+1"`);
    expect(rows).toHaveLength(4);
  });

  it('is shown on its days', () => {
    const winter = { from: '2026-11-15', until: '2027-02-28' };
    expect(isShownOn(winter, '2026-11-14')).toBe(false);
    expect(isShownOn(winter, '2027-02-28')).toBe(true);
    expect(isShownOn({}, '2026-06-01')).toBe(true);
    expect(shownWords(winter)).toMatch(/2026 to .*2027/);
    expect(shownWords({ from: '2026-11-15' })).toMatch(/^from /);
    expect(shownWords({ until: '2026-11-15' })).toMatch(/^until /);
    expect(shownWords({})).toBe('all year');
  });
});

describe('what guests read', () => {
  it('keeps what is said, and nothing that is empty', () => {
    expect(withWords(undefined, { name: ' Sand ' })).toEqual({ name: 'Sand' });
    expect(withWords({ name: 'Sand' }, { name: '' })).toBeUndefined();
    expect(withWords({ text: 'Warm' }, { cautions: [' Not with fever. ', ''] })).toEqual({
      text: 'Warm',
      cautions: ['Not with fever.'],
    });
    expect(withWords({ minutes: 30 }, { minutes: undefined })).toBeUndefined();
  });
});
