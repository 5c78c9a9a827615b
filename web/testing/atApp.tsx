import { waitFor } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider, type RouteObject } from 'react-router';
import { expect } from 'vitest';
import type { store as appStore } from '../store/store';
import { byRole } from './byRole';
import { render } from './render';

/** Reading a whole screen, or loading a place for the first time, takes longer here than in a browser. */
export const WAIT_MS = 30_000;
/** What is not seen must stay away this long. */
const STAYS_AWAY_MS = 150;

/** Somebody at the whole app, who finds things by their role and label. */
export interface AppPerson {
  readonly goTo: (path: string) => Promise<void>;
  readonly back: () => Promise<void>;
  readonly at: () => string;
  readonly find: (role: string, name: string) => Promise<HTMLElement>;
  /** what a selector finds just now */
  readonly all: (selector: string) => readonly HTMLElement[];
  /** what a selector finds first */
  readonly element: (selector: string) => Promise<HTMLElement>;
  readonly click: (role: string, name: string) => Promise<void>;
  /** puts text in the place of what a field holds */
  readonly fill: (label: string, text: string) => Promise<void>;
  /** unfolds what is folded under these words */
  readonly open: (words: string) => Promise<void>;
  /** the same for a field of another role, such as a combobox */
  readonly fillIn: (role: string, label: string, text: string) => Promise<void>;
  /** puts files into a field */
  readonly upload: (label: string, ...files: File[]) => Promise<void>;
  /** a key, also one held down over another: Control+z */
  readonly press: (keys: string) => Promise<void>;
  /** into what has the focus, letter by letter */
  readonly type: (text: string) => Promise<void>;
  readonly choose: (label: string, option: string) => Promise<void>;
  readonly valueOf: (label: string) => Promise<string>;
  readonly text: (role: string, name: string) => Promise<string>;
  readonly sees: (text: string | RegExp) => Promise<void>;
  /** it goes, and stays away */
  readonly seesNot: (text: string | RegExp) => Promise<void>;
  readonly waitFor: (what: () => boolean | Promise<boolean>, why: string) => Promise<void>;
  /** the name of the control that opens the working of a figure, which ends in the figure */
  readonly figure: (label: string) => Promise<string>;
  readonly saved: () => Promise<void>;
}

/** Where something stands alone, without the place around it. */
export type Alone = () => Promise<readonly RouteObject[]>;

/**
 * Somebody who opens the app where they go first.
 * @param alone what is there in the place of the whole app
 */
