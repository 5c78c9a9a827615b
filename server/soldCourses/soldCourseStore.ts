import type { Sequelize } from 'sequelize';
import { referencesOfSoldCourse } from '@bienestar/contract/references';
import type { SoldCourse } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';

/** Courses that are paid for in the database. */
export function soldCourseStore(sequelize: Sequelize): Store<SoldCourse> {
  return documentStore(
    sequelize,
    'sold_courses',
    'bySoldCourseId',
    referencesOfSoldCourse,
    usedByNothing,
  );
}
