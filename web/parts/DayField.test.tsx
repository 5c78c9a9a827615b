import { screen } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { demoInBrowser, type DemoInBrowser } from '../testing/demoInBrowser';
import { cleanup } from '../testing/render';

let browser: DemoInBrowser;
beforeEach(async () => {
  browser = await demoInBrowser();
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

async function show(locale: string, before = '2026-11-03'): Promise<() => HTMLInputElement> {
  const { DayField } = await import('./DayField');
  const { keepInHouse } = await import('../store/api');
  const { houseInHand } = await import('../store/house');
  const settings = { ...houseInHand(browser.store.getState())?.settings, locale, version: 2 };
  browser.store.dispatch(keepInHouse('settings', settings));
  const { localeNow } = await import('../format/locale');
  await vi.waitFor(() => expect(localeNow()).toBe(locale));
  function Kept() {
    const [day, setDay] = useState(before);
    return (
      <>
        <DayField label="Keeps until" value={day} onCommit={setDay} />
        <p role="status">{day}</p>
      </>
    );
  }
  browser.show(<Kept />);
  return () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Keeps until' });
}
const kept = () => screen.getByRole('status').textContent;

describe('a field for a day', () => {
  it.each([
    ['en-GB', '03/11/2026', '4/12/26', '2026-12-04', '04/12/2026'],
    ['en-US', '11/03/2026', '4/12/26', '2026-04-12', '04/12/2026'],
    ['de-DE', '03.11.2026', '4.12.', '2026-12-04', '04.12.2026'],
    ['sv-SE', '2026-11-03', '2026-12-4', '2026-12-04', '2026-12-04'],
  ])('is written and read as in %s', async (locale, stood, typed, day, stands) => {
    const field = await show(locale);
    expect(field().value).toBe(stood);
    await userEvent.clear(field());
    await userEvent.type(field(), typed);
    await userEvent.tab();
    expect([kept(), field().value]).toEqual([day, stands]);
  });

  it('keeps what is no day as it was typed, and says so', async () => {
    const field = await show('en-GB');
    await userEvent.clear(field());
    await userEvent.type(field(), '31/11/2026{Enter}');
    expect(field().value).toBe('31/11/2026');
    expect(screen.getByRole('alert').textContent).toMatch(/Enter a day such as \d\d\/\d\d\/\d{4}/);
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(kept()).toBe('2026-11-03');
  });

  it('is emptied', async () => {
    const field = await show('en-GB');
    await userEvent.clear(field());
    await userEvent.tab();
    expect(kept()).toBe('');
  });

  it('keeps a day that is refused, with the reason, and shows another that takes its place', async () => {
    const { DayField } = await import('./DayField');
    function Refused() {
      const [day, setDay] = useState('2026-11-03');
      return (
        <>
          <DayField
            label="Keeps until"
            value={day}
            onCommit={() => Promise.resolve('Before it begins.')}
          />
          <button type="button" onClick={() => setDay('2026-12-24')}>
            Another window
          </button>
        </>
      );
    }
    browser.show(<Refused />);
    const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Keeps until' });
    const stood = field().value;
    await userEvent.clear(field());
    await userEvent.type(field(), '1/2/2026');
    await userEvent.tab();
    await vi.waitFor(() =>
      expect(screen.getByRole('alert').textContent).toContain('Before it begins.'),
    );
    expect(field().value).not.toBe(stood);
    await userEvent.click(screen.getByRole('button', { name: 'Another window' }));
    expect(screen.queryByRole('alert')).toBeNull();
    expect(field().value).toContain('24');
  });
});
