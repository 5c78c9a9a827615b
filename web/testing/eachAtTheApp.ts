import type { Alone } from './atApp';
import { eachInAnEmptyDocument } from './forms';
import { personAtApp, type PersonAtApp } from './personAtApp';

/** Somebody at the app whom nobody answers, once it is opened. */
interface OpeningPerson extends PersonAtApp {
  /** opens the app at an address, or what stands there alone, in an empty browser */
  readonly openApp: (path: string, alone?: Alone) => Promise<void>;
}

/** The person of each test of a file; after it the document is empty. */
export function eachAtTheApp(): OpeningPerson {
  let person: PersonAtApp | undefined;
  eachInAnEmptyDocument();
  const openApp: OpeningPerson['openApp'] = async (path, alone) => {
    person = await personAtApp(path, alone);
  };
  return new Proxy({ openApp } as OpeningPerson, {
    get: (own, name: keyof OpeningPerson) => (name === 'openApp' ? own.openApp : person?.[name]),
  });
}
