import type { HouseArchive } from '@bienestar/core/house/archive';
import type { Checked, Fault } from './check';
import { createHouseChecker } from './houseChecker';
import { HOUSE_LISTS, type HouseList } from './houseParts';
import { plainText } from './plainInput';
import { HOUSE_FILE_FORMAT, HOUSE_FILE_VERSION, type HouseFile } from './schemas/houseFile';
import {
  fromVersion1,
  fromVersion2,
  fromVersion3,
  fromVersion4,
  fromVersion5,
  fromVersion6,
  fromVersion7,
  fromVersion8,
  fromVersion9,
} from './upgrade';

/** The versions of the house file that are read. */
const READ_VERSIONS: readonly number[] = [1, 2, 3, 4, 5, 6, 7, 8, 9, HOUSE_FILE_VERSION];

/**
 * Reads a house file from its text.
 * @returns the House with its memory, or every fault with its place: not JSON, another format or version, anything
 *   the schema refuses, ids that lead nowhere
 */
export function readHouseFile(content: string): Checked<HouseArchive> {
  let parsed: unknown;
  try {
    parsed = JSON.parse(content);
  } catch (error) {
    return { ok: false, faults: [notJson(error)] };
  }
  return checkHouse(parsed);
}

/** The fault of a file that is not JSON. */
export function notJson(error: unknown): Fault {
  const reason = error instanceof Error ? error.message : String(error);
  const message = `This is not a house file: it is not valid JSON (${plainText(reason)}).`;
  return { pointer: '', code: 'file.json', message };
}

/**
 * Checks a parsed house file.
 * @returns the House without the file's own keys, or every fault with its place
 */
export function checkHouse(parsed: unknown): Checked<HouseArchive> {
  const head = headFault(parsed);
  if (head) return { ok: false, faults: [head] };
  const { format: _format, formatVersion: _version, ...house } = latestHouseFile(parsed as Plain);
  const checker = createHouseChecker();
  for (const [key, value] of Object.entries(house)) {
    if (key === 'settings') checker.settings(value);
    else if (!isHouseList(key)) checker.unknown(key);
    else if (Array.isArray(value)) checker.rows(key, value);
    else checker.noList(key);
  }
  const checked = checker.end();
  return checked.ok ? { ok: true, value: house as unknown as HouseArchive } : checked;
}

/** Whether a key of a house file is one of its lists. */
export function isHouseList(key: string): key is HouseList {
  return Object.hasOwn(HOUSE_LISTS, key);
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

type Plain = Record<string, unknown>;

/** A house file of an earlier version in the words of the latest. */
export function latestHouseFile(file: Plain): Plain {
  const second = file.formatVersion === 1 ? fromVersion1(file, new Date()) : file;
  const third = second.formatVersion === 2 ? fromVersion2(second) : second;
  const fourth = third.formatVersion === 3 ? fromVersion3(third) : third;
  const fifth = fourth.formatVersion === 4 ? fromVersion4(fourth) : fourth;
  const sixth = fifth.formatVersion === 5 ? fromVersion5(fifth) : fifth;
  const seventh = sixth.formatVersion === 6 ? fromVersion6(sixth) : sixth;
  const eighth = seventh.formatVersion === 7 ? fromVersion7(seventh) : seventh;
  const ninth = eighth.formatVersion === 8 ? fromVersion8(eighth) : eighth;
  return ninth.formatVersion === 9 ? fromVersion9(ninth) : ninth;
}

/** What is wrong with the format or version of a file: the other keys need not be there yet. */
export function headFault(parsed: unknown): Fault | undefined {
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
