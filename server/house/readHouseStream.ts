import { createReadStream } from 'node:fs';
import { readFile, stat } from 'node:fs/promises';
import type { HouseArchive } from '@bienestar/core/house/archive';
import type { Checked, Fault } from '@bienestar/contract/check';
import { createHouseChecker, type HouseChecker } from '@bienestar/contract/houseChecker';
import { headFault, isHouseList, latestHouseFile, notJson } from '@bienestar/contract/houseFile';
import {
  isGrowing,
  type GrowingList,
  type HeldHouse,
  type HouseList,
} from '@bienestar/contract/houseParts';
import { HOUSE_FILE_VERSION } from '@bienestar/contract/schemas/houseFile';
import { createJsonPieces, type Piece } from './jsonPieces';

/** Rows that are checked and passed on together. */
const ROWS_AT_ONCE = 1_000;
/** Rows of the journal hold whole things. */
const CHANGES_AT_ONCE = 100;
const CHUNK_BYTES = 64 * 1024;
/** Files of earlier versions, which never were large, are held whole. */
const LARGEST_BEFORE = 256 * 1024 * 1024;

/** Who takes the rows of what grows, run by run, as they are read and found right. */
export type TakeRows = <L extends GrowingList>(list: L, rows: HouseArchive[L]) => Promise<void>;

/** What goes along with reading. */
export interface ReadOptions {
  /** told the share that is read */
  readonly onProgress?: (share: number) => void;
  readonly signal?: AbortSignal;
}

/** What goes along with opening. */
export interface OpenOptions extends ReadOptions {
  /** is done before anything is made: of a file that is held whole, once it is right */
  readonly beforeOpening?: () => Promise<unknown>;
}

/**
 * Reads a house file of any size: what grows with the years is passed on as it is read, all else is
 * held. Rows come before it is known whether the rest is right, so `take` must be able to let go of them.
 * @returns the house without what grows, or every fault with its place
 */
export async function readHouseStream(
  path: string,
  take: TakeRows,
  { onProgress = () => undefined, signal }: ReadOptions = {},
): Promise<Checked<HeldHouse>> {
  const head = await headOf(path);
  if (!head.ok) return head;
  const fault = headFault(head.value);
  if (fault) return { ok: false, faults: [fault] };
  const runs = runsOf(take);
  if (head.value.formatVersion !== HOUSE_FILE_VERSION) {
    const whole = await readBefore(path);
    if (!whole.ok) return whole;
    for (const [key, value] of Object.entries(whole.value)) {
      runs.value(key, value);
      if (Array.isArray(value)) for (const row of value as unknown[]) runs.row(key, row);
      await runs.passOn();
    }
    return runs.end();
  }
  const { size } = await stat(path);
  let read = 0;
  for await (const chunk of piecesIn(path, signal)) {
    if (!chunk.ok) return chunk;
    for (const piece of chunk.value.pieces) {
      if (piece.kind === 'row') runs.row(piece.key, piece.value);
      else if (piece.kind === 'list') runs.value(piece.key, []);
      else runs.value(piece.key, piece.value);
    }
    await runs.passOn();
    if (runs.isHopeless()) return runs.end();
    read += chunk.value.bytes;
    onProgress(read / Math.max(1, size));
  }
  return runs.end();
}

/**
 * Reads a house file as `readHouseStream` does, and holds it whole: rows are passed on when all of it is right.
 * @returns what passes its rows on, run by run, and is then the house without them; or every fault with its place
 */
export async function readHouseHeld(
  path: string,
  options: ReadOptions = {},
): Promise<Checked<(take: TakeRows) => Promise<Checked<HeldHouse>>>> {
  const held: ((take: TakeRows) => Promise<void>)[] = [];
  const hold: TakeRows = (list, rows) => {
    held.push((take) => take(list, rows));
    return Promise.resolve();
  };
  const read = await readHouseStream(path, hold, options);
  if (!read.ok) return read;
  return {
    ok: true,
    value: async (take) => {
      for (const passOn of held) await passOn(take);
      return read;
    },
  };
}

