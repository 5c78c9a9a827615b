import { describe, expect, it } from 'vitest';
import { eachAtAFreshHouse } from '../support/personInDocument';

const person = eachAtAFreshHouse();

const open = (path: string): Promise<void> => person.goTo(`/protocols/${path}`);
const press = (...keys: string[]): Promise<void> =>
  keys.reduce((done, key) => done.then(() => person.press(key)), Promise.resolve());
const combobox = 'combobox';
/** Presses the button of the one line that says something. */
const inLine = (says: string, button: string): Promise<void> =>
  person.waitFor(() => {
    const line = person.all('li').find(({ textContent }) => textContent.includes(says));
    const found = [...(line?.querySelectorAll('button') ?? [])].find(
      ({ textContent }) => textContent === button,
    );
    found?.click();
    return found !== undefined;
  }, `${button} beside ${says}`);

describe('a step that is said', () => {
  it('says all of a rich step, and the card reads it aloud', async () => {
    await open('sheet-light-express/cleanse');
    await person.fillIn(
      combobox,
      'Say a step',
      'tone 3 sprays fennel toner on right cheek, left cheek, upper lip last, light, hold 5 s x3, ask 0-10 "How does it sting?" lightly at 4, off at 6, at 1 min "it grows cool", 2 min but at the couch "Touchy" of "Skin today" 1 min',
    );
    await person.sees('how the hands work');
    await press('Enter');
    await person.waitFor(async () => (await person.valueOf('Step')) === 'Tone', 'the new step');
    await person.sees('last: upper lip');
    await person.saved();
    await person.goTo('/protocols/sheet-light-express/card');
    await person.click('radio', 'draft');
    await person.sees('right cheek, left cheek, upper lip · last on upper lip');
    await person.sees('light pressure · hold 5 s x 3');
    await person.sees('at 1 min: it grows cool');
    await person.sees('ask “How does it sting?” (0-10), lightly at 4, off at 6');
    await person.sees('but Skin today: Touchy: 1 min');
  });

  it('is never guessed: what could be two things is asked', async () => {
    await open('warm-sand-back');
    await person.fillIn(combobox, 'Say a step', 'apply 2 g honey');
    await person.sees('Nothing on the shelf is called “honey”');
    await person.fillIn(combobox, 'Say a step', 'apply 2 ml fennel');
    await person.sees('Which one: ');
    await person.fillIn(combobox, 'Say a step', 'wait until dry');
    await person.sees('An endpoint needs a cap');
  });

  it('shows any step as its line, and follows the line when it is changed', async () => {
    await open('warm-sand-back/mud-on');
    (await person.element('button[aria-label$="Change the line"]')).click();
    await person.fillIn(
      combobox,
      'As it is said',
      'mask "Mud on" 40 g warm-sand body mud on back 6 min',
    );
    await press('Enter');
    await person.sees('40 g Warm-sand body mud');
    expect(await person.valueOf('Minutes, usual')).toBe('6');
  });

  it('may be one of many: those that fit become steps, the others stay to be put right', async () => {
    await open('scalp-massage');
    await person.click('button', 'Paste many lines');
    await person.fill(
      'Lines',
      'settle 2 min\nmassage "Hands" 2 pumps massage oil on hands 5 min\n3 of nothing',
    );
    await person.sees('Add the 2 steps that are clear');
    await person.click('button', 'Add the 2 steps that are clear');
    expect(await person.valueOf('Lines')).toBe('3 of nothing');
    await press('Escape');
    await person.sees('2 pumps Night-jasmine massage oil — hands');
  });
});

describe('for whom', () => {
  it('a choice is made, and steps are put into its options', async () => {
    await open('scalp-massage/scalp-massage');
    await person.click('button', 'For whom');
    await person.click('button', 'Choices …');
    await person.click('button', 'Another choice');
    await person.fill('Name of the choice', 'Oil');
    await person.choose('Looks at', 'season');
    person
      .all('[role=dialog] fieldset button')
      .find((button) => button.textContent === 'winter')
      ?.click();
    await person.click('button', 'Done');
    await person.choose('Done for', 'Oil: For some (winter)');
    await person.sees('not for this client');
    await person.saved();
  });

  it('a protocol is shown, and its steps and cost follow', async () => {
    await open('prickly-pear-calm');
    await person.sees('Mask off: rinsed (sensitive, dry)');
    (await person.element('header button[aria-expanded="false"]')).click();
    await person.choose('Skin type', 'oily');
    await person.sees('not for this client');
    await person.choose('Time of day', 'evening');
    await person.click('button', 'More of this protocol');
    await person.click('menuitem', 'Over all clients');
    await person.sees('What makes the difference');
    await person.sees(/skin type/);
  });
});

