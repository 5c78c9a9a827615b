import type { Sequelize } from 'sequelize';
import type { Mix, MixPart } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { childrenIn, storeOf, type Store } from '../aggregates/store';
import { drawnBy } from '../aggregates/users';
import {
  amountColumns,
  amountOf,
  sourceColumns,
  sourceOf,
  type AmountColumns,
  type SourceColumns,
} from '../db/amountColumns';
import { orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface MixRow extends Kept {
  readonly id: string;
  readonly name: string;
  readonly basis: Mix['basis'];
  readonly density: number | null;
  readonly bowlLoss: number;
}

interface MixPartRow extends AmountColumns, SourceColumns {
  readonly mixOfId: string;
  readonly position: number;
}

/** Mixes with their parts in the database. */
export function mixStore(sequelize: Sequelize): Store<Mix> {
  return storeOf<Mix, MixRow>({
    table: table(sequelize, 'mixes'),
    key: 'id',
    keyOf: (mix) => mix.id,
    toRow: ({ id, name, basis, density, bowlLoss }) => ({
      id,
      name,
      basis,
      density: orNull(density),
      bowlLoss,
    }),
    fromRow: ({ id, name, basis, density, bowlLoss }, [parts]) => ({
      id: asId(id),
      name,
      basis,
      ...present({ density }),
      bowlLoss,
      parts: ((parts ?? []) as MixPartRow[]).map((row) => ({
        source: sourceOf(row),
        amount: amountOf(row) as MixPart['amount'],
      })),
    }),
    children: [
      childrenIn<Mix, MixPartRow>(table(sequelize, 'mix_parts'), 'mixOfId', ['position'], (mix) =>
        mix.parts.map((part, position) => ({
          mixOfId: mix.id,
          position,
          ...amountColumns(part.amount),
          ...sourceColumns(part.source),
        })),
      ),
    ],
    usedBy: drawnBy(sequelize, 'mix_id'),
  });
}