export function atApp(store: typeof appStore, alone?: Alone): AppPerson {
  let router: ReturnType<typeof createMemoryRouter> | undefined;
  const open = async (path: string): Promise<void> => {
    const routes = alone ? await alone() : (await import('../App')).ROUTES;
    router = createMemoryRouter([...routes], { initialEntries: [path] });
    render(
      <Provider store={store}>
        {/* A transition waits until nothing else is drawn, which takes seconds here. */}
        <RouterProvider router={router} useTransitions={false} />
      </Provider>,
    );
  };
  const user = userEvent.setup({ delay: null });
  const soon = <T,>(look: () => T): Promise<T> =>
    waitFor(look, {
      timeout: WAIT_MS,
      /* Reading the page takes long: only when it is to be told. */
      onTimeout: (error) => new Error(`${error.message} The page says: ${inLines(document.body)}`),
    });
  const find: AppPerson['find'] = (role, name) =>
    soon(() => {
      const found = byRole(role, name);
      if (!found) throw new Error(`There is no ${role} “${name}”.`);
      return found as HTMLElement;
    });
  const element: AppPerson['element'] = (selector) =>
    soon(() => {
      const found = document.querySelector<HTMLElement>(selector);
      if (!found) throw new Error(`Nothing is ${selector}.`);
      return found;
    });
  const click: AppPerson['click'] = async (role, name) => {
    await user.click(await find(role, name));
  };
  const fillIn: AppPerson['fillIn'] = async (role, label, text) => {
    const field = await find(role, label);
    await user.clear(field);
    if (text !== '') await user.paste(text);
  };
  return {
    find,
    element,
    all: (selector) => [...document.querySelectorAll<HTMLElement>(selector)],
    click,
    fillIn,
    goTo: async (to) => {
      if (router) await router.navigate(to);
      else await open(to);
    },
    back: async () => {
      await router?.navigate(-1);
    },
    at: () => router?.state.location.pathname ?? '',
    fill: (label, text) => fillIn('textbox', label, text),
    upload: async (label, ...files) => {
      const field = await element(`input[type=file][aria-label="${label}"]`);
      await user.upload(field, files);
    },
    open: async (words) => {
      const summary = await soon(() => {
        const all = [...document.querySelectorAll('summary')];
        const found = all.find(({ textContent }) => textContent.includes(words));
        if (!found) throw new Error(`Nothing is folded under “${words}”.`);
        return found;
      });
      await user.click(summary);
    },
    press: (keys) => {
      const [held, key = ''] = keys.split('+');
      if (keys === 'Space') return user.keyboard(' ');
      return user.keyboard(key === '' ? `{${keys}}` : `{${held}>}${key}{/${held}}`);
    },
    type: (text) => user.keyboard(text.replaceAll(/[[{]/g, '$&$&')),
    choose: async (label, option) => {
      await click('combobox', label);
      await click('option', option);
    },
    valueOf: async (label) => ((await find('textbox', label)) as HTMLInputElement).value,
    text: async (role, name) => (await find(role, name)).textContent,
    sees: async (text) => {
      await soon(() => {
        if (!isShown(text)) throw new Error(`Not seen: ${String(text)}.`);
      });
    },
    seesNot: async (text) => {
      await soon(() => {
        if (isShown(text)) throw new Error(`Still there: ${String(text)}`);
      });
      for (const until = performance.now() + STAYS_AWAY_MS; performance.now() < until;) {
        await new Promise((resolve) => void setTimeout(resolve, 20));
        if (isShown(text)) throw new Error(`Came back: ${String(text)}`);
      }
    },
    waitFor: (what, why) =>
      expect.poll(what, { timeout: WAIT_MS, interval: 30, message: why }).toBe(true),
    figure: (label) =>
      soon(() => {
        const found = document.querySelector(`button[aria-label^="${label}: "]`);
        if (!found) throw new Error(`There is no figure “${label}”.`);
        return found.textContent;
      }),
    saved: async () => {
      await soon(() => {
        const says = [...document.querySelectorAll('[role=status]')];
        if (!says.some(({ textContent }) => textContent === 'saved')) {
          throw new Error('Not saved.');
        }
      });
    },
  };
}

/** In one piece, or in lines, which takes long to read and shows more only where something may stand between words. */
function isShown(text: string | RegExp): boolean {
  const { body } = document;
  if (typeof text === 'string') {
    return body.textContent.includes(text) || (text.includes('\n') && inLines(body).includes(text));
  }
  return text.test(body.textContent) || text.test(inLines(body));
}

const LINES = new Set(
  'ADDRESS ARTICLE ASIDE BUTTON DD DETAILS DIV DL DT FIELDSET FIGURE FOOTER FORM H1 H2 H3 H4 HEADER LABEL LEGEND LI MAIN NAV OL OPTION P SECTION SUMMARY TABLE TD TH TR UL'.split(
    ' ',
  ),
);

/** The words of an element as they would be copied: those of different lines or cells apart. */
function inLines(element: Element): string {
  let words = '';
  for (const node of element.childNodes) {
    if (node.nodeType === Node.TEXT_NODE) words += node.nodeValue ?? '';
    else if (node instanceof Element) {
      words += LINES.has(node.tagName) ? `\n${inLines(node)}\n` : inLines(node);
    }
  }
  return words.replaceAll(/\n{2,}/g, '\n');
}
