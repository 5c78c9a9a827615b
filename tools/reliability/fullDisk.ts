import { spawnSync } from 'node:child_process';
import {
  appendFileSync,
  chmodSync,
  ftruncateSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  rmSync,
  statfsSync,
} from 'node:fs';
import { join } from 'node:path';
import { QUICK } from '../lib/paths.mjs';
import { within } from './kills';
import { ownFolder } from './startedHouse';

const DISK_BYTES = 420 * 1024 * 1024;
const CHUNK = Buffer.alloc(256 * 1024);
const MOST_WRITES = 400;
const BACK_WITHIN_MS = 20_000;

/** What came of a full disk. */
export interface FullDiskFound {
  /** writes that were answered as done while the disk was full, and before */
  readonly acknowledged: number;
  readonly lost: number;
  /** how often it was said that the disk is full */
  readonly refused: number;
  readonly slowestReadMs: number;
  readonly backAfterMs: number;
  readonly faults: readonly string[];
}

/** A small disk of its own; nothing where no disk may be made, as without root. */
export function smallDisk(): { readonly path: string; readonly remove: () => void } | undefined {
  const place = mkdtempSync(join(QUICK, 'bienestar-disk-'));
  const [image, path] = [join(place, 'image'), join(place, 'disk')];
  mkdirSync(path);
  const done = (command: string, ...args: string[]): boolean =>
    spawnSync(command, args, { stdio: 'ignore' }).status === 0;
  const remove = (): void => {
    done('umount', '-l', path);
    rmSync(place, { recursive: true, force: true });
  };
  ftruncateSync(openSync(image, 'w'), DISK_BYTES);
  const isMade =
    done('mkfs.ext4', '-q', '-F', '-m', '0', image) && done('mount', '-o', 'loop', image, path);
  if (!isMade) {
    remove();
    return undefined;
  }
  chmodSync(place, 0o755);
  chmodSync(path, 0o755);
  return { path, remove };
}

/**
 * Fills the disk under a running house: looking things up must go on, writing must say so, nothing may
 * end, and all must go on when there is room again.
 */
export async function fillDisk(disk: string): Promise<FullDiskFound> {
  const of = await ownFolder(disk, 'built');
  const run = of.start();
  const api = `${await run.ready}/api`;
  const faults: string[] = [];
  const acknowledged: string[] = [];
  let refused = 0;
  let slowestReadMs = 0;
  const filler = join(disk, 'filler');
  const began = run.processes();

  const write = async (at: number): Promise<number> => {
    const id = `full-${at}`;
    const note = 'x'.repeat(100_000);
    const body = {
      id,
      name: `Full ${at}`,
      summary: note.slice(0, 1_900),
      steps: [],
      layerGroups: [],
      choices: [],
    };
    const steps = Array.from({ length: 60 }, (_, step) => ({
      id: `s${step}`,
      stretch: 'visit',
      name: 'x'.repeat(100),
      by: 'therapist',
      hands: 'hands-on',
      minutes: { least: 1, usual: 1, most: 1 },
      zones: [],
      doses: [],
      note: note.slice(0, 1_900),
    }));
    const answer = await fetch(`${api}/protocols`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'idempotency-key': id },
      body: JSON.stringify({ ...body, steps }),
      signal: AbortSignal.timeout(30_000),
    });
    const text = await answer.text();
    if (answer.status === 201 || answer.status === 200) acknowledged.push(id);
    else if (answer.status === 507) {
      refused += 1;
      if (!text.includes('the disk of this machine is full'))
        faults.push(`507 in other words: ${text}`);
    } else faults.push(`${answer.status}: ${text.slice(0, 200)}`);
    return answer.status;
  };
  const read = async (path: string): Promise<void> => {
    const at = Date.now();
    const answer = await fetch(`${api}/${path}`, { signal: AbortSignal.timeout(30_000) });
    await answer.text();
    slowestReadMs = Math.max(slowestReadMs, Date.now() - at);
    if (answer.status !== 200) faults.push(`${answer.status} for ${path} while the disk is full`);
  };

  for (let at = 0; at < 5; at += 1) await write(at);
  fill(filler, disk);
  for (let at = 5; at < MOST_WRITES && refused < 10; at += 1) {
    await write(at);
    if (at % 5 === 0) fill(filler, disk);
    if (refused > 0) for (const path of ['health', 'house', 'rooms', 'ledger']) await read(path);
  }
  if (refused < 10) faults.push('the disk was never full');
  const copy = await fetch(`${api}/copies`, { method: 'POST' });
  if (copy.status !== 507) faults.push(`${copy.status} for a safe copy on a full disk`);
  const now = run.processes();
  for (const [kind, pid] of Object.entries(began)) {
    if (now[kind as keyof typeof now] !== pid)
      faults.push(`${kind} ended: ${run.said().slice(-400)}`);
  }

  rmSync(filler);
  const room = Date.now();
  const isBack = await within(BACK_WITHIN_MS, async () => (await write(MOST_WRITES + 1)) < 300);
  const backAfterMs = Date.now() - room;
  if (!isBack) faults.push('it does not go on when there is room again');
  const there = (await (await fetch(`${api}/protocols`)).json()) as readonly {
    readonly id: string;
  }[];
  const ids = new Set(there.map(({ id }) => id));
  const lost = acknowledged.filter((id) => !ids.has(id)).length;
  if ((await run.stop()) !== 0) faults.push('it did not stop cleanly');
  return { acknowledged: acknowledged.length, lost, refused, slowestReadMs, backAfterMs, faults };
}

/** Writes until nothing more fits. */
function fill(file: string, disk: string): void {
  for (;;) {
    const free = statfsSync(disk);
    const bytes = Math.min(CHUNK.byteLength, free.bavail * free.bsize);
    if (bytes === 0) return;
    try {
      appendFileSync(file, CHUNK.subarray(0, bytes));
    } catch {
      return;
    }
  }
}
