import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { Told } from './say.mjs';

const WEB = ['web', 'core', 'contract', 'package-lock.json'];
const PROGRAM = [...WEB, 'server', 'standins'];
const PAGES = `${ROOT}/web/dist`;
export const PROGRAMS = `${ROOT}/dist`;

/** The programs that run beside this one, and where each begins. */
export const ENTRIES = {
  server: 'server/main.ts',
  openHouse: 'server/house/openHouseProcess.ts',
  scale: 'standins/scale/main.ts',
  supplier: 'standins/supplier/main.ts',
  bookings: 'standins/bookings/main.ts',
};

/**
 * @typedef {keyof typeof ENTRIES} Program
 */

/**
 * How Node runs one of the programs, in the project's folder.
 * @param {Program} program
 * @returns {string[]}
 */
export function commandFor(program) {
  return ['--enable-source-maps', `dist/${program}.js`];
}

/**
 * Builds the web app and the programs when their sources are not those they were built from.
 * @param {import('./say.mjs').Say} say
 */
export async function needBuild(say) {
  await needBuilt('building the web app', WEB, PAGES, say, ['web']);
  await needBuilt('building the programs', PROGRAM, PROGRAMS, say, [
    '--config',
    'tools/programs.vite.mjs',
  ]);
}

/**
 * @param {string} what
 * @param {readonly string[]} sources
 * @param {string} folder where it goes
 * @param {import('./say.mjs').Say} say
 * @param {readonly string[]} args of the builder
 */
async function needBuilt(what, sources, folder, say, args) {
  const now = fingerprint(sources);
  const mark = `${folder}/.built-from`;
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  await say.step(what, async () => {
    rmSync(folder, { recursive: true, force: true });
    const { code } = await run(`${ROOT}/node_modules/.bin/vite`, ['build', ...args], {
      log: say.log,
    });
    if (code !== 0) throw new Told(`It does not build: see ${say.logFile}.`);
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
  const manifest = JSON.parse(readFileSync(`${PAGES}/.vite/manifest.json`, 'utf8'));
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
    .map((key) => gzipSync(readFileSync(`${PAGES}/${manifest[key]?.file}`)).byteLength)
    .reduce((sum, bytes) => sum + bytes, 0);
}

/** A mark of this version of the program: another one may read and write the house otherwise. */
export function programMark() {
  return fingerprint(PROGRAM);
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
    if (/\.test\.tsx?$/.test(path)) return;
    hash.update(path.slice(ROOT.length)).update(readFileSync(path));
  };
  for (const source of sources) visit(`${ROOT}/${source}`);
  return hash.digest('hex');
}
