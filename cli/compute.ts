import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { createRestocker } from '@bienestar/core/restock/restocker';
import { houseReport } from '@bienestar/core/report/houseReport';
import { complain, houseInFile } from './houseInFile';

/*
 * npm run -s compute -- FILE
 * Prints every figure of a house file as JSON. Problems go to stderr, one a line with its place, and
 * the exit code is 1.
 */

const [path] = process.argv.slice(2);
if (path === undefined) complain(['Name a house file: npm run -s compute -- FILE']);
const house = await houseInFile(path);
const figures = createCalculator()(house);
const report = houseReport(house, figures, createRestocker()(house, figures, new Date()));
if (!report.ok) {
  complain(
    report.problems.map((problem) => `${JSON.stringify(problem.where)}: ${problem.message}`),
  );
}
process.stdout.write(`${JSON.stringify(report.value)}\n`);
