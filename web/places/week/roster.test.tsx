import { describe, expect, it } from 'vitest';
import type { Person } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { eachAtTheApp } from '../../testing/eachAtTheApp';
import { fieldsRefuse, fieldsWrite } from '../../testing/forms';

/* A week of the demo house as it is written; everybody works as usual in it. */
const ROSTER = '/week/roster?week=2026-11-23';
const NEXT = '/week/roster?week=2026-11-30';
const person = eachAtTheApp();

const changes = () =>
  person.store
    .getState()
    .queue.writes.map(({ change }) => (change.kind === 'edit' ? change : undefined));
const isDisabled = async (name: string): Promise<boolean> =>
  (await person.find('button', name)).matches(':disabled');
const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Enter');
};

describe('how the house plans its weeks', () => {
  const form = { at: ROSTER };
  const week = (of: object): { readonly week: object } => ({ week: of });
  fieldsWrite<HouseSettings>('settings', form, [
    ['Of the open time of rooms, visits fill at most', '75', week({ roomShare: 0.75 })],
    ['From room to room it takes', '3', week({ walkMinutes: 3, waitMinutes: 3 })],
    ['A guest may wait for hands', '6', week({ waitMinutes: 6, walkMinutes: 2 })],
  ]);
  fieldsRefuse(form, [
    ['Of the open time of rooms, visits fill at most', '101', 'Must be from 0 to 100 %.'],
    ['From room to room it takes', '61', 'Must be at most 60.'],
    ['A guest may wait for hands', '-1', 'Must be at least 0.'],
  ]);
});

describe('days away', () => {
  it('are kept with what they are for, and take the hours of those days', async () => {
    await person.openApp(ROSTER);
    await person.click('button', 'Nerea: 14:30–16:30');
    await put('From', '11/26/2026');
    await put('To', '11/27/2026');
    await person.fill('Why', ' a wedding ');
    await person.click('button', 'Add days away');
    const { after } = await person.written<Person>('people');
    expect(after.hours?.away).toEqual([{ from: '2026-11-26', to: '2026-11-27', why: 'a wedding' }]);
    await person.find('button', 'Nerea: off, a wedding');
    expect(await person.valueOf('Why')).toBe('');
  });

  it('do not end before they begin', async () => {
    await person.openApp(ROSTER);
    await person.click('button', 'Nerea: 14:30–16:30');
    await put('From', '11/27/2026');
    await put('To', '11/26/2026');
    await person.sees('Not before it begins.');
    expect(await isDisabled('Add days away')).toBe(true);
    await put('To', '');
    expect(await isDisabled('Add days away')).toBe(true);
  });

  it('are not added on the days that stood there before one that is none', async () => {
    await person.openApp(ROSTER);
    await person.click('button', 'Nerea: 14:30–16:30');
    await put('To', 'next week');
    await person.click('button', 'Add days away');
    await person.sees('Nothing was entered: put “To” right first.');
    expect(await person.valueOf('To')).toBe('next week');
    expect(changes()).toEqual([]);
  });

  it('are taken out again, and leave no empty list behind', async () => {
    await person.openApp(ROSTER);
    await person.click('button', 'Mateo: 10–12:15');
    await person.sees('course on the mainland');
    await person.click('button', 'Remove');
    const { before, after } = await person.written<Person>('people');
    expect(before.hours?.away).toHaveLength(1);
    expect(after.hours).not.toHaveProperty('away');
  });

  it('are asked for anew when somebody else is taken', async () => {
    await person.openApp(ROSTER);
    await person.click('button', 'Nerea: 14:30–16:30');
    await person.fill('Why', 'a wedding');
    await person.click('button', 'Mateo: 10–12:15');
    expect(await person.valueOf('Why')).toBe('');
  });
});

describe('holidays and other days', () => {
  it('are open at other hours, or not at all, and need to be called something', async () => {
    await person.openApp(ROSTER);
    await put('First day', '12/31/2026');
    await put('Last day', '12/31/2026');
    await person.fill('Hours', '10-14');
    expect(await isDisabled('Add these days')).toBe(true);
    await person.fill('What', 'Old year’s night');
    await person.click('button', 'Add these days');
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.openHours?.otherwise).toContainEqual({
      from: '2026-12-31',
      to: '2026-12-31',
      name: 'Old year’s night',
      spans: [{ from: 600, to: 840 }],
    });
    await person.sees('Old year’s night: 10–14');
  });

  it('are not added at hours that are none', async () => {
    await person.openApp(ROSTER);
    await person.fill('What', 'Fair');
    await person.fill('Hours', 'late');
    await person.sees('Write hours such as 10-14, 15-19');
    expect(await isDisabled('Add these days')).toBe(true);
    expect(changes()).toEqual([]);
  });
});

describe('a whole week', () => {
  it('is copied into the next, for everybody whose hours differ, and in one go', async () => {
    await person.openApp(ROSTER);
    await person.click('radio', 'this week only');
    await person.click('button', 'Nerea: 14:30–16:30');
    await put('Hours on this day', '9-12');
    await person.waitFor(() => changes().length === 1, 'the change of this week waits');
    await person.click('button', 'Copy into the next week');
    await person.goTo(NEXT);
    await person.find('button', 'Nerea: 9–12');
    expect(new Set(changes().map((change) => (change?.mine as Person | undefined)?.id))).toEqual(
      new Set(['nerea']),
    );
  });

  it('that is the usual one changes nobody when it is copied', async () => {
    await person.openApp(ROSTER);
    await person.click('button', 'Copy into the next week');
    await person.click('button', 'This is how it usually is');
    expect(changes()).toEqual([]);
  });

  it('becomes the usual one, and then is no exception any more', async () => {
    await person.openApp(ROSTER);
    await person.click('radio', 'this week only');
    await person.click('button', 'Nerea: 14:30–16:30');
    await put('Hours on this day', '9-12');
    await person.click('button', 'This is how it usually is');
    await person.goTo(NEXT);
    await person.find('button', 'Nerea: 9–12');
    const last = changes().at(-1)?.mine as Person | undefined;
    expect(last?.hours?.usually[3]).toEqual([{ from: 540, to: 720 }]);
    expect(last?.hours?.weeks ?? []).toEqual([]);
  });
});
