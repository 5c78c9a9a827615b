import { request as ask } from 'node:http';
import type { HouseSnapshot } from '@bienestar/contract/api';
import type { connect } from '../../server/db/connection';
import { TABLES } from '../../server/db/tables';
import { diceOf } from './dice';
import { mutated, mutatedBytes } from './mutate';
import { requestsFor, type RubbishRequest } from './requests';

type Sequelize = ReturnType<typeof connect>;

const SLOWEST_MS = 2_000;
const LOOKED_EVERY = 500;

/** What came of rubbish. */
export interface Found {
  readonly sent: number;
  readonly statuses: Readonly<Record<string, number>>;
  /** answers of 5xx, answers that took too long, refusals that changed something */
  readonly faults: readonly string[];
  readonly slowestMs: number;
}

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly ms: number;
}

/**
 * Throws seeded rubbish at a house: requests over every route, most of them almost right, and house files
 * with something changed. A refusal must change nothing, and nothing may be answered by a fault of ours.
 * @param url of the API
 * @param sequelize the database behind it, to see what was changed
 * @param onMany told now and then, between two requests
 */
export async function throwRubbish(
  url: string,
  sequelize: Sequelize,
  {
    seed,
    requests,
    files,
  }: { readonly seed: number; readonly requests: number; readonly files: number },
  onMany: (sent: number) => void = () => undefined,
): Promise<Found> {
  const dice = diceOf(seed);
  const house = JSON.parse(
    (await send(url, { method: 'GET', path: 'house', headers: {} })).text,
  ) as HouseSnapshot;
  const file = (await send(url, { method: 'GET', path: 'house/file', headers: {} })).text;
  const next = requestsFor(house, dice);
  const statuses: Record<string, number> = {};
  const faults: string[] = [];
  let slowestMs = 0;
  let sent = 0;
  let before = await digest(sequelize);
  const one = async (what: RubbishRequest): Promise<void> => {
    const answer = await send(url, what);
    sent += 1;
    if (sent % LOOKED_EVERY === 0) onMany(sent);
    statuses[answer.status] = (statuses[answer.status] ?? 0) + 1;
    slowestMs = Math.max(slowestMs, answer.ms);
    const words = `${what.method} ${what.path} ${JSON.stringify(what.headers)} ${String(what.body ?? '').slice(0, 400)}`;
    if (answer.status >= 500 || answer.status === 0) {
      faults.push(`${answer.status}: ${words} -> ${answer.text.slice(0, 200)}`);
    }
    if (answer.ms > SLOWEST_MS) faults.push(`${answer.ms.toFixed(0)} ms: ${words}`);
    if (what.method === 'GET') return;
    const after = await digest(sequelize);
    if (answer.status >= 400 && after !== before) faults.push(`changed by a refusal: ${words}`);
    before = after;
  };
  for (let at = 0; at < requests; at += 1) await one(next());
  const parsed: unknown = JSON.parse(file);
  for (let at = 0; at < files; at += 1) {
    const body = dice.chance(0.5)
      ? Buffer.from(JSON.stringify(mutated(parsed, dice)))
      : mutatedBytes(Buffer.from(file), dice);
    await one({
      method: 'PUT',
      path: 'house/file',
      headers: { 'content-type': 'application/json' },
      body,
    });
  }
  return { sent, statuses, faults, slowestMs };
}

function send(url: string, { method, path, headers, body }: RubbishRequest): Promise<Answer> {
  const began = performance.now();
  return new Promise((resolve) => {
    const done = (status: number, text: string): void =>
      resolve({ status, text, ms: performance.now() - began });
    const sending = ask(
      `${url}/`,
      {
        method,
        path: encodeURI(`/api/${path}`).replaceAll('%25', '%'),
        headers: { ...headers, ...(body && { 'content-length': String(body.byteLength) }) },
      },
      (answer) => {
        let text = '';
        answer.setEncoding('utf8');
        answer.on('data', (part) => (text = `${text}${part}`.slice(0, 20_000_000)));
        answer.once('end', () => done(answer.statusCode ?? 0, text));
        answer.once('error', (error) => done(0, error.message));
      },
    );
    sending.once('error', (error) => done(0, error.message));
    sending.end(body);
  });
}

/** What all tables hold, but for answers that are remembered. */
async function digest(sequelize: Sequelize): Promise<string> {
  const tables = TABLES.filter((table) => table !== 'answers');
  const asked = { type: 'SELECT' } as never;
  const rows: unknown = await sequelize.query(`CHECKSUM TABLE ${tables.join(', ')}`, asked);
  return JSON.stringify(rows);
}
