import { mkdtemp, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { TestProject } from 'vitest/node';
import { openDatabase } from '../../tools/lib/database.mjs';
import { QUICK } from '../../tools/lib/paths.mjs';

declare module 'vitest' {
  export interface ProvidedContext {
    databaseUrl: string;
  }
}

/** Starts a MariaDB in a folder that goes again with the tests. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const folder = await mkdtemp(join(QUICK, 'bienestar-test-'));
  const database = await openDatabase(folder, () => undefined);
  project.provide('databaseUrl', database.url);
  return async () => {
    await database.stop();
    await rm(folder, { recursive: true, force: true });
  };
}
