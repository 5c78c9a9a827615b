import { fileURLToPath } from 'node:url';

/*
 * Where things lie. This file and the built programs (tools/lib/build.mjs) both lie one folder below the
 * project, so that what is said from here is true of both.
 */

const isBuilt = !import.meta.url.endsWith('.ts');

/** @param path from the project's folder */
function inProject(path: string): string {
  return fileURLToPath(new URL(`../${path}`, import.meta.url));
}

/** The built web app. */
export const PAGES = inProject('web/dist');

/** The demo house as it was written. */
export const DEMO = inProject('demo/casa-cenera.house.json');

/** The program that opens a house file beside the server, and how Node runs it. */
export const OPENING = isBuilt
  ? { program: inProject('dist/openHouse.js'), execArgv: ['--enable-source-maps'] }
  : { program: inProject('server/house/openHouseProcess.ts'), execArgv: ['--import', 'tsx'] };
