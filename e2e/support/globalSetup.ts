import type { TestProject } from 'vitest/node';
import { launchBrowser } from './browser';
import { bundleWorkers } from '../../web/testing/workers/bundleWorkers';
import { bundleApp } from './bundleApp';
import { bundleInPage } from './bundleInPage';
import { startStandIns } from '../../tools/lib/standIns.mjs';
import { makeHouse, serveHouse, type Outside } from './servedHouse';
import { databaseAt, keepTemplate, leaveDatabases } from '../../server/testing/template';
import { TEMPLATE } from './ownHouse';

declare module 'vitest' {
  export interface ProvidedContext {
    /** of the houses, one for each worker */
    houses: readonly {
      readonly url: string;
      readonly suppliers: string;
      readonly databaseUrl: string;
      readonly outside: Outside;
    }[];
    /** the folder of the demo house, of which others are copies */
    madeHouse: string;
    browserEndpoint: string;
    /** runs in each page */
    inPage: string;
    /** the file in which the app stands that runs in a document */
    appInDocument: string;
  }
}

/** A house for each of the workers, and one browser for all journeys. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const started: (() => Promise<void>)[] = [];
  const closeAll = async (): Promise<void> => {
    await Promise.all(started.map((close) => close()));
  };
  const closeLater = async <T extends { close: () => Promise<void> }>(
    starting: Promise<T>,
  ): Promise<T> => {
    const one = await starting;
    started.push(() => one.close());
    return one;
  };
  const browser = closeLater(launchBrowser());
  const made = closeLater(
    makeHouse(async (databaseUrl) => {
      await keepTemplate(databaseAt(databaseUrl), TEMPLATE);
      await leaveDatabases();
    }),
  );
  const houses = Array.from({ length: project.config.maxWorkers }, async () => {
    const outside = await closeLater(standIns());
    const house = await closeLater(serveHouse((await made).folder, outside.env));
    return { ...house, outside: outside.env };
  });
  const outcomes = await Promise.allSettled([browser, made, ...houses]);
  const failed = outcomes.find((outcome) => outcome.status === 'rejected');
  if (failed) {
    await closeAll();
    throw failed.reason;
  }
  try {
    const served = await Promise.all(houses);
    project.provide(
      'houses',
      served.map(({ url, suppliers, databaseUrl, outside }) => ({
        url,
        suppliers,
        databaseUrl,
        outside,
      })),
    );
    project.provide('madeHouse', (await made).folder);
    project.provide('inPage', await bundleInPage());
    project.provide('appInDocument', await bundleApp());
    project.provide('workers', await bundleWorkers());
    project.provide('browserEndpoint', (await browser).wsEndpoint());
  } catch (error) {
    await closeAll();
    throw error;
  }
  return closeAll;
}

async function standIns() {
  const { env, stop } = await startStandIns(() => undefined);
  return { env, close: stop };
}
