import { setTimeout as pause } from 'node:timers/promises';
import { afterEach, beforeEach, inject, vi } from 'vitest';
import type * as Store from '../../web/store/store';
import type { AppPerson } from '../../web/testing/atApp';
import type * as InDocument from '../../web/testing/inDocument';
import { freshHouse, ownHouse } from './ownHouse';

/*
 * A person at the real app and the real house, in a document without a browser around it: for what is not about
 * looks, sizes, windows or workers, at a quarter of the time.
 */

const { atApp, cleanup, closeApp, emptyApp, openedApp } = (await import(
  inject('appInDocument')
)) as typeof InDocument;

const nodeFetch = fetch;
/** Node knows no page of which an address could be a part. */
const network =
  (writesAfterMs: number): typeof fetch =>
  async (asked, request) => {
    const all =
      asked instanceof Request ? asked : new Request(new URL(asked, location.href), request);
    if (all.method === 'PUT' && writesAfterMs > 0) await pause(writesAfterMs);
    return nodeFetch(all);
  };

/** The document in which all tests of this worker stand. */
declare const jsdom: { readonly reconfigure: (settings: { readonly url: string }) => void };

/** Somebody at the app in a document. */
interface PersonInDocument extends AppPerson {
  /** loads the page anew, when all is sent */
  readonly reload: () => Promise<void>;
}

/** How what is on its way is waited for. */
let quiet = (): Promise<void> => Promise.resolve();

/**
 * Each test of a file begins with the demo house, and with a person at it whose browser is empty.
 * @param slow how long it takes until what is written arrives there
 */
export function eachAtAFreshHouse(slow = { writesAfterMs: 0 }): PersonInDocument {
  let person: AppPerson | undefined;
  let store: typeof Store.store | undefined;
  const open = async (opening: typeof emptyApp): Promise<void> => {
    const { app } = await opening(network(slow.writesAfterMs));
    ({ store } = app);
    quiet = app.outbox.whenQuiet;
    person = atApp(app.store);
  };
  const reload = async (): Promise<void> => {
    await person?.waitFor(() => store?.getState().queue.writes.length === 0, 'all is sent');
    const place = person?.at() ?? '/';
    await leave();
    await open(openedApp);
    await person?.goTo(place);
  };
  beforeEach(async () => {
    await freshHouse();
    jsdom.reconfigure({ url: ownHouse().url });
    await open(emptyApp);
  });
  afterEach(async () => {
    await leave();
    vi.unstubAllGlobals();
  });
  return new Proxy({ reload } as PersonInDocument, {
    get: (own, name: keyof PersonInDocument) => (name === 'reload' ? own.reload : person?.[name]),
  });
}

/** Goes, and leaves nothing on its way. */
async function leave(): Promise<void> {
  cleanup();
  closeApp();
  await quiet();
}
