import { describe, expect, it } from 'vitest';
import type { SoldCourse } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { api } from '../../store/api';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* Courses that are paid for: what they still promise is set aside. */

const person = eachAtTheApp();

async function open(): Promise<void> {
  await person.openApp('/', async () => {
    const { CoursesPanel } = await import('./demand/CoursesPanel');
    return [{ path: '*', element: <CoursesPanel /> }];
  });
  await person.element('[role=radiogroup], [role=radio]');
}

const [sold] = DEMO.soldCourses;
if (!sold) throw new Error('No course is sold.');
const courses = DEMO.offers.filter(({ kind }) => kind === 'course');

describe('a course that is sold', () => {
  it('says to whom, of what, and how many visits are to come', async () => {
    await open();
    const lines = person.all('li').map(({ textContent }) => textContent);
    expect(lines).toHaveLength(DEMO.soldCourses.length);
    const course = courses.find(({ id }) => id === sold.offerId);
    expect(lines[0]).toContain(sold.name);
    expect(lines[0]).toContain(course?.name);
    expect(lines.some((line) => /\d visits? to come, the next /.test(line))).toBe(true);
  });

  it('has as many visits taken as is typed, and none beyond what can be', async () => {
    await open();
    const field = person.all('li input')[0] as HTMLInputElement;
    expect(field.value).toBe(String(sold.taken));
    await person.fill('Taken', '-1');
    await person.press('Tab');
    await person.sees('Must be');
    await person.fill('Taken', String(sold.taken + 1));
    await person.press('Tab');
    const { before, after } = await person.written<SoldCourse>('soldCourses');
    expect([before.taken, after.taken]).toEqual([sold.taken, sold.taken + 1]);
  });

  it('of what is no longer on the menu stays, with nothing to come', async () => {
    await open();
    person.store.dispatch(
      api.util.updateQueryData('house', undefined, (house) => ({ ...house, offers: [] })),
    );
    await person.sees('no longer on the menu');
    await person.sees('No course is on the menu yet');
  });

  it('stays where it cannot be removed just now', async () => {
    await open();
    await person.click('button', `Remove ${sold.name}`);
    await person.sees(sold.name);
    expect(person.all('li')).toHaveLength(DEMO.soldCourses.length);
  });
});

describe('selling a course', () => {
  it('needs the course and to whom it is sold', async () => {
    await open();
    const button = () => person.find('button', 'Sold');
    expect((await button()).matches(':disabled')).toBe(true);
    await person.fill('Sold to', 'Aurea');
    expect((await button()).matches(':disabled')).toBe(true);
    await person.choose('Course', courses[0]?.name ?? '');
    expect((await button()).matches(':disabled')).toBe(false);
    await person.fill('Sold to', '  ');
    expect((await button()).matches(':disabled')).toBe(true);
  });

  it('keeps what was typed while nobody answers', async () => {
    await open();
    await person.choose('Course', courses[0]?.name ?? '');
    await person.fill('Sold to', 'Aurea');
    await person.click('button', 'Sold');
    await person.waitFor(
      async () => !(await person.find('button', 'Sold')).matches(':disabled'),
      'it can be pressed again',
    );
    expect(await person.valueOf('Sold to')).toBe('Aurea');
  });
});

it('the plan contains their visits, or leaves them out', async () => {
  await open();
  const isWithin = DEMO.settings.restock.courses === 'within-plan';
  await person.click('radio', isWithin ? 'leaves them out' : 'contains their visits');
  const { after } = await person.written<HouseSettings>('settings');
  expect(after.restock.courses).toBe(isWithin ? 'besides-plan' : 'within-plan');
});