/** Gathers rows into runs, checks them, and passes on those that are right. */
function runsOf(take: TakeRows) {
  const checker = createHouseChecker();
  const waiting = new Map<HouseList, unknown[]>();
  /* The next run is read and checked while the last one is taken. */
  let taking: Promise<void> = Promise.resolve();
  const check = async (list: HouseList, rows: readonly unknown[]): Promise<void> => {
    const right = checker.rows(list, rows);
    if (!right || !isGrowing(list)) return;
    await taking;
    taking = take(list, right as HouseArchive[typeof list]);
    taking.catch(() => undefined);
  };
  const passOn = async (all: boolean): Promise<void> => {
    /* A list is whole once the next has begun. It goes on before those that point to it, however few rows it has. */
    const newest = [...waiting.keys()].at(-1);
    for (const [list, rows] of waiting) {
      const isWhole = all || list !== newest;
      const most = list === 'journal' ? CHANGES_AT_ONCE : ROWS_AT_ONCE;
      let from = 0;
      while (rows.length - from >= most || (isWhole && from < rows.length)) {
        await check(list, rows.slice(from, from + most));
        from += most;
      }
      rows.splice(0, from);
    }
  };
  return {
    row: (list: string, row: unknown): void => {
      if (!isHouseList(list)) return;
      const rows = waiting.get(list);
      if (rows) rows.push(row);
      else waiting.set(list, [row]);
    },
    value: (key: string, value: unknown): void => {
      if (key === 'format' || key === 'formatVersion') return;
      if (key === 'settings') checker.settings(value);
      else if (!isHouseList(key)) checker.unknown(key);
      else if (Array.isArray(value)) checker.rows(key, []);
      else checker.noList(key);
    },
    passOn: () => passOn(false),
    isHopeless: (): boolean => checker.isHopeless(),
    end: async (): Promise<ReturnType<HouseChecker['end']>> => {
      await passOn(true);
      await taking;
      return checker.end();
    },
  };
}

interface Chunk {
  readonly pieces: readonly Piece[];
  readonly bytes: number;
}

/** The pieces of a JSON file, chunk by chunk; a fault ends it. */
async function* piecesIn(path: string, signal?: AbortSignal): AsyncGenerator<Checked<Chunk>> {
  const pieces = createJsonPieces();
  try {
    const chunks = createReadStream(path, { signal, highWaterMark: CHUNK_BYTES });
    for await (const chunk of chunks as AsyncIterable<Buffer>) {
      yield { ok: true, value: { pieces: pieces.take(chunk), bytes: chunk.byteLength } };
    }
    pieces.end();
  } catch (error) {
    if (signal?.aborted || isFromDisk(error)) throw error;
    yield { ok: false, faults: [notJson(error)] };
  }
}

function isFromDisk(error: unknown): boolean {
  return error instanceof Error && 'syscall' in error;
}

/** What a file says of its format, which usually stands in front. */
async function headOf(path: string): Promise<Checked<Record<string, unknown>>> {
  const head: Record<string, unknown> = {};
  for await (const chunk of piecesIn(path)) {
    if (!chunk.ok) return chunk;
    for (const piece of chunk.value.pieces) {
      if (piece.kind === 'value') head[piece.key] = piece.value;
    }
    if ('format' in head && 'formatVersion' in head) break;
  }
  return { ok: true, value: head };
}

async function readBefore(path: string): Promise<Checked<Record<string, unknown>>> {
  if ((await stat(path)).size > LARGEST_BEFORE) {
    const message = 'A house file of an earlier version holds at most 256 MB; this one is larger.';
    const fault: Fault = { pointer: '', code: 'file.size', message };
    return { ok: false, faults: [fault] };
  }
  try {
    const {
      format: _format,
      formatVersion: _version,
      ...house
    } = latestHouseFile(JSON.parse(await readFile(path, 'utf8')) as Record<string, unknown>);
    return { ok: true, value: house };
  } catch (error) {
    return { ok: false, faults: [notJson(error)] };
  }
}
