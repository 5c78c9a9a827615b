import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { Change, House, Scenario } from '../house/house';
import { asId, type ChangeId, type ScenarioId, type ServiceId } from '../house/ids';
import { isStep } from '../house/protocol';
import {
  bought,
  house as sampleHouse,
  measured,
  minutes,
  mix,
  problemOf,
  protocol,
  sachet,
  service,
  step,
  valueOf,
} from '../testing/sample';
import { adoptionOf, adoptsNothing, closedFor } from './adoption';
import { applyChange } from './applyChange';
import { listChanges } from './listChanges';
import { applyScenario, compareScenarios } from './compareScenarios';

const serviceId = asId<ServiceId>('facial');
const worked = protocol([
  step('Talk', minutes(5), { id: asId('talk'), phase: 'consult' }),
  step('Cleanse', minutes(10), {
    id: asId('cleanse'),
    doses: [
      {
        id: asId('d'),
        source: { kind: 'material', materialId: asId('sachet') },
        amount: { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } },
        opening: 'fresh',
      },
    ],
  }),
]);
const house: House = sampleHouse({
  materials: [
    sachet(),
    sachet({
      id: asId('tub'),
      name: 'Powder in a tub',
      ...bought({ content: 60, priceMinor: 900 }),
    }),
  ],
  protocols: [worked],
  services: [
    service({ id: serviceId, protocolId: worked.id, pricing: { by: 'own', ownMinor: 2500 } }),
  ],
  demand: [{ serviceId, visitsPerWeek: 4 }],
});
let counted = 0;
const change = <C extends Omit<Change, 'id'>>(of: C): Change =>
  ({ id: asId<ChangeId>(`c${(counted += 1)}`), ...of }) as unknown as Change;
const scenario = (...changes: readonly Change[]): Scenario => ({
  id: asId<ScenarioId>('s'),
  name: 'What if',
  changes,
});
const compared = (...changes: readonly Change[]) => {
  const [one] = compareScenarios(house, [scenario(...changes)], createCalculator());
  if (!one) throw new Error('nothing was compared');
  return one;
};
const facial = (...changes: readonly Change[]) => {
  const [one] = compared(...changes).services;
  if (!one?.today || !one.then) throw new Error('the facial could not be counted');
  return { ...one, today: one.today, then: one.then };
};

