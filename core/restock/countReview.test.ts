import { describe, expect, it } from 'vitest';
import { createCalculator } from '../figures/createCalculator';
import type { CountRound, House } from '../house/house';
import { asId, type MaterialId } from '../house/ids';
import { NO_VISITS } from '../house/visitLog';
import type { UseEntry } from '../stock/entries';
import type { LotOnHand } from '../house/stock';
import {
  bought,
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  sachet,
  service,
  step,
  stockOf,
} from '../testing/sample';
import {
  betweenCounts,
  countReview,
  materialsOfRound,
  placesOnShelf,
  type CountHistory,
} from './countReview';
import type { CountReason } from './countFinding';
import { drawFromShelf, toEnter, usesOfTreatment } from './performed';
import { createRestocker } from './restocker';

const oil = cleanser({
  id: asId('oil'),
  name: 'Oil',
  keptAt: 'Trolley',
  ...bought({ content: 1000, priceMinor: 4000, residual: 0.05 }),
});
const pads = cleanser({
  id: asId('milk'),
  name: 'Milk',
  ...bought({ content: 500, priceMinor: 1000 }),
});
const of: House = house({
  materials: [oil, pads, sachet()],
  protocols: [
    protocol([
      step('massage', minutes(20), {
        doses: [
          dose(oil.id, measured(20, 'ml')),
          dose(pads.id, measured(5, 'ml')),
          dose(sachet().id, measured(6, 'g')),
        ],
      }),
    ]),
  ],
  services: [service()],
  demand: [{ serviceId: service().id, visitsPerWeek: 10 }],
});
const figures = createCalculator()(of);
const restock = createRestocker()(of, figures, new Date('2026-11-25T12:00:00Z'));

type Count = readonly [material: MaterialId, at: string, difference: number];

function reviewed(counts: readonly Count[], gone: readonly Gone[], last: readonly MaterialId[]) {
  const history: CountHistory = {
    counts: counts.map(([materialId, at, difference], which) => ({
      entryId: asId(`e${which}`),
      materialId,
      at: `${at}T18:00:00Z`,
      difference,
      takenBack: false,
    })),
    gone: gone.flatMap(({ day, ...each }) => {
      const until = counts.find(([id, at]) => id === each.materialId && at >= day)?.[1];
      return until === undefined ? [] : [{ ...each, until: `${until}T18:00:00Z` }];
    }),
  };
  const round: CountRound = {
    id: asId('round'),
    name: 'Trolley',
    startedOn: '2026-11-20',
    blind: true,
    lines: history.counts
      .filter(({ materialId, at }) => last.includes(materialId) && at.startsWith('2026-11-20'))
      .map(({ entryId, materialId, at }) => ({
        materialId,
        at,
        entryId,
        found: 100,
        by: 'pieces',
      })),
  };
  return countReview(round, history, of, restock);
}

/** What went on a day, and is told with the count after it. */
type Gone = Omit<CountHistory['gone'][number], 'until'> & { readonly day: string };

const used = (materialId: MaterialId, day: string, quantity: number): Gone => ({
  materialId,
  day,
  kind: 'use',
  quantity,
  entries: 1,
});

function reasons(
  material: MaterialId,
  difference: number,
  gone: readonly Gone[] = [],
): CountReason['kind'][] {
  const [finding] = reviewed([[material, '2026-11-20', difference]], gone, [material]).findings;
  return finding?.reasons.map(({ kind }) => kind) ?? [];
}

