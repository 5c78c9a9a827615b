import { describe, it } from 'vitest';
import { ownHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* What comes, is opened, used, thrown away, counted and weighed; the ledger keeps all of it. */

const person = eachAtAFreshHouse();

/** Tells the simulated scale what lies on it, or what is wrong with it. */
function scale(order: object): Promise<unknown> {
  return fetch(`${ownHouse().url}/api/scale/stand-in`, {
    method: 'POST',
    body: JSON.stringify(order),
    headers: { 'content-type': 'application/json' },
  });
}

/** The scale works, nothing lies on it, and it shows nothing, whatever the last test weighed on it. */
async function scaleReady(): Promise<void> {
  await scale({ fault: 'none' });
  await scale({ put: 0 });
  await person.waitFor(async () => {
    const zeroed = await fetch(`${ownHouse().url}/api/scale/zero`, { method: 'POST' });
    return zeroed.status === 204;
  }, 'the scale is set to zero');
}

/** Waits until the scale on the screen is stable at so many grams. */
async function settled(grams: RegExp): Promise<void> {
  await person.waitFor(
    () =>
      person
        .all('output[aria-label="Bench scale"]')
        .some(({ textContent }) => grams.test(textContent)),
    `the scale settles at ${String(grams)}`,
  );
}

describe('a delivery box', () => {
  it('is put on the shelf thing by thing, and refused where its dates cannot be', async () => {
    await person.goTo('/shelf');
    await person.click('button', 'A delivery came');
    await person.fillIn('searchbox', 'What came', 'glove plain');
    await person.click('button', 'Gloves, plain');
    await person.fill('How many packs', '2');
    await person.fill('Lot number', 'Q77');
    await person.fill('Keeps until', '2020-01-01');
    await person.click('button', 'On the shelf with it');
    await person.sees('It would have expired before it came');
    await person.fill('Keeps until', '2040-01-01');
    await person.fill('Came on', '2039-01-01');
    await person.click('button', 'On the shelf with it');
    await person.sees('A delivery cannot lie in the future');
    await person.fill('Came on', '2026-11-01');
    await person.click('button', 'On the shelf with it');
    await person.sees('On the shelf: Gloves, plain.');
    await person.fillIn('searchbox', 'What came', 'N-1301');
    await person.click('button', 'Black-sand clay');
    await person.click('button', 'On the shelf with it');
    await person.sees('On the shelf: Gloves, plain, Black-sand clay.');
    await person.press('Escape');
    await person.goTo('/shelf/glove');
    await person.sees('264 pieces');
    await person.sees('lot Q77');
  });
});

describe('what is left of a material', () => {
  it('is opened, used and thrown away, and a mistake is taken back', async () => {
    await person.goTo('/shelf/cactus-serum');
    await person.sees('33 ml');
    await person.click('button', 'Open one');
    await person.sees('30 ml of 30 ml');
    /* What is left of a jar that was started before it was entered. */
    await person.click('button', 'Open one');
    await person.sees('3 ml of 30 ml');
    await person.click('button', 'Open one');
    await person.sees('There is no sealed container of Cactus-flower serum left to open.');
    await person.click('button', 'Used some');
    await person.fill('How much', '40');
    await person.click('button', 'Enter the use');
    await person.sees('Only 33 ml of Cactus-flower serum are there');
    await person.fill('How much', '4');
    await person.click('button', 'Enter the use');
    await person.sees('29 ml of 30 ml');
    const newest = (): string =>
      person
        .all('button')
        .find((each) => each.textContent === 'take back')
        ?.getAttribute('aria-label') ?? '';
    await person.waitFor(
      () => newest().startsWith('Take back: used'),
      'the use is the newest entry',
    );
    await person.click('button', newest());
    await person.click('button', 'Take it back');
    await person.sees('Say in a word why the entry is taken back.');
    await person.fill('Why', 'spilled, not used');
    await person.click('button', 'Take it back');
    await person.sees('spilled, not used');
    await person.sees('33 ml');
    await person.reload();
    await person.sees('spilled, not used');
  });

  it('that is past its date is thrown away with the reason', async () => {
    await person.goTo('/shelf');
    await person.click('button', '▲ 1 past their time');
    await person.click('link', 'Two-phase eye make-up remover');
    await person.sees('of it is over');
    person
      .all('button')
      .find((each) => each.getAttribute('aria-label')?.startsWith('Throw away the open'))
      ?.click();
    await person.sees('open too long');
    await person.click('button', 'Throw it away');
    await person.sees('thrown away: open too long');
    await person.seesNot('of it is over');
  });

  it('is counted lot by lot, and weighed through its tare', async () => {
    await scaleReady();
    await person.goTo('/shelf/prickly-pear-milk');
    await person.click('button', 'Count or weigh');
    await person.click('button', 'Weigh it instead');
    await scale({ put: 360.05 });
    await settled(/^36\d/);
    await person.click('button', 'Take this weight');
    await person.waitFor(
      () => person.all('input').some((field) => (field as HTMLInputElement).value.startsWith('29')),
      'the weight is taken',
    );
    await person.click('button', 'Enter the count');
    await person.sees(/29\d ml/);
    await person.sees('counted');
    await person.click('button', 'Count or weigh');
    await person.click('radio', 'all together');
    await person.fill('Everything that is there', '-3');
    await person.sees('Must be at least 0.');
    await person.fill('Everything that is there', '200');
    await person.click('button', 'Enter the count');
    await person.sees('200 ml');
    await scale({ put: 0 });
  });
});

describe('the calibration helper', () => {
  it('says what it needs: a density, and a scale that settles', async () => {
    await scaleReady();
    await person.goTo('/shelf/black-sand-clay/measured');
    await person.click('button', 'Weigh it out');
    await person.sees('give the density of Black-sand clay');
    await scale({ fault: 'overload' });
    await person.sees('Too heavy for the scale');
    await scale({ fault: 'unstable' });
    await person.sees('Still moving');
    await scale({ fault: 'none' });
  });
});
