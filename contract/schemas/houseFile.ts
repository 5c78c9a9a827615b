import Joi from 'joi';
import type { HouseArchive } from '@bienestar/core/house/archive';
import { HOUSE_LISTS, type HouseList } from '../houseParts';
import { shape } from './common';
import { settings } from './settings';

export const HOUSE_FILE_FORMAT = 'bienestar-house';
export const HOUSE_FILE_VERSION = 10;

/** A House as a file: the plain value, with its memory, its format and version in front. */
export interface HouseFile extends HouseArchive {
  readonly format: typeof HOUSE_FILE_FORMAT;
  readonly formatVersion: typeof HOUSE_FILE_VERSION;
}

export const houseFile: Joi.ObjectSchema<HouseFile> = shape<HouseFile>({
  format: Joi.valid(HOUSE_FILE_FORMAT).required(),
  formatVersion: Joi.valid(HOUSE_FILE_VERSION).required(),
  settings,
  ...(Object.fromEntries(
    Object.entries(HOUSE_LISTS).map(([list, { item }]) => [
      list,
      Joi.array().items(item.optional()).required(),
    ]),
  ) as Record<HouseList, Joi.ArraySchema>),
}).id('house');
