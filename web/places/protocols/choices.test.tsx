import { beforeEach, describe, expect, it } from 'vitest';
import type { Protocol } from '@bienestar/core/house/house';
import { CHOOSING_WORDS } from '../../format/protocolWords';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* The choices of a protocol: what each looks at, its options, and for whom they are. */

const person = eachAtTheApp();

const written = DEMO.protocols.find(({ choices }) => choices.some(({ by }) => by === 'condition'));
if (!written) throw new Error('No protocol has a choice by what is seen.');
const ID = written.id as string;

const present = (): Protocol => {
  const draft = person.store.getState().drafts.byId[ID];
  if (!draft) throw new Error('Nothing is being edited.');
  return draft.present;
};
const choice = (at = 0) => present().choices[at];

async function open(): Promise<void> {
  const [step] = written?.steps ?? [];
  await person.openApp(`/protocols/${ID}/${step?.id ?? ''}`);
  await person.click('button', 'For whom');
  await person.click('button', 'Choices …');
  await person.sees('An option that names nobody is for anybody else.');
}

/** A word in the row of toggles of that label. */
const toggle = async (label: string, name: string): Promise<void> => {
  await person.sees(label);
  const words = person.all('span').find(({ textContent }) => textContent === label);
  const buttons = words?.parentElement?.querySelectorAll('button') ?? [];
  [...buttons].find(({ textContent }) => textContent === name)?.click();
};

beforeEach(open);

describe('a choice', () => {
  it('is added with two options, looks at the skin at first, and goes again', async () => {
    const before = present().choices.length;
    await person.click('button', 'Another choice');
    await expect.poll(() => present().choices.length).toBe(before + 1);
    expect(choice(before)).toMatchObject({
      name: 'New choice',
      by: 'skin-type',
      take: 'first',
      options: [
        { name: 'For some', for: [] },
        { name: 'For anybody else', for: [] },
      ],
    });
    await person.click('button', 'Remove the choice New choice');
    await expect.poll(() => present().choices.length).toBe(before);
  });

  it('needs a name', async () => {
    const name = choice()?.name;
    await person.fill('Name of the choice', '');
    await person.sees('This is needed.');
    expect(choice()?.name).toBe(name);
    await person.fill('Name of the choice', 'By what is seen');
    await expect.poll(() => choice()?.name).toBe('By what is seen');
  });

  it('that looks at something else asks anew for whom its options are, and where', async () => {
    const before = choice()?.options.length;
    await person.choose('Looks at', CHOOSING_WORDS['skin-type']);
    await expect.poll(() => choice()?.by).toBe('skin-type');
    const options = choice()?.options ?? [];
    expect(options).toHaveLength(before ?? -1);
    expect(options.every(({ for: whom, where }) => whom.length === 0 && where === undefined)).toBe(
      true,
    );
    const [option] = options;
    await toggle(`For whom ${option?.name ?? ''} is`, 'dry');
    await expect.poll(() => choice()?.options[0]?.for).toEqual(['dry']);
    await person.seesNot('only where it is seen on');
  });

  it('takes one option, or each that fits', async () => {
    const [each] = person
      .all('[role=radio]')
      .filter(({ textContent }) => textContent === 'each that fits');
    each?.click();
    await expect.poll(() => choice()?.take).toBe('each');
    const [one] = person.all('[role=radio]').filter(({ textContent }) => textContent === 'one');
    one?.click();
    await expect.poll(() => choice()?.take).toBe('first');
  });

  it('may mean that nobody fits, and then says so', async () => {
    const was = choice()?.noneIsFine === true;
    const [box] = person.all('[role=dialog] input[type=checkbox]');
    box?.click();
    await expect.poll(() => choice()?.noneIsFine === true).toBe(!was);
    box?.click();
    await expect.poll(() => choice()?.noneIsFine === true).toBe(was);
  });
});

describe('an option', () => {
  it('is one more, named, and goes with all that hangs on it', async () => {
    const before = choice()?.options.length ?? 0;
    await person.click('button', 'Another option');
    await expect.poll(() => choice()?.options.length).toBe(before + 1);
    await person.click('button', 'Remove the option Another option');
    await expect.poll(() => choice()?.options.length).toBe(before);
    const gone = choice()?.options[0];
    await person.click('button', `Remove the option ${gone?.name ?? ''}`);
    await expect.poll(() => choice()?.options.length).toBe(before - 1);
    expect(JSON.stringify(present().steps)).not.toContain(`"${gone?.id ?? '?'}"`);
    expect((await person.draft()).choices[0]?.options).toHaveLength(before - 1);
  });

  it('of a finding may be only where it is seen, which goes when nothing is looked for', async () => {
    const option = choice()?.options.find(({ for: whom }) => whom.length > 0);
    if (!option) throw new Error('No option is for anybody.');
    await person.sees('only where it is seen on');
    for (const whom of option.for)
      await toggle(`For whom ${option.name} is`, whom.replace(/^own-/, '').replaceAll('-', ' '));
    await expect
      .poll(() => choice()?.options.find(({ id }) => id === option.id))
      .toMatchObject({ for: [] });
    expect(choice()?.options.find(({ id }) => id === option.id)?.where).toBeUndefined();
  });
});
