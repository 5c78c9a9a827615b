import type { Sequelize } from 'sequelize';
import type { Material } from '@bienestar/core/house/house';
import { childrenIn, storeOf, type Store } from '../aggregates/store';
import { usersOf, usersBy } from '../aggregates/users';
import { table } from '../db/tables';
import {
  coatRows,
  materialOf,
  materialRow,
  namedRows,
  packRows,
  type CoatRow,
  type MaterialRow,
  type NamedAmountRow,
  type PackRow,
} from './materialRows';

/** Materials with their packs and measures in the database. */
export function materialStore(sequelize: Sequelize): Store<Material> {
  const drawn = usersOf(sequelize, 'material_id');
  const counted = usersBy(sequelize, {
    ledger: `SELECT m.id, CONCAT('entries of ', m.name) AS name FROM materials m
       WHERE m.id = :id AND EXISTS (SELECT 1 FROM movements v WHERE v.material_id = m.id)`,
  });
  return storeOf<Material, MaterialRow>({
    table: table(sequelize, 'materials'),
    key: 'id',
    keyOf: (material) => material.id,
    toRow: materialRow,
    fromRow: (row, [packs, named, coats]) =>
      materialOf(row, packs as PackRow[], named as NamedAmountRow[], coats as CoatRow[]),
    children: [
      childrenIn<Material, PackRow>(
        table(sequelize, 'packs'),
        'materialId',
        ['position'],
        packRows,
      ),
      childrenIn<Material, NamedAmountRow>(
        table(sequelize, 'named_amounts'),
        'materialId',
        ['position'],
        namedRows,
      ),
      childrenIn<Material, CoatRow>(
        table(sequelize, 'coat_weights'),
        'materialId',
        ['position'],
        coatRows,
      ),
    ],
    usedBy: async (id, tx) => [...(await drawn(id, tx)), ...(await counted(id, tx))],
  });
}
