import { readFile, writeFile } from 'node:fs/promises';
import { readHouseFile } from '../../contract/houseFile';
import { HOUSE_FILE_FORMAT, HOUSE_FILE_VERSION } from '../../contract/schemas/houseFile';
import { makeLog } from './makeLog';

/* npm run demo:log — makes the logbook of the demo house anew, from the truths. */
const DEMO = new URL('../../demo/casa-cenera.house.json', import.meta.url);
/** They are many: each stands on a line of its own. */
const ON_ONE_LINE = ['logbookPlans', 'logbook'] as const;

const read = readHouseFile(await readFile(DEMO, 'utf8'));
if (!read.ok) throw new Error(JSON.stringify(read.faults));
const house = { ...read.value, ...makeLog(read.value) };
const file = { format: HOUSE_FILE_FORMAT, formatVersion: HOUSE_FILE_VERSION, ...house };
let text = JSON.stringify(
  { ...file, ...Object.fromEntries(ON_ONE_LINE.map((list) => [list, list])) },
  null,
  1,
);
for (const list of ON_ONE_LINE) {
  const rows = house[list].map((row) => `  ${JSON.stringify(row)}`).join(',\n');
  text = text.replace(`"${list}": "${list}"`, () => `"${list}": [\n${rows}\n ]`);
}
await writeFile(DEMO, `${text}\n`);
