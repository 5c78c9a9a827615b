import { QueryTypes } from 'sequelize';
import type { AggregateName, Aggregates, Lines, Versioned } from '@bienestar/contract/api';
import type { Use } from '@bienestar/contract/problems';
import { AGGREGATES, SCHEMAS } from '@bienestar/contract/rules';
import type { Order } from '@bienestar/core/house/house';
import type { EntryId } from '@bienestar/core/house/ids';
import { SETTINGS_ID } from '@bienestar/core/house/journal';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { receivedPacks } from '@bienestar/core/restock/orderProgress';
import type { AuditTrail } from '../audit/auditTrail';
import type { Session } from '../db/transactions';
import {
  documentRepository,
  type DocumentKind,
  type Repository,
} from '../documents/documentRepository';
import { usersOf } from '../documents/uses';

/** The repositories of the aggregates, by name. */
export type AggregateRepositories = { readonly [K in AggregateName]: Repository<Aggregates[K]> };

/** Reads and writes the house settings, of which there is one. */
export interface SettingsRepository {
  readonly find: () => Promise<Versioned<HouseSettings> | undefined>;
  /** false when another version is there */
  readonly replace: (settings: HouseSettings, version: number) => Promise<boolean>;
  /** puts the settings into a database that has none */
  readonly load: (settings: HouseSettings, version: number) => Promise<void>;
}

/**
 * What of a House is kept as documents. A new kind of thing is a line here, its rules in the contract, and a
 * migration that makes its table and its columns in `uses`.
 */
export function documentRepositories(
  session: Session,
  audit: AuditTrail,
): AggregateRepositories & {
  readonly [K in keyof Lines]: Repository<Lines[K]>;
} & {
  readonly settings: SettingsRepository;
} {
  const kept = <N extends AggregateName>(
    name: N,
    kind: Pick<DocumentKind<Aggregates[N]>, 'table' | 'user' | 'usedBy' | 'columns'> &
      Partial<Pick<DocumentKind<Aggregates[N]>, 'references'>>,
  ): Repository<Aggregates[N]> =>
    documentRepository<Aggregates[N]>(session, audit, {
      part: name,
      schema: AGGREGATES[name].schema,
      idOf: ({ id }) => id,
      nameOf: ({ name: called }) => called,
      references: AGGREGATES[name].references,
      ...kind,
    });
  const by = (kind: Parameters<typeof usersOf>[1]) => usersOf(session, kind);
  const all =
    (...found: readonly ((id: string) => Promise<Use[]>)[]) =>
    async (id: string): Promise<Use[]> =>
      (await Promise.all(found.map((find) => find(id)))).flat();
  const orders: Repository<Order> = kept('orders', {
    table: 'orders',
    user: 'byOrderId',
    columns: ({ state }) => ({ isOpen: state !== 'closed' && state !== 'cancelled' }),
    references: (order) => [
      ...AGGREGATES.orders.references(order),
      ...receiptsOf(order).map((id) => ({ kind: 'entry', id }) as const),
    ],
    usedBy: async (id) => {
      const order = await orders.find(id);
      const came = order?.lines.some((line) => receivedPacks(line) > 0) ?? false;
      return order && came ? [{ kind: 'delivery', id, name: `what came of ${order.name}` }] : [];
    },
  });
  const settings = documentRepository<HouseSettings>(session, audit, {
    table: 'settings',
    part: 'settings',
    schema: SCHEMAS.settings,
    idOf: () => SETTINGS_ID,
    nameOf: ({ name }) => name,
  });
  return {
    settings: {
      find: () => settings.find(SETTINGS_ID),
      replace: settings.replace,
      load: (value, version) => settings.load([value], version),
    },
    rooms: kept('rooms', { table: 'rooms' }),
    people: kept('people', { table: 'people', usedBy: by('person') }),
    suppliers: kept('suppliers', { table: 'suppliers', usedBy: by('supplier') }),
    materials: kept('materials', {
      table: 'materials',
      user: 'byMaterialId',
      usedBy: all(by('material'), inLedger(session)),
    }),
    mixes: kept('mixes', { table: 'mixes', user: 'byMixId', usedBy: by('mix') }),
    devices: kept('devices', { table: 'devices', user: 'byDeviceId', usedBy: by('device') }),
    blocks: kept('blocks', { table: 'blocks', user: 'byBlockId', usedBy: by('block') }),
    protocols: kept('protocols', {
      table: 'protocols',
      user: 'byProtocolId',
      usedBy: all(by('protocol'), published(session)),
    }),
    services: kept('services', { table: 'services', user: 'byServiceId', usedBy: by('service') }),
    demand: documentRepository<Lines['demand']>(session, audit, {
      table: 'demand',
      part: 'demand',
      schema: SCHEMAS.demand,
      idOf: ({ serviceId }) => serviceId,
      nameOf: () => '',
    }),
    offers: kept('offers', { table: 'offers', user: 'byOfferId', usedBy: by('offer') }),
    menus: kept('menus', { table: 'menus', user: 'byMenuId' }),
    scenarios: kept('scenarios', { table: 'scenarios' }),
    placed: kept('placed', {
      table: 'placed_visits',
      columns: ({ at }) => ({ beganOn: at.slice(0, 10) }),
    }),
    soldCourses: kept('soldCourses', {
      table: 'sold_courses',
      user: 'bySoldCourseId',
      columns: ({ soldOn }) => ({ beganOn: soldOn }),
    }),
    orders,
    counts: kept('counts', {
      table: 'counts',
      columns: ({ endedOn }) => ({ isOpen: endedOn === undefined }),
    }),
  };
}

/** The entries by which something came of an order. */
function receiptsOf({ lines }: Order): readonly EntryId[] {
  return lines.flatMap(({ received }) => received.map(({ entryId }) => entryId));
}

/** A material of which something was entered stays: the ledger is never rewritten. */
function inLedger({ sequelize, transaction }: Session): (id: string) => Promise<Use[]> {
  return (id) =>
    sequelize.query<Use>(
      `SELECT 'ledger' AS kind, m.id, CONCAT('entries of ', m.name) AS name FROM materials m
         WHERE m.id = :id AND EXISTS (SELECT 1 FROM movements v WHERE v.material_id = m.id)`,
      { type: QueryTypes.SELECT, replacements: { id }, transaction },
    );
}

/** A protocol that was published stays: what was performed and priced names its editions. */
function published({ sequelize, transaction }: Session): (id: string) => Promise<Use[]> {
  return (id) =>
    sequelize.query<Use>(
      `SELECT 'published edition' AS kind, protocol_id AS id, CONCAT('edition ', number) AS name
         FROM editions WHERE protocol_id = :id ORDER BY number`,
      { type: QueryTypes.SELECT, replacements: { id }, transaction },
    );
}
