import { waitFor } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { expect } from 'vitest';
import { checkAgainst } from '@bienestar/contract/check';
import { AGGREGATES } from '@bienestar/contract/rules';
import type { Protocol } from '@bienestar/core/house/house';
import { byRole } from './byRole';
import { demoInBrowser, type DemoInBrowser } from './demoInBrowser';
import { render } from './render';

/* Reading a whole screen, or loading a place for the first time, takes longer here than in a browser. */
const WAIT_MS = 20_000;

/** Somebody at the whole app with the demo house, who finds things by their role and label. */
export interface PersonAtApp extends DemoInBrowser {
  readonly goTo: (path: string) => Promise<void>;
  readonly at: () => string;
  readonly find: (role: string, name: string) => Promise<HTMLElement>;
  readonly click: (role: string, name: string) => Promise<void>;
  /** puts text in the place of what a field holds */
  readonly fill: (label: string, text: string) => Promise<void>;
  /** unfolds what is folded under these words */
  readonly open: (words: string) => Promise<void>;
  /** the same for a field of another role, such as a combobox */
  readonly fillIn: (role: string, label: string, text: string) => Promise<void>;
  readonly press: (key: 'Enter' | 'Escape' | 'Tab' | 'ArrowUp' | 'ArrowDown') => Promise<void>;
  readonly choose: (label: string, option: string) => Promise<void>;
  readonly valueOf: (label: string) => Promise<string>;
  readonly sees: (text: string | RegExp) => Promise<void>;
  readonly seesNot: (text: string | RegExp) => Promise<void>;
  /** the draft that waits to be sent, which is right by the rules of protocols */
  readonly draft: () => Promise<Protocol>;
  /** the name of the control that opens the working of a figure, which ends in the figure */
  readonly figure: (label: string) => Promise<string>;
}

/** Opens the app at an address, in a browser of its own that nobody answers. */
export async function personAtApp(path: string): Promise<PersonAtApp> {
  const browser = await demoInBrowser();
  const { ROUTES } = await import('../App');
  const router = createMemoryRouter(ROUTES, { initialEntries: [path] });
  render(
    <Provider store={browser.store}>
      {/* A transition waits until nothing else is drawn, which takes seconds here. */}
      <RouterProvider router={router} useTransitions={false} />
    </Provider>,
  );
  const user = userEvent.setup({ delay: null });
  const soon = <T,>(look: () => T): Promise<T> => waitFor(look, { timeout: WAIT_MS });
  const find: PersonAtApp['find'] = (role, name) =>
    soon(() => {
      const found = byRole(role, name);
      if (!found) throw new Error(`There is no ${role} “${name}”. ${shownText()}`);
      return found as HTMLElement;
    });
  const click: PersonAtApp['click'] = async (role, name) => {
    await user.click(await find(role, name));
  };
  const fillIn: PersonAtApp['fillIn'] = async (role, label, text) => {
    const field = await find(role, label);
    await user.clear(field);
    if (text !== '') await user.paste(text);
  };
  return {
    ...browser,
    find,
    click,
    goTo: async (to) => {
      await router.navigate(to);
    },
    at: () => router.state.location.pathname,
    fillIn,
    fill: (label, text) => fillIn('textbox', label, text),
    open: async (words) => {
      const summary = await soon(() => {
        const all = [...document.querySelectorAll('summary')];
        const found = all.find(({ textContent }) => textContent.includes(words));
        if (!found) throw new Error(`Nothing is folded under “${words}”. ${shownText()}`);
        return found;
      });
      await user.click(summary);
    },
    press: (key) => user.keyboard(`{${key}}`),
    choose: async (label, option) => {
      await click('combobox', label);
      await click('option', option);
    },
    valueOf: async (label) => ((await find('textbox', label)) as HTMLInputElement).value,
    sees: async (text) => {
      await soon(() => {
        if (!isShown(text)) throw new Error(`Not seen: ${String(text)}. ${shownText()}`);
      });
    },
    seesNot: async (text) => {
      await soon(() => {
        if (isShown(text)) throw new Error(`Still there: ${String(text)}`);
      });
    },
    draft: async () => {
      const drafts = await soon(() => {
        const { writes } = browser.store.getState().queue;
        const found = writes.flatMap(({ change }) => (change.kind === 'draft' ? [change] : []));
        if (found.length === 0) throw new Error('No draft waits to be sent.');
        return found;
      });
      const mine = drafts.at(-1)?.mine;
      expect(checkAgainst(AGGREGATES.protocols.schema, mine)).toMatchObject({ ok: true });
      return mine as Protocol;
    },
    figure: (label) =>
      soon(() => {
        const found = document.querySelector(`button[aria-label^="${label}: "]`);
        if (!found) throw new Error(`There is no figure “${label}”. ${shownText()}`);
        return found.textContent;
      }),
  };
}

function shownText(): string {
  return `The page says: ${document.body.textContent}`;
}

function isShown(text: string | RegExp): boolean {
  const { textContent } = document.body;
  return typeof text === 'string' ? textContent.includes(text) : text.test(textContent);
}
