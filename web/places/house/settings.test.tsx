// @vitest-environment jsdom
import { IDBFactory } from 'fake-indexeddb';
import { readFileSync } from 'node:fs';
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { unversioned, type HouseSnapshot, type Versioned } from '@bienestar/contract/api';
import { checkAgainst } from '@bienestar/contract/check';
import { readHouseFile } from '@bienestar/contract/houseFile';
import { SCHEMAS } from '@bienestar/contract/rules';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { houseOf } from '@bienestar/core/stock/houseOf';
import type * as panel from './SettingsPanel';
import type * as kept from '../../store/store';

const file = readHouseFile(readFileSync('demo/casa-cenera.house.json', 'utf8'));
if (!file.ok) throw new Error('The demo house has faults.');
const house = houseOf(file.value);

let store: typeof kept.store;
let SettingsPanel: typeof panel.SettingsPanel;

beforeEach(async () => {
  vi.resetModules();
  vi.stubGlobal('indexedDB', new IDBFactory());
  vi.stubGlobal('matchMedia', () => ({ matches: false }));
  /* Nobody answers: what is written waits, where it can be looked at. */
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('the network is cut')));
  ({ store } = await import('../../store/store'));
  ({ SettingsPanel } = await import('./SettingsPanel'));
  const { api } = await import('../../store/api');
  const snapshot = { ...house, settings: { ...house.settings, version: 1 }, editionHeads: [] };
  await store.dispatch(
    api.util.upsertQueryData('house', undefined, snapshot as unknown as HouseSnapshot),
  );
  render(
    <Provider store={store}>
      <SettingsPanel />
    </Provider>,
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** The settings as they will be when all that waits is done. */
const written = async (): Promise<HouseSettings> => {
  await waitFor(() => expect(store.getState().queue.writes).not.toHaveLength(0));
  const change = store.getState().queue.writes.at(-1)?.change;
  if (change?.kind !== 'edit' || change.part !== 'settings') throw new Error('no settings');
  return unversioned<HouseSettings>(change.mine as Versioned<HouseSettings>);
};

async function put(label: string, text: string): Promise<void> {
  const person = userEvent.setup();
  const field = screen.getByRole('textbox', { name: label });
  await person.clear(field);
  await person.type(field, text);
  await person.tab();
}

describe('the settings of the house', () => {
  it.each<[string, string, (settings: HouseSettings) => unknown, unknown]>([
    ['Name', 'Casa Nueva', ({ name }) => name, 'Casa Nueva'],
    ['Currency', 'gbp', ({ currency }) => currency, 'GBP'],
    ['VAT', '7', ({ vat }) => vat, 0.07],
    ['On-cost of pay', '31', ({ onCost }) => onCost, 0.31],
    ['Rooms, fixed cost a month', '1999.5', (of) => of.roomCost.fixedPerMonthMinor, 199_950],
    ['Planned occupancy', '71', ({ roomCost }) => roomCost.occupancy, 0.71],
    ['Open days a month', '24', ({ roomCost }) => roomCost.openDaysPerMonth, 24],
    ['Slots on a grid of', '10', ({ slotGridMinutes }) => slotGridMinutes, 10],
    ['Cost of an order', '12', ({ restock }) => restock.orderCostMinor, 1_200],
    ['Count at least every', '14', ({ restock }) => restock.countEveryDays, 14],
    ['Reference client, height', '171', (of) => of.referenceClient.heightCm, 171],
    ['A thin coat', '1.5', ({ coatMgPerCm2 }) => coatMgPerCm2.thin, 1.5],
  ])('%s changes what it says and nothing else, by the rules', async (label, text, of, value) => {
    await put(label, text);
    const mine = await written();
    expect(of(mine)).toBe(value);
    expect(checkAgainst(SCHEMAS.settings, mine)).toMatchObject({ ok: true });
    const differ = Object.keys(mine).filter(
      (key) =>
        JSON.stringify(mine[key as keyof HouseSettings]) !==
        JSON.stringify(house.settings[key as keyof HouseSettings]),
    );
    expect(differ).toHaveLength(1);
  });

  it('two that are changed at once are both there', async () => {
    await put('Planned occupancy', '71');
    await put('Open hours a day', '8');
    await waitFor(() => expect(store.getState().queue.writes).toHaveLength(2));
    const { houseInHand } = await import('../../store/house');
    expect(houseInHand(store.getState())?.settings.roomCost).toMatchObject({
      occupancy: 0.71,
      openHoursPerDay: 8,
    });
  });

  it.each([
    ['Planned occupancy', '0', 'Must be from 1 to 100 %.'],
    ['Open days a month', '32', 'Must be at most 31.'],
    ['Name', ' ', 'This is needed.'],
    ['Commission on net', '100', 'Must be from 0 to 99 %.'],
  ])('%s does not become %s, and says why', async (label, text, words) => {
    await put(label, text);
    expect(screen.getByRole('alert').textContent).toContain(words);
    expect(store.getState().queue.writes).toEqual([]);
  });

  it('one of two ways is chosen by pressing it', async () => {
    await userEvent.click(screen.getByRole('radio', { name: 'the whole slot' }));
    expect((await written()).therapistCharge).toBe('slot');
  });
});
