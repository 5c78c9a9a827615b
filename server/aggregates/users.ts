import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import type { Use } from '@bienestar/contract/api';

type UsedBy = (id: string, tx: Transaction) => Promise<Use[]>;

/**
 * What uses a thing: one query a kind of user, each giving `id` and `name` for `:id`.
 * @param queries by the word for the user
 */
export function usersBy(sequelize: Sequelize, queries: Readonly<Record<string, string>>): UsedBy {
  return async (id, tx) => {
    const uses: Use[] = [];
    for (const [kind, sql] of Object.entries(queries)) {
      const rows = await sequelize.query<{ id: string; name: string }>(sql, {
        type: QueryTypes.SELECT,
        replacements: { id },
        transaction: tx,
      });
      uses.push(...rows.map((row) => ({ kind, ...row })));
    }
    return uses;
  };
}

/** The mixes, devices, blocks, protocols and published editions that use a thing. */
export function usersOf(
  sequelize: Sequelize,
  column: `${'material' | 'mix' | 'device' | 'block' | 'protocol' | 'person' | 'service' | 'offer'}_id`,
): UsedBy {
  const owners = {
    mix: 'mixes',
    device: 'devices',
    block: 'blocks',
    protocol: 'protocols',
    offer: 'offers',
    menu: 'menus',
    sold_course: 'sold_courses',
    order: 'orders',
  };
  return usersBy(sequelize, {
    ...Object.fromEntries(
      Object.entries(owners).map(([kind, table]) => [
        kind.replace('_', ' '),
        `SELECT o.id, o.name FROM ${table} o JOIN uses u ON u.by_${kind}_id = o.id WHERE u.${column} = :id ORDER BY o.ordinal`,
      ]),
    ),
    'published edition': `SELECT p.id, CONCAT(p.name, ', edition ', u.by_edition_number) AS name
       FROM protocols p JOIN uses u ON u.by_edition_of = p.id WHERE u.${column} = :id
       ORDER BY p.ordinal, u.by_edition_number`,
  });
}

/** For what nothing can point to, so that it may always be removed. */
export const usedByNothing: UsedBy = () => Promise.resolve([]);
