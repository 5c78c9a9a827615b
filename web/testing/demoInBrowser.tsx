import { readFileSync } from 'node:fs';
import { screen, waitFor } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { expect } from 'vitest';
import { unversioned, type HouseSnapshot, type Versioned } from '@bienestar/contract/api';
import { checkAgainst } from '@bienestar/contract/check';
import { readHouseFile } from '@bienestar/contract/houseFile';
import { AGGREGATES, SCHEMAS } from '@bienestar/contract/rules';
import { houseOf } from '@bienestar/core/stock/houseOf';
import type { store as appStore } from '../store/store';
import { cut, emptyApp } from './emptyApp';
import { render } from './render';

const file = readHouseFile(readFileSync('demo/casa-cenera.house.json', 'utf8'));
if (!file.ok) throw new Error('The demo house has faults.');

/** The demo house with all its records, as its file has it. */
export const DEMO = file.value;

const demo = houseOf(DEMO);

const VERSIONED = [
  'rooms',
  'people',
  'suppliers',
  'materials',
  'mixes',
  'devices',
  'blocks',
  'protocols',
  'services',
  'demand',
  'offers',
  'menus',
  'scenarios',
  'placed',
  'soldCourses',
  'orders',
  'counts',
] as const;

/** As the server would have it: one for all tests, so that its figures are worked out once. */
const snapshot = {
  ...demo,
  ...Object.fromEntries(
    VERSIONED.map((part) => [part, demo[part].map((thing) => ({ ...thing, version: 1 }))]),
  ),
  settings: { ...demo.settings, version: 1 },
  editionHeads: [],
} as unknown as HouseSnapshot;

/** A thing as it will be when all that waits to be sent is done, and as it was. */
export interface Written<T> {
  readonly before: T;
  readonly after: T;
}

/** The demo house in a browser of its own that nobody answers: what is written waits and can be looked at. */
export interface DemoInBrowser {
  readonly store: typeof appStore;
  readonly show: (element: ReactElement, at?: string, path?: string) => void;
  /** the only edit that waits, which is right by the rules of its kind */
  readonly written: <T extends object>(
    part: keyof typeof AGGREGATES | 'settings',
  ) => Promise<Written<T>>;
}

/** A browser of its own. */
export async function demoInBrowser(): Promise<DemoInBrowser> {
  const { app, api } = await emptyApp(cut);
  const { store } = app;
  await store.dispatch(api.util.upsertQueryData('house', undefined, snapshot));
  return {
    store,
    show: (element, at = '/', path = '/') => {
      const router = createMemoryRouter([{ path, element }], { initialEntries: [at] });
      render(
        <Provider store={store}>
          <RouterProvider router={router} />
        </Provider>,
      );
    },
    written: async <T extends object>(part: keyof typeof AGGREGATES | 'settings') => {
      await waitFor(() => expect(store.getState().queue.writes).toHaveLength(1));
      const change = store.getState().queue.writes[0]?.change;
      if (change?.kind !== 'edit' || change.part !== part) throw new Error(`no edit of ${part}`);
      const { schema } = part === 'settings' ? { schema: SCHEMAS.settings } : AGGREGATES[part];
      const [before, after] = [change.base, change.mine].map((value) =>
        unversioned<T>(value as unknown as Versioned<T>),
      );
      expect(checkAgainst(schema as never, after)).toMatchObject({ ok: true });
      return { before, after } as Written<T>;
    },
  };
}

/** Types into a field and leaves it. */
export async function put(label: string, text: string): Promise<void> {
  const person = userEvent.setup();
  const field = screen.getByRole('textbox', { name: label });
  await person.clear(field);
  if (text !== '') await person.type(field, text);
  await person.tab();
}

/** The keys that differ. */
export function changedKeys<T extends object>({ before, after }: Written<T>): string[] {
  const said = (value: T, key: string): string =>
    JSON.stringify([(value as Record<string, unknown>)[key]]);
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (key) => said(before, key) !== said(after, key),
  );
}
