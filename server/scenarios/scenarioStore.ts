import type { Sequelize } from 'sequelize';
import type { Scenario } from '@bienestar/core/house/house';
import { documentStore } from '../aggregates/documentStore';
import type { Store } from '../aggregates/store';
import { usedByNothing } from '../aggregates/users';

/** Scenarios in the database; they hold nothing fast. */
export function scenarioStore(sequelize: Sequelize): Store<Scenario> {
  return documentStore(sequelize, 'scenarios', 'byScenarioId', () => [], usedByNothing);
}
