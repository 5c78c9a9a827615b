import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { Course, Duo, House, Offer, Package } from '../house/house';
import { asId, type OfferId, type ServiceId } from '../house/ids';
import { explainOfferMargin, explainOfferPrice } from '../explain/explainOffer';
import {
  dose,
  house as sampleHouse,
  minutes,
  problemOf,
  protocol,
  sachet,
  service,
  step,
  valueOf,
} from '../testing/sample';
import type { CourseFigures } from './courseFigures';
import type { DuoFigures } from './duoFigures';
import { createOfferCalculator } from './offerFigures';
import type { PackageFigures } from './packageFigures';

const one = dose(asId('sachet'), { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } });
const facial = protocol(
  [
    step('Prepare', minutes(5), { stretch: 'set-up', phase: 'prepare' }),
    step('Talk', minutes(5), { id: asId('talk'), phase: 'consult' }),
    step('Cleanse', minutes(10), { phase: 'cleanse' }),
    step('Mask', minutes(20), { id: asId('mask'), doses: [one], hands: 'free' }),
    step('Say why', minutes(5), { meanwhileOf: asId('talk') }),
    step('Reset', minutes(5), { stretch: 'reset', phase: 'reset' }),
  ],
  { id: asId('facial') },
);
const back = protocol(
  [
    step('Prepare', minutes(5), { stretch: 'set-up', phase: 'prepare' }),
    step('Mix the mud', minutes(5), { stretch: 'set-up', phase: 'prepare', doses: [one] }),
    step('Talk', minutes(5), { id: asId('talk'), phase: 'consult' }),
    step('Mud', minutes(30)),
    step('Reset', minutes(10), { stretch: 'reset', phase: 'reset' }),
  ],
  { id: asId('back') },
);
const own = (ownMinor: number) => ({ pricing: { by: 'own', ownMinor } as const });
const house: House = sampleHouse({
  materials: [sachet()],
  protocols: [facial, back],
  people: [
    { id: asId('ione'), name: 'Ione', role: 'therapist', hourlyPayMinor: 1400 },
    { id: asId('mateo'), name: 'Mateo', role: 'therapist', hourlyPayMinor: 1400 },
  ],
  services: [
    service({
      id: asId('facial'),
      protocolId: facial.id,
      therapistIds: [asId('ione'), asId('mateo')],
      ...own(6000),
    }),
    service({ id: asId('back'), protocolId: back.id, ...own(8000) }),
  ],
});
const figures = createCalculator()(house);
const count = (offer: Offer, of: House = house) =>
  createOfferCalculator()(offer, of, of === house ? figures : createCalculator()(of));
const ids = (...of: string[]): ServiceId[] => of.map((id) => asId<ServiceId>(id));
const sold = { id: asId<OfferId>('offer'), name: 'Offer', discount: 0 };
const course = (changes: Partial<Course> = {}): Course => ({
  ...sold,
  kind: 'course',
  visits: [{ serviceId: asId('facial'), visitKind: 'returning', times: 4 }],
  everyDays: 10,
  validDays: 60,
  prepaid: true,
  missed: 'made-up',
  ...changes,
});
const pack = (changes: Partial<Package> = {}): Package => ({
  ...sold,
  kind: 'package',
  serviceIds: ids('facial', 'back'),
  once: ['consult', 'cleanse'],
  ...changes,
});
const duo = (changes: Partial<Duo> = {}): Duo => ({
  ...sold,
  kind: 'duo',
  serviceIds: [asId('facial'), asId('facial')],
  rooms: 1,
  ...changes,
});
const ofCourse = (changes?: Partial<Course>) => valueOf(count(course(changes))) as CourseFigures;
const ofPackage = (changes?: Partial<Package>) => valueOf(count(pack(changes))) as PackageFigures;
const ofDuo = (changes?: Partial<Duo>) => valueOf(count(duo(changes))) as DuoFigures;

