import { QueryTypes, type Sequelize } from 'sequelize';
import { TIME_ZONE_OF_VERSION_5 } from '@bienestar/contract/upgrade';

/** Where settings stand as a document: as they are, and as they were. */
const SETTINGS = [
  ['settings', 'body', 'TRUE'],
  ['audit', 'before_it', "part = 'settings' AND before_it IS NOT NULL"],
] as const;

/** The clocks by which a house's days go; until now they were those of the machine. */
export const timeZone = {
  name: '0011-time-zone',
  up: async ({ context }: { context: Sequelize }): Promise<void> => {
    for (const [table, column, which] of SETTINGS) {
      await context.query(
        `UPDATE ${table} SET ${column} = JSON_INSERT(${column}, '$.timeZone', :timeZone) WHERE ${which}`,
        { type: QueryTypes.RAW, replacements: { timeZone: TIME_ZONE_OF_VERSION_5 } },
      );
    }
  },
  down: async ({ context }: { context: Sequelize }): Promise<void> => {
    for (const [table, column, which] of SETTINGS) {
      await context.query(
        `UPDATE ${table} SET ${column} = JSON_REMOVE(${column}, '$.timeZone') WHERE ${which}`,
        { type: QueryTypes.RAW },
      );
    }
  },
};
