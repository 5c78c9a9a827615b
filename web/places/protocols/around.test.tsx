import { beforeEach, describe, expect, it } from 'vitest';
import type { Around, Protocol } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

/** The draft as it stands, saved or not. */
const present = (): Protocol => {
  const [draft] = Object.values(person.store.getState().drafts.byId);
  if (!draft) throw new Error('Nothing is being edited.');
  return draft.present;
};
const becomes = (around: object): Promise<void> =>
  expect.poll(() => present().around).toMatchObject(around);
const hasNo = (key: keyof Around): Promise<void> =>
  expect.poll(() => present().around?.[key]).toBeUndefined();

beforeEach(async () => {
  await person.openApp('/protocols/pumice-body-polish');
  await person.click('button', 'More of this protocol');
  await person.click('menuitem', 'Before and after the visit');
  await person.sees('Days between visits, at least');
});

describe('what comes before and after a visit', () => {
  it('is a line each, changed and taken out again', async () => {
    await person.click('button', 'At home before');
    await person.fill('What', 'no shaving');
    await person.fill('From before the visit', '2');
    await person.choose('Unit', 'days');
    await becomes({ before: [{ what: 'no shaving', from: { amount: 2, unit: 'days' } }] });
    expect((await person.draft()).around?.before).toEqual([
      { what: 'no shaving', from: { amount: 2, unit: 'days' } },
    ]);
    await person.click('button', 'At home before');
    await person.click('button', 'Remove line 1 of At home before');
    await expect
      .poll(() => present().around?.before)
      .toEqual([{ what: '', from: { amount: 2, unit: 'weeks' } }]);
  });

  it('is taken off at home once, after a while', async () => {
    await person.click('button', 'Taken off at home');
    await person.fill('What is taken off', 'the oil');
    await person.fill('After', '8');
    await person.fill('to', '10');
    await becomes({
      takeOff: { what: 'the oil', after: { amount: 8, upTo: 10, unit: 'hours' } },
    });
    expect(
      person.all('button').filter(({ textContent }) => textContent.trim() === 'Taken off at home'),
    ).toEqual([]);
    await person.fill('After', '12');
    await expect
      .poll(() => present().around?.takeOff?.after)
      .toEqual({ amount: 12, unit: 'hours', upTo: undefined });
    await person.click('button', 'Remove line 1 of Taken off at home');
    await hasNo('takeOff');
  });

  it('goes from less to more, and says so where it does not', async () => {
    await person.click('button', 'To avoid');
    await person.fill('What is avoided', 'sun');
    await person.fill('For', '3');
    await person.fill('to', '3');
    await person.sees('Must be more than 3.');
    await becomes({ avoid: [{ what: 'sun', for: { amount: 3, unit: 'days' } }] });
    await person.fill('to', '5');
    await becomes({ avoid: [{ what: 'sun', for: { amount: 3, upTo: 5, unit: 'days' } }] });
    await person.fill('to', '');
    await expect.poll(() => present().around?.avoid[0]?.for.upTo).toBeUndefined();
  });

  it('is what is seen and when, and when to call', async () => {
    await person.click('button', 'To expect');
    await person.fill('What is seen', 'warm skin');
    await person.fill('When', 'until evening');
    await person.click('button', 'When to call');
    await person.fill('Call if', 'it burns');
    await becomes({
      expect: [{ what: 'warm skin', when: 'until evening' }],
      call: ['it burns'],
    });
    await person.click('button', 'Remove line 1 of When to call');
    await becomes({ call: [] });
  });

  it('is compared at the end of the visit or some time after, beside what was', async () => {
    await person.click('button', 'Compared afterwards');
    await person.fill('What is compared', 'smoothness of the shins');
    await becomes({ compares: [{ what: 'smoothness of the shins', beside: 'before' }] });
    await person.click('radio', 'some time after');
    await person.fill('After the visit', '4');
    await becomes({ compares: [{ after: { amount: 4, unit: 'weeks' } }] });
    await person.click('radio', 'at the end of the visit');
    await expect.poll(() => present().around?.compares?.[0]?.after).toBeUndefined();
    await person.click('button', 'Remove line 1 of Compared afterwards');
    await hasNo('compares');
  });

  it('is used at home at some time of the day, at least at one', async () => {
    await person.click('button', 'Used at home afterwards');
    await person.fill('How', 'on damp skin');
    await person.click('button', 'morning');
    await expect.poll(() => present().around?.home?.[0]?.at).toEqual(['night']);
    await person.click('button', 'night');
    expect(present().around?.home?.[0]?.at).toEqual(['night']);
    await becomes({ home: [{ how: 'on damp skin', for: { amount: 3, unit: 'days' } }] });
    await person.fill('How', '');
    await expect.poll(() => present().around?.home?.[0]?.how).toBeUndefined();
    await person.click('button', 'Remove line 1 of Used at home afterwards');
    await hasNo('home');
  });

  it('recommends what is sold, each once', async () => {
    const add = (): HTMLElement | undefined =>
      person.all('button').find(({ textContent }) => textContent.trim() === 'Recommended to buy');
    for (let lines = 1; add(); lines += 1) {
      add()?.click();
      await expect.poll(() => present().around?.recommends?.length).toBe(lines);
    }
    const named = present().around?.recommends?.map(({ materialId }) => materialId) ?? [];
    expect(new Set(named).size).toBe(named.length);
    await person.fill('Guests who buy', '25');
    await expect.poll(() => present().around?.recommends?.[0]?.takeUp).toBe(0.25);
    expect((await person.draft()).around?.recommends?.length).toBe(named.length);
  });
});

