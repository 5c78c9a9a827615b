import type { HouseFigures, MaterialFigures } from '@bienestar/core/figures/houseFigures';
import type { House, Material, MaterialKind, Mix } from '@bienestar/core/house/house';
import { chosenPack } from '@bienestar/core/house/packs';
import type { RestockFigures } from '@bienestar/core/restock/restocker';
import type { Restocking } from '@bienestar/core/restock/restocking';
import type { ShelfState } from '@bienestar/core/stock/shelfLife';
import { WARNING_WORDS } from './careWords';
import { KIND_WORDS, KINDS, measureWords, packWords } from './materialWords';
import type { PlaceOfUse } from './placesOfUse';
import { matcherOf, plainText } from '../../format/search';

/** A material as a line of the shelf. */
export interface ShelfRow {
  readonly material: Material;
  readonly figures: MaterialFigures | undefined;
  /** nothing for linen, or where it cannot be counted */
  readonly restocking: Restocking | undefined;
  /** nothing for linen */
  readonly state: ShelfState | undefined;
  readonly supplier: string;
  readonly pack: string;
  readonly measures: string;
  readonly usedIn: number;
  /** all that it is found by, made plain */
  readonly plain: string;
}

/** What is shown of the shelf. */
export interface ShelfView {
  readonly query: string;
  readonly show: Show;
  readonly kind: MaterialKind | 'all';
  /** of the preferred pack */
  readonly supplierId: string;
}

export const SHOW_WORDS = {
  all: 'everything',
  order: 'to order',
  soon: 'expires soon',
  over: 'over',
  open: 'open now',
  care: 'with cautions',
  archived: 'archived',
} as const;
export type Show = keyof typeof SHOW_WORDS;

/** The lines of the shelf, in the order of the house. */
export function shelfRows(
  house: House,
  figures: HouseFigures,
  restock: RestockFigures,
  states: ReadonlyMap<Material['id'], ShelfState>,
  uses: ReadonlyMap<string, readonly PlaceOfUse[]>,
): ShelfRow[] {
  const nameOf = new Map<string, string>(house.suppliers.map(({ id, name }) => [id, name]));
  return house.materials.map((material): ShelfRow => {
    const packs = material.kind === 'linen' ? [] : material.packs;
    const state = states.get(material.id);
    const care = material.care;
    const ordering = restock.materials.get(material.id);
    const found = [
      material.name,
      KIND_WORDS[material.kind].one,
      ...packs.flatMap((pack) => [pack.code ?? '', nameOf.get(pack.supplierId) ?? '']),
      ...(state?.lots.map(({ lot }) => lot.code) ?? []),
      ...(care?.allergens ?? []),
      ...(care?.warnings ?? []).map((warning) => WARNING_WORDS[warning]),
    ];
    return {
      material,
      figures: figures.materials.get(material.id),
      restocking: ordering?.ok ? ordering.value : undefined,
      state,
      supplier:
        material.kind === 'linen' ? '' : (nameOf.get(chosenPack(material).supplierId) ?? ''),
      pack: packWords(material, house.settings.currency),
      measures: measureWords(material),
      usedIn: uses.get(material.id)?.length ?? 0,
      plain: plainText(found.join(' ')),
    };
  });
}

/** The lines that are asked for. */
export function filterRows(rows: readonly ShelfRow[], view: ShelfView): ShelfRow[] {
  const matches = matcherOf(view.query);
  return rows.filter(({ material, state, restocking, plain }) => {
    const archived = material.archivedOn !== undefined;
    if (archived !== (view.show === 'archived')) return false;
    if (view.kind !== 'all' && material.kind !== view.kind) return false;
    if (
      view.supplierId !== 'all' &&
      (material.kind === 'linen' || chosenPack(material).supplierId !== view.supplierId)
    ) {
      return false;
    }
    return shows(view.show, material, state, restocking) && matches(plain);
  });
}

function shows(
  show: Show,
  material: Material,
  state: ShelfState | undefined,
  restocking: Restocking | undefined,
): boolean {
  switch (show) {
    case 'all':
    case 'archived':
      return true;
    case 'order':
      return restocking?.cover.shouldOrder ?? false;
    case 'soon':
      return (state?.expiringSoon ?? 0) > 0;
    case 'over':
      return (state?.over ?? 0) > 0;
    case 'open':
      return (state?.open.length ?? 0) > 0;
    case 'care':
      return (material.care?.warnings ?? material.care?.stopFor) !== undefined;
  }
}

/** One line of the list as it is drawn. */
export type ListItem =
  | { readonly is: 'group'; readonly title: string; readonly count: number }
  | { readonly is: 'row'; readonly row: ShelfRow }
  | { readonly is: 'mix'; readonly mix: Mix };

export type GroupBy = 'kind' | 'supplier' | 'none';

/** Lines under the titles of their groups; sorting within a group is kept. */
export function groupRows(rows: readonly ShelfRow[], by: GroupBy): ListItem[] {
  const asItem = (row: ShelfRow): ListItem => ({ is: 'row', row });
  if (by === 'none') return rows.map(asItem);
  const groups = new Map<string, ShelfRow[]>();
  if (by === 'kind') for (const kind of KINDS) groups.set(KIND_WORDS[kind].many, []);
  for (const row of rows) {
    const title = by === 'kind' ? KIND_WORDS[row.material.kind].many : row.supplier || 'Laundry';
    const group = groups.get(title);
    if (group) group.push(row);
    else groups.set(title, [row]);
  }
  return [...groups].flatMap(([title, of]): ListItem[] =>
    of.length === 0 ? [] : [{ is: 'group', title, count: of.length }, ...of.map(asItem)],
  );
}
