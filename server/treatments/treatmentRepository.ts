import { Op, QueryTypes } from 'sequelize';
import type { Treatment } from '@bienestar/core/house/house';
import { asId, type BookingId, type ServiceId } from '@bienestar/core/house/ids';
import { visitLogOf, type VisitLog } from '@bienestar/core/house/visitLog';
import type { AuditTrail } from '../audit/auditTrail';
import { keptMoment } from '../db/moments';
import { fromJson, orNull, present } from '../db/optional';
import { pagesOf, rowsOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';
import { startOfDay, type HouseClock } from '@bienestar/core/days/days';
import { toSecond } from '@bienestar/core/days/instants';

interface TreatmentRow {
  readonly id: string;
  readonly ordinal?: number;
  readonly at: Date | string;
  readonly serviceId: string;
  readonly visitKind: Treatment['visitKind'];
  readonly bookingId: string | null;
  readonly soldCourseId: string | null;
  readonly entryIds: Treatment['entryIds'] | string;
  readonly takenBackAt: Date | string | null;
}

const PART = 'treatments';

/** What was performed. */
export interface TreatmentRepository {
  /** everything that was performed, in the order in which it was entered */
  readonly pages: () => AsyncGenerator<Treatment[]>;
  /** the newest first, those entered before one of that ordinal */
  readonly page: (
    most: number,
    before: number | undefined,
  ) => Promise<{ readonly treatments: Treatment[]; readonly next?: number }>;
  /** what was performed since an ISO date, added up, and what of the book is entered */
  readonly log: (since: string) => Promise<VisitLog>;
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
  /** notes that it was not performed; its row stays */
  readonly takeBack: (treatment: Treatment) => Promise<void>;
  /** puts treatments into a database that nobody uses yet */
  readonly load: (treatments: readonly Treatment[]) => Promise<void>;
}

/** What was performed, in the database. */
export function treatmentRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
  { now, timeZone }: HouseClock,
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
    page: async (most, before) => {
      const rows = (await treatments.findAll({
        raw: true,
        transaction,
        where: before === undefined ? {} : { ordinal: { [Op.lt]: before } },
        order: [['ordinal', 'DESC']],
        limit: most,
      })) as unknown as TreatmentRow[];
      const last = rows.length === most ? rows.at(-1)?.ordinal : undefined;
      return { treatments: rows.map(treatmentOf), ...(last !== undefined && { next: last }) };
    },
    log: async (since) => {
      const visits = await sequelize.query<{ readonly serviceId: string; readonly at: Date }>(
        `SELECT service_id AS serviceId, at FROM treatments
         WHERE at >= :from AND taken_back_at IS NULL`,
        {
          type: QueryTypes.SELECT,
          replacements: { from: keptMoment(startOfDay(since, timeZone)) },
          transaction,
        },
      );
      const entered = await sequelize.query<{ readonly id: string }>(
        /* From the book and what the house has placed, not from the years of treatments: most of them have no
           booking, which misleads the planner of the query. */
        ['bookings', 'placed_visits']
          .map(
            (table) => `SELECT b.id FROM ${table} b
              STRAIGHT_JOIN treatments t FORCE INDEX (treatments_booking) ON t.booking_id = b.id
              WHERE t.taken_back_at IS NULL`,
          )
          .join(' UNION ')
          .concat(' ORDER BY id'),
        { type: QueryTypes.SELECT, transaction },
      );
      const log = visitLogOf(
        visits.map(({ serviceId, at }) => ({ serviceId: asId<ServiceId>(serviceId), at })),
        since,
        timeZone,
      );
      return { ...log, entered: entered.map(({ id }) => asId<BookingId>(id)) };
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
          replacements: { ...rowOf(treatment), at: keptMoment(treatment.at) },
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
      const other = rows.find((row) => row.id !== id && row.takenBackAt === null);
      return other && treatmentOf(other);
    },
    unclaim,
    drew: async (treatment) => {
      const { id, entryIds } = treatment;
      await treatments.update({ entryIds }, { where: { id }, transaction });
      await audit.add({ part: PART, id, before: null, after: treatment });
    },
    takeBack: async (treatment) => {
      const { id } = treatment;
      await treatments.update({ takenBackAt: now }, { where: { id }, transaction });
      const after = { ...treatment, takenBackAt: toSecond(now) };
      await audit.add({ part: PART, id, before: treatment, after });
    },
    load: (all) => writeRows(treatments, all.map(rowOf), transaction),
  };
}

function rowOf(treatment: Treatment): TreatmentRow {
  return {
    ...treatment,
    bookingId: orNull(treatment.bookingId),
    soldCourseId: orNull(treatment.soldCourseId),
    takenBackAt: orNull(treatment.takenBackAt),
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
    ...present({ takenBackAt: row.takenBackAt === null ? null : toSecond(row.takenBackAt) }),
  };
}
