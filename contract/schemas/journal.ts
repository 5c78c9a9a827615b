import Joi from 'joi';
import type { JournalEntry, JournalPart } from '@bienestar/core/house/journal';
import { byKey, day, id, shape } from './common';
import { deviceOfHouse } from './device';
import { block, protocol } from './protocol';
import { settings } from './settings';
import { material, mix } from './shelf';
import { person, room, service } from './work';

interface Entry extends Omit<JournalEntry, 'before'> {
  readonly before: unknown;
}

const entry = (part: JournalPart, before: Joi.Schema): Joi.ObjectSchema =>
  shape<Entry>({ on: day, part: Joi.valid(part).required(), id, before: before.allow(null) });

/** Something as it was before it was changed on a day. */
export const journalEntry = byKey('part', {
  settings: entry('settings', settings),
  rooms: entry('rooms', room),
  people: entry('people', person),
  materials: entry('materials', material),
  mixes: entry('mixes', mix),
  devices: entry('devices', deviceOfHouse),
  blocks: entry('blocks', block),
  protocols: entry('protocols', protocol),
  services: entry('services', service),
});
