import Joi from 'joi';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { checkAgainst, pointerTo, type Checked, type Fault } from './check';
import {
  HOUSE_LISTS,
  HOUSE_LIST_NAMES,
  isGrowing,
  type HeldHouse,
  type HouseList,
} from './houseParts';
import { danglingIn, faultsWithinWriting } from './references';
import { plainFaults } from './plainInput';
import { settings } from './schemas/settings';

const MOST_FAULTS = 50;

/** Checks a house part by part, as it is read: a list may come in runs of rows. */
export interface HouseChecker {
  readonly settings: (value: unknown) => void;
  /** rows of a list, those that come next; the rows as they are, or nothing when some have faults */
  readonly rows: <L extends HouseList>(
    list: L,
    rows: readonly unknown[],
  ) => HouseArchive[L] | undefined;
  /** something that no house has */
  readonly unknown: (key: string) => void;
  /** a list that is none */
  readonly noList: (list: HouseList) => void;
  /** true when so much is wrong that reading on tells nothing new */
  readonly isHopeless: () => boolean;
  /** what was held back of the house, without what grows, or every fault */
  readonly end: () => Checked<HeldHouse>;
}

type Rows = Record<string, unknown>[];
const itemsOf = new Map<HouseList, Joi.ArraySchema>();

/** Begins to check a house. */
export function createHouseChecker(): HouseChecker {
  const faults: Fault[] = [];
  const held: Partial<Record<HouseList | 'settings', unknown>> = {};
  const counts = new Map<HouseList, number>();
  const keys = new Map<HouseList, Set<string>>();
  const materialOfLot = new Map<string, string>();
  /** where the ledger, lots and prices point to a material first */
  const materialsAt = new Map<string, string>();
  /** movements of lots that were not there yet, by place */
  const early: { readonly at: number; readonly lotId: string; readonly materialId: string }[] = [];

  const note = (found: readonly Fault[]): void => {
    faults.push(...found.slice(0, Math.max(0, MOST_FAULTS - faults.length)));
  };
  const checkRows = (list: HouseList, rows: readonly unknown[], from: number): boolean => {
    const placed = (found: readonly Fault[]): Fault[] =>
      found.map((fault) => ({ ...fault, pointer: placedAt(list, from, fault.pointer) }));
    const plain = placed(plainFaults(rows));
    note(plain);
    if (plain.length > 0) return false;
    const checked = checkAgainst(listSchema(list), rows);
    if (checked.ok) return true;
    note(placed(checked.faults));
    return false;
  };

  return {
    settings: (value) => {
      const wrong = plainFaults(value);
      const checked =
        wrong.length > 0 ? { ok: false as const, faults: wrong } : checkAgainst(settings, value);
      if (!checked.ok)
        note(checked.faults.map((fault) => ({ ...fault, pointer: `/settings${fault.pointer}` })));
      held.settings = value;
    },
    rows: <L extends HouseList>(list: L, rows: readonly unknown[]) => {
      const from = counts.get(list) ?? 0;
      counts.set(list, from + rows.length);
      if (!checkRows(list, rows, from)) return undefined;
      const known = rows as HouseArchive[L];
      const before = faults.length;
      const { keyOf, twiceAt, twice = 'This is there twice.' } = HOUSE_LISTS[list];
      const seen = keys.get(list) ?? new Set<string>();
      keys.set(list, seen);
      for (const [at, row] of known.entries()) {
        const key = keyOf(row);
        if (seen.has(key)) {
          const pointer = pointerTo([list, from + at, ...(twiceAt === undefined ? [] : [twiceAt])]);
          note([{ pointer, code: 'array.unique', message: twice }]);
        }
        seen.add(key);
      }
      for (const [at, row] of known.entries()) {
        const pointed = POINTS_BACK[list]?.(row);
        if (!pointed || keys.get(pointed.to)?.has(pointed.id)) continue;
        const pointer = pointerTo([list, from + at, pointed.field]);
        note([unknownAt(pointer, `There is no ${pointed.noun} “${pointed.id}” before it.`)]);
      }
      if (list === 'lots') {
        for (const row of known as HouseArchive['lots']) materialOfLot.set(row.id, row.materialId);
      }
      if (list === 'lots' || list === 'prices') {
        for (const [at, { materialId }] of (known as HouseArchive['lots' | 'prices']).entries()) {
          if (!materialsAt.has(materialId))
            materialsAt.set(materialId, `/${list}/${from + at}/materialId`);
        }
      }
      if (list === 'movements') {
        for (const [at, { lotId, materialId }] of (known as HouseArchive['movements']).entries()) {
          if (materialOfLot.get(lotId) !== materialId)
            early.push({ at: from + at, lotId, materialId });
        }
      }
      if (!isGrowing(list)) {
        const all = (held[list] as Rows | undefined) ?? [];
        for (const row of known as unknown as Rows) all.push(row);
        held[list] = all;
      }
      return faults.length > before ? undefined : known;
    },
    unknown: (key) => {
      note([
        { pointer: pointerTo([key]), code: 'object.unknown', message: 'This is not known here.' },
      ]);
    },
    noList: (list) => {
      counts.set(list, counts.get(list) ?? 0);
      note([{ pointer: `/${list}`, code: 'array.base', message: 'This must be a list.' }]);
    },
    isHopeless: () => faults.length >= MOST_FAULTS,
    end: () => {
      for (const name of ['settings', ...HOUSE_LIST_NAMES] as const) {
        const isThere = name === 'settings' ? held.settings !== undefined : counts.has(name);
        if (!isThere)
          note([{ pointer: `/${name}`, code: 'any.required', message: 'This is needed.' }]);
        else if (name !== 'settings' && !isGrowing(name)) held[name] ??= [];
      }
      /* What points to things that could not be read would only repeat that. */
      if (faults.length > 0) return { ok: false, faults };
      const house = held as unknown as HeldHouse;
      note(danglingIn(house));
      const materials = new Set<string>(house.materials.map(({ id }) => id));
      for (const [id, pointer] of materialsAt) {
        if (!materials.has(id))
          note([unknownAt(pointer, `There is no material “${id}” in the house.`)]);
      }
      if (faults.length === 0) {
        for (const { at, lotId, materialId } of early) {
          const of = materialOfLot.get(lotId);
          if (of === materialId) continue;
          note([
            unknownAt(
              `/movements/${at}/lotId`,
              of === undefined
                ? `There is no lot “${lotId}” in the house.`
                : 'This lot is of another material.',
            ),
          ]);
        }
      }
      for (const list of ['blocks', 'protocols'] as const) {
        for (const [at, writing] of house[list].entries()) {
          note(
            faultsWithinWriting(writing).map((fault) => ({
              ...fault,
              pointer: `/${list}/${at}${fault.pointer}`,
            })),
          );
        }
      }
      return faults.length > 0 ? { ok: false, faults } : { ok: true, value: house };
    },
  };
}

interface PointsBack {
  readonly to: HouseList;
  readonly field: string;
  readonly noun: string;
  readonly id: string;
}

/** Records that belong to one that stands before them in the file. */
const POINTS_BACK: {
  readonly [L in HouseList]?: (row: HouseArchive[L][number]) => PointsBack;
} = {
  runEvents: ({ runId: id }) => ({ to: 'runs', field: 'runId', noun: 'run', id }),
  logbook: ({ planId: id }) => ({ to: 'logbookPlans', field: 'planId', noun: 'plan', id }),
};

function listSchema(list: HouseList): Joi.ArraySchema {
  const known = itemsOf.get(list);
  if (known) return known;
  const made = Joi.array().items(HOUSE_LISTS[list].item.optional()).required();
  itemsOf.set(list, made);
  return made;
}

/** The place of a fault within a run of rows, as a place in the whole list. */
function placedAt(list: HouseList, from: number, pointer: string): string {
  const [, row = '0', rest = ''] = /^\/(\d+)(.*)$/s.exec(pointer) ?? [];
  return `/${list}/${from + Number(row)}${rest}`;
}

function unknownAt(pointer: string, message: string): Fault {
  return { pointer, code: 'reference.unknown', message };
}
