import type { Sequelize } from 'sequelize';
import type { Room } from '@bienestar/core/house/house';
import { storeOf, type Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';
import { table, type Kept } from '../db/tables';

type RoomRow = Kept & Room;

/** Rooms in the database. */
export function roomStore(sequelize: Sequelize): Store<Room> {
  return storeOf<Room, RoomRow>({
    table: table(sequelize, 'rooms'),
    key: 'id',
    keyOf: (room) => room.id,
    toRow: ({ id, name, kind }) => ({ id, name, kind }),
    fromRow: ({ id, name, kind }) => ({ id, name, kind }),
    children: [],
    usedBy: usedByNothing,
  });
}