describe('a course (P8)', () => {
  it('is its visits together, less the discount at the house’s endings', () => {
    const whole = ofCourse({ discount: 0.1 });
    /* 4 x 60.00 = 240.00, less 10 % = 216.00, at the next 5.00: 220.00 */
    expect([whole.price.listGross, whole.price.gross, whole.perVisit]).toEqual([
      24_000, 22_000, 5500,
    ]);
    expect(whole.price.letOff).toBeCloseTo(1 / 12, 9);
    const single = figures.services.get(asId('facial'));
    const cost = single?.cost.ok === true ? single.cost.value.full.usual : 0;
    expect(whole.lines[0]?.full).toBe(cost);
    expect(whole.price.profit).toBeCloseTo(whole.price.net - whole.price.fees - 4 * cost, 6);
  });

  it('costs each kind of visit as it is worked', () => {
    const layers = (first: number, returning: number): House => ({
      ...house,
      protocols: [
        protocol([step('Layer', minutes(10), { layerGroupId: asId('l'), doses: [one] })], {
          id: asId('facial'),
          layerGroups: [{ id: asId('l'), name: 'Layers', layers: { first, returning } }],
        }),
        back,
      ],
    });
    const visits = [
      { serviceId: asId<ServiceId>('facial'), visitKind: 'first', times: 1 },
      { serviceId: asId<ServiceId>('facial'), visitKind: 'returning', times: 2 },
    ] as const;
    const { lines } = valueOf(count(course({ visits }), layers(1, 3))) as CourseFigures;
    expect(lines.map(({ slotMinutes }) => slotMinutes)).toEqual([10, 30]);
    expect((lines[1]?.direct ?? 0) / (lines[0]?.direct ?? 1)).toBeCloseTo(3, 6);
  });

  it('costs each visit by which visit of the course it is', () => {
    const by = {
      id: asId<never>('which'),
      name: 'Which',
      by: 'course-visit',
      take: 'first',
      noneIsFine: true,
      options: [{ id: asId<never>('third'), name: 'Third', for: ['every-3'] }],
    } as const;
    const on = { option: { choiceId: by.id, optionId: by.options[0].id } };
    const of: House = {
      ...house,
      protocols: [
        protocol(
          [
            step('Mask', minutes(10), {
              doses: [one],
              otherwise: [{ ...on, says: { minutes: minutes(25) } }],
            }),
            step('Pictures', minutes(5), { ...on, doses: [{ ...one, id: asId('more') }] }),
          ],
          { id: asId('facial'), choices: [by] },
        ),
        back,
      ],
    };
    const visits = [
      { serviceId: asId<ServiceId>('facial'), visitKind: 'first', times: 1 },
      { serviceId: asId<ServiceId>('facial'), visitKind: 'returning', times: 15 },
    ] as const;
    const whole = valueOf(count(course({ visits }), of)) as CourseFigures;
    expect(whole.lines.map(({ visits: { times }, slotMinutes }) => [times, slotMinutes])).toEqual([
      [1, 10],
      [1, 10],
      [1, 30],
      [2, 10],
      [1, 30],
      [2, 10],
      [1, 30],
      [2, 10],
      [1, 30],
      [2, 10],
      [1, 30],
      [1, 10],
    ]);
    /* Sixteen masks, and five pictures that take another sachet. */
    expect([...whole.promised.values()][0]?.usual).toBeCloseTo(21 * 6, 9);
  });

  it('promises stock and slots, and says when it is over', () => {
    const whole = ofCourse();
    expect(whole.promised.get(asId('sachet'))?.usual).toBe(24);
    expect(whole.promisedMinutes).toBe(180);
    expect([whole.lastsDays, whole.fits]).toEqual([30, true]);
    expect(ofCourse({ validDays: 29 }).fits).toBe(false);
  });

  it('keeps more of a visit that is lost, and less of one that is made up', () => {
    const { price, missed } = ofCourse();
    expect(missed.lost.profit - price.profit).toBeCloseTo(180, 6);
    expect(missed['made-up'].profit).toBeLessThan(price.profit);
  });

  it('is refused without visits, with all let off, or without its service', () => {
    expect(problemOf(count(course({ visits: [] }))).message).toBe(
      'A course has at least one visit.',
    );
    expect(problemOf(count(course({ discount: 1 }))).message).toContain('below 100 %');
    const visits = [{ serviceId: asId<ServiceId>('gone'), visitKind: 'first', times: 1 }] as const;
    expect(problemOf(count(course({ visits }))).code).toBe('service-unknown');
    const never: House = {
      ...house,
      settings: {
        ...house.settings,
        priceEndings: { everyMinor: 500, endingsMinor: [], rounding: 'up' },
      },
    };
    expect(problemOf(count(course({ discount: 0.1 }), never)).code).toBe('ending-impossible');
  });

  it('never brings more with a larger discount, and loses money beyond the most', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.99, noNaN: true }),
        fc.double({ min: 0, max: 0.99, noNaN: true }),
        (a, b) => {
          const [less, more] = [Math.min(a, b), Math.max(a, b)];
          const small = ofCourse({ discount: less }).price;
          const large = ofCourse({ discount: more }).price;
          expect(large.profit).toBeLessThanOrEqual(small.profit + 1e-6);
          expect(large.belowFloor).toBe(large.letOff > large.mostDiscount + 1e-12);
        },
      ),
      { numRuns: 50 },
    );
  });
});

