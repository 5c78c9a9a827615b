import { screen, waitFor } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { USUAL_RESTS } from '@bienestar/core/house/rests';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { changedKeys, demoInBrowser, put, type DemoInBrowser } from '../../testing/demoInBrowser';
import { cleanup } from '../../testing/render';

let browser: DemoInBrowser;
beforeEach(async () => {
  browser = await demoInBrowser();
  const { SettingsPanel } = await import('./SettingsPanel');
  browser.show(<SettingsPanel />);
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('rest between treatments', () => {
  beforeEach(async () => {
    await userEvent.setup({ delay: null }).click(screen.getByRole('button', { name: '12 rests' }));
  });
  const written = async () => (await browser.written<HouseSettings>('settings')).after.rests;

  it('begins with the usual cautions, and keeps what is changed of them', async () => {
    await put('Rest 2, at least', '21');
    const rests = await written();
    expect(rests?.[1]).toEqual({ after: 'acid', before: 'needles', days: 21 });
    expect(rests).toHaveLength(USUAL_RESTS.length);
  });

  it('says what a field takes, and keeps what was typed', async () => {
    await put('Rest 1, at least', '400');
    await screen.findByText(/at most 365|between 0 and 365/i);
    expect(browser.store.getState().queue.writes).toEqual([]);
  });

  it('is added and taken off', async () => {
    const user = userEvent.setup({ delay: null });
    await user.click(screen.getByRole('button', { name: 'Remove Rest 1' }));
    expect(await written()).toEqual(USUAL_RESTS.slice(1));
  });
});

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
    ['Slow and quick days', '10', ({ paceSpread }) => paceSpread, 0.1],
    ['Cost of an order', '12', ({ restock }) => restock.orderCostMinor, 1_200],
    ['Count at least every', '14', ({ restock }) => restock.countEveryDays, 14],
    ['Reference client, height', '171', (of) => of.referenceClient.heightCm, 171],
    ['A thin coat', '1.5', ({ coatMgPerCm2 }) => coatMgPerCm2.thin, 1.5],
  ])('%s changes what it says and nothing else, by the rules', async (label, text, of, value) => {
    await put(label, text);
    const written = await browser.written<HouseSettings>('settings');
    expect(of(written.after)).toBe(value);
    expect(changedKeys(written)).toHaveLength(1);
  });

  it('say where minutes are won back first, in the order of the house', async () => {
    const user = userEvent.setup();
    await user.click(screen.getByRole('button', { name: 'settle earlier' }));
    const written = await browser.written<HouseSettings>('settings');
    expect(written.after.givesFirst?.slice(0, 3)).toEqual(['massage', 'home-care', 'settle']);
    expect(changedKeys(written)).toHaveLength(1);
  });

  it('two that are changed at once are both there', async () => {
    await put('Planned occupancy', '71');
    await put('Open hours a day', '8');
    await waitFor(() => expect(browser.store.getState().queue.writes).toHaveLength(2));
    const { houseInHand } = await import('../../store/house');
    expect(houseInHand(browser.store.getState())?.settings.roomCost).toMatchObject({
      occupancy: 0.71,
      openHoursPerDay: 8,
    });
  });

  it.each([
    ['Planned occupancy', '0', 'Must be from 1 to 100 %.'],
    ['Open days a month', '32', 'Must be at most 31.'],
    ['Slow and quick days', '41', 'Must be from 0 to 40 %.'],
    ['Name', ' ', 'This is needed.'],
    ['Commission on net', '100', 'Must be from 0 to 99 %.'],
  ])('%s does not become %s, and says why', async (label, text, words) => {
    await put(label, text);
    expect(screen.getByRole('alert').textContent).toContain(words);
    expect(browser.store.getState().queue.writes).toEqual([]);
  });

  it('one of two ways is chosen by pressing it', async () => {
    await userEvent.click(screen.getByRole('radio', { name: 'the whole slot' }));
    const { after } = await browser.written<HouseSettings>('settings');
    expect(after.therapistCharge).toBe('slot');
  });

  it('leaves what expires open out of what visits cost, and takes it in again', async () => {
    await userEvent.click(screen.getByRole('radio', { name: 'left out' }));
    const { after } = await browser.written<HouseSettings>('settings');
    expect(after.withoutExpired).toBe(true);
    await userEvent.click(screen.getByRole('radio', { name: 'in the cost of visits' }));
    const { houseInHand } = await import('../../store/house');
    await waitFor(() =>
      expect(houseInHand(browser.store.getState())?.settings.withoutExpired).toBe(undefined),
    );
  });
});
