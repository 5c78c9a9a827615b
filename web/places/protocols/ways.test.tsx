import { screen, within } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import type { Step } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import { minutes } from '@bienestar/core/testing/sample';
import type { HouseSettings } from '@bienestar/core/house/settings';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const user = userEvent.setup({ delay: null });
const open = async (path: string): Promise<void> => {
  await person.openApp(`/protocols/${path}`);
};

const stepOfDraft = async (id: string): Promise<Step | undefined> => {
  const { steps } = await person.draft();
  return steps.flatMap((line) => (line.id === id && 'doses' in line ? [line] : []))[0];
};
const becomes = async (id: string, what: Partial<Step>): Promise<void> =>
  expect.poll(() => stepOfDraft(id), { timeout: 10_000 }).toMatchObject(what);

describe('how the hands work', () => {
  it('is a few choices, each its own, and a way of working of the house in one press', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'How the hands work');
    await person.choose('Pressure', 'light pressure');
    await person.choose('Movement', 'in circles');
    await person.fill('How often', '3');
    await person.fill('each held for', '5');
    await becomes('cleanse', {
      technique: { pressure: 'light', movement: 'circles', hold: { times: 3, seconds: 5 } },
    });
    await person.choose('Pressure', 'not said');
    await person.fill('How often', '');
    await expect
      .poll(async () => (await stepOfDraft('cleanse'))?.technique, { timeout: 10_000 })
      .toEqual({ movement: 'circles' });
    await person.click('button', 'deep knead');
    await becomes('cleanse', { technique: { movement: 'kneading', pressure: 'firm' } });
  });

  it('refuses an hour of holding at its field', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'How the hands work');
    await person.fill('each held for', '3600');
    await person.sees('Must be at most 600.');
    expect(await person.valueOf('each held for')).toBe('3600');
  });

  it('can be given a name, by which every step has it', async () => {
    await open('copper-ampoule/pressing-massage');
    await person.click('button', 'How the hands work');
    await person.click('button', 'Name this way of working');
    await person.fill('What this way of working is called', 'deep knead');
    await person.press('Enter');
    await person.sees('A way of working is called that already.');
    await person.fill('What this way of working is called', 'slow press');
    await person.press('Enter');
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.techniques?.at(-1)).toMatchObject({
      name: 'slow press',
      technique: { movement: 'pressing', hold: { times: 20, seconds: 4 } },
    });
  });
});