describe('a package (P8)', () => {
  it('does once what both need', () => {
    const whole = ofPackage();
    expect(whole.leftOut.map(({ part, step: { name } }) => [part, name])).toEqual([
      [0, 'Reset'],
      [1, 'Prepare'],
      [1, 'Talk'],
    ]);
    /* 5 + 5 prepare and mud, 5 talk, 10 cleanse, 20 mask, 30 mud, 10 reset */
    expect([whole.slotMinutes, whole.singleSlotMinutes]).toEqual([85, 100]);
    expect(whole.fullCost).toBeLessThan(whole.singleFullCost);
  });

  it('takes all the products of both', () => {
    const whole = ofPackage({ discount: 0.12 });
    expect(whole.price.listGross).toBe(14_000);
    expect(whole.price.gross).toBe(12_500);
    const hands = whole.singleFullCost - whole.fullCost;
    /* 15 minutes of hands and room fall away, no product does */
    expect(hands).toBeCloseTo(15 * (37.094017 + 7.889546), 2);
  });

  it('is performed by whoever can do all of it', () => {
    expect(ofPackage().performers.map(({ name }) => name)).toEqual(['Ione']);
    const apart: House = {
      ...house,
      services: house.services.map((each) =>
        each.id === 'facial' ? { ...each, therapistIds: [asId('mateo')] } : each,
      ),
    };
    const both = valueOf(count(pack(), apart)) as PackageFigures;
    expect([both.oneTherapist, both.performers.length]).toEqual([false, 2]);
  });

  it('keeps what lay beside a step that falls away', () => {
    const turned = ofPackage({ serviceIds: ids('back', 'facial') });
    expect(turned.leftOut.map(({ step: { name } }) => name)).toEqual([
      'Prepare',
      'Talk',
      'Cleanse',
      'Reset',
    ]);
    /* 5 + 5 prepare and mud, 5 talk, 30 mud, 20 mask, 5 why, 10 reset */
    expect(turned.slotMinutes).toBe(80);
  });

  it('is of at least two services that are there', () => {
    expect(problemOf(count(pack({ serviceIds: ids('facial') }))).code).toBe('package-too-small');
    expect(problemOf(count(pack({ serviceIds: ids('facial', 'gone') }))).code).toBe(
      'package-too-small',
    );
  });
});

