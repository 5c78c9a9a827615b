import { waitFor } from '@testing-library/dom';
import { expect } from 'vitest';
import { checkAgainst } from '@bienestar/contract/check';
import { AGGREGATES } from '@bienestar/contract/rules';
import type { Protocol } from '@bienestar/core/house/house';
import { demoInBrowser, type DemoInBrowser } from './demoInBrowser';
import { atApp, WAIT_MS, type Alone, type AppPerson } from './atApp';

/** Somebody at the whole app with the demo house, which nobody answers. */
export interface PersonAtApp extends AppPerson, DemoInBrowser {
  /** the draft that waits to be sent, which is right by the rules of protocols */
  readonly draft: () => Promise<Protocol>;
}

/** Opens the app at an address, in a browser of its own that nobody answers. */
export async function personAtApp(path: string, alone?: Alone): Promise<PersonAtApp> {
  const browser = await demoInBrowser();
  const person = atApp(browser.store, alone);
  await person.goTo(path);
  return {
    ...browser,
    ...person,
    draft: async () => {
      const found = () =>
        browser.store
          .getState()
          .queue.writes.flatMap(({ change }) => (change.kind === 'draft' ? [change] : []));
      await waitFor(() => expect(found(), 'a draft waits to be sent').not.toHaveLength(0), {
        timeout: WAIT_MS,
      });
      const mine = found().at(-1)?.mine;
      expect(checkAgainst(AGGREGATES.protocols.schema, mine)).toMatchObject({ ok: true });
      return mine as Protocol;
    },
  };
}
