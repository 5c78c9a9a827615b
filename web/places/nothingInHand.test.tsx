import { afterEach, describe, expect, it, vi } from 'vitest';
import { personAtApp } from '../testing/personAtApp';
import { cleanup } from '../testing/render';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('while nothing is in hand', () => {
  it('the shelf tells what it asks for, each with the one thing to do', async () => {
    const person = await personAtApp('/shelf');
    await person.sees('Over, or over this week');
    await person.click('link', 'Throw away: Two-phase eye make-up remover');
    expect(person.at()).toMatch(/^\/shelf\/[^/]+\/left$/);
  });

  it('the menu tells what is under its target, the furthest first', async () => {
    const person = await personAtApp('/menu');
    await person.sees(/Under their target\s*Warm-sand back treatment\s*27% of 35%/);
    await person.click('radio', 'nearest');
    await person.sees('Under their target');
  });

  it('counts tell what is to be counted', async () => {
    const person = await personAtApp('/restock/counts');
    await person.sees(/Begin a count/);
    await person.sees(/Count it|Everything has been counted/);
  });
});

describe('the map of what earns', () => {
  it('has every service, and says what lies at its edge', async () => {
    const person = await personAtApp('/menu/map');
    await person.sees('What earns, and what is booked');
    const marks = [...document.querySelectorAll('button[aria-label*="a room hour"]')];
    expect(marks.length).toBe(20);
    const beyond = marks.filter(({ textContent }) => /[↑→]/u.test(textContent));
    expect(beyond.map((mark) => mark.getAttribute('title'))).toEqual([
      expect.stringContaining('Add-on: lip balm'),
    ]);
    const mark = beyond[0] as HTMLElement;
    await person.click('button', mark.getAttribute('aria-label') ?? '');
    expect(mark.getAttribute('aria-pressed')).toBe('true');
  });
});

describe('a delivery with a day that is none', () => {
  it('is not entered before it is put right', async () => {
    const person = await personAtApp('/shelf');
    await person.click('button', 'A delivery came');
    await person.fillIn('searchbox', 'What came', 'aloe');
    await person.click('button', 'Aloe gel');
    await person.fill('Keeps until', '31/31/2027');
    await person.press('Tab');
    await person.click('button', 'On the shelf with it');
    await person.sees('Nothing was entered: put “Keeps until” right first.');
    expect(person.store.getState().queue.writes).toEqual([]);
    expect(await person.valueOf('Keeps until')).toBe('31/31/2027');
  });
});
