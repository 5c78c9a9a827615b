import { setTimeout as wait } from 'node:timers/promises';
import { diceOf, type Dice } from '../rubbish/dice';
import { PROCESS_KINDS, type OwnFolder, type ProcessKind, type Run } from './startedHouse';

const UP_WITHIN_MS = 10_000;
const LEAST_WRITES = 25;
const ANSWERS_WITHIN_MS = 20_000;

/** What came of killing. */
export interface KillsFound {
  readonly kills: number;
  readonly rounds: number;
  /** writes that were answered as done */
  readonly acknowledged: number;
  /** of these, those that are not there, or there twice */
  readonly lost: number;
  readonly slowestUpMs: number;
  readonly faults: readonly string[];
}

/**
 * Kills random processes of a running house, several at once and now and then the supervisor itself, while
 * somebody writes. Each time everything must be up again within ten seconds, and in the end everything that
 * was acknowledged be there once.
 * @param kills how many processes to kill in all
 */
export async function killProcesses(
  of: OwnFolder,
  kills: number,
  seed: number,
): Promise<KillsFound> {
  const dice = diceOf(seed);
  let run = of.start();
  const url = await run.ready;
  const faults: string[] = [];
  const acknowledged = new Set<string>();
  const over = new AbortController();
  const writing = [1, 2].map((who) => writeOn(`${url}/api`, who, acknowledged, over.signal));
  let killed = 0;
  let rounds = 0;
  let slowestUpMs = 0;
  while (killed < kills) {
    rounds += 1;
    const victims = victimsOf(run, dice, kills - killed);
    const supervisor = dice.chance(0.08);
    const began = Date.now();
    for (const [kind, pid] of victims)
      kill(pid, kind === 'database' ? 'SIGKILL' : dice.oneOf(['SIGKILL', 'SIGTERM']));
    killed += victims.length;
    if (supervisor) {
      run.child.kill('SIGKILL');
      await run.ended;
      killed += 1;
      run = of.start();
      await run.ready;
    }
    const gone = new Set(victims.map(([, pid]) => pid));
    const isUp = await within(UP_WITHIN_MS, async () => {
      const now = run.processes();
      const all = PROCESS_KINDS.every((kind) => now[kind] !== undefined && !gone.has(now[kind]));
      return all && (await isWell(`${url}/api`));
    });
    const ms = Date.now() - began;
    slowestUpMs = Math.max(slowestUpMs, ms);
    const words = victims.map(([kind]) => kind).join(' and ');
    if (!isUp) {
      faults.push(
        `not up ${ms} ms after ${words}${supervisor ? ' and the supervisor' : ''} were killed:\n${run.said().slice(-600)}`,
      );
      break;
    }
  }
  /* Also what is written once it is well must be there; a write that was on its way then may take its time. */
  await within(2 * ANSWERS_WITHIN_MS, () => Promise.resolve(acknowledged.size >= LEAST_WRITES));
  over.abort();
  await Promise.all(writing);
  const file = await houseFile(`${url}/api`);
  if (!file) faults.push(`what is there cannot be read:\n${run.said().slice(-1_200)}`);
  const lost = file ? lostOf(file, acknowledged) : acknowledged.size;
  /* Who is killed ends by a signal or in order: any other end is a fault of its own. */
  const crashes = run.said().match(/.* ended \(code [^0].*/g) ?? [];
  faults.push(...crashes);
  const code = await run.stop();
  if (code !== 0) faults.push(`it did not stop cleanly (${code})`);
  return { kills: killed, rounds, acknowledged: acknowledged.size, lost, slowestUpMs, faults };
}

function victimsOf(run: Run, dice: Dice, most: number): (readonly [ProcessKind, number])[] {
  const there = Object.entries(run.processes()).filter(
    (each): each is [ProcessKind, number] => each[1] !== undefined,
  );
  const wanted = Math.min(most, dice.chance(0.4) ? 2 + dice.below(3) : 1);
  const victims: (readonly [ProcessKind, number])[] = [];
  while (victims.length < wanted && there.length > 0) {
    victims.push(...there.splice(dice.below(there.length), 1));
  }
  return victims;
}

function kill(pid: number, signal: NodeJS.Signals): void {
  try {
    process.kill(pid, signal);
  } catch {
    /* It has just ended by itself. */
  }
}

/** The house, its database and what is outside it all answer. */
async function isWell(api: string): Promise<boolean> {
  const [health, scale, feed] = await Promise.all([
    get(`${api}/health`),
    get(`${api}/scale`),
    get(`${api}/bookings/feed`),
  ]);
  return (
    health?.includes('"up"') === true && scale?.includes('"away"') === false && feed !== undefined
  );
}

async function get(url: string): Promise<string | undefined> {
  try {
    const answer = await fetch(url, { signal: AbortSignal.timeout(2_000) });
    return answer.ok ? await answer.text() : undefined;
  } catch {
    return undefined;
  }
}

/** Enters uses one after the other, each again with its id until it is answered. */
async function writeOn(
  api: string,
  who: number,
  acknowledged: Set<string>,
  over: AbortSignal,
): Promise<void> {
  for (let at = 0; !over.aborted; at += 1) {
    const id = `kills-${who}-${at}`;
    for (let isDone = false; !isDone && !isOver(over);) {
      const answer = await fetch(`${api}/ledger`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', 'idempotency-key': id },
        body: JSON.stringify({ kind: 'use', id, materialId: 'aloe-gel', quantity: 0.001 }),
        signal: AbortSignal.timeout(ANSWERS_WITHIN_MS),
      }).catch(() => undefined);
      isDone = answer?.status === 201 || answer?.status === 200;
      if (isDone) acknowledged.add(id);
      else await wait(50);
    }
  }
}

function isOver({ aborted }: AbortSignal): boolean {
  return aborted;
}

interface HouseFile {
  readonly movements: readonly { readonly entryId: string; readonly quantity: number }[];
}

/** All that is there, once it can be read; nothing when it cannot be. */
async function houseFile(api: string): Promise<HouseFile | undefined> {
  let found: HouseFile | undefined;
  await within(UP_WITHIN_MS, async () => {
    const signal = AbortSignal.timeout(ANSWERS_WITHIN_MS);
    const answer = await fetch(`${api}/house/file`, { signal }).catch(() => undefined);
    found = answer?.ok ? ((await answer.json()) as HouseFile) : undefined;
    return found !== undefined;
  });
  return found;
}

function lostOf({ movements }: HouseFile, acknowledged: ReadonlySet<string>): number {
  const taken = new Map<string, number>();
  for (const { entryId, quantity } of movements) {
    if (quantity < 0) taken.set(entryId, (taken.get(entryId) ?? 0) + 1);
  }
  return [...acknowledged].filter((id) => taken.get(id) !== 1).length;
}

/** Whether something becomes true in time. */
export async function within(ms: number, is: () => Promise<boolean>): Promise<boolean> {
  const until = Date.now() + ms;
  while (Date.now() < until) {
    if (await is()) return true;
    await wait(50);
  }
  return false;
}
