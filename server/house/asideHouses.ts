import { QueryTypes, type Sequelize } from 'sequelize';
import type { SafeCopy } from '@bienestar/contract/api';
import { toSecond } from '@bienestar/core/days/instants';
import { connect, withDatabase } from '../db/connection';
import { migrations } from '../db/migrate';
import { VERSIONED_TABLES } from '../db/tables';
import { byItself, readingUnit } from '../work/unitOfWork';
import { ASIDE, ASIDE_SUFFIX, asideAt } from './asideName';
import { dropSchema, inTurn, putInPlace, schemasOf } from './stagingSchema';
import { versionAbove } from './wholeHouse';

/** Houses that are kept aside: one may go back and forth between two. */
const KEPT_ASIDE = 2;
const NAME = /^aside-([0-9a-z]{8})$/;

/** The houses that were put aside whole, with ledger, journal and audit trail, when another took their place. */
export interface AsideHouses {
  /** those that are kept, the newest first */
  readonly list: () => Promise<readonly SafeCopy[]>;
  /** lets go of all but the newest, and of what holds no house */
  readonly tidy: () => Promise<void>;
  /** puts one in the place of the house in use, which is put aside in turn; false when it is not there */
  readonly bringBack: (name: string) => Promise<boolean>;
}

/**
 * The houses that were put aside beside the one in use.
 * @param url where `live` connects to
 */
export function asideHouses(live: Sequelize, url: string): AsideHouses {
  const all = async () => (await schemasOf(live, ASIDE, ASIDE_SUFFIX)).toReversed();
  const holdsHouse = async (schema: string): Promise<boolean> => {
    const [found] = await live.query<{ readonly tables: number }>(
      "SELECT COUNT(*) AS tables FROM information_schema.tables WHERE table_schema = :schema AND table_name = 'settings'",
      { type: QueryTypes.SELECT, replacements: { schema } },
    );
    if ((found?.tables ?? 0) === 0) return false;
    const rows = await live.query(`SELECT 1 FROM \`${schema}\`.settings LIMIT 1`, {
      type: QueryTypes.SELECT,
    });
    return rows.length > 0;
  };
  const tidy = async (): Promise<void> => {
    let kept = 0;
    for (const { name } of await all()) {
      if (kept < KEPT_ASIDE && (await holdsHouse(name))) kept += 1;
      else await dropSchema(live, name);
    }
  };
  return {
    list: async () => {
      const found: SafeCopy[] = [];
      for (const { name, suffix } of await all()) {
        if (await holdsHouse(name)) {
          found.push({ name: `aside-${suffix}`, at: toSecond(asideAt(suffix)), why: 'aside' });
        }
      }
      return found;
    },
    tidy: () => inTurn(live, url, tidy),
    bringBack: async (name) => {
      const [, suffix] = NAME.exec(name) ?? [];
      const schema = (await all()).find((each) => each.suffix === suffix)?.name;
      if (schema === undefined) return false;
      const version = await readingUnit(live, byItself(), versionAbove);
      await inTurn(live, url, async () => {
        const aside = connect(withDatabase(url, schema), { connections: 1 });
        try {
          await migrations(aside).up();
          for (const table of VERSIONED_TABLES) {
            await aside.query(`UPDATE \`${table}\` SET version = :version`, {
              type: QueryTypes.UPDATE,
              replacements: { version },
            });
          }
        } finally {
          await aside.close();
        }
        await putInPlace(live, schema);
        await tidy();
      });
      return true;
    },
  };
}
