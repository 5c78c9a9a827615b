import { writeFile } from 'node:fs/promises';
import { houseFileJsonSchema } from '@bienestar/contract/houseFileSchema';

/* npm run docs:schema — writes docs/house-file.schema.json from the Joi schemas. */
const target = new URL('../docs/house-file.schema.json', import.meta.url);
await writeFile(target, `${JSON.stringify(houseFileJsonSchema(), null, 2)}\n`);