describe('how a step is otherwise for some', () => {
  it('is said in the same fields, kept only where it differs, and taken off with one press', async () => {
    await open('fennel-leg-wrap/legs-rest-in-the-wrap');
    await person.click('button', 'Otherwise for some');
    await person.click(
      'button',
      'Change what is otherwise for In the wrap: short (winter, autumn)',
    );
    await person.sees('Legs rest in the wrap, as it is for');
    expect(await person.valueOf('Contact at most')).toBe('12');
    await person.click('button', 'How it is worked');
    await person.click('radio', 'plain');
    await expect
      .poll(async () => (await stepOfDraft('legs-rest-in-the-wrap'))?.otherwise?.[0]?.says, {
        timeout: 10_000,
      })
      .toEqual({ minutes: minutes(12), capMinutes: 12, gloves: 'plain' });
    await person.fill('Contact at most', '20');
    await expect
      .poll(async () => (await stepOfDraft('legs-rest-in-the-wrap'))?.otherwise?.[0]?.says, {
        timeout: 10_000,
      })
      .toEqual({ minutes: minutes(12), gloves: 'plain' });
    await person.click('button', 'Back to everybody');
    expect(await person.valueOf('Contact at most')).toBe('20');
    await person.click('button', 'Otherwise for some');
    await person.click('button', 'As for everybody: In the wrap: short (winter, autumn)');
    await expect
      .poll(async () => (await stepOfDraft('legs-rest-in-the-wrap'))?.otherwise, {
        timeout: 10_000,
      })
      .toBeUndefined();
  });

  it('is in fewer layers for some, and in as many again with one press', async () => {
    const layers = async () => (await person.draft()).layerGroups[0]?.otherwise;
    await open('layered-fruit-acid/acid');
    await person.click('button', 'Otherwise for some');
    await person.click('button', 'Change what is otherwise for Skin today: Touchy');
    await person.fill('Layers on later visits', '3');
    await expect
      .poll(layers, { timeout: 10_000 })
      .toMatchObject([{ layers: { first: 1, returning: 3 } }]);
    await person.click('button', 'As many layers as for everybody');
    await expect.poll(layers, { timeout: 10_000 }).toBeUndefined();
    expect(await person.valueOf('Layers on later visits')).toBe('4');
  });

  it('sets what runs along, within the limits of the house', async () => {
    await open('fig-enzyme-steam/enzyme-under-steam');
    await person.click('button', 'Device');
    await person.fill('Facial steamer, temperature', '60');
    await person.sees('The house goes from 38 to 43.');
    await person.fill('Facial steamer, temperature', '40');
    await becomes('enzyme-under-steam', {
      runningAt: [{ deviceId: asId('steamer'), values: [{ kind: 'temperature', value: 40 }] }],
    });
    await person.click('button', 'Facial steamer');
    await expect
      .poll(async () => (await stepOfDraft('enzyme-under-steam'))?.runningAt, { timeout: 10_000 })
      .toBeUndefined();
  });

  it('is begun for an option, and joined with another', async () => {
    await open('copper-ampoule/ampoule-first-half');
    await person.click('button', 'Otherwise for some');
    await person.choose('Otherwise for', 'When: Winter');
    await person.choose('Otherwise for, and also', 'and Which visit: Fourth (every 4)');
    await person.click('button', 'Say how it is for them');
    await person.fill('Contact at most', '7');
    await becomes('ampoule-first-half', {
      otherwise: [
        {
          option: { choiceId: asId('when'), optionId: asId('winter') },
          also: [{ choiceId: asId('which-visit'), optionId: asId('fourth') }],
          says: { capMinutes: 7 },
        },
      ],
    });
  });
});

describe('what is looked for under the lamp', () => {
  it('is the usual and what the house adds, by which a choice can go', async () => {
    await person.openApp('/house');
    await person.click('button', 'Looked for under the lamp');
    await person.fill('Another finding', 'Redness');
    await person.press('Enter');
    await person.sees('It is looked for already.');
    await person.fill('Another finding', 'Loss of glow');
    await person.press('Enter');
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.findings).toContain('own-loss-of-glow');
    await person.goTo('/protocols/fig-enzyme-steam/enzyme-paste-on');
    await person.click('button', 'For whom');
    await person.click('button', 'Choices …');
    const [first] = await screen.findAllByRole('button', { name: 'loss of glow' });
    if (!first) throw new Error('It is offered.');
    await user.click(first);
    await expect
      .poll(async () => (await person.draft()).choices[0]?.options[0]?.for, { timeout: 10_000 })
      .toContain('own-loss-of-glow');
    await person.sees('only where it is seen on');
  });
});

describe('how much of a product', () => {
  it('is measured once for all layers, and goes where it is said', async () => {
    await open('layered-fruit-acid/acid');
    const dose = async () => (await stepOfDraft('acid'))?.doses[0];
    await person.click('button', 'More of Fruit-acid blend 20 %');
    await person.choose('Where Fruit-acid blend 20 % goes', 'into the bowl');
    await expect.poll(dose, { timeout: 10_000 }).toMatchObject({ into: 'bowl' });
    await person.choose('Where Fruit-acid blend 20 % goes', 'onto the skin');
    await expect.poll(async () => (await dose())?.into, { timeout: 10_000 }).toBeUndefined();
    const once = await person.find('radiogroup', 'Fruit-acid blend 20 % is measured');
    await user.click(within(once).getByRole('radio', { name: 'once for all' }));
    await expect.poll(dose, { timeout: 10_000 }).toMatchObject({ over: 'all-layers' });
  });

  it('is a bowl of the house filled to a mark', async () => {
    await person.openApp('/house');
    await person.click('button', 'Bowls and cups filled to a mark');
    await person.click('button', 'A bowl or cup');
    await person.written<HouseSettings>('settings');
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.choose('Prickly-pear cleansing milk, stated in', '× bowl 2 to the mark');
    await expect
      .poll(async () => (await stepOfDraft('cleanse'))?.doses[0]?.amount, { timeout: 10_000 })
      .toMatchObject({ how: 'named', name: 'bowl 2 to the mark' });
  });
});

