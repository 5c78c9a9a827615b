import type { Sequelize } from 'sequelize';
import type { Person } from '@bienestar/core/house/house';
import { storeOf, type Store } from '../aggregates/store';
import { usersBy, usersOf } from '../aggregates/users';
import { orNull, present } from '../db/optional';
import { table, type Kept } from '../db/tables';

interface PersonRow extends Kept, Pick<Person, 'id' | 'name' | 'role' | 'hourlyPayMinor'> {
  readonly grade: string | null;
  readonly onCost: number | null;
}

/** People and their pay in the database. */
export function personStore(sequelize: Sequelize): Store<Person> {
  const performs = usersBy(sequelize, {
    service:
      'SELECT s.id, s.name FROM services s JOIN service_therapists t ON t.service_id = s.id WHERE t.person_id = :id ORDER BY s.ordinal',
  });
  const trained = usersOf(sequelize, 'person_id');
  return storeOf<Person, PersonRow>({
    table: table(sequelize, 'people'),
    key: 'id',
    keyOf: (person) => person.id,
    toRow: ({ id, name, role, hourlyPayMinor, grade, onCost }) => ({
      id,
      name,
      role,
      hourlyPayMinor,
      grade: orNull(grade),
      onCost: orNull(onCost),
    }),
    fromRow: ({ id, name, role, hourlyPayMinor, grade, onCost }) => ({
      id,
      name,
      role,
      hourlyPayMinor,
      ...present({ grade, onCost }),
    }),
    children: [],
    usedBy: async (id, tx) => [...(await performs(id, tx)), ...(await trained(id, tx))],
  });
}
