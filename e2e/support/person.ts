import { setTimeout as pause } from 'node:timers/promises';
import puppeteer, {
  type Browser,
  type ElementHandle,
  type JSHandle,
  type Page,
} from 'puppeteer-core';
import { expect, inject } from 'vitest';
import type { Shown, Target } from './inPage';
import { ownHouse } from './ownHouse';

const WAIT_MS = 30_000;
const POLL_MS = 30;
/** What is not seen must stay away this long. */
const STAYS_AWAY_MS = 400;
/** What the browser itself logs when a test makes the server refuse or vanish. */
const EXPECTED_NOISE = /Failed to load resource/;

/** A person at a window of the app, who finds things by their role and label. */
export interface Person {
  readonly page: Page;
  readonly goTo: (path: string) => Promise<void>;
  /** goes on inside the open page, as by a link; what was asked for before is not asked for again */
  readonly moveTo: (path: string) => Promise<void>;
  readonly find: (role: string, name: string) => Promise<ElementHandle>;
  readonly click: (role: string, name: string) => Promise<void>;
  /** puts text in the place of what a field holds */
  readonly fill: (label: string, text: string) => Promise<void>;
  /** the same for a field of another role, such as a searchbox */
  readonly fillIn: (role: string, label: string, text: string) => Promise<void>;
  readonly valueOf: (label: string) => Promise<string>;
  readonly choose: (label: string, option: string) => Promise<void>;
  readonly sees: (text: string | RegExp) => Promise<void>;
  /** it goes, and stays away */
  readonly seesNot: (text: string | RegExp) => Promise<void>;
  readonly waitFor: (what: () => Promise<boolean>, why: string) => Promise<void>;
  readonly text: (role: string, name: string) => Promise<string>;
  /** the name of the control that opens the working of a figure, which ends in the figure */
  readonly figure: (label: string) => Promise<string>;
  readonly saved: () => Promise<void>;
  readonly close: () => Promise<void>;
}

/** What a window leaves behind, but for the scripts that it fetched. */
const FORGOTTEN = 'cookies,local_storage,indexeddb,cache_storage,service_workers';

let connected: Browser | undefined;
/** Windows that somebody has left, and in which nothing is kept but what was compiled. */
const idle: Page[] = [];

async function browser(): Promise<Browser> {
  connected ??= await puppeteer.connect({ browserWSEndpoint: inject('browserEndpoint') });
  return connected;
}

async function emptyWindow(takesAlong: boolean): Promise<Page> {
  const page = await (await (await browser()).createBrowserContext()).newPage();
  await page.evaluateOnNewDocument(inject('inPage'));
  /* As at an address of the house network, where no browser has them: to take the app along takes four loads. */
  if (!takesAlong)
    await page.evaluateOnNewDocument(() => {
      Reflect.deleteProperty(Navigator.prototype, 'serviceWorker');
    });
  await page.emulateMediaFeatures([{ name: 'prefers-reduced-motion', value: 'reduce' }]);
  return page;
}

async function windowBeside({ page }: Person): Promise<Page> {
  const another = await page.browserContext().newPage();
  /* Both are in sight, side by side. */
  await page.emulateFocusedPage(true);
  await another.emulateFocusedPage(true);
  await another.evaluateOnNewDocument(inject('inPage'));
  return another;
}

/** A person at the app: with an empty browser, or at another window of the browser of somebody who is there. */
export function newPerson(url = ownHouse().url, beside?: Person): Promise<Person> {
  return beside ? at(windowBeside(beside), url, 'closes') : at(windowAtHand(), url, 'leaves');
}

/** A person whose browser takes the app along, to be opened without a house. */
export function personOnTheWay(url: string): Promise<Person> {
  return at(emptyWindow(true), url, 'closes');
}

async function windowAtHand(): Promise<Page> {
  return idle.pop() ?? emptyWindow(false);
}