describe('what is asked', () => {
  it('is a score at first, becomes a sign, and what is done at an answer goes with it', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'Asked and watched');
    await person.click('button', 'Ask something');
    await person.fill('Asked or looked at', 'Does it sting?');
    await expect
      .poll(async () => (await stepOfDraft('cleanse'))?.asks?.[0])
      .toMatchObject({ ask: 'Does it sting?', answer: { kind: 'score' } });
    await person.choose('The answer is', 'a sign, in grades');
    await person.choose('Which sign', 'swelling');
    const question = await person.find('group', 'Question: Does it sting?');
    await user.click(within(question).getByRole('combobox', { name: 'From' }));
    await person.click('option', 'clear');
    await expect
      .poll(async () => (await stepOfDraft('cleanse'))?.asks?.[0])
      .toMatchObject({
        answer: { kind: 'sign', sign: 'swelling' },
        reactions: [{ from: 2, response: 'off' }],
      });
    await person.click('button', 'Remove the question Does it sting?');
    await expect
      .poll(async () => (await stepOfDraft('cleanse'))?.asks, { timeout: 10_000 })
      .toBeUndefined();
  });

  it('is pointed out when no answer stops, and when a moment comes after the end', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'Asked and watched');
    await person.click('button', 'Ask something');
    const question = await person.find('group', 'Question: How does it feel, 0 to 10?');
    const [, last] = within(question).getAllByRole('button', { name: 'Remove this answer' });
    if (!last) throw new Error('There are two answers.');
    await user.click(last);
    await person.sees('no answer stops or takes it off');
    await person.click('button', 'Something at a minute');
    await person.fill('At minute', '30');
    await person.sees('which is over after');
  });

  it('stands in layers as anywhere else', async () => {
    await open('layered-fruit-acid/acid');
    const question = await person.find('group', 'Question: How does it feel, from 0 to 10?');
    const [slow] = within(question).getAllByRole<HTMLInputElement>('textbox', { name: 'From' });
    expect(slow?.value).toBe('4');
    await person.click('button', 'Ask after each layer');
    await expect.poll(async () => (await person.draft()).layerGroups[0]?.asks?.length).toBe(2);
  });
});

describe('places', () => {
  it('are drawn large with their finest parts, picked in an order, and otherwise on some of them', async () => {
    await open('sheet-light-express/hand-massage');
    await person.click('button', 'change zones');
    await person.click('radio', 'front');
    await person.click('checkbox', 'left palm');
    await expect
      .poll(async () => (await stepOfDraft('hand-massage'))?.zones)
      .not.toContain('hands');
    await person.click('radio', 'more');
    await person.click('checkbox', 'right palm, worked 3.');
    await becomes('hand-massage', { more: ['palm-right'] });
  });

  it('can be given a name of the house, which none has yet', async () => {
    await open('sheet-light-express/hand-massage');
    await person.click('button', 'change zones');
    await person.click('button', 'Name this place');
    await person.fill('What this place is called', 'hands');
    await person.press('Enter');
    await person.sees('A place is called that already.');
    await person.fill('What this place is called', 'left, right');
    await person.press('Enter');
    await person.sees('A place is called by letters, figures, spaces and hyphens.');
    await person.fill('What this place is called', 'gloves');
    await person.press('Enter');
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.ownZones?.at(-1)).toEqual({ name: 'gloves', zones: ['hands'] });
  });
});

