import { fireEvent } from '@testing-library/dom';
import { beforeEach, describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* A visit on a tablet that nobody answers: all of it goes on, and waits to be told. */

const person = eachAtTheApp();
beforeEach(async () => {
  await person.openApp('/room');
});

const OVER = 'The visit is over';
const heading = (): string => person.all('#place h1')[0]?.textContent ?? '';
const inHand = (): string => person.all('[aria-label="In hand"] h1')[0]?.textContent ?? '';
const asked = (): boolean => person.all('[aria-label="To decide"]').length > 0;

/** Begins a visit of a service, with its tray untouched. */
async function begin(service: string): Promise<void> {
  await person.click('button', service);
  await person.click('button', 'Ione');
  await person.click('button', 'To the tray');
  await person.sees('still to get');
  await person.click('button', 'The room is taken: begin');
  await person.waitFor(() => inHand() !== '', 'it goes on');
}

/** Presses the pedal until something is so; what is asked at the couch stays as it usually is. */
async function pedalUntil(isSo: () => boolean, why: string): Promise<void> {
  await person.waitFor(async () => {
    if (isSo()) return true;
    const usual = person.all('[aria-label="To decide"] button')[0];
    if (usual) usual.click();
    else await person.press('Space');
    return false;
  }, why);
}

describe('before a visit', () => {
  it('is said who performs it; what is not taught to them is not offered', async () => {
    await person.click('button', 'Pumice and oil body polish');
    await person.find('button', 'Dacil');
    await person.seesNot('Olaya');
  });

  it('the tray says what is still to get, until all of it stands ready', async () => {
    await person.click('button', 'Sheet-mask and light express');
    await person.click('button', 'To the tray');
    await person.sees('12 of 12 still to get');
    for (const box of person.all('[role=checkbox]')) box.click();
    await person.sees('all of it stands ready');
    const [first] = person.all('[role=checkbox]');
    first?.click();
    await person.sees('1 of 12 still to get');
  });

  it('may be left again, and nothing has begun', async () => {
    await person.click('button', 'Sheet-mask and light express');
    await person.click('button', 'Back');
    await person.find('heading', 'Treatment room');
    expect(person.all('[aria-label="Going on"]')).toHaveLength(0);
  });
});

describe('a visit', () => {
  it('goes on by the pedal, act by act, and back to what was before', async () => {
    await begin('Sheet-mask and light express');
    const first = inHand();
    await pedalUntil(() => inHand() !== first, 'the next act is in hand');
    const second = inHand();
    expect(second).not.toBe(first);
    await person.click('button', 'Back');
    await person.waitFor(() => inHand() === first, 'the first act is in hand again');
  });

  it('is over after its last act, and shows what was used beside what was planned', async () => {
    await begin('Sheet-mask and light express');
    await pedalUntil(() => heading() === OVER, 'it is over');
    await person.sees('Enter the visit');
    await person.sees(/Prepare room and tray\s*2–4 min/);
    /* It was not performed after all: then no logbook has it. */
    const putAway = await person.find('button', 'Nobody came: put it away hold for a second');
    fireEvent.keyDown(putAway, { key: 'Enter' });
    await person.sees('Put away: it was not performed.');
    await person.seesNot('In the logbook');
  });

  it('is found again where it was, after going elsewhere', async () => {
    await begin('Sheet-mask and light express');
    const first = inHand();
    await pedalUntil(() => inHand() !== first, 'the next act is in hand');
    const second = inHand();
    await person.goTo('/shelf');
    await person.goTo('/room');
    (await person.element('[aria-label="Going on"] a')).click();
    await person.waitFor(() => inHand() === second, 'it goes on where it was');
  });
});

describe('what is decided at the couch', () => {
  it('is asked when it comes up; the pedal does not answer it', async () => {
    await begin('Fruit-acid renewal');
    await person.waitFor(async () => {
      if (asked()) return true;
      await person.press('Space');
      return false;
    }, 'it comes up');
    const before = inHand();
    await person.press('Space');
    await person.seesNot(/but Skin today/);
    expect(inHand()).toBe(before);
    await person.click('button', 'Touchy');
    await person.waitFor(() => !asked(), 'it is decided');
  });
});

describe('when something is wrong', () => {
  it('what is on comes off first, whatever was in hand, and it is written down for good', async () => {
    await begin('Fruit-acid renewal');
    await pedalUntil(() => inHand() === 'Brush one layer on', 'the acid is on');
    await person.click('button', 'Stop and take off');
    await person.sees('call the emergency services first');
    await person.click('button', 'It is off');
    await person.click('button', OVER);
    await person.click('button', 'redness');
    await person.click('button', 'rinsed with cool water');
    await person.click('button', 'Write it down for good');
    await person.sees('Seen: redness.');
  });
});

describe('what was taken', () => {
  it('is more or less by a press, is told as not planned, and may be put right', async () => {
    await begin('Fruit-acid renewal');
    await pedalUntil(() => inHand() === 'Cleanse', 'there is something to take');
    await person.click('button', 'Took more or less');
    await person.click('button', 'More Prickly-pear cleansing milk');
    await person.sees('not as planned');
    await person.click('button', 'Less Prickly-pear cleansing milk');
    await person.seesNot('not as planned');
  });
});
