import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Demand, Person, PlacedVisit } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { eachAtTheApp } from '../../testing/eachAtTheApp';
import { cleanup } from '../../testing/render';

const person = eachAtTheApp();
const open = person.openApp;
const user = userEvent.setup({ delay: null });

const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Enter');
};

/* A week of the demo house as it is written. */
const WEEK = '2026-11-23';
const DAY = `/week/day?day=2026-11-27&week=${WEEK}`;
const ALMA = 'Black-sand clay facial 10:00 Alma R. 70 minutes';

describe('hours and roster', () => {
  it('takes hours as they are said, for every week', async () => {
    await open(`/week/roster?week=${WEEK}`);
    await person.click('button', 'Ione: 14–17');
    await put('Hours on this day of every week', '9:30-13, 14-18');
    const { before, after } = await person.written<Person>('people');
    expect(after.hours?.usually[2]).toEqual([
      { from: 570, to: 780 },
      { from: 840, to: 1080 },
    ]);
    expect(after.hours?.usually.toSpliced(2, 1)).toEqual(before.hours?.usually.toSpliced(2, 1));
    await person.sees('32.5 h');
    await person.sees('4.5 h more than agreed');
  });

  it('keeps a change to this week where it is meant so', async () => {
    await open(`/week/roster?week=${WEEK}`);
    await person.click('radio', 'this week only');
    await person.click('button', 'Ione: 14–17');
    await put('Hours on this day', '');
    const { before, after } = await person.written<Person>('people');
    expect(after.hours?.usually).toEqual(before.hours?.usually);
    expect(after.hours?.weeks).toMatchObject([{ monday: WEEK }]);
    expect(after.hours?.weeks?.[0]?.days[2]).toEqual([]);
  });

  it.each([
    ['soon', 'Write hours such as 10-14, 15-19'],
    ['20-2', 'What goes on past midnight stands on the next day'],
    ['10-14, 13-15', 'These times overlap'],
  ])('keeps what was typed and says what is wrong with %s', async (text, words) => {
    await open(`/week/roster?week=${WEEK}`);
    await person.click('button', 'Ione: 14–17');
    await put('Hours on this day of every week', text);
    await person.sees(words);
    expect(await person.valueOf('Hours on this day of every week')).toBe(text);
    expect(person.store.getState().queue.writes).toEqual([]);
  });

  it('opens the house at other hours, and closes it on a holiday', async () => {
    await open(`/week/roster?week=${WEEK}`);
    await person.click('button', 'The house: closed');
    await put('Hours on this day of every week', '11-15');
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.openHours?.week[6]).toEqual([{ from: 660, to: 900 }]);
    expect(after.openHours?.otherwise).toHaveLength(2);
  });

  it('keeps other hours in a season, of the house and of those who work in it', async () => {
    await open(`/week/roster?week=${WEEK}`);
    await person.fill('Name of the season', 'Advent');
    await person.fill('Every year from', '11/20/2026');
    await person.press('Tab');
    await person.fill('until', '12/24/2026');
    await person.press('Tab');
    await person.click('button', 'Add this season');
    await person.sees('Advent, Nov 20 – Dec 24');
    await person.click('button', 'Ione: 14–17');
    await put('Hours on this day of every week, Advent', '12-18');
    await person.find('button', 'Ione: 12–18');
    const [house, work] = person.store.getState().queue.writes;
    expect(house).toMatchObject({
      change: {
        mine: { openHours: { seasons: [{ name: 'Advent', from: '11-20', to: '12-24' }] } },
      },
    });
    expect(work).toMatchObject({ change: { mine: { hours: { seasons: [{ name: 'Advent' }] } } } });
    await person.click('button', 'Remove Advent');
    await person.find('button', 'Ione: 14–17');
  });

  it('says the pay of the week', async () => {
    await open(`/week/roster?week=${WEEK}`);
    await person.sees('€1,407.40 that is owed whether or not somebody comes');
  });
});

describe('the week in hand', () => {
  it('takes the day in hand along when it goes on to another', async () => {
    await open('/week/played?day=2026-11-27');
    await person.click('button', 'The week after');
    await person.sees('Friday Dec 4, 2026');
    await person.click('button', 'The week before');
    await person.sees('Friday Nov 27, 2026');
  });
});

