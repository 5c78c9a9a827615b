import { expect, it } from 'vitest';
import { asId, type MaterialId } from '../house/ids';
import {
  cleanser,
  dose,
  house,
  measured,
  minutes,
  protocol,
  step,
  stockOf,
} from '../testing/sample';
import { standInsFor } from './standIns';

const [milk, foam, oil, gone, gel] = ['milk', 'foam', 'oil', 'gone', 'gel'].map((id) =>
  asId<MaterialId>(id),
) as [MaterialId, MaterialId, MaterialId, MaterialId, MaterialId];
const cleanse = (id: MaterialId) =>
  step('cleanse', minutes(3), { action: 'cleanse', doses: [dose(id, measured(3, 'ml'))] });
const spa = house({
  materials: [milk, foam, oil, gone, gel].map((id) => cleanser({ id, name: id })),
  protocols: [
    protocol([cleanse(milk), cleanse(gone), cleanse(foam)]),
    protocol([
      cleanse(foam),
      cleanse(gel),
      step('massage', minutes(3), { action: 'massage', doses: [dose(oil, measured(3, 'ml'))] }),
    ]),
  ],
  stock: [stockOf(foam, 2), stockOf(oil, 2), stockOf(gel, 1)],
});

it('names what is there and does the same work elsewhere, what does it most often in front', () => {
  expect(standInsFor(spa, milk).map(({ id }) => id)).toEqual([foam, gel]);
  expect(standInsFor(spa, oil)).toEqual([]);
  expect(standInsFor(spa, asId('nothing'))).toEqual([]);
});
