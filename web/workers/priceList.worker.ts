import { expose } from 'comlink';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import type { House } from '@bienestar/core/house/house';
import type { SupplierId } from '@bienestar/core/house/ids';
import { applyList, type NewPlace } from '@bienestar/core/priceLists/applyList';
import { compareList, type ListChange } from '@bienestar/core/priceLists/compareList';
import type { ColumnMatch } from '@bienestar/core/priceLists/listColumns';
import { movedServices, type MovedService } from '@bienestar/core/figures/movedServices';
import { readList, type ListFault, type ListTerms } from '@bienestar/core/priceLists/readList';
import { readCells, type ListCells, type ListInput, type OnProgress } from './readCells';
import { toldFirst } from './toldFirst';

/** What a list would change. */
export interface Reviewed {
  readonly faults: readonly ListFault[];
  readonly changes: readonly ListChange[];
  readonly articles: number;
}

const calculate = createCalculator();
let house: House | undefined;

/** Reads lists and works out what they do, away from the page. */
const priceLists = {
  read: (input: ListInput, onProgress: OnProgress): Promise<ListCells> =>
    toldFirst(onProgress, (tell: OnProgress) => readCells(input, tell)),

  review(
    of: House,
    supplierId: SupplierId,
    cells: ListCells,
    match: ColumnMatch,
    terms: ListTerms,
  ): Reviewed {
    house = of;
    const { articles, faults } = readList(cells.rows, match, terms);
    return {
      faults: [...cells.faults, ...faults],
      changes: compareList(of, supplierId, articles),
      articles: articles.length,
    };
  },

  moved(
    supplierId: SupplierId,
    changes: readonly ListChange[],
    ticked: ReadonlySet<string>,
    places: ReadonlyMap<string, NewPlace>,
  ): MovedService[] {
    if (!house) return [];
    const changed = new Map(
      applyList(house, supplierId, changes, ticked, places).map((each) => [each.id, each]),
    );
    const after = {
      ...house,
      materials: house.materials.map((each) => changed.get(each.id) ?? each),
    };
    return movedServices(house, calculate(house), calculate(after));
  },
};

export type PriceListWorker = typeof priceLists;
expose(priceLists);
