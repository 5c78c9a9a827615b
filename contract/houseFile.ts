import type { HouseArchive } from '@bienestar/core/house/archive';
import { checkAgainst, type Checked, type Fault } from './check';
import { faultsWithinLedger } from './ledgerFaults';
import { danglingIn, faultsWithinWriting } from './references';
import {
  HOUSE_FILE_FORMAT,
  HOUSE_FILE_VERSION,
  houseFile,
  type HouseFile,
} from './schemas/houseFile';
import { fromVersion1, fromVersion2, fromVersion3, fromVersion4 } from './upgrade';

/** The versions of the house file that are read. */
const READ_VERSIONS: readonly number[] = [1, 2, 3, 4, HOUSE_FILE_VERSION];

/** The largest house file that is read, in bytes. */
export const LARGEST_HOUSE_FILE = 40 * 1024 * 1024;

/**
 * Reads a house file from its text.
 * @returns the House with its memory, or every fault with its place: not JSON, another format or version, anything
 *   the schema refuses, ids that lead nowhere
 */
export function readHouseFile(content: string): Checked<HouseArchive> {
  if (content.length > LARGEST_HOUSE_FILE) {
    return refused('file.size', 'A house file holds at most 40 MB; this one is larger.');
  }
  let parsed: unknown;
  try {
    parsed = JSON.parse(content);
  } catch (error) {
    const reason = error instanceof Error ? error.message : String(error);
    return refused('file.json', `This is not a house file: it is not valid JSON (${reason}).`);
  }
  return checkHouse(parsed);
}

/**
 * Checks a parsed house file.
 * @returns the House without the file's own keys, or every fault with its place
 */
export function checkHouse(parsed: unknown): Checked<HouseArchive> {
  const head = checkHead(parsed);
  if (head) return { ok: false, faults: [head] };
  const checked = checkAgainst(houseFile, latest(parsed));
  if (!checked.ok) return checked;
  const { format: _format, formatVersion: _version, ...house } = checked.value;
  const dangling = danglingIn(house);
  const faults = [
    ...dangling,
    /* A ledger of things that are not there would only repeat that. */
    ...(dangling.length === 0 ? faultsWithinLedger(house) : []),
    ...(['blocks', 'protocols'] as const).flatMap((list) =>
      house[list].flatMap((writing, at) =>
        faultsWithinWriting(writing).map((fault) => ({
          ...fault,
          pointer: `/${list}/${at}${fault.pointer}`,
        })),
      ),
    ),
  ];
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: house };
}

/** A House as the text of a house file. */
export function writeHouseFile(house: HouseArchive): string {
  const file: HouseFile = {
    format: HOUSE_FILE_FORMAT,
    formatVersion: HOUSE_FILE_VERSION,
    ...house,
  };
  return `${JSON.stringify(file, null, 1)}\n`;
}

/** Earlier versions in the words of the latest. */
function latest(parsed: unknown): unknown {
  const file = parsed as Record<string, unknown>;
  const second = file.formatVersion === 1 ? fromVersion1(file, new Date()) : file;
  const third = second.formatVersion === 2 ? fromVersion2(second) : second;
  const fourth = third.formatVersion === 3 ? fromVersion3(third) : third;
  return fourth.formatVersion === 4 ? fromVersion4(fourth) : fourth;
}

function checkHead(parsed: unknown): Fault | undefined {
  const head = typeof parsed === 'object' && parsed !== null ? parsed : {};
  const format = 'format' in head ? head.format : undefined;
  const version = 'formatVersion' in head ? head.formatVersion : undefined;
  if (format !== HOUSE_FILE_FORMAT) {
    return {
      pointer: '/format',
      code: 'file.format',
      message: `This is not a house file: its “format” must be “${HOUSE_FILE_FORMAT}”.`,
    };
  }
  if (typeof version !== 'number' || !READ_VERSIONS.includes(version)) {
    return {
      pointer: '/formatVersion',
      code: 'file.version',
      message: `This house file has version ${version === undefined ? 'none' : JSON.stringify(version)}; versions 1 to ${HOUSE_FILE_VERSION} are read here.`,
    };
  }
  return undefined;
}

function refused(code: string, message: string): Checked<never> {
  return { ok: false, faults: [{ pointer: '', code, message }] };
}