describe('how large places are', () => {
  it('is estimated by the house, and must add up', async () => {
    await person.openApp('/house');
    await person.click('button', 'How large zones are');
    await person.choose('Parts of', 'nose');
    await person.fill('bridge of the nose', '40');
    await person.sees('Together they are 95%: 5% too little.');
    await person.fill('tip of the nose', '30');
    await person.sees('Together they are 100%.');
    await person.click('button', 'Use these');
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.zoneShares?.nose).toEqual({
      'nose-bridge': 0.4,
      'nose-tip': 0.3,
      'nose-wing-left': 0.15,
      'nose-wing-right': 0.15,
    });
  });
});

describe('contact from the first touch', () => {
  it('is chosen beside the longest, and tells the first and the last zone', async () => {
    await open('black-sand-clay-facial/mask');
    await person.click('radio', 'from the first touch');
    await becomes('mask', { capSince: 'first-touch' });
    await person.sees('the zone touched first');
  });
});

describe('after the visit', () => {
  it('is said product by product, and one that lasts too long for its pack is pointed out', async () => {
    await open('black-sand-clay-facial/cleanse');
    await person.click('button', 'More of this protocol');
    await person.click('menuitem', 'Before and after the visit');
    await person.click('button', 'Used at home afterwards');
    await person.choose('Product', 'Prickly-pear cleansing milk');
    await person.fill('For', '8');
    await person.fill('to', '6');
    await person.sees('Must be more than 8.');
    await person.fill('to', '10');
    await expect
      .poll(async () => (await person.draft()).around?.home?.[0], { timeout: 10_000 })
      .toMatchObject({
        materialId: 'prickly-pear-milk',
        at: ['morning', 'night'],
        for: { amount: 8, upTo: 10, unit: 'days' },
      });
    await person.fill('Amount of Prickly-pear cleansing milk, usual', '300');
    await person.sees('and a pack holds 500');
  });

  it('what is compared, how far apart visits are and when it is not done', async () => {
    const around = async () => (await person.draft()).around;
    await open('copper-ampoule');
    await person.click('button', 'More of this protocol');
    await person.click('menuitem', 'Before and after the visit');
    await person.fill('and at most', '5');
    await person.sees('Not fewer days than at least.');
    await person.fill('and at most', '15');
    await person.click('button', 'summer');
    await expect
      .poll(async () => (await around())?.spacing, { timeout: 10_000 })
      .toMatchObject({ leastDays: 8, mostDays: 15, notIn: ['summer'] });
    await person.click('button', 'Compared afterwards');
    await expect.poll(async () => (await around())?.compares?.length, { timeout: 10_000 }).toBe(3);
  });

  it('a course of it is checked against that', async () => {
    await person.openApp('/menu/offers/copper-course');
    await person.fill('From visit to visit', '7');
    await person.press('Tab');
    await person.sees('is done no sooner than 8 days after the last time; here 7.');
  });

  it('what is recommended stands beside the price, with what a sale leaves', async () => {
    await person.openApp('/menu/acid-first/price');
    await person.find('heading', 'Sold with it');
    await person.sees('for redness');
    await person.sees(/On average a visit leaves €\d/);
  });
});

describe('rules of the house', () => {
  it('are set in the house, pointed out in a protocol, and kept with one press', async () => {
    await person.openApp('/house');
    await person.click('button', 'Add a rule');
    await person.fill('Named, after', 'First cleanse');
    await person.press('Enter');
    await person.choose('this', 'wrap');
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.sees('After “First cleanse” always comes wrap (a rule of the house)');
    await person.click('button', 'Add it: wrap');
    await person.seesNot('After “First cleanse” always comes wrap');
    const { steps } = await person.draft();
    const at = steps.findIndex(({ id }) => id === 'cleanse');
    expect(steps[at + 1]).toMatchObject({ action: 'wrap', zones: ['face', 'neck-front'] });
  });
});
