import { houseFile } from './schemas/houseFile';

/** The JSON Schema (draft 2020-12) of the house file, made from the schemas that the server checks with. */
export function houseFileJsonSchema(): Record<string, unknown> {
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Bienestar house file',
    ...houseFile['~standard'].jsonSchema.input({ target: 'draft-2020-12' }),
  };
}
