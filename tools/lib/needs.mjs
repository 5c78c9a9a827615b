import { accessSync, constants, existsSync, mkdirSync, readFileSync } from 'node:fs';
import { OWN, ROOT } from './paths.mjs';
import { run } from './run.mjs';
import { Told } from './say.mjs';

const FOLDERS = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/local/sbin'];

/** The Debian packages that may be needed, and the programs by which they are known to be there. */
const PROGRAMS = {
  'mariadb-server': ['mariadbd', 'mariadb-install-db'],
  'chromium-headless-shell': ['chromium-headless-shell'],
};

/** @typedef {keyof typeof PROGRAMS} DebianPackage */

/**
 * The path of an installed program, or nothing.
 * @param {string} program
 */
export function programPath(program) {
  return FOLDERS.map((folder) => `${folder}/${program}`).find((path) => {
    try {
      accessSync(path, constants.X_OK);
      return true;
    } catch {
      return false;
    }
  });
}

/**
 * Installs the Debian packages that are missing; says in a sentence what to do where it may not.
 * @param {readonly DebianPackage[]} packages
 * @param {import('./say.mjs').Say} say
 */
async function needDebian(packages, say) {
  const missing = packages.filter((name) => !PROGRAMS[name].every(programPath));
  if (missing.length === 0) return;
  const names = missing.join(' ');
  if (process.getuid?.() !== 0 || !programPath('apt-get')) {
    const else_ = missing.includes('mariadb-server')
      ? ', or set DATABASE_URL to a MariaDB server that is already there'
      : '';
    throw new Told(`${names} is missing: run “sudo apt-get install ${names}”${else_}.`);
  }
  await say.step(`installing ${names} from Debian`, async () => {
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    await run('apt-get', ['update'], { env, log: say.log });
    const args = ['install', '-y', '--no-install-recommends', ...missing];
    const { code } = await run('apt-get', args, { env, log: say.log });
    if (code !== 0 || !missing.every((name) => PROGRAMS[name].every(programPath))) {
      throw new Told(
        `${names} could not be installed: run “apt-get install ${names}” and see what it says.`,
      );
    }
  });
}

/**
 * Whether the packages of the lock file, but for those that only some machines need, are all there. npm writes
 * down what it has installed when it is through, whoever called it.
 * @returns {boolean}
 */
function areInstalled() {
  const installed = `${ROOT}/node_modules/.package-lock.json`;
  if (!existsSync(installed)) return false;
  const there = packagesOf(installed);
  return Object.entries(packagesOf(`${ROOT}/package-lock.json`))
    .filter(([path, { optional, peer }]) => path.includes('node_modules/') && !optional && !peer)
    .every(
      ([path, { version, integrity }]) =>
        there[path]?.version === version &&
        there[path]?.integrity === integrity &&
        existsSync(`${ROOT}/${path}`),
    );
}

/**
 * The packages that a lock file lists, by where they lie.
 * @param {string} file
 */
function packagesOf(file) {
  /** @type {{ packages: Record<string, { version?: string, integrity?: string, optional?: boolean, peer?: boolean }> }} */
  const { packages } = JSON.parse(readFileSync(file, 'utf8'));
  return packages;
}

/**
 * Installs the npm packages of the lock file, when they are not those that are there, or not all there.
 * @param {import('./say.mjs').Say} say
 */
async function needNpm(say) {
  if (areInstalled()) return;
  await say.step('installing npm packages', async () => {
    const { code } = await run('npm', ['ci', '--no-audit', '--no-fund'], { log: say.log });
    if (code !== 0) {
      throw new Told(
        `The npm packages could not be installed: run “npm ci”, or see ${say.logFile}.`,
      );
    }
  });
  mkdirSync(OWN, { recursive: true });
}

/**
 * All that is missing, from Debian and from npm at the same time; what cannot be had is said when the other is through.
 * @param {readonly DebianPackage[]} packages
 * @param {import('./say.mjs').Say} say
 */
export async function needAll(packages, say) {
  const outcomes = await Promise.allSettled([needDebian(packages, say), needNpm(say)]);
  const failed = outcomes.find(({ status }) => status === 'rejected');
  if (failed?.status === 'rejected') throw failed.reason;
}
