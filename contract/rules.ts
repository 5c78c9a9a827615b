import type Joi from 'joi';
import type { AggregateName, Aggregates } from './api';
import type { Fault } from './check';
import {
  faultsWithinWriting,
  referencesOfDevice,
  referencesOfMaterial,
  referencesOfMenu,
  referencesOfMix,
  referencesOfOffer,
  referencesOfOrder,
  referencesOfService,
  referencesOfSoldCourse,
  referencesOfWriting,
  type Reference,
} from './references';
import { settings } from './schemas/settings';
import { stockEntry } from './schemas/ledger';
import { demand, material, mix, supplier } from './schemas/shelf';
import { deviceOfHouse } from './schemas/device';
import { block, protocol, publishing } from './schemas/protocol';
import {
  booking,
  countedLine,
  countRound,
  order,
  placedVisit,
  receiving,
  soldCourse,
  treatment,
} from './schemas/restock';
import { logbookCorrection, logbookVisit } from './schemas/logbook';
import { run, runEvent } from './schemas/run';
import { scenario } from './schemas/scenario';
import { menu, offer } from './schemas/sold';
import { person, room, service } from './schemas/work';

/** How an aggregate is checked. */
export interface AggregateRules<T> {
  readonly schema: Joi.Schema<T>;
  /** the word for one, in messages */
  readonly noun: string;
  readonly references: (value: T) => readonly Reference[];
  readonly faults?: (value: T) => readonly Fault[];
}

const none = (): readonly Reference[] => [];

export const AGGREGATES: { readonly [K in AggregateName]: AggregateRules<Aggregates[K]> } = {
  rooms: { schema: room, noun: 'room', references: none },
  people: { schema: person, noun: 'person', references: none },
  suppliers: { schema: supplier, noun: 'supplier', references: none },
  materials: { schema: material, noun: 'material', references: referencesOfMaterial },
  mixes: { schema: mix, noun: 'mix', references: referencesOfMix },
  devices: { schema: deviceOfHouse, noun: 'device', references: referencesOfDevice },
  blocks: {
    schema: block,
    noun: 'block',
    references: referencesOfWriting,
    faults: faultsWithinWriting,
  },
  protocols: {
    schema: protocol,
    noun: 'protocol',
    references: referencesOfWriting,
    faults: faultsWithinWriting,
  },
  services: { schema: service, noun: 'service', references: referencesOfService },
  offers: { schema: offer, noun: 'offer', references: referencesOfOffer },
  menus: { schema: menu, noun: 'menu', references: referencesOfMenu },
  /* What a scenario changes may be gone: then it says so, and goes on with the rest. */
  scenarios: { schema: scenario, noun: 'scenario', references: none },
  soldCourses: { schema: soldCourse, noun: 'sold course', references: referencesOfSoldCourse },
  orders: { schema: order, noun: 'order', references: referencesOfOrder },
  /* A visit whose service or room is gone stays to be seen, and says so. */
  placed: { schema: placedVisit, noun: 'visit', references: none },
  /* What was counted stays true of what is no longer there. */
  counts: { schema: countRound, noun: 'count', references: none },
};

export const AGGREGATE_NAMES = Object.keys(AGGREGATES) as readonly AggregateName[];

export const SCHEMAS = {
  settings,
  demand,
  stockEntry,
  publishing,
  receiving,
  treatment,
  run,
  runEvent,
  logbookVisit,
  logbookCorrection,
  booking,
  countedLine,
} as const;
