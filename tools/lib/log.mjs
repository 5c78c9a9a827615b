import {
  appendFileSync,
  chmodSync,
  existsSync,
  mkdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname } from 'node:path';

/** A log larger than this is put away, and a new one is begun. */
const LARGEST_BYTES = 5 * 1024 * 1024;
/** Old logs that are kept. */
const KEPT = 3;
const OWNER_ALONE = 0o600;

/**
 * A log file that only its owner reads and that never grows without end: file, file.1 to file.3. When
 * nothing can be written, as on a full disk, what should have been logged is lost and nothing else.
 * @param {string} file
 */
export function openLog(file) {
  let bytes = 0;

  function begin() {
    mkdirSync(dirname(file), { recursive: true });
    bytes = existsSync(file) ? statSync(file).size : 0;
    if (bytes > 0) chmodSync(file, OWNER_ALONE);
  }

  function turn() {
    rmSync(`${file}.${KEPT}`, { force: true });
    for (let at = KEPT - 1; at >= 1; at -= 1) {
      if (existsSync(`${file}.${at}`)) renameSync(`${file}.${at}`, `${file}.${at + 1}`);
    }
    renameSync(file, `${file}.1`);
    bytes = 0;
  }

  /** @param {string} text */
  function write(text) {
    const line = text.endsWith('\n') ? text : `${text}\n`;
    try {
      if (bytes > LARGEST_BYTES) turn();
      appendFileSync(file, line, { mode: OWNER_ALONE });
      bytes += Buffer.byteLength(line);
    } catch {
      /* There is nowhere to tell it. */
    }
  }

  try {
    begin();
  } catch {
    /* As above. */
  }
  return { file, write };
}
