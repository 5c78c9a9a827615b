import { createHash } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { LoggedNow } from '@bienestar/contract/happened';
import { toSecond } from '@bienestar/core/days/instants';
import { asId, type LogbookPlanId, type RunEventId } from '@bienestar/core/house/ids';
import type {
  LogbookCorrection,
  LogbookEntry,
  LogbookPlan,
  LogbookVisit,
} from '@bienestar/core/house/logbook';
import type { AuditTrail } from '../audit/auditTrail';
import { keptMoment } from '../db/moments';
import { fromJson } from '../db/optional';
import { pagesOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';

interface PlanRow {
  readonly ordinal?: number;
  readonly id: string;
  readonly digest: string;
  readonly body: LogbookPlan | string;
}

interface EntryRow {
  readonly ordinal?: number;
  readonly id: string;
  readonly planId: string;
  readonly at: Date | string;
  readonly body: LogbookEntry | string;
}

type ReadRow = EntryRow & { readonly ordinal: number; readonly takenBackAt: Date | null };

const PART = 'logbook';
const LARGEST_ORDINAL = 2_147_483_647;

/** The logbook: visits as they were, beside what they were to be. */
export interface LogbookRepository {
  /** the newest first, entered before one of that ordinal, and the plans that they name */
  readonly page: (
    most: number,
    before: number | undefined,
  ) => Promise<{
    readonly entries: LoggedNow[];
    readonly plans: LogbookPlan[];
    readonly next?: number;
  }>;
  /** how many there are at the most, known at once however many that is */
  readonly atMost: () => Promise<number>;
  /** one visit; `hold` keeps others from correcting it until the transaction ends */
  readonly find: (
    id: string,
    hold?: 'hold',
  ) => Promise<{ readonly entry: LoggedNow; readonly plan: LogbookPlan } | undefined>;
  /** enters a visit; its plan once, whoever enters the same; the ids of both as they are kept */
  readonly enter: (visit: LogbookVisit) => Promise<void>;
  /** says that something went wrong in a visit, also where that was written down after it was entered */
  readonly tellIncidents: (id: string, incidents: readonly RunEventId[]) => Promise<void>;
  /** adds a correction; what stood there stays */
  readonly correct: (id: string, correction: LogbookCorrection) => Promise<void>;
  readonly planPages: () => AsyncGenerator<LogbookPlan[]>;
  readonly pages: () => AsyncGenerator<LogbookEntry[]>;
  /** puts plans and visits into a database that nobody uses yet */
  readonly loadPlans: (plans: readonly LogbookPlan[]) => Promise<void>;
  readonly load: (entries: readonly LogbookEntry[]) => Promise<void>;
}

/** The logbook in one database. */
export function logbookRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
): LogbookRepository {
  const plans = table<PlanRow>(sequelize, 'logbook_plans');
  const entries = table<EntryRow>(sequelize, 'logbook');
  const read = (where: string, replacements: Record<string, unknown>): Promise<ReadRow[]> =>
    sequelize.query<ReadRow>(
      `SELECT l.ordinal, l.id, l.plan_id AS planId, l.at, l.body, t.taken_back_at AS takenBackAt
       FROM logbook l LEFT JOIN treatments t ON t.id = l.id ${where}`,
      { type: QueryTypes.SELECT, replacements, transaction },
    );
  const plansOf = async (rows: readonly ReadRow[]): Promise<LogbookPlan[]> => {
    const ids = [...new Set(rows.map(({ planId }) => planId))];
    if (ids.length === 0) return [];
    const found = await sequelize.query<Pick<PlanRow, 'body'>>(
      'SELECT body FROM logbook_plans WHERE id IN (:ids)',
      { type: QueryTypes.SELECT, replacements: { ids }, transaction },
    );
    return found.map(({ body }) => fromJson<LogbookPlan>(body));
  };
  const find: LogbookRepository['find'] = async (id, hold) => {
    const rows = await read(`WHERE l.id = :id${hold ? ' FOR UPDATE' : ''}`, { id });
    const [row] = rows;
    const [plan] = await plansOf(rows);
    return row && plan && { entry: entryOf(row), plan };
  };
  /** Adds to a visit what stands beside it. */
  const add = async (
    id: string,
    more: (entry: LogbookEntry) => Partial<LogbookEntry> | false,
  ): Promise<void> => {
    const found = await find(id, 'hold');
    if (!found) return;
    const { takenBackAt: _, ...before } = found.entry;
    const added = more(before);
    if (!added) return;
    const after: LogbookEntry = { ...before, ...added };
    await sequelize.query('UPDATE logbook SET body = :body WHERE id = :id', {
      type: QueryTypes.UPDATE,
      replacements: { id, body: JSON.stringify(after) },
      transaction,
    });
    await audit.add({ part: PART, id, before, after });
  };
  /** The plan as the house knows it already, or as it is kept from now on. */
  const planIdFor = async (plan: LogbookPlan): Promise<LogbookPlanId> => {
    const digest = digestOf(plan);
    const find = async (): Promise<LogbookPlanId | undefined> => {
      const [same] = await sequelize.query<Pick<PlanRow, 'id'>>(
        'SELECT id FROM logbook_plans WHERE digest = :digest ORDER BY ordinal LIMIT 1',
        { type: QueryTypes.SELECT, replacements: { digest }, transaction },
      );
      return same && asId<LogbookPlanId>(same.id);
    };
    const known = await find();
    if (known) return known;
    const id = asId<LogbookPlanId>(`plan-${digest.replaceAll(/[^A-Za-z0-9]/g, '').slice(0, 24)}`);
    await sequelize.query(
      'INSERT IGNORE INTO logbook_plans (id, digest, body) VALUES (:id, :digest, :body)',
      {
        type: QueryTypes.INSERT,
        replacements: { id, digest, body: JSON.stringify({ ...plan, id }) },
        transaction,
      },
    );
    return id;
  };
  return {
    page: async (most, before) => {
      const rows = await read('WHERE l.ordinal < :before ORDER BY l.ordinal DESC LIMIT :most', {
        before: before ?? LARGEST_ORDINAL,
        most,
      });
      const next = rows.length === most ? rows.at(-1)?.ordinal : undefined;
      return {
        entries: rows.map(entryOf),
        plans: await plansOf(rows),
        ...(next !== undefined && { next }),
      };
    },
    atMost: async () => {
      const [ends] = await sequelize.query<{ readonly first: number; readonly last: number }>(
        'SELECT MIN(ordinal) AS first, MAX(ordinal) AS last FROM logbook',
        { type: QueryTypes.SELECT, transaction },
      );
      return ends?.last ? ends.last - ends.first + 1 : 0;
    },
    find,
    enter: async ({ plan, entry }) => {
      const planId = await planIdFor(plan);
      const kept: LogbookEntry = { ...entry, planId };
      const [, entered] = await sequelize.query(
        'INSERT IGNORE INTO logbook (id, plan_id, at, body) VALUES (:id, :planId, :at, :body)',
        {
          type: QueryTypes.INSERT,
          replacements: {
            id: kept.id,
            planId,
            at: keptMoment(kept.at),
            body: JSON.stringify(kept),
          },
          transaction,
        },
      );
      if (entered > 0) await audit.add({ part: PART, id: kept.id, before: null, after: kept });
    },
    tellIncidents: (id, incidents) =>
      add(id, ({ incidents: known = [] }) => {
        const more = incidents.filter((each) => !known.includes(each));
        return more.length > 0 && { incidents: [...known, ...more] };
      }),
    correct: (id, correction) =>
      add(id, ({ corrections = [] }) => ({ corrections: [...corrections, correction] })),
    planPages: async function* () {
      for await (const rows of pagesOf<PlanRow>(plans, transaction))
        yield rows.map(({ body }) => fromJson<LogbookPlan>(body));
    },
    pages: async function* () {
      for await (const rows of pagesOf<EntryRow>(entries, transaction))
        yield rows.map(({ body }) => fromJson<LogbookEntry>(body));
    },
    loadPlans: (all) =>
      writeRows(
        plans,
        all.map((plan) => ({ id: plan.id, digest: digestOf(plan), body: plan })),
        transaction,
      ),
    load: (all) =>
      writeRows(
        entries,
        all.map((entry) => ({ id: entry.id, planId: entry.planId, at: entry.at, body: entry })),
        transaction,
      ),
  };
}

/** What tells a plan from every other: all that it says but its id. */
function digestOf({ id: _id, ...says }: LogbookPlan): string {
  return createHash('sha256').update(inOrder(says)).digest('base64');
}

/** A value as text that does not depend on the order of its keys. */
function inOrder(value: unknown): string {
  return JSON.stringify(value, (_key, each: unknown) =>
    typeof each === 'object' && each !== null && !Array.isArray(each)
      ? Object.fromEntries(
          Object.entries(each).toSorted(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)),
        )
      : each,
  );
}

function entryOf({ body, takenBackAt }: ReadRow): LoggedNow {
  const entry = fromJson<LogbookEntry>(body);
  return takenBackAt === null ? entry : { ...entry, takenBackAt: toSecond(takenBackAt) };
}
