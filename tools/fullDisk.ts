import { fillDisk, smallDisk } from './reliability/fullDisk';

/* npm run full-disk: a house on a small disk of its own that runs full, and has room again. Needs root. */

const disk = smallDisk();
if (!disk) {
  process.stdout.write('No disk may be made here: run it as root.\n');
  process.exit(1);
}
const found = await fillDisk(disk.path);
disk.remove();
process.stdout.write(`${JSON.stringify(found, null, 1)}\n`);
process.exitCode = found.lost === 0 && found.faults.length === 0 ? 0 : 1;
