import { createRestocker } from '../core/restock/restocker';
import { createCalculator } from '../core/figures/createCalculator';
import type { House, Material } from '../core/house/house';
import { asId } from '../core/house/ids';
import { applyList } from '../core/priceLists/applyList';
import { compareList, keyOfChange } from '../core/priceLists/compareList';
import { matchColumns } from '../core/priceLists/listColumns';
import { movedServices } from '../core/figures/movedServices';
import { readList } from '../core/priceLists/readList';
import { bought, cleanser, house, stockOf } from '../core/testing/sample';
import { filterRows, groupRows, shelfRows, type ShelfView } from '../web/places/shelf/shelfRows';
import { placesOfUse } from '../web/places/shelf/placesOfUse';
import { shelfStates } from '../web/store/shelf';
import { readCells } from '../web/workers/readCells';
import { timed, type Row } from './benchTools';

const MATERIALS = 1_000;
const LIST_ROWS = 5_000;
const WORDS = ['milk', 'clay', 'oil', 'serum', 'toner', 'crème', 'polish', 'gel', 'balm', 'mask'];

function shelf(): House {
  const materials = Array.from({ length: MATERIALS }, (_, at): Material => {
    const [first, second] = [WORDS[at % 10] ?? '', WORDS[Math.floor(at / 10) % 10] ?? ''];
    return cleanser({
      id: asId(`m${at}`),
      name: `${first} ${second} no. ${at}`,
      ...bought({ code: `N-${at}`, content: 100 + at, priceMinor: 1000 + at, residual: 0.02 }),
    });
  });
  return house({
    materials,
    stock: materials.map(({ id }, at) => stockOf(id, at * 10, 100)),
  });
}

/** Finding on a shelf of 1 000 materials, and reviewing a price list of 5 000 rows. */
export async function benchShelf(large: House): Promise<readonly Row[]> {
  const calculate = createCalculator();
  const many = shelf();
  const now = new Date();
  const figures = calculate(many);
  const restock = createRestocker()(many, figures, now);
  const rows = shelfRows(
    many,
    figures,
    restock,
    shelfStates(many, { now, timeZone: many.settings.timeZone }),
    placesOfUse(many),
  );
  const everything: ShelfView = { query: '', show: 'all', kind: 'all', supplierId: 'all' };
  const find = timed((run) =>
    groupRows(filterRows(rows, { ...everything, query: `${WORDS[run % 10] ?? ''} creme` }), 'kind'),
  );
  const bareFind = timed((run) =>
    rows.filter(({ plain }) => plain.includes(WORDS[run % 10] ?? '')),
  );

  const csv = [
    'Article no.,Description,Content,Unit,Price',
    ...Array.from(
      { length: LIST_ROWS },
      (_, at) => `N-${at},Thing ${at},${100 + at},ml,${10 + at / 100}`,
    ),
  ].join('\n');
  const withCodes = {
    ...large,
    materials: large.materials.map((material, at) =>
      material.kind === 'linen'
        ? material
        : { ...material, packs: material.packs.map((pack) => ({ ...pack, code: `N-${at}` })) },
    ),
  };
  const supplierId = withCodes.suppliers[0]?.id ?? asId('northquay');
  const before = calculate(withCodes);
  const began = performance.now();
  const cells = await readCells({ is: 'text', name: 'list.csv', text: csv }, () => undefined);
  const match = matchColumns(cells.rows[0] ?? []);
  const { articles } = readList(cells.rows, match, { currency: 'EUR', minorPerMajor: 100 });
  const changes = compareList(withCodes, supplierId, articles);
  const all = new Set(changes.map(keyOfChange));
  const changed = new Map(
    applyList(withCodes, supplierId, changes, all, new Map()).map((each) => [each.id, each]),
  );
  const reviewed = performance.now();
  const after = {
    ...withCodes,
    materials: withCodes.materials.map((each) => changed.get(each.id) ?? each),
  };
  movedServices(withCodes, before, calculate(after));
  const moved = performance.now();
  const split = performance.now();
  csv.split('\n').map((line) => line.split(','));
  const bareSplit = performance.now() - split;
  return [
    [`find on a shelf of ${MATERIALS} materials`, find, 'aim: under 50 ms'],
    ['a bare look for one word in the same names', bareFind, 'for comparison'],
    [`read and compare a list of ${LIST_ROWS} rows`, reviewed - began, 'aim: under 2 000 ms'],
    ['and what it does to 300 services', moved - reviewed, 'in the same worker'],
    ['splitting the same rows at commas', bareSplit, 'for comparison'],
  ];
}
