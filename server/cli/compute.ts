import { readFile } from 'node:fs/promises';
import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { houseOf } from '@bienestar/core/stock/houseOf';
import { createRestocker } from '@bienestar/core/restock/restocker';
import { houseReport } from '@bienestar/core/report/houseReport';
import { readHouseFile } from '@bienestar/contract/houseFile';

/*
 * npm run -s compute -- FILE
 * Prints every figure of a house file as JSON. Problems go to stderr, one a line with its place, and
 * the exit code is 1.
 */

function complain(lines: readonly string[]): never {
  process.stderr.write(`${lines.join('\n')}\n`);
  process.exit(1);
}

async function readText(path: string): Promise<string> {
  try {
    return await readFile(path, 'utf8');
  } catch (error) {
    return complain([`${path}: ${error instanceof Error ? error.message : 'cannot be read.'}`]);
  }
}

const [path] = process.argv.slice(2);
if (path === undefined) complain(['Name a house file: npm run -s compute -- FILE']);
const file = readHouseFile(await readText(path));
if (!file.ok) {
  complain(file.faults.map((fault) => `${fault.pointer || '/'}: ${fault.message}`));
}
const house = houseOf(file.value);
const figures = createCalculator()(house);
const report = houseReport(house, figures, createRestocker()(house, figures, new Date()));
if (!report.ok) {
  complain(
    report.problems.map((problem) => `${JSON.stringify(problem.where)}: ${problem.message}`),
  );
}
process.stdout.write(`${JSON.stringify(report.value)}\n`);
