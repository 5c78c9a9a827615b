import Joi from 'joi';
import type { Edition } from '@bienestar/core/house/edition';
import type { HouseArchive } from '@bienestar/core/house/archive';
import type { JournalEntry } from '@bienestar/core/house/journal';
import { listOf, shape } from './common';
import { lot, movement, pricePoint } from './ledger';
import { settings } from './settings';
import { demand, material, mix, supplier } from './shelf';
import { block, deviceOfHouse, edition, protocol } from './protocol';
import { journalEntry } from './journal';
import { booking, countRound, order, soldCourse, treatment } from './restock';
import { scenario } from './scenario';
import { menu, offer } from './sold';
import { person, room, service } from './work';

export const HOUSE_FILE_FORMAT = 'bienestar-house';
export const HOUSE_FILE_VERSION = 5;

/** A House as a file: the plain value, with its memory, its format and version in front. */
export interface HouseFile extends HouseArchive {
  readonly format: typeof HOUSE_FILE_FORMAT;
  readonly formatVersion: typeof HOUSE_FILE_VERSION;
}

const MOST_OF_A_KIND = 20_000;
const MOST_PRICES = 200_000;
const MOST_CHANGES = 200_000;
const MOST_BOOKINGS = 100_000;
const MOST_LOTS = 200_000;
const MOST_MOVEMENTS = 1_000_000;
const listBy = (item: Joi.Schema, unique: string): Joi.ArraySchema =>
  listOf(item, MOST_OF_A_KIND).unique(unique);

export const houseFile: Joi.ObjectSchema<HouseFile> = shape<HouseFile>({
  format: Joi.valid(HOUSE_FILE_FORMAT).required(),
  formatVersion: Joi.valid(HOUSE_FILE_VERSION).required(),
  settings,
  rooms: listBy(room, 'id'),
  people: listBy(person, 'id'),
  suppliers: listBy(supplier, 'id'),
  materials: listBy(material, 'id'),
  mixes: listBy(mix, 'id'),
  devices: listBy(deviceOfHouse, 'id'),
  blocks: listBy(block, 'id'),
  protocols: listBy(protocol, 'id'),
  editions: listOf(edition, MOST_OF_A_KIND).unique(
    (a: Edition, b: Edition) => a.protocolId === b.protocolId && a.number === b.number,
  ),
  services: listBy(service, 'id'),
  demand: listBy(demand, 'serviceId'),
  offers: listBy(offer, 'id'),
  menus: listBy(menu, 'id'),
  scenarios: listBy(scenario, 'id'),
  bookings: listOf(booking, MOST_BOOKINGS).unique('id'),
  treatments: listOf(treatment, MOST_LOTS).unique('id'),
  soldCourses: listBy(soldCourse, 'id'),
  orders: listBy(order, 'id'),
  counts: listBy(countRound, 'id'),
  prices: listOf(pricePoint, MOST_PRICES),
  lots: listOf(lot, MOST_LOTS),
  movements: listOf(movement, MOST_MOVEMENTS),
  journal: listOf(journalEntry, MOST_CHANGES).unique(
    (a: JournalEntry, b: JournalEntry) => a.on === b.on && a.part === b.part && a.id === b.id,
  ),
}).id('house');
