import { readFile } from 'node:fs/promises';
import { readHouseFile } from '@bienestar/contract/houseFile';
import type { House } from '@bienestar/core/house/house';
import { houseOf } from '@bienestar/core/stock/houseOf';

/** Says what is wrong on stderr, one a line, and ends with 1. */
export function complain(lines: readonly string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`);
  process.exit(1);
}

/**
 * The house of a house file, as it stands by its ledger. A file that cannot be read or has faults ends the program
 * with 1 and what is wrong, each with its place.
 */
export async function houseInFile(path: string): Promise<House> {
  const text = await readFile(path, 'utf8').catch((error: unknown) =>
    complain([`${path}: ${error instanceof Error ? error.message : 'cannot be read.'}`]),
  );
  const file = readHouseFile(text);
  if (!file.ok) {
    complain(file.faults.map((fault) => `${fault.pointer || '/'}: ${fault.message}`));
  }
  return houseOf(file.value);
}
