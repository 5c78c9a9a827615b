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

/** The protocols and mixes that draw from a material or a mix. */
export function drawnBy(sequelize: Sequelize, column: 'material_id' | 'mix_id'): UsedBy {
  return usersBy(sequelize, {
    protocol: `SELECT DISTINCT p.id, p.name FROM protocols p JOIN doses d ON d.protocol_id = p.id WHERE d.${column} = :id ORDER BY p.ordinal`,
    mix: `SELECT DISTINCT m.id, m.name FROM mixes m JOIN mix_parts q ON q.mix_of_id = m.id WHERE q.${column} = :id ORDER BY m.ordinal`,
  });
}

/** For what nothing can point to, so that it may always be removed. */
export const usedByNothing: UsedBy = () => Promise.resolve([]);
