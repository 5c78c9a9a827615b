import type { TestProject } from 'vitest/node';
import { launchBrowser } from './browser';
import { serveHouse } from './servedHouse';

declare module 'vitest' {
  export interface ProvidedContext {
    houseUrl: string;
    browserEndpoint: string;
  }
}

/** One server and one browser for all journeys. */
export default async function setup(project: TestProject): Promise<() => Promise<void>> {
  const house = await serveHouse();
  const browser = await launchBrowser();
  project.provide('houseUrl', house.url);
  project.provide('browserEndpoint', browser.wsEndpoint());
  return async () => {
    await browser.close();
    await house.close();
  };
}
