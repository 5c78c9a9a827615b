import { describe, expect, it } from 'vitest';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { isAdoptable } from '@bienestar/core/learn/adopt';
import type { Lesson } from '@bienestar/core/learn/lesson';
import { lessonsOf } from '@bienestar/core/learn/lessonsOf';
import { houseOf } from '@bienestar/core/stock/houseOf';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';
import { lessonWords } from './lessonWords';

const person = eachAtTheApp();

const house = houseOf(DEMO);
const plans = new Map(DEMO.logbookPlans.map((plan) => [plan.id, plan]));
const lessons = lessonsOf(
  DEMO.logbook.flatMap((entry) => {
    const plan = plans.get(entry.planId);
    return plan ? [{ plan, entry }] : [];
  }),
  house,
);

const someOf = (is: (lesson: Lesson) => boolean): Lesson => {
  const found = lessons.find(is);
  if (!found) throw new Error('The log teaches no such thing.');
  return found;
};

/** One lesson of the demo's log in hand. */
async function open(lesson: Lesson): Promise<void> {
  await person.openApp('/', async () => {
    const { LessonInHand } = await import('./LessonInHand');
    return [{ path: '*', element: <LessonInHand lesson={lesson} /> }];
  });
  await person.sees(lessonWords(lesson, house).sentence);
}

const alerts = (): string[] => person.all('[role=alert]').map(({ textContent }) => textContent);
const waiting = () => person.store.getState().queue.writes;

describe('a lesson in hand', () => {
  it.each(lessons.map((lesson) => [lessonWords(lesson, house).sentence, lesson] as const))(
    '“%s” says where, why and what to do',
    async (_sentence, lesson) => {
      await open(lesson);
      const { where, reason, advice } = lessonWords(lesson, house);
      for (const words of [where, reason, advice]) await person.sees(words);
      expect(document.body.textContent).not.toMatch(/undefined|NaN|\[object/);
      const adopt = person.all('button').some(({ textContent }) => textContent === 'Adopt it');
      expect(adopt).toBe(isAdoptable(lesson));
    },
  );

  it('says what adopting it does to slots, cost, price and order points', async () => {
    const lesson = someOf((each) => isAdoptable(each) && 'measured' in each.about);
    await open(lesson);
    await person.sees('Working out what it does …');
    await person.sees(/→|It changes no slot, cost, price or order point\./);
    await person.seesNot('Working out what it does …');
  });

  it('has its points in a picture, with whose they are where they are of several', async () => {
    const lesson = someOf(
      (each) => 'measured' in each.about && each.about.measured.people.length > 1,
    );
    await open(lesson);
    const about = lesson.about as Extract<Lesson['about'], { readonly measured: unknown }>;
    const rows = person.all('table tbody tr');
    expect(rows.length).toBeGreaterThanOrEqual(about.measured.people.length);
    const names = house.people.map(({ name }) => name);
    expect(names).toContain(rows[0]?.firstElementChild?.textContent);
  });
});

describe('a lesson that is declined', () => {
  const lesson = someOf(() => true);

  it('needs a word why', async () => {
    await open(lesson);
    await person.click('button', 'Decline it');
    await person.click('button', 'Decline it');
    await person.sees('Say in a word why.');
    await person.fill('Why not', '   ');
    await person.click('button', 'Decline it');
    expect(alerts()).toEqual([expect.stringContaining('Say in a word why.')]);
    expect(waiting()).toEqual([]);
  });

  it('is kept with the reason, the day and how large it was', async () => {
    await open(lesson);
    await person.click('button', 'Decline it');
    await person.fill('Why not', ' two new hands ');
    await person.click('button', 'Decline it');
    const { before, after } = await person.written<HouseSettings>('settings');
    expect(before.declinedLessons ?? []).toEqual([]);
    expect(after.declinedLessons).toEqual([
      {
        key: lesson.key,
        on: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) as string,
        why: 'two new hands',
        size: expect.closeTo(lesson.size, 5) as number,
      },
    ]);
    await person.sees('two new hands');
    await person.seesNot('Why not');
  });
});

describe('a lesson that is adopted', () => {
  it('waits in what it changes while nobody answers, and says so', async () => {
    const lesson = someOf((each) => isAdoptable(each));
    await open(lesson);
    await person.click('button', 'Adopt it');
    await person.waitFor(
      () =>
        person
          .all('button')
          .some((each) => each.textContent === 'Adopt it' && !each.matches(':disabled')),
      'it can be pressed again',
    );
    expect(document.body.textContent).not.toContain('Adopted:');
  });
});
