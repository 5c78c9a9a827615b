import { QueryTypes, type Sequelize } from 'sequelize';
import { writingOfVersion7 } from '@bienestar/contract/upgrade';

type Plain = Record<string, unknown>;
type Change = (body: Plain) => Plain;

interface Held {
  readonly ordinal: number;
  readonly body: unknown;
}

const inEdition =
  (change: Change): Change =>
  ({ protocol, ...rest }) => ({ ...rest, protocol: change(protocol as Plain) });

/** Where steps and their layers stand as documents: as they are, as they were published, as they were. */
const PLACES = [
  ['protocols', 'body', 'TRUE', (change: Change): Change => change],
  ['blocks', 'body', 'TRUE', (change: Change): Change => change],
  ['editions', 'body', 'TRUE', inEdition],
  [
    'audit',
    'before_it',
    "part IN ('protocols', 'blocks') AND before_it IS NOT NULL",
    (change: Change): Change => change,
  ],
] as const;

async function changeAll(context: Sequelize, change: Change): Promise<void> {
  for (const [table, column, which, within] of PLACES) {
    const rows = await context.query<Held>(
      `SELECT ordinal, ${column} AS body FROM ${table} WHERE ${which}`,
      { type: QueryTypes.SELECT },
    );
    for (const { ordinal, body } of rows) {
      const before = (typeof body === 'string' ? JSON.parse(body) : body) as Plain;
      await context.query(`UPDATE ${table} SET ${column} = :body WHERE ordinal = :ordinal`, {
        type: QueryTypes.RAW,
        replacements: { ordinal, body: JSON.stringify(within(change)(before)) },
      });
    }
  }
}

/** Back to one question and one score after a layer; what else is asked has no place there. */
function asBefore(writing: Plain): Plain {
  const groups = Array.isArray(writing.layerGroups) ? (writing.layerGroups as Plain[]) : [];
  return {
    ...writing,
    layerGroups: groups.map(({ between, asks, ...group }) => {
      const [first] = (asks ?? []) as {
        readonly ask: string;
        readonly reactions: readonly { readonly from?: number; readonly response: string }[];
      }[];
      const at = (response: string): number | undefined =>
        first?.reactions.find((each) => each.response === response)?.from;
      const [slowAt, stopAt] = [at('lightly'), at('off')];
      return {
        ...group,
        ...(between !== undefined && {
          between: { ...(between as Plain), question: first?.ask ?? '' },
        }),
        ...(slowAt !== undefined && stopAt !== undefined && { score: { slowAt, stopAt } }),
      };
    }),
  };
}

/** What is asked after a layer becomes a question as any other. */
export const questions = {
  name: '0012-questions',
  up: ({ context }: { context: Sequelize }): Promise<void> => changeAll(context, writingOfVersion7),
  down: ({ context }: { context: Sequelize }): Promise<void> => changeAll(context, asBefore),
};
