import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { house } from './migrations/0001-house';
import { shelf } from './migrations/0002-shelf';
import { protocols } from './migrations/0003-protocols';
import { prices } from './migrations/0004-prices';
import { money } from './migrations/0005-money';
import { restock } from './migrations/0006-restock';
import { answers } from './migrations/0007-answers';
import { documents } from './migrations/0008-documents';
import { audit } from './migrations/0009-audit';
import { records } from './migrations/0010-records';
import { timeZone } from './migrations/0011-time-zone';
import { questions } from './migrations/0012-questions';
import { runs } from './migrations/0013-runs';
import { logbook } from './migrations/0014-logbook';
import { week } from './migrations/0015-week';

/** The migrations in order, forward and back. A migration that has landed never changes. */
export function migrations(sequelize: Sequelize): Umzug<Sequelize> {
  return new Umzug({
    migrations: [
      house,
      shelf,
      protocols,
      prices,
      money,
      restock,
      answers,
      documents,
      audit,
      records,
      timeZone,
      questions,
      runs,
      logbook,
      week,
    ],
    context: sequelize,
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}
