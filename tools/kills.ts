import { killProcesses } from './reliability/kills';
import { ownFolder } from './reliability/startedHouse';

/*
 * npm run kills -- [KILLS] [SEED]
 * Kills random processes of a house of its own while somebody writes, and says what came of it.
 */

const [kills = 100, seed = 1] = process.argv.slice(2).map(Number);
const folder = await ownFolder(undefined, 'built');
const found = await killProcesses(folder, kills, seed);
await folder.remove();
const { acknowledged, lost, slowestUpMs, rounds } = found;
process.stdout.write(
  `${found.kills} kills in ${rounds} rounds: ${acknowledged} acknowledged writes, ${lost} lost or twice; up again after ${(slowestUpMs / 1000).toFixed(1)} s at most\n`,
);
for (const fault of found.faults) process.stdout.write(`FAULT ${fault}\n`);
process.exitCode = lost === 0 && found.faults.length === 0 ? 0 : 1;