describe('the days between visits', () => {
  it('are at least and at most, each refused where it contradicts the other', async () => {
    await person.fill('Days between visits, at least', '10');
    await person.fill('and at most', '7');
    await person.sees('Not fewer days than at least.');
    await person.fill('and at most', '21');
    await becomes({ spacing: { leastDays: 10, mostDays: 21 } });
    await person.fill('Days between visits, at least', '30');
    await person.sees('Not more days than at most.');
    expect(await person.valueOf('Days between visits, at least')).toBe('30');
    /* The field was emptied before it was typed into. */
    expect((await person.draft()).around?.spacing).toEqual({ leastDays: 0, mostDays: 21 });
  });

  it('are a course, a year and some seasons, and nothing when all is taken out', async () => {
    await person.fill('Days between visits, at least', '10');
    await person.fill('Visits a year, at most', '6');
    await person.fill('Visits of a course', '4');
    await person.fill('Then every (days)', '60');
    await becomes({ spacing: { leastDays: 10, mostPerYear: 6, visits: 4, thenEveryDays: 60 } });
    await person.fill('Visits of a course', '');
    await expect.poll(() => present().around?.spacing?.visits).toBeUndefined();
    await person.click('button', 'summer');
    await becomes({ spacing: { notIn: ['summer'] } });
    await person.click('button', 'summer');
    await expect.poll(() => present().around?.spacing?.notIn).toBeUndefined();
    await person.fill('Days between visits, at least', '');
    await becomes({ spacing: { leastDays: 0, mostPerYear: 6, thenEveryDays: 60 } });
    expect(await person.valueOf('Days between visits, at least')).toBe('');
    await person.fill('Visits a year, at most', '');
    await person.fill('Then every (days)', '');
    await hasNo('spacing');
  });

  it('cannot leave out every season', async () => {
    for (const season of ['spring', 'summer', 'autumn', 'winter'])
      await person.click('button', season);
    await becomes({ spacing: { notIn: ['spring', 'summer', 'autumn'] } });
    expect((await person.draft()).around?.spacing?.notIn).toHaveLength(3);
  });
});

it('pain relief before a device is said or not, and not said is as before', async () => {
  await person.click('radio', 'cooling');
  await expect.poll(() => present().painRelief).toBe('cooling');
  await person.click('radio', 'not said');
  await expect.poll(() => present().painRelief).toBeUndefined();
});