/** @param inTheEnd whether the window is closed, or left for who comes next in this worker */
async function at(
  opened: Promise<Page>,
  url: string,
  inTheEnd: 'closes' | 'leaves',
): Promise<Person> {
  const page = await opened;
  await page.setViewport({ width: 1280, height: 800 });
  page.setDefaultTimeout(WAIT_MS);
  const complaints: string[] = [];
  page.on('console', (message) => {
    if (message.type() === 'error' && !EXPECTED_NOISE.test(message.text()))
      complaints.push(message.text());
  });
  page.on('pageerror', (error) => complaints.push(String(error)));

  const pageSays = async (wrong: string): Promise<string> => {
    const says = page.evaluate(() => document.body.innerText);
    return `${wrong}. The page says:\n${await says.catch(String)}`;
  };
  /** Waits in the page; in the next one where it is left meanwhile. */
  const within = async <T>(wait: (ms: number) => Promise<T>): Promise<T> => {
    for (const until = Date.now() + WAIT_MS; ;) {
      try {
        return await wait(until - Date.now());
      } catch (error) {
        if (Date.now() > until || !isPageGone(error)) throw error;
        await pause(POLL_MS);
      }
    }
  };
  const find: Person['find'] = async (role, name) => {
    const found = await within((ms) =>
      page.evaluateHandle((...what) => window.inPage.whenThere(...what), role, name, ms),
    );
    const element = found.asElement();
    if (!element) throw new Error(await pageSays(`There is no ${role} “${name}”`));
    return element as ElementHandle;
  };
  const waitFor: Person['waitFor'] = async (what, why) => {
    await expect.poll(what, { timeout: WAIT_MS, interval: POLL_MS, message: why }).toBe(true);
  };
  const click: Person['click'] = async (role, name) => {
    const target: JSHandle<Target | null> = await within((ms) =>
      page.evaluateHandle((...what) => window.inPage.whenPressable(...what), role, name, ms),
    );
    const point = await target.evaluate((at) => at);
    if (!point) throw new Error(await pageSays(`No ${role} “${name}” can be pressed`));
    await page.mouse.click(point.x, point.y);
    /* A press that has not arrived yet is waited for; pressed again, it would count twice. */
    const hit = (): Promise<Target['hit']> =>
      target.evaluate((at) => at?.hit).catch(() => 'element' as const);
    await waitFor(
      async () => (await hit()) !== undefined,
      `the press on ${role} “${name}” arrives`,
    );
    /* What arrives between looking and pressing may push it away: then it is pressed once more. */
    if (point.isInside && (await hit()) === 'another') await click(role, name);
  };
  const fillIn: Person['fillIn'] = async (role, label, text) => {
    /* Looks again when the screen is drawn anew between finding the field and entering it. */
    await waitFor(
      async () =>
        (await find(role, label)).evaluate((element) => {
          const field = element as HTMLInputElement;
          field.focus();
          field.select();
          return document.activeElement === field;
        }),
      `the field ${label} takes the keyboard`,
    );
    await (text === '' ? page.keyboard.press('Backspace') : page.keyboard.type(text));
  };
  return {
    page,
    find,
    click,
    waitFor,
    goTo: async (path) => {
      await page.goto(`${url}${path}`, { waitUntil: 'load' });
      await page.waitForSelector('#place :is(h1, input)');
    },
    moveTo: async (path) => {
      await page.evaluate((to) => {
        history.pushState(null, '', to);
        dispatchEvent(new PopStateEvent('popstate'));
      }, path);
    },
    fill: (label, text) => fillIn('textbox', label, text),
    fillIn,
    valueOf: async (label) => {
      const field = await find('textbox', label);
      return field.evaluate((element) => (element as HTMLInputElement).value);
    },
    choose: async (label, option) => {
      await click('combobox', label);
      await click('option', option);
    },
    sees: async (text) => {
      const isSeen = await within((ms) =>
        page.evaluate((...what) => window.inPage.whenShown(...what), shown(text), ms),
      );
      if (!isSeen) throw new Error(await pageSays(`Not seen: ${String(text)}`));
    },
    seesNot: async (text) => {
      const outcome = await within((ms) =>
        page.evaluate((...what) => window.inPage.whenGone(...what), shown(text), ms, STAYS_AWAY_MS),
      );
      if (outcome === 'gone') return;
      throw new Error(
        await pageSays(`${outcome === 'back' ? 'Came back' : 'Still there'}: ${String(text)}`),
      );
    },
    text: async (role, name) =>
      (await find(role, name)).evaluate((element) => (element as HTMLElement).innerText),
    figure: async (label) => {
      const found = await page.waitForSelector(`button[aria-label^="${label}: "]`);
      if (!found) throw new Error(`There is no figure “${label}”.`);
      return found.evaluate((element) => element.innerText);
    },
    saved: async () => {
      const isSaved = await within((ms) =>
        page.evaluate((most) => window.inPage.whenSaved(most), ms),
      );
      if (!isSaved) throw new Error(await pageSays('Not saved'));
    },
    close: async () => {
      if (inTheEnd === 'closes') {
        await page.close();
        expect(complaints, 'nothing in the console').toEqual([]);
        return;
      }
      /* A page of the same house in which nothing runs: another site would end the process of this one, and
         all that it has compiled. */
      await page.goto(`${url}/leaf.svg`);
      const cdp = await page.createCDPSession();
      await cdp.send('Storage.clearDataForOrigin', { origin: url, storageTypes: FORGOTTEN });
      await cdp.detach();
      idle.push(page);
      expect(complaints, 'nothing in the console').toEqual([]);
    },
  };
}

/** A pattern that can be handed to the page. */
function shown(text: string | RegExp): Shown {
  return typeof text === 'string' ? text : [text.source, text.flags];
}

/** Whether what was asked of a page failed for its being left. */
function isPageGone(error: unknown): boolean {
  return (
    error instanceof Error &&
    /context was destroyed|Cannot find context|detached/i.test(error.message)
  );
}
