import { describe, expect, it } from 'vitest';
import { thingsCost } from '../cost/serviceCost';
import { scheduleOf } from '../time/schedule';
import { leftOfKit } from '../dose/leftOfKit';
import type { KitMaterial, Step } from '../house/house';
import { asId } from '../house/ids';
import { exactly } from '../quantity/triple';
import { ok } from '../problem/problem';
import { trayOf } from '../room/tray';
import {
  cleanser,
  dose,
  measured,
  minutes,
  mix,
  problemOf,
  protocol,
  settings,
  shelf,
  step,
  valueOf,
} from '../testing/sample';
import { consumptionByMaterial } from './consumption';
import { drawsOf } from './drawsOf';
import { kitsTaken } from './kitsTaken';

const { packs, preferredPackId } = cleanser();
const box: KitMaterial = {
  id: asId('box'),
  name: 'Box',
  kind: 'kit',
  unit: 'piece',
  measures: {},
  packs,
  preferredPackId,
  parts: [
    { id: asId('powder'), name: 'Powder', amount: 6, unit: 'g', measures: { density: 0.5 } },
    { id: asId('sheets'), name: 'Sheets', amount: 2, unit: 'piece', measures: {} },
  ],
  leftOver: 'lost',
};
const of = (
  part: string | undefined,
  amount: Step['doses'][number]['amount'],
  id = part ?? 'all',
) =>
  dose(box.id, amount, {
    id: asId(id),
    source: {
      kind: 'material',
      materialId: box.id,
      ...(part !== undefined && { part: asId<never>(part) }),
    },
  });
const paste = mix({
  id: asId('paste'),
  basis: 'g',
  bowlLoss: 0,
  parts: [
    {
      source: { kind: 'material', materialId: box.id, part: asId('powder') },
      amount: { how: 'packs', quantity: exactly(1) },
    },
  ],
});
const onShelf = shelf([box, cleanser()], [paste]);
const visit = (steps: readonly Step[]) => protocol(steps);
const drawn = (...doses: Step['doses']) =>
  valueOf(drawsOf(visit([step('a', minutes(5), { doses })]), 'first', onShelf, settings));
const boxes = (draws: ReturnType<typeof drawn>): number =>
  consumptionByMaterial(draws).get(box.id)?.usual ?? 0;

describe('what a visit takes of a kit (D6)', () => {
  it('is one box for all its parts, in the measure of each', () => {
    const draws = drawn(
      of('powder', measured(4, 'ml')),
      of('sheets', { how: 'measured', quantity: exactly(1), unit: 'piece' }),
    );
    expect(boxes(draws)).toBe(1);
    expect(draws.map(({ resolved }) => resolved.drawn.usual)).toEqual([2, 1]);
    const taken = kitsTaken(draws).get(box.id);
    expect(taken && leftOfKit(box, taken).map(({ left }) => left)).toEqual([4, 1]);
  });

  it('costs as many boxes as are opened, wherever they are', () => {
    const unit = new Map([[box.id, ok(900)]]);
    const cost = valueOf(
      thingsCost(
        drawn(of('powder', measured(6, 'g')), of('powder', measured(1, 'g'), 'more')),
        onShelf.materials,
        unit,
      ),
    );
    expect(cost.product.usual).toBe(1_800);
  });

  it('is a box too where the whole is given, and what is mixed of it opens one', () => {
    expect(
      boxes(drawn(of(undefined, { how: 'measured', quantity: exactly(2), unit: 'piece' }))),
    ).toBe(2);
    const mixed = drawn(
      dose(box.id, measured(6, 'g'), { id: asId('m'), source: { kind: 'mix', mixId: paste.id } }),
      of('sheets', { how: 'packs', quantity: exactly(0.5) }),
    );
    expect(boxes(mixed)).toBe(1);
    expect(mixed.map(({ part }) => part)).toEqual(['powder', 'sheets']);
  });

  it('stands on the tray once, with what is used of it', () => {
    const work = visit([
      step('a', minutes(5), { doses: [of('powder', measured(3, 'g'))] }),
      step('b', minutes(5), { doses: [of('powder', measured(2, 'g'), 'second')] }),
    ]);
    const tray = valueOf(
      trayOf(
        [
          {
            name: 'A',
            protocol: work,
            schedule: valueOf(scheduleOf(work, 'first', settings)),
            draws: valueOf(drawsOf(work, 'first', onShelf, settings)),
          },
        ],
        onShelf,
        settings,
      ),
    );
    expect(tray.items).toMatchObject([
      {
        kind: 'thing',
        materialId: 'box',
        boxes: 1,
        uses: [{ part: 'powder' }, { part: 'powder' }],
      },
    ]);
  });

  it('says where a part is no longer in the box', () => {
    const gone = drawsOf(
      visit([step('a', minutes(5), { doses: [of('serum', measured(1, 'g'))] })]),
      'first',
      onShelf,
      settings,
    );
    expect(problemOf(gone)).toMatchObject({ code: 'kit-part-unknown' });
  });
});