describe('a day', () => {
  it('moves a visit by keys: along the clock, and from room to room', async () => {
    await open(DAY);
    const alma = await person.find('button', ALMA);
    alma.focus();
    await user.keyboard('{ArrowRight}');
    const { before, after } = await person.written<PlacedVisit>('placed');
    expect(Date.parse(after.at) - Date.parse(before.at)).toBe(5 * 60_000);
    expect({ ...after, at: before.at }).toEqual(before);
    await person.find('button', ALMA.replace('10:00', '10:05'));
  });

  it('says at once what does not fit where somebody else is to do it, and lets it be', async () => {
    await open(DAY);
    await person.click('button', ALMA);
    await person.choose('Therapist', 'Nerea, may not');
    await person.sees('Nerea may not perform 10:00 Black-sand clay facial (Alma R.)');
    await person.sees('Nerea is not there from 10:05');
    const { after } = await person.written<PlacedVisit>('placed');
    expect(after.therapistId).toBe('nerea');
  });

  it('takes an add-on along and leaves it out again, and the visit goes by both', async () => {
    const alone = 'Prickly-pear calm facial';
    const named = (what: string): string => `${what} 14:30 Vera C. 65 minutes`;
    await open(`/week/day?day=2026-11-28&week=${WEEK}`);
    await person.click('button', named(`${alone} + Add-on: eye sheet`));
    await person.click('button', 'Without Add-on: eye sheet');
    await person.click('button', named(alone));
    await person.choose('Along with it', 'Add-on: scalp massage, in free hands, brings €4.95');
    /* She is not named for it. */
    await person.sees(
      'Nerea may not perform 14:30 Prickly-pear calm facial + Add-on: scalp massage',
    );
    expect(person.store.getState().queue.writes).toHaveLength(2);
  });

  it('takes away what is no longer said', async () => {
    await open(DAY);
    await person.click('button', ALMA);
    await person.choose('Assistant', 'nobody: the therapist does it');
    const { after } = await person.written<PlacedVisit>('placed');
    expect(after.assistantId).toBeUndefined();
  });

  it('keeps a time that is none, and says so', async () => {
    await open(DAY);
    await person.click('button', ALMA);
    await put('Room from', 'noon');
    await person.sees('Write a time such as 14:05.');
    expect(await person.valueOf('Room from')).toBe('noon');
    await put('Room from', '11.30');
    const { after } = await person.written<PlacedVisit>('placed');
    expect(after.at).toBe('2026-11-27T11:30:00Z');
  });

  it('shows the book where it fits, and where a visit would fit otherwise', async () => {
    await open(DAY);
    await person.find('button', 'Fine-needle renewal 12:30 80 minutes, not kept yet');
    await person.click('button', ALMA);
    await person.click('button', 'Where does it fit?');
    await person.choose('When', 'in the evening');
    await person.sees(/17:\d\d (Lava|Duna), (Ione|Mateo)|It fits nowhere/);
  });

  it('says what fits into a gap, and what that brings', async () => {
    await open(DAY);
    await person.click('button', 'Aljibe, free from 10:00 to 16:00: what fits here?');
    await person.sees('What fits here?');
    await person.sees(/Fennel cooling leg wrap\s*brings €|Nothing of the menu/);
  });
});

it('lays two visits beside each other, and moves the second by keys', async () => {
  await open('/week/pairs');
  await person.choose('First', 'Sheet-mask and light express');
  await person.choose('Second, in the other room', 'Sheet-mask and light express');
  await person.sees(/The least is \d+ min/);
  const slider = await person.find('slider', 'Sheet-mask and light express begins after');
  slider.focus();
  await user.keyboard('{End}');
  const least = Number(slider.getAttribute('aria-valuenow'));
  await person.sees('the same hands never meet');
  await user.keyboard('{ArrowLeft}');
  expect(Number(slider.getAttribute('aria-valuenow'))).toBe(least - 5);
  await person.sees(/hands are wanted twice for \d+ min/);
});

it('has a service take a wet room, and a warmer keep its towels', async () => {
  await open('/menu/warm-sand');
  await person.click('radio', 'wet');
  const { after } = await person.written<{ roomKind?: string }>('services');
  expect(after.roomKind).toBe('wet');
});

it('says what is missing before a week can be counted, and where to say it', async () => {
  await open('/week/roster');
  const { api } = await import('../../store/api');
  person.store.dispatch(
    api.util.updateQueryData('house', undefined, (house) => {
      Object.assign(house.settings, { openHours: undefined });
    }),
  );
  await person.goTo('/week/day');
  await person.sees('Say on which days and from when to when the house is open');
  await person.click('link', 'Say the hours');
  await person.sees('Hours and roster');
});

/** The plan of a service, as it waits to be sent. */
type Plan = Pick<Demand, 'leastPerWeek'>;

it('refuses at least more than at most, at the place of the fault', async () => {
  await open('/');
  const { MixTable } = await import('./worth/MixTable');
  cleanup();
  person.show(<MixTable mix={undefined} />);
  await put('At least, Black-sand clay facial', '20');
  await person.sees('The least must not be more than the most.');
  await put('At least, Black-sand clay facial', '6');
  const { change } = person.store.getState().queue.writes[0] ?? {};
  expect(change?.kind === 'edit' && (change.mine as Plan).leastPerWeek).toBe(6);
});
