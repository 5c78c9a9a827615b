import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { Told } from './say.mjs';

const SOURCES = ['web', 'core', 'contract', 'package-lock.json'];
const DIST = `${ROOT}/web/dist`;

/**
 * Builds the web app when its sources are not those it was built from.
 * @param {import('./say.mjs').Say} say
 */
export async function needPages(say) {
  const now = fingerprint(SOURCES);
  const mark = `${DIST}/.built-from`;
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  await say.step('building the web app', async () => {
    rmSync(DIST, { recursive: true, force: true });
    const { code } = await run(`${ROOT}/node_modules/.bin/vite`, ['build', 'web'], {
      log: say.log,
    });
    if (code !== 0) throw new Told(`The web app does not build: see ${say.logFile}.`);
    writeFileSync(mark, now);
  });
}

/** The place to which the first view leads. */
const LANDING = 'places/protocols/ProtocolsPlace.tsx';

/**
 * The gzipped bytes of script that the first view loads: the entry, the place one lands on, and all that they
 * import at once.
 * @returns {number}
 */
export function firstViewBytes() {
  /** @type {Record<string, { file: string, isEntry?: boolean, imports?: string[] }>} */
  const manifest = JSON.parse(readFileSync(`${DIST}/.vite/manifest.json`, 'utf8'));
  const seen = new Set();
  const visit = (/** @type {string} */ key) => {
    if (seen.has(key)) return;
    if (!manifest[key]) throw new Error(`${key} was not built.`);
    seen.add(key);
    manifest[key]?.imports?.forEach(visit);
  };
  for (const [key, chunk] of Object.entries(manifest)) if (chunk.isEntry) visit(key);
  visit(LANDING);
  return [...seen]
    .map((key) => gzipSync(readFileSync(`${DIST}/${manifest[key]?.file}`)).byteLength)
    .reduce((sum, bytes) => sum + bytes, 0);
}

/** A mark of this version of the program: another one may read and write the house otherwise. */
export function programMark() {
  return fingerprint([...SOURCES, 'server']);
}

/**
 * What sources are, by their contents.
 * @param {readonly string[]} sources
 */
function fingerprint(sources) {
  const hash = createHash('sha256');
  const visit = (/** @type {string} */ path) => {
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) {
        if (name !== 'node_modules' && name !== 'dist') visit(`${path}/${name}`);
      }
      return;
    }
    if (path.endsWith('.test.ts')) return;
    hash.update(path.slice(ROOT.length)).update(readFileSync(path));
  };
  for (const source of sources) visit(`${ROOT}/${source}`);
  return hash.digest('hex');
}
