import type { Sequelize, Transaction } from 'sequelize';
import type { Booking } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';

interface BookingRow {
  readonly id: string;
  readonly at: Date | string;
  readonly minutes: number;
  readonly title: string;
}

/** The book: read whole, and put in the place of what was there. */
export interface BookingStore {
  readonly all: (tx: Transaction) => Promise<Booking[]>;
  readonly insert: (bookings: readonly Booking[], tx: Transaction) => Promise<void>;
  readonly replaceAll: (bookings: readonly Booking[], tx: Transaction) => Promise<void>;
}

/** The book in the database. */
export function bookingStore(sequelize: Sequelize): BookingStore {
  const bookings = table<BookingRow>(sequelize, 'bookings');
  return {
    all: async (tx) =>
      (await rowsOf<BookingRow>(bookings, ['at', 'id'], tx)).map(({ id, at, minutes, title }) => ({
        id: asId(id),
        title,
        at: `${new Date(at).toISOString().slice(0, 19)}Z`,
        minutes,
      })),
    insert: (all, tx) => writeRows(bookings, all, tx),
    replaceAll: async (all, tx) => {
      await bookings.destroy({ where: {}, transaction: tx });
      await writeRows(bookings, all, tx);
    },
  };
}
