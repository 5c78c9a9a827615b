import type { House } from '@bienestar/core/house/house';
import { checkAgainst, type Checked, type Fault } from './check';
import { danglingIn, faultsWithinProtocol } from './references';
import {
  HOUSE_FILE_FORMAT,
  HOUSE_FILE_VERSION,
  houseFile,
  type HouseFile,
} from './schemas/houseFile';

/** The largest house file that is read, in bytes. */
export const LARGEST_HOUSE_FILE = 16 * 1024 * 1024;

/**
 * Reads a house file from its text.
 * @returns the House, or every fault with its place: not JSON, another format or version, anything
 *   the schema refuses, ids that lead nowhere
 */
export function readHouseFile(content: string): Checked<House> {
  if (content.length > LARGEST_HOUSE_FILE) {
    return refused('file.size', 'A house file holds at most 16 MB; this one is larger.');
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
export function checkHouse(parsed: unknown): Checked<House> {
  const head = checkHead(parsed);
  if (head) return { ok: false, faults: [head] };
  const checked = checkAgainst(houseFile, parsed);
  if (!checked.ok) return checked;
  const { format: _format, formatVersion: _version, ...house } = checked.value;
  const faults = [
    ...danglingIn(house),
    ...house.protocols.flatMap((protocol, at) =>
      faultsWithinProtocol(protocol).map((fault) => ({
        ...fault,
        pointer: `/protocols/${at}${fault.pointer}`,
      })),
    ),
  ];
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: house };
}

/** A House as the text of a house file. */
export function writeHouseFile(house: House): string {
  const file: HouseFile = {
    format: HOUSE_FILE_FORMAT,
    formatVersion: HOUSE_FILE_VERSION,
    ...house,
  };
  return `${JSON.stringify(file, null, 2)}\n`;
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
  if (version !== HOUSE_FILE_VERSION) {
    return {
      pointer: '/formatVersion',
      code: 'file.version',
      message: `This house file has version ${version === undefined ? 'none' : JSON.stringify(version)}; version ${HOUSE_FILE_VERSION} is read here.`,
    };
  }
  return undefined;
}

function refused(code: string, message: string): Checked<never> {
  return { ok: false, faults: [{ pointer: '', code, message }] };
}
