import { nanoid } from '@reduxjs/toolkit';
import { proxy } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { minorPerMajor } from '@bienestar/contract/currency';
import type { House, Supplier } from '@bienestar/core/house/house';
import { asId, type MaterialId, type PackId } from '@bienestar/core/house/ids';
import type { NewPlace } from '@bienestar/core/priceLists/applyList';
import { keyOfChange, type ListChange } from '@bienestar/core/priceLists/compareList';
import { matchColumns, type ColumnMatch } from '@bienestar/core/priceLists/listColumns';
import type { DecimalMark } from '@bienestar/core/priceLists/listNumber';
import type { MovedService } from '@bienestar/core/figures/movedServices';
import { askWorker, type AskedWorker } from '../../workers/askWorker';
import type { PriceListWorker, Reviewed } from '../../workers/priceList.worker';
import type { ListCells, ListInput } from '../../workers/readCells';

/** A list in review: its cells, how they are understood, what it changes, what is ticked. */
export interface ListReview {
  readonly name: string;
  readonly cells: ListCells;
  readonly match: ColumnMatch;
  readonly decimalMark: DecimalMark | undefined;
  readonly reviewed: Reviewed;
  readonly ticked: ReadonlySet<string>;
  readonly places: ReadonlyMap<string, NewPlace>;
  readonly moved: readonly MovedService[];
  /** whether it is being read in another way: what it changes is then what it changed before */
  readonly isReadAnew: boolean;
}

/** Where the review of a list stands. */
export type ReviewState =
  | { readonly is: 'nothing' }
  | { readonly is: 'reading'; readonly name: string; readonly share: number }
  | { readonly is: 'failed'; readonly message: string }
  | { readonly is: 'review'; readonly of: ListReview };

/** Reads and reviews a supplier's list in a worker; reading can be cancelled at any time. */
export function useListReview(house: House, supplier: Supplier | undefined) {
  const [state, setState] = useState<ReviewState>({ is: 'nothing' });
  const running = useRef<AskedWorker<PriceListWorker>>(undefined);
  /** how often a list was looked through: what is answered to an earlier question is not shown */
  const asked = useRef(0);
  const stop = useCallback((): void => {
    running.current?.end();
    running.current = undefined;
  }, []);
  useEffect(() => stop, [stop]);
  const clear = useCallback((): void => {
    asked.current += 1;
    stop();
    setState({ is: 'nothing' });
  }, [stop]);

  const start = (): AskedWorker<PriceListWorker> => {
    running.current ??= askWorker<PriceListWorker>(
      new Worker(new URL('../../workers/priceList.worker.ts', import.meta.url), {
        type: 'module',
      }),
    );
    return running.current;
  };
  const fail = (message: string): void => {
    stop();
    setState({ is: 'failed', message });
  };

  const review = async (
    name: string,
    cells: ListCells,
    match: ColumnMatch,
    decimalMark: DecimalMark | undefined,
    before?: ListReview,
  ): Promise<void> => {
    if (!supplier) return;
    asked.current += 1;
    const turn = asked.current;
    /* Chosen at once, so that what is chosen next goes on from it. */
    if (before) setState({ is: 'review', of: { ...before, match, decimalMark, isReadAnew: true } });
    const { currency } = house.settings;
    const terms = { currency, minorPerMajor: minorPerMajor(currency), decimalMark };
    const { ask } = start();
    const reviewed = await ask((lists) => lists.review(house, supplier.id, cells, match, terms));
    /* Understood in another way, what was ticked, left out and placed by hand stays so. */
    const leftOut = new Set(
      before?.reviewed.changes
        .filter((change) => isTickedAtFirst(change) && !before.ticked.has(keyOfChange(change)))
        .map(keyOfChange),
    );
    const ticked = new Set(
      reviewed.changes.flatMap((change) => {
        const key = keyOfChange(change);
        const wasTicked = change.kind !== 'same' && before?.ticked.has(key) === true;
        return wasTicked || (isTickedAtFirst(change) && !leftOut.has(key)) ? [key] : [];
      }),
    );
    const listed = new Set(
      reviewed.changes.flatMap((change) => (change.kind === 'new' ? [change.article.code] : [])),
    );
    const places = new Map([...(before?.places ?? [])].filter(([code]) => listed.has(code)));
    const moved =
      reviewed.faults.length > 0
        ? []
        : await ask((lists) => lists.moved(supplier.id, reviewed.changes, ticked, places));
    if (turn !== asked.current) return;
    setState({
      is: 'review',
      of: { name, cells, match, decimalMark, reviewed, ticked, places, moved, isReadAnew: false },
    });
  };

  const read = async (input: ListInput): Promise<void> => {
    stop();
    const reading = start();
    setState({ is: 'reading', name: input.name, share: 0 });
    try {
      const onProgress = proxy((share: number) =>
        setState((now) => (now.is === 'reading' ? { ...now, share } : now)),
      );
      const cells = await reading.ask((lists) => lists.read(input, onProgress));
      if (running.current !== reading) return;
      const match = matchColumns(cells.rows[0] ?? [], supplier?.columns);
      await review(input.name, cells, match, undefined);
    } catch {
      fail(`${input.name} cannot be read.`);
    }
  };

  const retick = async (
    of: ListReview,
    ticked: ReadonlySet<string>,
    places: ReadonlyMap<string, NewPlace>,
  ): Promise<void> => {
    if (!supplier) return;
    setState({ is: 'review', of: { ...of, ticked, places } });
    const moved = await start()
      .ask((lists) => lists.moved(supplier.id, of.reviewed.changes, ticked, places))
      .catch(() => undefined);
    /* What it does to the menu is beside the point where only that cannot be had. */
    if (!moved) return;
    setState((now) =>
      now.is === 'review' && now.of.ticked === ticked && now.of.places === places
        ? { is: 'review', of: { ...now.of, moved } }
        : now,
    );
  };

  return {
    state,
    clear,
    fail,
    read,
    /** understands the same cells in another way */
    understand: (of: ListReview, match: ColumnMatch, decimalMark: DecimalMark | undefined) =>
      review(of.name, of.cells, match, decimalMark, of).catch(() =>
        fail(`${of.name} cannot be read.`),
      ),
    tick: (of: ListReview, keys: readonly string[], on: 'on' | 'off') => {
      const ticked = new Set(of.ticked);
      for (const key of keys) {
        if (on === 'on') ticked.add(key);
        else ticked.delete(key);
      }
      return retick(of, ticked, of.places);
    },
    /** says which material a new article is another pack of; none leaves it out */
    place: (of: ListReview, code: string, materialId: MaterialId | undefined) => {
      const places = new Map(of.places);
      const ticked = new Set(of.ticked);
      if (materialId === undefined) {
        places.delete(code);
        ticked.delete(`new/${code}`);
      } else {
        places.set(code, { materialId, packId: asId<PackId>(nanoid(12)) });
        ticked.add(`new/${code}`);
      }
      return retick(of, ticked, places);
    },
  };
}

/** Other terms of a pack are applied unless they are left out; a pack is taken away or added only when that is said. */
function isTickedAtFirst({ kind }: ListChange): boolean {
  return kind === 'dearer' || kind === 'cheaper' || kind === 'other-terms';
}
