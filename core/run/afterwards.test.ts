import { expect, it } from 'vitest';
import { asId, type MaterialId, type RunId } from '../house/ids';
import type { Around } from '../house/around';
import type { MaterialStock } from '../house/stock';
import { cleanser, stockOf } from '../testing/sample';
import { endsOn, nextVisit } from './afterwards';
import { openToAsk } from './openToAsk';
import { entriesOfRun, withSold } from './used';

const ZONE = 'Atlantic/Canary';
const LATE = '2026-11-28T23:30:00Z';

it('says until which day something holds, by the clocks of the house', () => {
  expect(endsOn({ amount: 2, upTo: 3, unit: 'days' }, LATE, ZONE)).toEqual({
    from: '2026-11-30',
    until: '2026-12-01',
  });
  expect(endsOn({ amount: 1, unit: 'hours' }, LATE, ZONE).from).toBe('2026-11-29');
  expect(endsOn({ amount: 1, unit: 'hours' }, LATE, 'America/Lima').from).toBe('2026-11-28');
  expect(endsOn({ amount: 6, unit: 'weeks' }, LATE, ZONE).until).toBe('2027-01-09');
});

it('says when to come again by the spacing, and nothing where there is none', () => {
  const around: Around = {
    before: [],
    avoid: [],
    expect: [],
    call: [],
    spacing: { leastDays: 9, mostDays: 14, thenEveryDays: 42 },
  };
  expect(nextVisit(around, LATE, ZONE)).toEqual({
    from: '2026-12-07',
    until: '2026-12-12',
    maintenanceOn: '2027-01-09',
  });
  const { spacing: _, ...unspaced } = around;
  expect(nextVisit(unspaced, LATE, ZONE)).toBeUndefined();
  expect(nextVisit(undefined, LATE, ZONE)).toBeUndefined();
});

it('takes what was sold off the shelf as whole containers, besides what was used of it', () => {
  const [gel, acid] = [asId<MaterialId>('gel'), asId<MaterialId>('acid')];
  const used = [{ materialId: gel, quantity: 3, planned: 3 }];
  const sold = [
    { materialId: gel, quantity: 2 },
    { materialId: acid, quantity: 1 },
  ];
  const content = cleanser().packs[0]?.content ?? 0;
  const materials = [cleanser({ id: gel }), cleanser({ id: acid })];
  expect(withSold(used, sold, materials)).toEqual([
    { materialId: gel, quantity: 3 + 2 * content, planned: 3 },
    { materialId: acid, quantity: content, planned: 0 },
  ]);
  expect(withSold(used, [], materials)).toEqual(used);
});

it('asks which container it was only where several are open and have as much', () => {
  const gel = asId<MaterialId>('gel');
  const stock = (...remaining: readonly number[]): MaterialStock => ({
    materialId: gel,
    lots: [
      {
        ...(stockOf(gel, 1).lots[0] as MaterialStock['lots'][number]),
        open: remaining.map((left, at) => ({
          id: asId(`c${at}`),
          openedAt: '2026-11-01T10:00:00Z',
          remaining: left,
        })),
      },
    ],
  });
  const used = [{ materialId: gel, quantity: 5, planned: 5 }];
  const asked = (of: MaterialStock) =>
    openToAsk(used, [of])
      .get(gel)
      ?.map((each) => each.containerId);
  expect(asked(stock(40, 6))).toEqual(['c0', 'c1']);
  expect(asked(stock(40, 3))).toBeUndefined();
  expect(asked(stock(40))).toBeUndefined();
  const said = openToAsk(used, [stock(40, 6)]).get(gel)?.[1];
  const [entry] = entriesOfRun(
    asId<RunId>('r'),
    used,
    () => true,
    LATE,
    'Facial',
    new Map(said ? [[gel, said]] : []),
  );
  expect(entry).toMatchObject({ containerId: 'c1', quantity: 5 });
  expect(entry).not.toHaveProperty('remaining');
});
