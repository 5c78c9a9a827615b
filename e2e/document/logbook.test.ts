import { describe, expect, it } from 'vitest';
import type { LogbookPage, LoggedVisitRead } from '@bienestar/contract/happened';
import { onHandOf } from '@bienestar/core/house/stock';
import { ownHouse, read, readHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

/* What is entered from the room, corrected in the logbook, and learned from it. */

const person = eachAtAFreshHouse();

const house = readHouse;
const consulting = async (): Promise<{ readonly usual: number } | undefined> => {
  const { protocols } = await house();
  const acid = protocols.find(({ id }) => (id as string) === 'layered-fruit-acid');
  const line = acid?.steps.find(({ id }) => (id as string) === 'consult');
  return line && 'minutes' in line ? line.minutes : undefined;
};
const PACE = 'Visits are slower or quicker as a whole by 10%, not by 6%.';

describe('the logbook', () => {
  it('has a visit as soon as it is entered, with what was sold, and is corrected by counter-entries', async () => {
    await person.goTo('/room');
    await person.click('button', 'Add-on: lip balm');
    await person.click('button', 'To the tray');
    await person.click('button', 'The room is taken: begin');
    await person.click('button', 'Took more or less');
    await person.click('button', 'More Prickly-pear lip balm');
    const lay = (grams: number) =>
      fetch(`${ownHouse().url}/api/scale/stand-in`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ put: grams }),
      });
    /* Whatever was weighed before, on the same scale. */
    await lay(0);
    await person.waitFor(async () => {
      const zeroed = await fetch(`${ownHouse().url}/api/scale/zero`, { method: 'POST' });
      return zeroed.status === 204;
    }, 'the scale is set to zero');
    /* Weighed before and after, that is what was taken. */
    await person.click('button', 'Weigh Prickly-pear lip balm');
    await lay(50);
    await person.sees('50 g');
    await person.click('button', 'Before');
    await person.sees('Before: 50 g');
    await lay(51);
    await person.sees('51 g');
    await person.click('button', 'After');
    await person.sees(/weighs more than before/);
    await lay(49.4);
    await person.sees('49.4 g');
    await person.click('button', 'After');
    await person.sees('0.6 g');
    /* A press at once after the first counts as a bounce. */
    await person.waitFor(async () => {
      await person.press('PageDown');
      return (await person.element('#place h1')).textContent === 'The visit is over';
    }, 'the visit is over');
    await person.click('button', 'One After-care kit more');
    await person.sees('1 pack');
    await person.click('button', 'Enter the visit');
    await person.sees('In the log and in the ledger.');
    const [newest] = (await read<LogbookPage>('logbook?most=1')).entries;
    expect(newest).toMatchObject({
      told: [{ by: 'weighed', quantity: 0.6 }],
      sold: [{ materialId: 'after-kit', quantity: 1 }],
    });
    const balm = async (): Promise<number> => {
      const line = (await house()).stock.find(
        ({ materialId }) => (materialId as string) === 'lip-balm-base',
      );
      return line ? onHandOf(line) : Number.NaN;
    };
    const before = await balm();
    const told = newest?.told[0]?.quantity ?? Number.NaN;
    await person.click('link', 'In the logbook');
    await person.sees('planned above, done below');
    await person.click('button', 'Correct an amount');
    await person.click('button', 'Correct it');
    await person.sees('Say an amount that was another.');
    await person.fill('Prickly-pear lip balm, Lip balm on and off', '0.2');
    await person.click('button', 'Correct it');
    await person.sees('Say in a word why it is corrected.');
    await person.fill('Why', 'half of it was left');
    await person.click('button', 'Correct it');
    await person.sees(/Corrected on .*: half of it was left/);
    expect((await balm()) - before).toBeCloseTo(told - 0.2, 6);
    const { entry } = await read<LoggedVisitRead>(`logbook/${newest?.id ?? ''}`);
    expect(entry.told[0]?.quantity).toBe(told);
  });
});

describe('what the log teaches', () => {
  it('is told with what it changes, adopted into the draft, and taken back', async () => {
    await person.goTo('/logbook/teaches');
    await person.sees('8 lessons');
    await person.click(
      'link',
      '“Consult, suitability, consent” takes 11.1 min; written are 5–12 min.',
    );
    await person.sees('By');
    await person.sees('Fruit-acid renewal');
    await person.sees('→');
    const before = await consulting();
    await person.click('button', 'Adopt it');
    await person.sees('7 lessons');
    await person.waitFor(
      async () => (await consulting())?.usual !== before?.usual,
      'the draft is corrected',
    );
    await person.click('button', 'Undo');
    await person.waitFor(
      async () => (await consulting())?.usual === before?.usual,
      'it is taken back',
    );
    await person.sees('8 lessons');
  });

  it('is declined with a reason, and not told again', async () => {
    await person.goTo('/logbook/teaches');
    await person.click('link', PACE);
    await person.click('button', 'Decline it');
    await person.click('button', 'Decline it');
    await person.sees('Say in a word why.');
    await person.fill('Why not', 'we had two new hands');
    await person.click('button', 'Decline it');
    await person.sees('7 lessons');
    await person.goTo('/logbook/teaches');
    await person.sees('7 lessons');
    await person.click('button', '1 lesson declined');
    await person.click('link', PACE);
    await person.sees('we had two new hands');
  });

  it('says how well the figures foresee', async () => {
    await person.goTo('/logbook/foresees');
    await person.sees('ended within their slot');
    await person.sees('visits differ more than is written');
  });
});