describe('what if', () => {
  it('leaves the house as it is', () => {
    const before = JSON.stringify(house);
    const all = compared(
      change({ kind: 'pay', byShare: 0.04 }),
      change({ kind: 'setting', setting: 'vat', to: 0.21 }),
      change({ kind: 'minutes', phase: 'consult', byMinutes: 10 }),
    );
    expect(JSON.stringify(house)).toBe(before);
    expect(all.tried.house).not.toEqual(house);
  });

  it('raises wages by a share: hands cost as much more (C3)', () => {
    const { today, then } = facial(change({ kind: 'pay', byShare: 0.04 }));
    /* 15 attended minutes x 37.094017 x 4 % */
    expect(then.fullCost - today.fullCost).toBeCloseTo(15 * 37.094017 * 0.04, 3);
    expect(then.gross).toBe(today.gross);
    expect(then.margin).toBeLessThan(today.margin);
  });

  it('raises one person only, also one who is paid by a grade', () => {
    const graded: House = {
      ...house,
      settings: {
        ...house.settings,
        grades: [{ name: 'senior', hourlyPayMinor: 2000, onCost: 0.3 }],
      },
      people: house.people.map((each) => ({ ...each, grade: 'senior' })),
    };
    const raised = valueOf(
      applyChange(graded, change({ kind: 'pay', personId: asId('ione'), byShare: 0.1 })),
    );
    expect(raised.people).toEqual([
      { id: 'ione', name: 'Ione', role: 'therapist', hourlyPayMinor: 2200, onCost: 0.3 },
    ]);
    const all = valueOf(applyChange(graded, change({ kind: 'pay', byShare: 0.1 })));
    expect(all.settings.grades?.[0]?.hourlyPayMinor).toBe(2200);
  });

  it('takes a supplier’s whole list up, a pack, or another pack', () => {
    const dearer = facial(
      change({ kind: 'supplier', supplierId: asId('northquay'), byShare: 0.5 }),
    );
    expect(dearer.then.fullCost - dearer.today.fullCost).toBeCloseTo(90, 6);
    const pack = { materialId: asId<never>('sachet'), packId: asId<never>('pack') };
    const cheaper = facial(change({ kind: 'pack-price', ...pack, priceMinor: 100 }));
    expect(cheaper.then.fullCost - cheaper.today.fullCost).toBeCloseTo(-80, 6);
    expect(
      valueOf(applyChange(house, change({ kind: 'pack', ...pack }))).materials[0],
    ).toMatchObject({
      preferredPackId: 'pack',
    });
  });

  it('draws bulk instead of a kit', () => {
    const swap = change({
      kind: 'swap',
      from: asId('sachet'),
      to: asId('tub'),
      amount: measured(5, 'g'),
    });
    const { today, then } = facial(swap);
    /* the tub is a single dose too, opened whole: 900 instead of 180 */
    expect(then.fullCost - today.fullCost).toBeCloseTo(720, 6);
  });

  it('draws bulk in the recipe of a mix, too', () => {
    const paste = mix({
      parts: [
        {
          source: { kind: 'material', materialId: asId('sachet') },
          amount: { how: 'packs', quantity: { low: 1, usual: 1, high: 1 } },
        },
      ],
    });
    const swap = change({
      kind: 'swap',
      from: asId('sachet'),
      to: asId('tub'),
      amount: measured(5, 'g'),
    });
    const swapped = valueOf(applyChange({ ...house, mixes: [paste] }, swap));
    expect(swapped.mixes[0]?.parts[0]).toMatchObject({
      source: { materialId: 'tub' },
      amount: measured(5, 'g'),
    });
    const elsewhere = valueOf(
      applyChange({ ...house, mixes: [paste] }, { ...swap, protocolId: worked.id } as Change),
    );
    expect(elsewhere.mixes[0]).toBe(paste);
  });

  it('takes longer over a phase, and never less than no time', () => {
    const { today, then } = facial(change({ kind: 'minutes', phase: 'consult', byMinutes: 10 }));
    expect(then.slotMinutes - today.slotMinutes).toBe(10);
    const shorter = valueOf(
      applyChange(house, change({ kind: 'minutes', phase: 'consult', byMinutes: -60 })),
    );
    const [talk] = shorter.protocols[0]?.steps ?? [];
    expect(talk && isStep(talk) && talk.minutes).toEqual({ least: 0, usual: 0, most: 0 });
  });

  it('counts the week of the house, and what falls', () => {
    const one = compared(change({ kind: 'price', serviceId, grossMinor: 600 }));
    expect(one.today.turnover).toBe(10_000);
    expect(one.then.turnover).toBe(2400);
    expect([one.fallBelowFloor, one.fallUnderTarget]).toEqual([1, 1]);
    const busy = compared(change({ kind: 'visits', serviceId, visitsPerWeek: 8 }));
    expect(busy.then.turnover).toBe(20_000);
    expect(busy.then.roomHours).toBeCloseTo(busy.today.roomHours * 2, 9);
  });

  it('says which price would keep the margin', () => {
    const { today, then, toHold } = facial(change({ kind: 'pay', byShare: 0.2 }));
    expect(then.margin).toBeLessThan(today.margin);
    const held = facial(
      change({ kind: 'pay', byShare: 0.2 }),
      change({ kind: 'price', serviceId, grossMinor: toHold ?? 0 }),
    );
    expect(held.then.margin).toBeGreaterThanOrEqual(today.margin - 1e-9);
  });

  it('has nothing to hold where the margin stays as it is', () => {
    const { today, then, toHold } = facial(change({ kind: 'visits', serviceId, visitsPerWeek: 8 }));
    expect(then.margin).toBeCloseTo(today.margin, 12);
    expect(toHold).toBeUndefined();
  });

  it('goes on without what was deleted meanwhile, and says so', () => {
    const lost = change({ kind: 'price', serviceId: asId('sold-no-more'), grossMinor: 1 });
    const { tried, then } = compared(lost, change({ kind: 'pay', byShare: 0.04 }));
    expect(tried.gone.map(({ change: each }) => each)).toEqual([lost]);
    expect(tried.gone[0]?.problems[0]?.message).toBe('The service is no longer in the house.');
    expect(then.contribution).toBeLessThan(compared().then.contribution);
    for (const each of [
      change({ kind: 'pay', personId: asId('nobody'), byShare: 0 }),
      change({ kind: 'supplier', supplierId: asId('nobody'), byShare: 0 }),
      change({ kind: 'pack', materialId: asId('sachet'), packId: asId('none') }),
      change({ kind: 'pack-price', materialId: asId('none'), packId: asId('none'), priceMinor: 1 }),
      change({ kind: 'swap', from: asId('none'), to: asId('tub'), amount: measured(1, 'g') }),
      change({ kind: 'minutes', phase: 'mask', byMinutes: 1, protocolId: asId('none') }),
      change({ kind: 'edition', serviceId, edition: 9 }),
      change({ kind: 'visits', serviceId: asId('none'), visitsPerWeek: 1 }),
    ]) {
      expect(problemOf(applyChange(house, each)).code).toBe('scenario-gone');
    }
  });

  it('says what cannot be counted then, and what it is today', () => {
    const [one] = compared(change({ kind: 'setting', setting: 'occupancy', to: 0 })).services;
    expect([one?.today !== undefined, one?.then]).toEqual([true, undefined]);
    const wrong = change({ kind: 'setting', setting: 'vat', to: Number.NaN });
    expect(problemOf(applyChange(house, wrong)).code).toBe('setting-invalid');
  });

  it('comes out as if the house had been so from the start', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.double({ min: 0.01, max: 0.5, noNaN: true }),
        fc.integer({ min: 0, max: 20 }),
        (byShare, vat, byMinutes) => {
          const changes = [
            change({ kind: 'pay', byShare }),
            change({ kind: 'setting', setting: 'vat', to: vat }),
            change({ kind: 'minutes', phase: 'consult', byMinutes }),
          ];
          const calculate = createCalculator();
          calculate(house);
          const { house: tried } = applyScenario(house, { changes });
          expect(calculate(tried)).toEqual(createCalculator()(tried));
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('a supplier’s list as a scenario', () => {
  it('is every pack that asks for other money, and comes out as the list says', () => {
    const after = house.materials.map((material) =>
      material.kind !== 'linen' && material.id === 'sachet'
        ? {
            ...material,
            packs: material.packs.map((pack) => ({ ...pack, priceMinor: 222, discount: 0.1 })),
          }
        : material,
    );
    const changes = listChanges(house.materials, after, () => asId<ChangeId>('one'));
    expect(changes).toEqual([
      {
        id: 'one',
        kind: 'pack-price',
        materialId: 'sachet',
        packId: 'pack',
        priceMinor: 222,
        discount: 0.1,
      },
    ]);
    expect(applyScenario(house, { changes }).house.materials).toEqual(after);
  });
});

describe('adopting', () => {
  it('writes what differs, and nothing else', () => {
    const adoption = adoptionOf(house, [
      change({ kind: 'pay', byShare: 0.04 }),
      change({ kind: 'minutes', phase: 'consult', byMinutes: 5 }),
    ]);
    expect(adoption.people.map(({ hourlyPayMinor }) => hourlyPayMinor)).toEqual([1456]);
    expect(adoption.protocols.map(({ id }) => id)).toEqual([worked.id]);
    expect([adoption.materials, adoption.services, adoption.settings]).toEqual([[], [], undefined]);
    expect(adoptsNothing(adoption)).toBe(false);
    expect(adoptsNothing(adoptionOf(house, []))).toBe(true);
  });

  it('closes a scenario for what was adopted, and keeps it', () => {
    const [pay, charge] = [
      change({ kind: 'pay', byShare: 0.04 }),
      change({ kind: 'charge', to: 'slot' }),
    ];
    const scenario = { id: asId<ScenarioId>('s'), name: 'Next year', changes: [pay, charge] };
    const once = closedFor(scenario, [pay], '2026-11-27');
    expect([once.changes, once.adopted]).toEqual([
      [charge],
      [{ on: '2026-11-27', changes: [pay] }],
    ]);
    const twice = closedFor(once, [charge], '2026-12-01');
    expect([twice.changes, twice.adopted?.map(({ on }) => on)]).toEqual([
      [],
      ['2026-11-27', '2026-12-01'],
    ]);
  });

  it('leaves editions as they were published, and says which protocols to publish', () => {
    const edition = {
      protocolId: worked.id,
      number: 1,
      publishedAt: '2026-01-01T00:00:00Z',
      note: '',
      protocol: worked,
      mixes: [],
    };
    const published: House = {
      ...house,
      editions: [edition],
      services: house.services.map((each) => ({ ...each, edition: 1 })),
    };
    const longer = change({ kind: 'minutes', phase: 'consult', byMinutes: 5 });
    const { toPublish } = adoptionOf(published, [longer]);
    expect(toPublish.map(({ id }) => id)).toEqual([worked.id]);
    const then = applyScenario(published, { changes: [longer] }).house;
    expect(then.editions[0]?.protocol).not.toBe(worked);
    const back = valueOf(applyChange(published, change({ kind: 'edition', serviceId })));
    expect(back.services[0]).not.toHaveProperty('edition');
  });
});
