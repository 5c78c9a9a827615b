import { QueryTypes } from 'sequelize';
import type { Treatment } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { AuditTrail } from '../audit/auditTrail';
import { fromJson, orNull, present } from '../db/optional';
import { pagesOf, rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';
import { toSecond } from '@bienestar/core/days/days';

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

const PART = 'treatments';
/** Days back that figures look at what was performed. */
const RECENT_DAYS = 200;

/** What was performed. */
export interface TreatmentRepository {
  /** everything that was performed, in the order in which it was entered */
  readonly pages: () => AsyncGenerator<Treatment[]>;
  /** of the last months */
  readonly recent: () => Promise<Treatment[]>;
  readonly find: (id: string) => Promise<Treatment | undefined>;
  /** keeps others from taking it back until the transaction ends */
  readonly hold: (id: string) => Promise<Treatment | undefined>;
  /** begins one that has drawn nothing yet; false when its id is there already */
  readonly claim: (treatment: Treatment) => Promise<boolean>;
  /** the other one that was entered for the same booking, which is held meanwhile */
  readonly ofBooking: (treatment: Treatment) => Promise<Treatment | undefined>;
  /** lets go of one that was begun and drew nothing */
  readonly unclaim: (id: string) => Promise<void>;
  /** notes what it drew */
  readonly drew: (treatment: Treatment) => Promise<void>;
  /** takes away one that was not performed */
  readonly remove: (treatment: Treatment) => Promise<void>;
  /** puts treatments into a database that nobody uses yet */
  readonly load: (treatments: readonly Treatment[]) => Promise<void>;
}

/** What was performed, in the database. */
export function treatmentRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
  now: Date,
): TreatmentRepository {
  const treatments = table<TreatmentRow>(sequelize, 'treatments');
  const unclaim: TreatmentRepository['unclaim'] = async (id) => {
    await treatments.destroy({ where: { id }, transaction });
  };
  return {
    pages: async function* () {
      for await (const rows of pagesOf<TreatmentRow>(treatments, transaction))
        yield rows.map(treatmentOf);
    },
    recent: async () => {
      const since = new Date(now.getTime() - RECENT_DAYS * 86_400_000);
      const rows = await sequelize.query<TreatmentRow>(
        `SELECT id, at, service_id AS serviceId, visit_kind AS visitKind, booking_id AS bookingId,
           sold_course_id AS soldCourseId, entry_ids AS entryIds
         FROM treatments WHERE at >= :since ORDER BY ordinal`,
        { type: QueryTypes.SELECT, replacements: { since }, transaction },
      );
      return rows.map(treatmentOf);
    },
    find: async (id) => {
      const [row] = await rowsOf<TreatmentRow>(treatments, ['ordinal'], transaction, { id });
      return row && treatmentOf(row);
    },
    hold: async (id) => {
      const row = await treatments.findOne({
        where: { id } as never,
        transaction,
        lock: true,
        raw: true,
      });
      return row === null ? undefined : treatmentOf(row as unknown as TreatmentRow);
    },
    claim: async (treatment) => {
      const [, claimed] = await sequelize.query(
        `INSERT IGNORE INTO treatments (id, at, service_id, visit_kind, booking_id, sold_course_id, entry_ids)
         VALUES (:id, :at, :serviceId, :visitKind, :bookingId, :soldCourseId, '[]')`,
        {
          type: QueryTypes.INSERT,
          replacements: { ...rowOf(treatment), at: new Date(treatment.at) },
          transaction,
        },
      );
      return claimed > 0;
    },
    ofBooking: async ({ id, bookingId }) => {
      if (bookingId === undefined) return undefined;
      await sequelize.query('SELECT id FROM bookings WHERE id = :bookingId FOR UPDATE', {
        type: QueryTypes.SELECT,
        replacements: { bookingId },
        transaction,
      });
      const rows = await rowsOf<TreatmentRow>(treatments, ['ordinal'], transaction, { bookingId });
      const other = rows.find((row) => row.id !== id);
      return other && treatmentOf(other);
    },
    unclaim,
    drew: async (treatment) => {
      const { id, entryIds } = treatment;
      await treatments.update({ entryIds }, { where: { id }, transaction });
      await audit.add({ part: PART, id, before: null, after: treatment });
    },
    remove: async (treatment) => {
      await unclaim(treatment.id);
      await audit.add({ part: PART, id: treatment.id, before: treatment, after: null });
    },
    load: (all) => writeRows(treatments, all.map(rowOf), transaction),
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
    at: toSecond(row.at),
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