describe('what a count finds', () => {
  it('is found against expected, with its worth and its share of what was used', () => {
    const review = reviewed(
      [[oil.id, '2026-11-20', -50]],
      [used(oil.id, '2026-11-10', 1000)],
      [oil.id],
    );
    expect(review.findings[0]).toMatchObject({
      found: 100,
      expected: 150,
      difference: -50,
      used: 1000,
      shareOfUse: -0.05,
    });
    expect(review.missingMinor).toBeCloseTo(50 * (4000 / 950), 6);
  });

  it('counts what was used since the count before, and tells how it went', () => {
    const gone = [used(oil.id, '2026-09-10', 500), used(oil.id, '2026-11-10', 1000)];
    const counts: Count[] = [
      [oil.id, '2026-10-01', -20],
      [oil.id, '2026-11-20', -60],
    ];
    const [finding] = reviewed(counts, gone, [oil.id]).findings;
    expect(finding?.used).toBe(1000);
    expect(finding?.trend).toEqual([{ at: '2026-10-01T18:00:00Z', difference: -20, share: -0.04 }]);
    expect(finding?.reasons[0]).toEqual({ kind: 'over-dosing', share: 0.06 });
  });

  it('looks at what went between one count and the next, and from the beginning to the first of all', () => {
    const count = (at: string, takenBack = false) => ({
      entryId: asId<CountHistory['counts'][number]['entryId']>(at),
      materialId: oil.id,
      at,
      difference: 0,
      takenBack,
    });
    const [first, wrong, last] = [
      '2026-10-01T09:00:00Z',
      '2026-10-15T09:00:00Z',
      '2026-11-01T09:00:00Z',
    ] as const;
    const counts = [count(first), count(wrong, true), count(last)];
    const line = {
      materialId: oil.id,
      at: last,
      entryId: asId<CountRound['lines'][number]['entryId']>(last),
      found: 1,
      by: 'pieces' as const,
    };
    const between = { materialId: oil.id, after: first, until: last };
    expect(betweenCounts([line], counts, 4)).toEqual([
      { materialId: oil.id, until: first },
      between,
    ]);
    expect(betweenCounts([line], counts, 3)).toEqual([between]);
  });

  it('has likely reasons: over-dosing, what stays in containers, a container that is gone', () => {
    const lots = [used(oil.id, '2026-11-10', 1000)];
    expect(reasons(oil.id, -60, lots)).toContain('over-dosing');
    const opened = { ...used(oil.id, '2026-11-10', 3000), kind: 'opening', entries: 2 } as const;
    expect(reasons(oil.id, -100, [...lots, opened])).toContain('residual');
    expect(reasons(oil.id, -1000)).toContain('waste');
    expect(reasons(oil.id, 1000)).toEqual(['delivery']);
    expect(reasons(oil.id, 60, lots)).toEqual(['under-dosing']);
    expect(reasons(oil.id, -3, lots)).toEqual([]);
    expect(reasons(sachet().id, 1)).toEqual(['unknown']);
  });

  it('sees visits that nobody entered: several materials short by as many', () => {
    const counts: Count[] = [
      [oil.id, '2026-11-20', -60],
      [pads.id, '2026-11-20', -15],
    ];
    const { findings } = reviewed(counts, [], [oil.id, pads.id]);
    for (const finding of findings) {
      expect(finding.reasons[0]).toEqual({ kind: 'unlogged', serviceId: service().id, visits: 3 });
    }
    expect(reasons(sachet().id, -12)[0]).toBe('unlogged');
  });

  it('goes along a place', () => {
    expect(placesOnShelf(of)).toEqual([{ place: 'Trolley', materials: 1 }]);
    expect(materialsOfRound({ place: 'Trolley' }, of)).toEqual([oil]);
    expect(materialsOfRound({}, of)).toHaveLength(3);
  });
});

describe('a performed treatment', () => {
  const at = '2026-11-25T10:00:00Z';

  it('uses what a visit takes', () => {
    let made = 0;
    const uses = usesOfTreatment({ serviceId: service().id, at }, of, figures, () =>
      asId(`u${(made += 1)}`),
    );
    expect(uses.map(({ materialId, quantity }) => [materialId, quantity])).toEqual([
      ['oil', 20],
      ['milk', 5],
      ['sachet', 6],
    ]);
  });

  it('draws what is there, tells what is missing, and nothing that was counted since', () => {
    const use: UseEntry = { kind: 'use', id: asId('u'), materialId: oil.id, quantity: 20 };
    const [lot] = stockOf(oil.id, 1000, 1000).lots as [LotOnHand];
    const stock = (sealed: number) => ({ lots: [{ ...lot, sealed }] });
    expect(drawFromShelf(use, at, stock(100), undefined)).toMatchObject({
      entry: { quantity: 20, at },
      missing: 0,
    });
    expect(drawFromShelf(use, at, stock(5), undefined)).toMatchObject({
      entry: { quantity: 5 },
      missing: 15,
    });
    expect(drawFromShelf(use, at, stock(0), undefined)).toEqual({ missing: 20, counted: false });
    expect(drawFromShelf(use, at, stock(100), '2026-11-25T11:00:00Z')).toEqual({
      missing: 0,
      counted: true,
    });
  });

  it('waits to be entered once its visit is over', () => {
    const booking = {
      id: asId<House['bookings'][number]['id']>('b'),
      title: 'Massage',
      at,
      minutes: 60,
    };
    const names = new Map([['massage', service().id]]);
    const waiting = (now: string, entered: House['log']['entered'] = []) =>
      toEnter(
        { bookings: [booking], placed: [], services: [], log: { ...NO_VISITS, entered } },
        names,
        new Date(now),
      ).length;
    expect(waiting('2026-11-25T10:59:00Z')).toBe(0);
    expect(waiting('2026-11-25T11:00:00Z')).toBe(1);
    expect(waiting('2026-11-25T11:00:00Z', [booking.id])).toBe(0);
  });
});
