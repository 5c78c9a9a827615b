import { QueryTypes } from 'sequelize';
import { closesRun, type Run, type RunLogEntry } from '@bienestar/core/house/run';
import type { AuditTrail } from '../audit/auditTrail';
import { keptMoment } from '../db/moments';
import { fromJson } from '../db/optional';
import { pagesOf, writeRows } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';

interface RunRow {
  readonly id: string;
  readonly ordinal?: number;
  readonly at: Date | string;
  readonly isOpen: boolean;
  readonly body: Run | string;
}

interface RunEventRow {
  readonly ordinal?: number;
  readonly id: string;
  readonly runId: string;
  readonly kind: string;
  readonly body: RunLogEntry | string;
}

const PART = 'runs';
const LARGEST_ORDINAL = 2_147_483_647;

/** Visits that are run in the room, and what happened in them. */
export interface RunRepository {
  /** those that are neither entered nor put away, the newest first */
  readonly open: () => Promise<Run[]>;
  /** those that are over, the newest first, begun before one of that ordinal */
  readonly closed: (
    most: number,
    before: number | undefined,
  ) => Promise<{ readonly runs: Run[]; readonly next?: number }>;
  readonly find: (id: string) => Promise<Run | undefined>;
  /** begins one; false when its id is there already */
  readonly begin: (run: Run) => Promise<boolean>;
  /** what happened in a run, in the order in which it came in */
  readonly eventsOf: (id: string) => Promise<RunLogEntry[]>;
  /** what went wrong in any run, and what was asked after */
  readonly incidents: () => Promise<RunLogEntry[]>;
  /** adds what is not there yet, each once by its id */
  readonly add: (id: string, events: readonly RunLogEntry[]) => Promise<void>;
  readonly pages: () => AsyncGenerator<Run[]>;
  readonly eventPages: () => AsyncGenerator<RunLogEntry[]>;
  /** puts runs into a database that nobody uses yet */
  readonly load: (runs: readonly Run[]) => Promise<void>;
  readonly loadEvents: (events: readonly RunLogEntry[]) => Promise<void>;
}

/** The runs in one database. */
export function runRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
): RunRepository {
  const runs = table<RunRow>(sequelize, 'runs');
  const runEvents = table<RunEventRow>(sequelize, 'run_events');
  const select = async (where: string, replacements: Record<string, string>): Promise<Run[]> => {
    const rows = await sequelize.query<Pick<RunRow, 'body'>>(
      `SELECT body FROM runs WHERE ${where} ORDER BY ordinal DESC`,
      { type: QueryTypes.SELECT, replacements, transaction },
    );
    return rows.map(({ body }) => fromJson<Run>(body));
  };
  const close = (ids: readonly string[]): Promise<unknown> =>
    ids.length === 0
      ? Promise.resolve()
      : sequelize.query('UPDATE runs SET is_open = FALSE WHERE id IN (:ids)', {
          type: QueryTypes.UPDATE,
          replacements: { ids },
          transaction,
        });
  const closedBy = (events: readonly RunLogEntry[]): string[] => [
    ...new Set(events.flatMap((event) => (closesRun(event) ? [event.runId] : []))),
  ];
  return {
    open: () => select('is_open', {}),
    closed: async (most, before) => {
      const rows = await sequelize.query<{ readonly ordinal: number; readonly body: Run | string }>(
        'SELECT ordinal, body FROM runs WHERE NOT is_open AND ordinal < :before ORDER BY ordinal DESC LIMIT :most',
        {
          type: QueryTypes.SELECT,
          replacements: { before: before ?? LARGEST_ORDINAL, most },
          transaction,
        },
      );
      const next = rows.length === most ? rows.at(-1)?.ordinal : undefined;
      return {
        runs: rows.map(({ body }) => fromJson<Run>(body)),
        ...(next !== undefined && { next }),
      };
    },
    find: async (id) => (await select('id = :id', { id }))[0],
    begin: async (run) => {
      const [, begun] = await sequelize.query(
        'INSERT IGNORE INTO runs (id, at, body) VALUES (:id, :at, :body)',
        {
          type: QueryTypes.INSERT,
          replacements: { id: run.id, at: keptMoment(run.at), body: JSON.stringify(run) },
          transaction,
        },
      );
      if (begun > 0) await audit.add({ part: PART, id: run.id, before: null, after: run });
      return begun > 0;
    },
    eventsOf: async (id) => {
      const rows = await sequelize.query<Pick<RunEventRow, 'body'>>(
        'SELECT body FROM run_events WHERE run_id = :id ORDER BY ordinal',
        { type: QueryTypes.SELECT, replacements: { id }, transaction },
      );
      return rows.map(({ body }) => fromJson<RunLogEntry>(body));
    },
    incidents: async () => {
      const rows = await sequelize.query<Pick<RunEventRow, 'body'>>(
        "SELECT body FROM run_events WHERE kind IN ('incident', 'followed-up') ORDER BY ordinal",
        { type: QueryTypes.SELECT, transaction },
      );
      return rows.map(({ body }) => fromJson<RunLogEntry>(body));
    },
    add: async (id, events) => {
      /* Whoever adds to a run at the same moment waits, so that what happened stands in one order. */
      await sequelize.query('SELECT id FROM runs WHERE id = :id FOR UPDATE', {
        type: QueryTypes.SELECT,
        replacements: { id },
        transaction,
      });
      const added: RunLogEntry[] = [];
      for (const event of events) {
        const [, isNew] = await sequelize.query(
          'INSERT IGNORE INTO run_events (id, run_id, kind, body) VALUES (:id, :runId, :kind, :body)',
          {
            type: QueryTypes.INSERT,
            replacements: {
              id: event.id,
              runId: id,
              kind: event.kind,
              body: JSON.stringify(event),
            },
            transaction,
          },
        );
        if (isNew > 0) added.push(event);
      }
      await close(closedBy(added));
      if (added.length > 0)
        await audit.add({ part: PART, id, before: null, after: { events: added } });
    },
    pages: async function* () {
      for await (const rows of pagesOf<RunRow>(runs, transaction))
        yield rows.map(({ body }) => fromJson<Run>(body));
    },
    eventPages: async function* () {
      for await (const rows of pagesOf<RunEventRow>(runEvents, transaction))
        yield rows.map(({ body }) => fromJson<RunLogEntry>(body));
    },
    load: (all) =>
      writeRows(
        runs,
        all.map((run) => ({ id: run.id, at: run.at, isOpen: true, body: run })),
        transaction,
      ),
    loadEvents: async (all) => {
      const rows = all.map((event) => ({
        id: event.id,
        runId: event.runId,
        kind: event.kind,
        body: event,
      }));
      await writeRows(runEvents, rows, transaction);
      await close(closedBy(all));
    },
  };
}
