import type Joi from 'joi';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { editionKey } from '@bienestar/core/house/houseIndex';
import { lot, movement, pricePoint } from './schemas/ledger';
import { demand, material, mix, supplier } from './schemas/shelf';
import { deviceOfHouse } from './schemas/device';
import { block, edition, protocol } from './schemas/protocol';
import { journalEntry } from './schemas/journal';
import { booking, countRound, order, placedVisit, soldCourse, treatment } from './schemas/restock';
import { logbookEntry, logbookPlan } from './schemas/logbook';
import { run, runEvent } from './schemas/run';
import { scenario } from './schemas/scenario';
import { menu, offer } from './schemas/sold';
import { person, room, service } from './schemas/work';

/** The lists of a house, by name. */
export type HouseList = Exclude<keyof HouseArchive, 'settings'>;
type Row<L extends HouseList> = HouseArchive[L][number];

/** How the rows of a list are checked, and what tells two of them apart. */
export interface ListRules<T> {
  readonly item: Joi.Schema;
  readonly keyOf: (row: T) => string;
  /** the field at which a second row of the same key is told; the row itself unless given */
  readonly twiceAt?: string;
  readonly twice?: string;
}

const byId = (item: Joi.Schema): ListRules<{ readonly id: string }> => ({
  item,
  keyOf: ({ id }) => id,
});

/** The lists of a house in the order of the house file: what is pointed to stands before what points. */
export const HOUSE_LISTS: { readonly [L in HouseList]: ListRules<Row<L>> } = {
  rooms: byId(room),
  people: byId(person),
  suppliers: byId(supplier),
  materials: byId(material),
  mixes: byId(mix),
  devices: byId(deviceOfHouse),
  blocks: byId(block),
  protocols: byId(protocol),
  editions: {
    item: edition,
    keyOf: ({ protocolId, number }) => editionKey(protocolId, number),
  },
  services: byId(service),
  demand: { item: demand, keyOf: ({ serviceId }) => serviceId },
  offers: byId(offer),
  menus: byId(menu),
  scenarios: byId(scenario),
  bookings: byId(booking),
  placed: byId(placedVisit),
  treatments: byId(treatment),
  runs: byId(run),
  runEvents: byId(runEvent),
  logbookPlans: byId(logbookPlan),
  logbook: byId(logbookEntry),
  soldCourses: byId(soldCourse),
  orders: byId(order),
  counts: byId(countRound),
  prices: {
    item: pricePoint,
    keyOf: ({ materialId, packId, on }) => `${materialId}/${packId}/${on}`,
    twiceAt: 'on',
    twice: 'A pack has one price a day; this is the second.',
  },
  lots: byId(lot),
  movements: {
    item: movement,
    keyOf: ({ entryId, line }) => `${entryId}/${line}`,
    twiceAt: 'line',
    twice: 'This line of the ledger is there twice.',
  },
  journal: { item: journalEntry, keyOf: ({ on, part, id }) => `${on}/${part}/${id}` },
};

export const HOUSE_LIST_NAMES = Object.keys(HOUSE_LISTS) as readonly HouseList[];

/**
 * What grows with the years: these lists are read and written in runs of rows, all others are small
 * enough to be held whole.
 */
export const GROWING_LISTS = [
  'bookings',
  'treatments',
  'runs',
  'runEvents',
  'logbookPlans',
  'logbook',
  'prices',
  'lots',
  'movements',
  'journal',
] as const satisfies readonly HouseList[];
export type GrowingList = (typeof GROWING_LISTS)[number];

/** Whether a list grows with the years. */
export function isGrowing(list: HouseList): list is GrowingList {
  return (GROWING_LISTS as readonly HouseList[]).includes(list);
}

/** A house without what grows with the years. */
export type HeldHouse = Omit<HouseArchive, GrowingList>;
