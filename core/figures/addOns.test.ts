import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { House, Minutes, Step } from '../house/house';
import { asId, type ProtocolId, type ServiceId } from '../house/ids';
import { createCalculator } from './createCalculator';
import { meanMinutes, mixed } from '../time/distribution';
import { overrun } from '../time/overrun';
import { stepTime } from '../time/stepTime';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  service,
  step,
} from '../testing/sample';
import { explainAddOn, explainToPay } from '../explain/explainAddOn';
import { addOnsOf, hostsOf } from './addOns';

const ADD_ON = asId<ProtocolId>('eye-sheet');
const SERVICE = asId<ServiceId>('eye-sheet');

function offered(rest: Partial<Step>, lasting: Minutes, settings: Partial<House['settings']> = {}) {
  const withOffer = house({
    protocols: [
      protocol([
        step('cleanse', minutes(10)),
        step('mask rests', minutes(12), { hands: 'free', offers: [ADD_ON], ...rest }),
        step('finish', minutes(8)),
      ]),
      protocol([step('sheet', lasting, { doses: [dose(cleanser().id, measured(2, 'ml'))] })], {
        id: ADD_ON,
        name: 'Eye sheet',
      }),
    ],
    services: [
      service(),
      service({ id: SERVICE, protocolId: ADD_ON, pricing: { by: 'own', ownMinor: 2500 } }),
    ],
  });
  const changed = { ...withOffer, settings: { ...withOffer.settings, ...settings } };
  const figures = createCalculator()(changed);
  const host = figures.services.get(service().id)!;
  const own = figures.services.get(SERVICE)!;
  const [addOn] = addOnsOf(host, changed, ({ id }) => figures.services.get(id));
  return { addOn: addOn!, host, own };
}

describe('an add-on (P8)', () => {
  it('takes no room where it fits into free time', () => {
    const { addOn, own, host } = offered({}, minutes(8));
    expect(addOn).toMatchObject({
      stepName: 'mask rests',
      freeMinutes: 12,
      ownMinutes: 8,
      chanceOver: 0,
      extraSlotMinutes: 0,
      extraRoom: 0,
    });
    const cost = own.cost.ok ? own.cost.value : undefined;
    expect(addOn.extraDirect).toBeCloseTo(cost?.direct.usual ?? 0, 9);
    const price = host.price.ok ? host.price.value : undefined;
    expect(addOn.togetherPerRoomHour).toBeGreaterThan(price?.perRoomHour ?? 0);
  });

  it('says how many pay for the packs that only it draws', () => {
    const { addOn } = offered({}, minutes(8));
    /* one bottle of cleanser, which nothing else draws */
    expect(addOn.stake).toBe(2100);
    expect(addOn.toPay).toBe(Math.ceil(2100 / addOn.figures.profit));
    const brings = explainAddOn(addOn, house().settings);
    const [price, vat, fees, direct] = brings.inputs.map(({ value }) => value.amount);
    expect((price ?? 0) / (1 + (vat ?? 0)) - (fees ?? 0) - (direct ?? 0)).toBeCloseTo(
      brings.result.amount,
      9,
    );
    expect(explainToPay(addOn, house().settings).result.amount).toBe(addOn.toPay);
    const shared = offered({ doses: [dose(cleanser().id, measured(1, 'ml'))] }, minutes(8)).addOn;
    expect([shared.stake, shared.toPay]).toEqual([0, null]);
  });

  it('knows within which services it may be offered', () => {
    const addOn = service({ id: SERVICE, protocolId: ADD_ON });
    const host = service({ id: asId('host') });
    const work = (offers: readonly ProtocolId[]) =>
      ({ work: { ok: true, value: protocol([step('rests', minutes(9), { offers })]) } }) as never;
    const of = (which: { readonly id: string }) => work(which.id === 'host' ? [ADD_ON] : []);
    expect(hostsOf(addOn, { services: [host, addOn] }, of)).toEqual([host]);
    expect(hostsOf(host, { services: [host, addOn] }, of)).toEqual([]);
  });

  it('lengthens the slot by what does not fit', () => {
    expect(offered({}, minutes(20)).addOn.extraSlotMinutes).toBe(10);
    expect(offered({ hands: 'watching' }, minutes(20)).addOn).toMatchObject({
      freeMinutes: 0,
      chanceOver: 1,
      extraSlotMinutes: 20,
    });
  });

  it('takes no hands beyond the slot where the whole slot is charged', () => {
    const attended = offered({}, minutes(8)).addOn;
    const { addOn } = offered({}, minutes(8), { therapistCharge: 'slot' });
    expect(addOn.extraDirect).toBeLessThan(attended.extraDirect);
  });

  it('never takes less room the longer it lasts', () => {
    const length = fc.integer({ min: 1, max: 30 });
    fc.assert(
      fc.property(length, length, (a, b) => {
        const extra = (usual: number) =>
          offered({}, minutes(usual, usual + 1, usual + 4)).addOn.extraSlotMinutes;
        expect(extra(Math.max(a, b))).toBeGreaterThanOrEqual(extra(Math.min(a, b)));
      }),
      { numRuns: 20 },
    );
  });
});

describe('what does not fit', () => {
  it('keeps every chance, and is no longer than the time itself', () => {
    const bound = fc.double({ min: 0, max: 30, noNaN: true });
    fc.assert(
      fc.property(bound, bound, bound, bound, (a, b, c, free) => {
        const [least = 0, usual = 0, most = 0] = [a, b, c].sort((x, y) => x - y);
        const time = stepTime({ least, usual, most }, 0.06);
        const over = overrun(time, free);
        const [{ chances, first } = { chances: new Float64Array(), first: -1 }] = mixed(over).paces;
        expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 9);
        expect(over.shift + first / 10).toBeGreaterThanOrEqual(-1e-9);
        expect(meanMinutes(over)).toBeLessThanOrEqual(meanMinutes(time) + 1e-9);
        expect(meanMinutes(over)).toBeGreaterThanOrEqual(meanMinutes(time) - free - 0.06);
      }),
    );
  });
});
