import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { needAll } from './lib/needs.mjs';
import { firstViewBytes, needBuild } from './lib/build.mjs';
import { OWN, ROOT } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { createSay, seconds, Told } from './lib/say.mjs';

/*
 * npm test: brings a machine to where everything can be tested, tests all of it, and says on its last
 * line how much passed and failed. Databases are thrown away, ports are free ones.
 */

const FIRST_VIEW_BUDGET = 175_000;
const began = performance.now();
const say = createSay(`${OWN}/log/test.log`);
const results = `${OWN}/results`;
let passed = 0;
let failed = 0;

/**
 * One check that passes or fails as a whole.
 * @param {string} what
 * @param {() => Promise<string | undefined>} find what is wrong, if anything
 */
async function check(what, find) {
  const start = performance.now();
  const wrong = await find().catch((error) =>
    String(error instanceof Told ? error.message : error.stack),
  );
  if (wrong === undefined) passed += 1;
  else failed += 1;
  say.line(`  ${wrong === undefined ? 'ok    ' : 'FAILED'} ${what} (${seconds(start)})`);
  if (wrong !== undefined) say.line(wrong);
}

/**
 * @param {string} what
 * @param {string} program of node_modules/.bin
 * @param {readonly string[]} args
 */
function checkProgram(what, program, args) {
  return check(what, async () => {
    const { code, output } = await run(`${ROOT}/node_modules/.bin/${program}`, args, {
      log: say.log,
      gives: true,
    });
    return code === 0 ? undefined : output;
  });
}

/**
 * Tests of one Vitest configuration, each counted.
 * @param {string} what
 * @param {readonly string[]} args
 */
async function runTests(what, args) {
  const start = performance.now();
  const file = `${results}/${what.replaceAll(' ', '-')}.json`;
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
  const { code, output } = await run(
    `${ROOT}/node_modules/.bin/vitest`,
    ['run', ...args, ...reporters],
    {
      env: { ...process.env, NO_COLOR: '1', CI: 'true' },
      log: say.log,
    },
  );
  const counted = countsIn(file);
  passed += counted.passed;
  failed += counted.failed;
  const ok = code === 0 && counted.failed === 0;
  if (!ok && counted.failed === 0) failed += 1;
  say.line(
    `  ${ok ? 'ok    ' : 'FAILED'} ${what}: ${counted.passed} passed, ${counted.failed} failed (${seconds(start)})`,
  );
  if (!ok) say.line(output);
}

/** @param {string} file */
function countsIn(file) {
  try {
    const { numPassedTests, numFailedTests } = JSON.parse(readFileSync(file, 'utf8'));
    return { passed: Number(numPassedTests), failed: Number(numFailedTests) };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

async function checkBudget() {
  const bytes = firstViewBytes();
  const words = `${(bytes / 1000).toFixed(1)} kB gzipped of ${FIRST_VIEW_BUDGET / 1000} kB`;
  say.line(`         script of the first view: ${words}`);
  return bytes <= FIRST_VIEW_BUDGET ? undefined : `The first view loads ${words}.`;
}

/** What needs nothing but the code. */
async function readCode() {
  /* The linter has the types of every workspace at hand, each by its own tsconfig: what the compiler says is
     told there, without reading all of it once more. */
  await checkProgram('types, lint and direction of imports', 'oxlint', [
    '-c',
    'oxlint.config.mjs',
    '--type-check',
  ]);
  await checkProgram('format', 'oxfmt', ['--check']);
  await checkProgram('unused code', 'knip', []);
}

/** What builds the app, and tests it without a server. */
async function runApp() {
  await check('production build', async () => {
    await needBuild(say);
    return undefined;
  });
  await check('script budget', checkBudget);
  await runTests('unit tests', []);
}

/** What runs the app as it is served, where answers are timed. */
async function runServed() {
  await runTests('server tests', ['--config', 'server/vitest.config.ts']);
  await runTests('journeys in the browser', ['--config', 'e2e/vitest.config.ts']);
}

try {
  say.line('Bienestar, tests');
  rmSync(results, { recursive: true, force: true });
  mkdirSync(results, { recursive: true });
  await needAll(['mariadb-server', 'chromium-headless-shell'], say);
  /* What reads the code fills what the unit tests leave free; where times are to be kept, nothing runs beside. */
  await Promise.all([readCode(), runApp()]);
  await runServed();
} catch (error) {
  failed += 1;
  say.line(
    error instanceof Told ? error.message : String(error instanceof Error ? error.stack : error),
  );
}
say.line(`All of it took ${seconds(began)}. Details: ${say.logFile}`);
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
