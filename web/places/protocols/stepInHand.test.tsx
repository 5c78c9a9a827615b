import { describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const open = async (path: string): Promise<void> => {
  await person.openApp(`/protocols/${path}`);
};

const stepOfDraft = async (id: string) => {
  const { steps } = await person.draft();
  return steps.flatMap((line) => (line.id === id && 'doses' in line ? [line] : []))[0];
};

describe('an amount', () => {
  const MILK = 'Amount of Prickly-pear cleansing milk';

  it.each([
    ['-3', 'Must not be below 0. Still counted with 3.'],
    ['much', 'Enter a number, such as 3 or 2.5. Still counted with 3.'],
    ['', 'Enter a number, such as 3 or 2.5. Still counted with 3.'],
    ['0', 'Must be more than 0. Still counted with 3.'],
    ['9', 'Put low, usual, high in order. Still counted with 3.'],
    ['1e9', 'Enter a number, such as 3 or 2.5. Still counted with 3.'],
    ['999999999', 'Must be at most 100000. Still counted with 3.'],
  ])(
    'is explained at its field when it is “%s”, and what was typed stays',
    async (typed, words) => {
      await open('black-sand-clay-facial/cleanse');
      await person.fill(`${MILK}, usual`, typed);
      await person.sees(words);
      expect(await person.valueOf(`${MILK}, usual`)).toBe(typed);
      const field = await person.find('textbox', `${MILK}, usual`);
      expect(field.getAttribute('aria-invalid')).toBe('true');
      expect(await person.figure('Product')).toBe('€4.74');
      await person.fill(`${MILK}, usual`, '3.5');
      await person.seesNot('Still counted');
      await expect
        .poll(async () => (await stepOfDraft('cleanse'))?.doses[0]?.amount)
        .toMatchObject({ quantity: { usual: 3.5 } });
    },
  );

  it('says what is missing when a way of counting has no measure on the shelf', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.choose('Prickly-pear cleansing milk, stated in', 'sprays');
    await person.sees('say how many ml one spray gives');
    await person.sees('min slot; the guest is told 55');
    await person.fill('ml per spray, Prickly-pear cleansing milk', '0,2');
    await person.press('Tab');
    await person.seesNot('say how many ml one spray gives');
    await person.sees('takes 0.6 ml');
  });
});

describe('the step in hand', () => {
  it('is given zones, and a region takes the place of its parts', async () => {
    await open('black-sand-clay-facial/finish');
    await person.sees('takes 1.6 ml');
    await person.click('button', 'change zones');
    await person.sees(/1 face\s*2 neck front/);
    await person.click('checkbox', 'décolleté');
    await person.sees('3 décolleté');
    await person.click('checkbox', 'forehead, worked 1.');
    await person.sees(/1 cheeks\s*2 nose/);
    await person.click('button', 'Undo');
    await person.sees(/1 face\s*2 neck front\s*3 décolleté/);
    await person.click('checkbox', 'décolleté, worked 3.');
    await person.seesNot('3 décolleté');
    await expect.poll(() => stepOfDraft('finish')).toMatchObject({ zones: ['face', 'neck-front'] });
  });

  it('says that a coat needs zones', async () => {
    await open('black-sand-clay-facial/finish');
    await person.click('button', 'change zones');
    await person.click('button', 'face and neck');
    await person.sees('A coat of Mineral sunscreen needs the zones it covers');
    await person.click('button', 'Undo');
    await person.seesNot('needs the zones it covers');
  });

  it('opens a new ampoule or uses up the open one', async () => {
    await open('layered-fruit-acid/ampoule-neck');
    const before = await person.figure('Product');
    await person.click('radio', 'open new');
    await person.sees('takes 2 ml');
    expect(await person.figure('Product')).not.toBe(before);
    await person.click('radio', 'use what is left first');
    await person.sees('takes 0 ml');
    expect(await person.figure('Product')).toBe(before);
  });

  it('is put beside another, by hands that are free, and then by its own', async () => {
    await open('black-sand-clay-facial/finish');
    await person.find('button', 'Slot: 70. Show the working');
    await person.choose('Done meanwhile, beside', 'Enzyme paste rests');
    await person.find('button', 'Slot: 65. Show the working');
    await expect.poll(async () => (await stepOfDraft('finish'))?.meanwhileOf).toBe('enzyme');
    await person.choose('Done meanwhile, beside', 'by itself');
    await person.find('button', 'Slot: 70. Show the working');
    await expect.poll(async () => (await stepOfDraft('finish'))?.meanwhileOf).toBe(undefined);
  });

  it('is put into new layers, which are named and counted', async () => {
    await open('pumice-body-polish/oil');
    await person.choose('Repeated', 'in new layers …');
    await person.fill('Name of the layers', 'Oil rounds');
    await person.fill('On later visits', '3');
    await person.sees('Oil rounds: 1 on a first visit, 3 on later ones');
    await person.sees('in each of 3 layers');
    await person.fill('Wait between layers, usual', '3');
    await person.sees('Put least, usual, most in order.');
    await person.fill('Wait between layers, most', '3');
    await person.fill('Wait between layers, usual', '2');
    await expect
      .poll(async () => (await person.draft()).layerGroups)
      .toMatchObject([{ name: 'Oil rounds', layers: { first: 1, returning: 3 } }]);
    await person.choose('Repeated', 'done once');
    await person.seesNot('Oil rounds');
  });

  it('moves to another stretch and to other hands', async () => {
    await open('pumice-body-polish/close');
    await person.click('radio', 'reset');
    await person.click('radio', 'assistant');
    await person.click('radio', 'watching');
    await person.fill('What to watch', 'Ask for <shoes> & robe.');
    await person.sees('assistant');
    await expect
      .poll(() => stepOfDraft('close'))
      .toMatchObject({
        stretch: 'reset',
        watch: 'Ask for <shoes> & robe.',
      });
  });

  it('shows what changed since the protocol was opened', async () => {
    await open('pumice-body-polish/oil');
    await person.fill('Minutes, most', '60');
    await person.fill('Minutes, usual', '50');
    await person.sees('since opened');
  });

  it('passes a cap in words when what is done meanwhile takes too long', async () => {
    await open('black-sand-clay-facial/hands');
    await person.fill('Minutes, most', '30');
    await person.fill('Minutes, usual', '1:00');
    await person.sees('Put least, usual, most in order.');
    await person.fill('Minutes, usual', '20');
    await person.sees('past the cap of 15 min');
    await person.sees('may stay on for at most 15 min');
    await person.goTo('/protocols/black-sand-clay-facial/mask');
    await person.sees(/passed in \d+(\.\d+)?% of visits/);
  });

  it('is done in layers, fewer on a first visit', async () => {
    await open('layered-fruit-acid/acid');
    await person.sees('Acid layers: 2 on a first visit, 4 on later ones');
    await person.sees('in each of 4 layers');
    const four = await person.figure('Product');
    await person.fill('On later visits', '5');
    await person.sees('in each of 5 layers');
    expect(await person.figure('Product')).not.toBe(four);
    await person.fill('On later visits', '0');
    await person.sees('Must be at least 1. Still counted with 5.');
  });
});

