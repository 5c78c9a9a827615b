import { fileURLToPath } from 'node:url';

/**
 * The suppliers' price lists. This file and the built programs (tools/lib/build.mjs) both lie one folder
 * below the project.
 */
export const LISTS = fileURLToPath(new URL('../standins/supplier/lists', import.meta.url));
