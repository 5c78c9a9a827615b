import Joi from 'joi';
import type { House } from '@bienestar/core/house/house';
import { listOf, shape } from './common';
import { settings } from './settings';
import { demand, material, mix, stockOnHand, supplier } from './shelf';
import { person, protocol, room, service } from './work';

export const HOUSE_FILE_FORMAT = 'bienestar-house';
export const HOUSE_FILE_VERSION = 1;

/** A House as a file: the plain value with its format and version in front. */
export interface HouseFile extends House {
  readonly format: typeof HOUSE_FILE_FORMAT;
  readonly formatVersion: typeof HOUSE_FILE_VERSION;
}

const MOST_OF_A_KIND = 20_000;
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
  protocols: listBy(protocol, 'id'),
  services: listBy(service, 'id'),
  demand: listBy(demand, 'serviceId'),
  stock: listBy(stockOnHand, 'materialId'),
}).id('house');