describe('where', () => {
  it('is picked on the map by keyboard, with an order, lightly and never', async () => {
    await open('scalp-massage/scalp-massage');
    await person.click('button', 'change zones');
    const map = await person.element('[role=group][aria-label^="Face and body"]');
    map.querySelector<SVGElement>('[role=checkbox][tabindex="0"]')?.focus();
    await press('ArrowRight', 'Space');
    await person.sees('2 forehead');
    await person.click('radio', 'never');
    map.querySelector<SVGElement>('[aria-label^="forehead"]')?.focus();
    await press('ArrowRight', 'Space');
    await person.sees('never: eye contour');
    await person.click('button', 'face and neck');
    await person.sees('never: face, neck front');
  });
});

describe('for the room', () => {
  it('the card says all of it, the tray what must stand ready, on paper and as PDF', async () => {
    await open('fine-needle-renewal/card');
    await person.sees('lightly at 4, off at 6');
    await person.sees('cheeks: depth 0.5–0.6 mm, pulse 90 Hz, 2 passes');
    await person.sees('Avoid sun, sauna, sport for 3 days');
    await person.click('link', 'Tray');
    await person.sees('Needle cartridge, 12 points');
    await person.fill('For how many clients', '3');
    await person.sees('3 pieces');
    await open('prickly-pear-calm/tray');
    await person.sees('Mix: Calming gel mask');
    await person.sees('stands 10 min');
  });
});

describe('cautions', () => {
  it('are drawn by what is used, and taken off only with a reason that stays in sight', async () => {
    await open('warmth-lift');
    await person.waitFor(() => {
      const button = person
        .all('[aria-label="Running sum"] button')
        .find(({ textContent }) => textContent.includes('of them stops'));
      button?.click();
      return button !== undefined;
    }, 'the cautions are counted');
    await person.sees('Pacemaker or another electronic implant');
    await person.sees('never a permission');
    await inLine('Under age', 'Take off …');
    await person.fill('Why Under age is taken off', 'Only adults are booked.');
    await person.click('button', 'Take it off');
    await person.sees('Taken off by the house: Only adults are booked.');
  });
});

describe('blocks', () => {
  it('are made of several steps, opened, changed, and detached again', async () => {
    await open('layered-fruit-acid/set-up');
    (await person.element('[data-step="set-up"]')).focus();
    await person.press('Shift+{ArrowDown}');
    await person.sees('2 steps');
    await person.click('button', 'Make a block');
    await person.fill('Name of the block', 'Before the acid');
    await person.click('button', 'Keep it');
    await person.sees('“Before the acid” is a block now');
    await person.click('link', 'Open the block');
    await person.sees('changes the drafts of Layered fruit-acid renewal');
    await person.fill('Step', 'Room and tray');
    await person.saved();
    await open('layered-fruit-acid');
    await person.sees('Room and tray, Consult, suitability, consent');
    await person.click('button', 'Detach its steps');
    await person.seesNot('Open the block');
    await person.sees('Room and tray');
    await person.saved();
  });
});

describe('editions', () => {
  it('are published with a note, compared, told to the service, and gone back to', async () => {
    await open('pumice-body-polish/oil');
    await person.fill('Minutes, most', '40');
    await person.fill('Minutes, usual', '36');
    await person.saved();
    await person.click('button', 'Editions');
    await person.sees('Edition 1 and the draft');
    await person.sees('Oil massage changed (minutes)');
    await person.fill('What is new, in a few words', 'A longer massage');
    await person.click('button', 'Publish the draft');
    await person.sees(/edition 2[\s\S]*A longer massage/);
    await person.goTo('/menu/body-polish');
    await person.sees('edition 2 is published');
    await person.sees('€95.00');
    await open('pumice-body-polish?editions');
    await person.choose('Pumice and oil body polish is worked by', 'edition 2');
    await person.goTo('/menu/body-polish');
    await person.seesNot('edition 2 is published');
    await open('pumice-body-polish/oil?editions');
    await inLine('edition 1', 'Compare');
    await person.choose('Edition 1 beside', 'edition 2');
    await person.sees('Edition 1 and edition 2');
    await person.sees('Oil massage changed (minutes)');
    await person.click('button', 'Go back to edition 1');
    await person.sees('The draft is edition 1 again');
  });
});
