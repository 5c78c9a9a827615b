import type { Sequelize, Transaction } from 'sequelize';
import { QueryTypes } from 'sequelize';
import type { Treatment } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { fromJson, orNull, present } from '../db/optional';
import { pagesOf, rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';

interface TreatmentRow {
  readonly id: string;
  readonly ordinal?: number;
  readonly at: Date | string;
  readonly serviceId: string;
  readonly visitKind: Treatment['visitKind'];
  readonly bookingId: string | null;
  readonly soldCourseId: string | null;
  readonly entryIds: Treatment['entryIds'] | string;
}

/** Days back that figures look at what was performed. */
const RECENT_DAYS = 200;

/** What was performed. */
export interface TreatmentStore {
  /** everything that was performed, in the order in which it was entered */
  readonly pages: (tx: Transaction) => AsyncGenerator<Treatment[]>;
  /** of the last months */
  readonly recent: (tx: Transaction) => Promise<Treatment[]>;
  readonly find: (id: string, tx: Transaction) => Promise<Treatment | undefined>;
  /** keeps others from taking it back until the transaction ends */
  readonly hold: (id: string, tx: Transaction) => Promise<Treatment | undefined>;
  /** begins one that has drawn nothing yet; false when its id is there already */
  readonly claim: (treatment: Treatment, tx: Transaction) => Promise<boolean>;
  /** the other one that was entered for the same booking, which is held meanwhile */
  readonly ofBooking: (treatment: Treatment, tx: Transaction) => Promise<Treatment | undefined>;
  /** notes what it drew */
  readonly drew: (id: string, entryIds: Treatment['entryIds'], tx: Transaction) => Promise<void>;
  readonly insert: (treatments: readonly Treatment[], tx: Transaction) => Promise<void>;
  readonly remove: (id: string, tx: Transaction) => Promise<void>;
}

/** What was performed, in the database. */
export function treatmentStore(sequelize: Sequelize): TreatmentStore {
  const treatments = table<TreatmentRow>(sequelize, 'treatments');
  return {
    pages: async function* (tx) {
      for await (const rows of pagesOf<TreatmentRow>(treatments, tx)) yield rows.map(treatmentOf);
    },
    recent: async (tx) => {
      const since = new Date(Date.now() - RECENT_DAYS * 86_400_000);
      const rows = await sequelize.query<TreatmentRow>(
        `SELECT id, at, service_id AS serviceId, visit_kind AS visitKind, booking_id AS bookingId,
           sold_course_id AS soldCourseId, entry_ids AS entryIds
         FROM treatments WHERE at >= :since ORDER BY ordinal`,
        { type: QueryTypes.SELECT, replacements: { since }, transaction: tx },
      );
      return rows.map(treatmentOf);
    },
    find: async (id, tx) => {
      const [row] = await rowsOf<TreatmentRow>(treatments, ['ordinal'], tx, { id });
      return row && treatmentOf(row);
    },
    hold: async (id, tx) => {
      const row = await treatments.findOne({
        where: { id } as never,
        transaction: tx,
        lock: true,
        raw: true,
      });
      return row === null ? undefined : treatmentOf(row as unknown as TreatmentRow);
    },
    claim: async (treatment, tx) => {
      const [, claimed] = await sequelize.query(
        `INSERT IGNORE INTO treatments (id, at, service_id, visit_kind, booking_id, sold_course_id, entry_ids)
         VALUES (:id, :at, :serviceId, :visitKind, :bookingId, :soldCourseId, '[]')`,
        {
          type: QueryTypes.INSERT,
          replacements: { ...rowOf(treatment), at: new Date(treatment.at) },
          transaction: tx,
        },
      );
      return claimed > 0;
    },
    ofBooking: async ({ id, bookingId }, tx) => {
      if (bookingId === undefined) return undefined;
      await sequelize.query('SELECT id FROM bookings WHERE id = :bookingId FOR UPDATE', {
        type: QueryTypes.SELECT,
        replacements: { bookingId },
        transaction: tx,
      });
      const rows = await rowsOf<TreatmentRow>(treatments, ['ordinal'], tx, { bookingId });
      const other = rows.find((row) => row.id !== id);
      return other && treatmentOf(other);
    },
    drew: async (id, entryIds, tx) => {
      await treatments.update({ entryIds }, { where: { id }, transaction: tx });
    },
    insert: (all, tx) => writeRows(treatments, all.map(rowOf), tx),
    remove: async (id, tx) => {
      await treatments.destroy({ where: { id } as never, transaction: tx });
    },
  };
}

function rowOf(treatment: Treatment): TreatmentRow {
  return {
    ...treatment,
    bookingId: orNull(treatment.bookingId),
    soldCourseId: orNull(treatment.soldCourseId),
  };
}

function treatmentOf(row: TreatmentRow): Treatment {
  return {
    id: asId(row.id),
    serviceId: asId(row.serviceId),
    at: `${new Date(row.at).toISOString().slice(0, 19)}Z`,
    visitKind: row.visitKind,
    ...present({
      bookingId:
        row.bookingId === null ? null : asId<NonNullable<Treatment['bookingId']>>(row.bookingId),
      soldCourseId:
        row.soldCourseId === null
          ? null
          : asId<NonNullable<Treatment['soldCourseId']>>(row.soldCourseId),
    }),
    entryIds: fromJson<Treatment['entryIds']>(row.entryIds),
  };
}
