import { Op } from 'sequelize';
import type { AuditTrail } from '../audit/auditTrail';
import type { Booking } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';
import { toSecond } from '@bienestar/core/days/instants';

interface BookingRow {
  readonly id: string;
  readonly at: Date | string;
  readonly minutes: number;
  readonly title: string;
}

/** The book: read whole, and put in the place of what was there. */
export interface BookingRepository {
  readonly all: () => Promise<Booking[]>;
  /** from a moment on */
  readonly from: (moment: Date) => Promise<Booking[]>;
  /** puts a book into a database that nobody uses yet */
  readonly load: (bookings: readonly Booking[]) => Promise<void>;
  readonly replaceAll: (bookings: readonly Booking[]) => Promise<void>;
}

/** The book in the database. */
export function bookingRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
): BookingRepository {
  const bookings = table<BookingRow>(sequelize, 'bookings');
  const all = async (): Promise<Booking[]> =>
    (await rowsOf<BookingRow>(bookings, ['at', 'id'], transaction)).map(bookingOf);
  return {
    all,
    from: async (moment) => {
      const rows = await bookings.findAll({
        raw: true,
        transaction,
        where: { at: { [Op.gte]: moment } },
        order: ['at', 'id'],
      });
      return (rows as unknown as BookingRow[]).map(bookingOf);
    },
    load: (book) => writeRows(bookings, book, transaction),
    replaceAll: async (book) => {
      const byId = (list: readonly Booking[]) =>
        Object.fromEntries(list.map((one) => [one.id, one]));
      const before = byId(await all());
      await bookings.destroy({ where: {}, transaction });
      await writeRows(bookings, book, transaction);
      await audit.add({ part: 'bookings', id: 'book', before, after: byId(book) });
    },
  };
}

function bookingOf({ id, title, at, minutes }: BookingRow): Booking {
  return { id: asId(id), title, at: toSecond(at), minutes };
}
