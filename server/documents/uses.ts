import { QueryTypes } from 'sequelize';
import type { Use } from '@bienestar/contract/problems';
import type { Reference, ReferredKind } from '@bienestar/contract/references';
import type { Session } from '../db/transactions';

/* The table `uses` says what uses what, with a foreign key on either side of it. */

/** Who may use something: its column, its table and the word for it. */
const USERS = {
  byMaterialId: ['by_material_id', 'materials', 'material'],
  byMixId: ['by_mix_id', 'mixes', 'mix'],
  byDeviceId: ['by_device_id', 'devices', 'device'],
  byBlockId: ['by_block_id', 'blocks', 'block'],
  byProtocolId: ['by_protocol_id', 'protocols', 'protocol'],
  byServiceId: ['by_service_id', 'services', 'service'],
  byOfferId: ['by_offer_id', 'offers', 'offer'],
  byMenuId: ['by_menu_id', 'menus', 'menu'],
  bySoldCourseId: ['by_sold_course_id', 'sold_courses', 'sold course'],
  byOrderId: ['by_order_id', 'orders', 'order'],
} as const;

/** The column that says by what something is used. */
export type UserColumn = keyof typeof USERS;

/** The columns of what is used, by the kind of thing. */
const USED = {
  material: 'materialId',
  mix: 'mixId',
  device: 'deviceId',
  block: 'blockId',
  protocol: 'protocolId',
  person: 'personId',
  service: 'serviceId',
  offer: 'offerId',
  supplier: 'supplierId',
} as const satisfies Record<Exclude<ReferredKind, 'edition'>, string>;

/** What a thing holds on to: other things, or entries of the ledger. */
export type Held = Reference | { readonly kind: 'entry'; readonly id: string };

/** What something uses, as rows of `uses` without who uses it. */
export function usesRows(references: readonly Held[]): Record<string, string | number>[] {
  const rows = new Map<string, Record<string, string | number>>();
  for (const { kind, id } of references) {
    if (kind === 'edition') {
      const [editionOf = '', number] = id.split('#');
      rows.set(`${kind}/${id}`, { editionOf, editionNumber: Number(number) });
    } else rows.set(`${kind}/${id}`, { [kind === 'entry' ? 'entryId' : USED[kind]]: id });
  }
  return [...rows.values()];
}

/** What uses a thing of that kind, by `uses`. */
export function usersOf(
  { sequelize, transaction }: Session,
  kind: keyof typeof USED,
): (id: string) => Promise<Use[]> {
  const used = `${kind}_id`;
  const queries = Object.values(USERS).map(
    ([by, table, word], at) =>
      `SELECT ${at} AS place, '${word}' AS kind, o.id, o.name, o.ordinal FROM ${table} o
         JOIN uses u ON u.${by} = o.id WHERE u.${used} = :id`,
  );
  const editions = `SELECT ${queries.length} AS place, 'published edition' AS kind, p.id,
      CONCAT(p.name, ', edition ', u.by_edition_number) AS name, u.by_edition_number AS ordinal
    FROM protocols p JOIN uses u ON u.by_edition_of = p.id WHERE u.${used} = :id`;
  const sql = `SELECT DISTINCT kind, id, name FROM (${[...queries, editions].join(' UNION ALL ')}) used
    ORDER BY place, ordinal`;
  return (id) =>
    sequelize.query<Use>(sql, { type: QueryTypes.SELECT, replacements: { id }, transaction });
}
