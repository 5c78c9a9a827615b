import { QueryTypes, type Sequelize } from 'sequelize';

const UP: readonly string[] = [
  'ALTER TABLE settings ADD target_per_room_hour_minor INT UNSIGNED',
  'ALTER TABLE services ADD pricing JSON',
];

/* Back to cost plus for everything. */
const DOWN: readonly string[] = [
  'ALTER TABLE settings DROP target_per_room_hour_minor',
  'ALTER TABLE services DROP pricing',
];

async function run(context: Sequelize, statements: readonly string[]): Promise<void> {
  for (const sql of statements) await context.query(sql, { type: QueryTypes.RAW });
}

/** How the price of a service is found, and what a room hour should bring. */
export const prices = {
  name: '0004-prices',
  up: ({ context }: { context: Sequelize }): Promise<void> => run(context, UP),
  down: ({ context }: { context: Sequelize }): Promise<void> => run(context, DOWN),
};
