import { QueryTypes } from 'sequelize';
import type { EditionHead } from '@bienestar/contract/api';
import { referencesOfMix, referencesOfWriting } from '@bienestar/contract/references';
import type { Edition } from '@bienestar/core/house/edition';
import type { Mix, Protocol } from '@bienestar/core/house/house';
import { asId, type ProtocolId } from '@bienestar/core/house/ids';
import type { AuditTrail } from '../audit/auditTrail';
import { usesRows } from '../documents/uses';
import { fromJson } from '../db/optional';
import { rowsOf } from '../db/rows';
import { table } from '../db/tables';
import type { Session } from '../db/transactions';
import { toSecond } from '@bienestar/core/days/instants';

interface EditionRow {
  readonly protocolId: string;
  readonly number: number;
  readonly ordinal?: number;
  readonly publishedAt: Date;
  readonly note: string;
  readonly body: Body | string;
}

interface Body {
  readonly protocol: Protocol;
  readonly mixes: readonly Mix[];
}

/** Published editions: they are added and read, and never changed. */
export interface EditionRepository {
  readonly all: () => Promise<Edition[]>;
  readonly heads: () => Promise<EditionHead[]>;
  /** those that services are worked by */
  readonly inUse: () => Promise<Edition[]>;
  readonly find: (protocolId: string, number: number) => Promise<Edition | undefined>;
  /** the number of the newest edition of a protocol, 0 when there is none; others who publish it wait */
  readonly newest: (protocolId: string) => Promise<number>;
  readonly insert: (edition: Edition) => Promise<void>;
  /** puts editions into a database that nobody uses yet */
  readonly load: (editions: readonly Edition[]) => Promise<void>;
}

/** The editions in one database. */
export function editionRepository(
  { sequelize, transaction }: Session,
  audit: AuditTrail,
): EditionRepository {
  const editions = table<EditionRow>(sequelize, 'editions');
  const uses = table<Record<string, string | number>>(sequelize, 'uses');
  const load: EditionRepository['load'] = async (added) => {
    if (added.length === 0) return;
    const rows = added.map(({ protocol, mixes, publishedAt, ...head }) => ({
      ...head,
      publishedAt: new Date(publishedAt),
      body: { protocol, mixes },
    }));
    await editions.bulkCreate(rows, { transaction });
    const used = added.flatMap((edition) =>
      usesRows([
        ...referencesOfWriting(edition.protocol),
        ...edition.mixes.flatMap(referencesOfMix),
      ]).flatMap((row): Record<string, string | number>[] =>
        /* Its mixes are kept with it: only what lies on the shelf must stay. */
        row.materialId !== undefined || row.deviceId !== undefined
          ? [{ byEditionOf: edition.protocolId, byEditionNumber: edition.number, ...row }]
          : [],
      ),
    );
    if (used.length > 0) await uses.bulkCreate(used, { transaction });
  };
  return {
    all: async () => (await rowsOf(editions, ['ordinal'], transaction)).map(editionOf),
    heads: async () => {
      const rows = await editions.findAll({
        raw: true,
        attributes: ['protocolId', 'number', 'publishedAt', 'note'],
        order: ['ordinal'],
        transaction,
      });
      return (rows as unknown as EditionRow[]).map(headOf);
    },
    inUse: async () => {
      const rows = await sequelize.query<Record<keyof EditionRow, never>>(
        `SELECT e.protocol_id AS protocolId, e.number, e.published_at AS publishedAt, e.note, e.body
         FROM editions e WHERE (e.protocol_id, e.number) IN
           (SELECT edition_of, edition_number FROM uses WHERE by_service_id IS NOT NULL)
         ORDER BY e.ordinal`,
        { type: QueryTypes.SELECT, transaction },
      );
      return rows.map(editionOf);
    },
    find: async (protocolId, number) => {
      const where = { protocolId, number: String(number) };
      const [row] = await rowsOf(editions, ['number'], transaction, where);
      return row && editionOf(row);
    },
    newest: async (protocolId) => {
      const [row] = await sequelize.query<{ newest: number | null }>(
        'SELECT MAX(number) AS newest FROM editions WHERE protocol_id = :protocolId FOR UPDATE',
        { type: QueryTypes.SELECT, replacements: { protocolId }, transaction },
      );
      return row?.newest ?? 0;
    },
    load,
    insert: async (edition) => {
      await load([edition]);
      const id = edition.protocolId;
      const { number, publishedAt, note } = edition;
      await audit.add({ part: 'editions', id, before: null, after: { number, publishedAt, note } });
    },
  };
}

function editionOf(row: EditionRow): Edition {
  return { ...headOf(row), ...fromJson<Body>(row.body) };
}

function headOf({ protocolId, number, publishedAt, note }: EditionRow): EditionHead {
  return {
    protocolId: asId<ProtocolId>(protocolId),
    number,
    publishedAt: toSecond(publishedAt),
    note,
  };
}
