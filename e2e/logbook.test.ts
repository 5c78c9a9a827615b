import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { LogbookPage } from '@bienestar/contract/happened';
import { accessibilityFindings } from './support/accessibility';
import { freshHouse, read } from './support/ownHouse';
import { newPerson, type Person } from './support/person';

/* What is looked for in the logbook; what is corrected there and learned from it is in document/logbook.test.ts. */

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());

describe('the logbook', () => {
  it('shows every visit planned beside done, found by words, by whom and by what went wrong', async () => {
    await person.goTo('/logbook');
    await person.sees('480 visits');
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.fill('Look for a guest, a note, any word', 'fell asleep');
    await person.sees(/\d+ of 480 visits shown/);
    await person.choose('By', 'Mateo');
    await person.fill('Look for a guest, a note, any word', '');
    await person.click('button', '9 something left out');
    const { entries } = await read<LogbookPage>('logbook?most=480');
    const shown = await person.page.$$eval('[aria-label="Visits"] li', (lines) => lines.length);
    expect(shown).toBeGreaterThan(0);
    expect(shown).toBeLessThan(entries.length);
    /* What is looked for is in the address: it is there after going to a visit and back. */
    await person.page.click('[aria-label="Visits"] li a');
    await person.sees('planned above, done below');
    expect(new URL(person.page.url()).search).toContain('by=mateo');
    expect(await accessibilityFindings(person)).toEqual([]);
    await person.page.reload();
    await person.sees('planned above, done below');
    await person.sees(/of 480 visits shown/);
    /* Where both have no room side by side, the visit stands alone, and the way back keeps what is looked for. */
    await person.page.setViewport({ width: 390, height: 844 });
    await person.click('link', 'All visits');
    await person.sees(/of 480 visits shown/);
    expect(new URL(person.page.url()).search).toContain('by=mateo');
    await person.page.click('[aria-label="Visits"] li a');
    await person.sees('planned above, done below');
    const top = await person.page.$eval(
      '[aria-label="Visit"] h2',
      (heading) => heading.getBoundingClientRect().top,
    );
    expect(top).toBeLessThan(422);
  });
});