describe('a product', () => {
  const lastOne = async () => (await stepOfDraft('mask-off'))?.doses.at(-1);

  it('is found by words in any order, and is in the step once it is chosen, and not before', async () => {
    await open('black-sand-clay-facial/mask-off');
    await person.click('button', 'Add a product');
    await person.fillIn('combobox', 'Find a product', 'milk pear');
    const options = [...document.querySelectorAll('[role=option]')].map((each) => each.textContent);
    expect(options).toEqual(['Prickly-pear cleansing milk']);
    expect(person.store.getState().queue.writes).toEqual([]);
    await person.press('Enter');
    await expect.poll(lastOne).toMatchObject({ source: { materialId: 'prickly-pear-milk' } });
    const amount = await person.find('textbox', 'Amount of Prickly-pear cleansing milk, usual');
    await expect.poll(() => document.activeElement === amount).toBe(true);
  });

  it('may be a mix, chosen with the arrow keys', async () => {
    await open('black-sand-clay-facial/mask-off');
    await person.click('button', 'Add a product');
    await person.fillIn('combobox', 'Find a product', 'clay');
    const options = [...document.querySelectorAll('[role=option]')].map((each) => each.textContent);
    const at = options.indexOf('Clay mask, mixed (mix)');
    expect(at).toBeGreaterThan(0);
    for (let pressed = 0; pressed < at; pressed += 1) await person.press('ArrowDown');
    await person.press('Enter');
    await expect.poll(lastOne).toMatchObject({ source: { kind: 'mix', mixId: 'clay-mask' } });
  });

  it('that is not there is told, and Escape leaves the step as it was', async () => {
    await open('black-sand-clay-facial/mask-off');
    await person.click('button', 'Add a product');
    await person.fillIn('combobox', 'Find a product', 'moonlight');
    await person.sees('Nothing on the shelf has these words.');
    await person.press('Escape');
    await person.seesNot('Nothing on the shelf has these words.');
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});

describe('a working', () => {
  it('goes down to the pack price', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'Product: €4.74. Show the working');
    await person.sees('Everything drawn in the visit at what a unit of it costs, added up.');
    await person.open('Prickly-pear cleansing milk, First cleanse');
    await person.open('One ml of Prickly-pear cleansing milk');
    await person.sees(/Pack price.*€21\.00/);
    await person.sees('(C1)');
    await person.press('Escape');
    const reorder = await person.figure('Reorder point of Prickly-pear cleansing milk');
    await person.click(
      'button',
      `Reorder point of Prickly-pear cleansing milk: ${reorder}. Show the working`,
    );
    await person.sees('Demand while waiting is a random number of uses');
    await person.press('Escape');
    const drawn = '4.8 ml (2.94–6.91)';
    await person.click(
      'button',
      `Prickly-pear cleansing milk in a visit: ${drawn}. Show the working`,
    );
    await person.sees('What each dose takes, added up');
  });

  it('of attended minutes lists the steps', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'Attended minutes: 46.7 min. Show the working');
    await person.sees('Hand and arm massage');
    await person.sees('(T4)');
  });

  it('of a reorder point names visits, lead time and service level', async () => {
    await person.openApp('/restock/levels');
    const point = await person.figure('Reorder point of Fig enzyme powder, sachet');
    await person.click(
      'button',
      `Reorder point of Fig enzyme powder, sachet: ${point}. Show the working`,
    );
    for (const words of [
      '11 visits a week',
      'Lead time of Northquay Cosmetics Supply',
      '95%',
      'It is delivered on',
      '(S3)',
    ]) {
      await person.sees(words);
    }
  });
});