describe('the working of an offer', () => {
  it('adds up, down to the single prices', () => {
    for (const offer of [course({ discount: 0.1 }), pack({ discount: 0.12 }), duo()]) {
      const of = valueOf(count(offer));
      const price = explainOfferPrice(offer, of, house);
      expect(price.result.amount).toBe(of.price.gross);
      const singles = price.inputs[0]?.working?.inputs ?? [];
      const times = (label: string): number => (label.endsWith('4 ×') ? 4 : 1);
      const sum = singles.reduce((all, { label, value }) => all + value.amount * times(label), 0);
      expect(sum).toBe(of.price.listGross);
      const margin = explainOfferMargin(offer, of, house);
      const [, , net, fees, direct, room] = margin.inputs.map(({ value }) => value.amount);
      const inDirect = margin.inputs[4]?.working;
      const parts = (inDirect?.inputs ?? []).map(({ label, value }) => value.amount * times(label));
      expect(parts.reduce((all, part) => all + part, 0)).toBeCloseTo(direct ?? 0, 6);
      /* down to the price of a pack */
      expect(JSON.stringify(inDirect)).toContain('"Pack price"');
      expect(((net ?? 0) - (fees ?? 0) - (direct ?? 0) - (room ?? 0)) / (net ?? 1)).toBeCloseTo(
        margin.result.amount,
        9,
      );
    }
    const byHand = pack({ ownMinor: 9900 });
    expect(explainOfferPrice(byHand, valueOf(count(byHand)), house).words).toMatch(/by hand/);
  });
});

describe('a visit for two', () => {
  it('holds one room until both are done, or two', () => {
    const [together, apart] = [ofDuo(), ofDuo({ rooms: 2 })];
    expect([together.roomMinutes, apart.roomMinutes]).toEqual([45, 90]);
    expect(together.price.listGross).toBe(12_000);
    expect(apart.fullCost).toBeCloseTo(apart.singleFullCost, 6);
    expect(apart.fullCost - together.fullCost).toBeCloseTo(45 * 7.889546, 3);
  });

  it('holds longer than either where both vary', () => {
    const varying: House = {
      ...house,
      protocols: [protocol([step('Work', minutes(30, 40, 60))], { id: facial.id }), back],
    };
    const both = valueOf(count(duo(), varying)) as DuoFigures;
    const alone = createCalculator()(varying).services.get(asId('facial'));
    const slot = alone?.schedule.ok === true ? alone.schedule.value.slotMinutes : 0;
    expect(both.slotMinutes).toBeGreaterThanOrEqual(slot);
  });

  it('charges waiting hands where the whole slot is charged', () => {
    const bySlot: House = {
      ...house,
      settings: { ...house.settings, therapistCharge: 'slot' },
    };
    const uneven = duo({ serviceIds: [asId('facial'), asId('back')] });
    const waiting = valueOf(count(uneven, bySlot)) as DuoFigures;
    const rooms = valueOf(count({ ...uneven, rooms: 2 }, bySlot)) as DuoFigures;
    /* the facial's therapist waits 10 minutes for the longer one */
    expect(waiting.price.fees).toBe(rooms.price.fees);
    expect(rooms.price.contribution - waiting.price.contribution).toBeCloseTo(10 * 37.094017, 3);
  });

  it('says when nobody else can perform it, or a room is missing', () => {
    const alone: House = {
      ...house,
      rooms: house.rooms.slice(0, 1),
      services: house.services.map((each) => ({ ...each, therapistIds: [asId('ione')] })),
    };
    const both = valueOf(count(duo({ rooms: 2 }), alone)) as DuoFigures;
    expect([both.twoTherapists, both.roomsEnough]).toEqual([false, false]);
    expect(problemOf(count(duo({ serviceIds: [asId('facial'), asId('x')] }))).code).toBe(
      'service-unknown',
    );
  });
});
