import { describe, expect, it } from 'vitest';
import type { Protocol } from '@bienestar/core/house/house';
import { isStep } from '@bienestar/core/house/protocol';
import { edited, savingChanged } from '../../store/drafts';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const ID = 'black-sand-clay-facial';

const draft = () => {
  const found = person.store.getState().drafts.byId[ID];
  if (!found) throw new Error('Nothing is being edited.');
  return found;
};

type Make = (protocol: Protocol) => Protocol;

/** Somebody else saved the protocol while it was edited here; without theirs they took it away. */
async function clash(mine: Make, theirs?: Make): Promise<void> {
  await person.openApp(`/protocols/${ID}/cleanse`);
  await person.find('textbox', 'Step');
  const { base, present } = draft();
  person.store.dispatch(edited({ id: ID, protocol: mine(present), at: Date.now() }));
  person.store.dispatch(
    savingChanged({
      id: ID,
      saving: {
        state: 'conflict',
        theirs: theirs ? { ...theirs(present), version: base.version + 1 } : null,
      },
    }),
  );
}

const renamed =
  (id: string, name: string): Make =>
  (protocol) => ({
    ...protocol,
    steps: protocol.steps.map((each) => ((each.id as string) === id ? { ...each, name } : each)),
  });
const nameOf = ({ steps }: Protocol, id: string): string | undefined =>
  steps.find((each) => (each.id as string) === id)?.name;
const firstMovedDown: Make = (protocol) => {
  const [first, second, ...rest] = protocol.steps;
  return first && second ? { ...protocol, steps: [second, first, ...rest] } : protocol;
};
const linesOf = (title: string): string[] => {
  const heading = person.all('h3').find(({ textContent }) => textContent === title);
  return [...(heading?.parentElement?.querySelectorAll('li') ?? [])].map(
    ({ textContent }) => textContent,
  );
};

const MEANWHILE = 'Somebody else changed this protocol meanwhile';

describe('a protocol that somebody else saved meanwhile', () => {
  it('keeps both where different steps were changed', async () => {
    await clash(renamed('cleanse', 'Cleanse twice'), renamed('rinse', 'Rinse well'));
    await person.sees(MEANWHILE);
    expect(linesOf('You changed')).toEqual(['step “Cleanse twice”']);
    expect(linesOf('They changed')).toEqual(['step “Rinse well”']);
    await person.sees('both can be kept');
    await person.click('button', 'Keep both');
    await person.seesNot(MEANWHILE);
    const { present, base } = draft();
    expect([nameOf(present, 'cleanse'), nameOf(present, 'rinse')]).toEqual([
      'Cleanse twice',
      'Rinse well',
    ]);
    expect(base.version).toBe(2);
  });

  it('tells what was moved and all that is not a step, beside what else was changed', async () => {
    await clash(
      (protocol) => ({
        ...firstMovedDown(renamed('cleanse', 'Cleanse twice')(protocol)),
        goal: 'Calm by the evening',
        painRelief: 'none',
      }),
      (protocol) => ({ ...protocol, licence: 'By licensed estheticians.' }),
    );
    await person.sees(MEANWHILE);
    expect(linesOf('You changed')).toEqual([
      'the goal',
      'pain relief',
      'step “Cleanse twice”',
      'the order of steps',
    ]);
    expect(linesOf('They changed')).toEqual(['the limits of the licence']);
    await person.click('button', 'Keep both');
    await person.seesNot(MEANWHILE);
    expect(draft().present).toMatchObject({
      goal: 'Calm by the evening',
      licence: 'By licensed estheticians.',
    });
  });

  it('asks whose stands of what both changed, with both whole', async () => {
    await clash(
      (protocol) => ({ ...renamed('cleanse', 'Cleanse twice')(protocol), goal: 'Clear pores' }),
      (protocol) => ({ ...renamed('cleanse', 'Cleanse gently')(protocol), goal: 'Rest' }),
    );
    await person.sees('Both of you changed these.');
    const said = (): string[] =>
      person.all('[role=dialog] dl dd').map(({ textContent }) => textContent);
    expect(said()).toEqual(
      expect.arrayContaining([
        'Clear pores',
        'Rest',
        expect.stringContaining('Cleanse twice'),
        expect.stringContaining('Cleanse gently'),
      ]),
    );
    const sides = person
      .all('[role=dialog] [role=radio]')
      .filter((radio) => radio.textContent === 'theirs');
    expect(sides).toHaveLength(2);
    const goal = person
      .all('[role=dialog] [role=radiogroup]')
      .find(
        (group) =>
          group.getAttribute('aria-label') === 'the goal' ||
          group.parentElement?.textContent.startsWith('the goal'),
      );
    goal?.querySelectorAll<HTMLElement>('[role=radio]')[1]?.click();
    await person.click('button', 'Keep both');
    await person.seesNot(MEANWHILE);
    expect(draft().present.goal).toBe('Rest');
    expect(nameOf(draft().present, 'cleanse')).toBe('Cleanse twice');
  });

  it.each<readonly [string, Make, Make, readonly [string, string]]>([
    [
      'before and after',
      (each) => ({ ...each, around: { before: [], avoid: [], expect: [], call: ['it burns'] } }),
      (each) => ({
        ...each,
        around: {
          before: [],
          avoid: [{ what: 'sun', for: { amount: 2, unit: 'days' } }],
          expect: [],
          call: [],
        },
      }),
      ['Call if it burns', 'Avoid sun for 2 days'],
    ],
    [
      'the cautions',
      (each) => ({
        ...each,
        cautions: { added: [{ level: 'stop', text: 'Sunburn', why: '' }], removed: [] },
      }),
      (each) => ({ ...each, cautions: { added: [], removed: [] } }),
      ['Sunburn', 'nothing'],
    ],
    [
      'whether it is archived',
      (each) => ({ ...each, archivedOn: '2026-10-05' }),
      (each) => ({ ...each, archivedOn: '2026-11-07' }),
      ['archived Oct 5, 2026', 'archived Nov 7, 2026'],
    ],
    [
      'pain relief',
      (each) => ({ ...each, painRelief: 'cooling' }),
      (each) => ({ ...each, painRelief: 'numbing' }),
      ['cooling', 'numbing'],
    ],
    [
      'the summary',
      (each) => ({ ...each, summary: 'Short' }),
      (each) => ({ ...each, summary: '' }),
      ['Short', 'nothing'],
    ],
  ])('says %s of both sides in words', async (name, mine, theirs, said) => {
    await clash(mine, theirs);
    await person.sees('Both of you changed these.');
    await person.sees(name);
    expect(person.all('[role=dialog] dl dd').map(({ textContent }) => textContent)).toEqual(said);
  });

  it('is as they have it, or only as it is here', async () => {
    await clash(renamed('cleanse', 'Cleanse twice'), renamed('rinse', 'Rinse well'));
    await person.click('button', 'Take theirs');
    await person.seesNot(MEANWHILE);
    expect(nameOf(draft().present, 'cleanse')).not.toBe('Cleanse twice');
    expect(nameOf(draft().present, 'rinse')).toBe('Rinse well');
    await person.press('Control+z');
    await expect.poll(() => nameOf(draft().present, 'cleanse')).toBe('Cleanse twice');
  });

  it('can be chosen later, and is kept until then', async () => {
    await clash(renamed('cleanse', 'Cleanse twice'), renamed('rinse', 'Rinse well'));
    await person.sees(MEANWHILE);
    await person.press('Escape');
    await person.sees('What you write is kept in this browser until you choose.');
    expect(nameOf(draft().present, 'cleanse')).toBe('Cleanse twice');
    await person.click('button', 'Choose');
    await person.click('button', 'Keep only mine');
    await person.seesNot(MEANWHILE);
    expect(nameOf(draft().present, 'rinse')).not.toBe('Rinse well');
  });
});

describe('a protocol that somebody took away meanwhile', () => {
  const GONE = 'was removed from the house';

  it('can be let go', async () => {
    await clash(renamed('cleanse', 'Cleanse twice'));
    await person.sees(GONE);
    await person.click('button', 'Let it go');
    await person.seesNot(GONE);
    const isMine = (steps: Protocol['steps']): boolean =>
      steps.some((each) => isStep(each) && each.name === 'Cleanse twice');
    await person.waitFor(
      () => !isMine(person.store.getState().drafts.byId[ID]?.present.steps ?? []),
      'it is let go',
    );
  });

  it('stays as it is here while nobody can take it back, and when Escape leaves it for later', async () => {
    await clash(renamed('cleanse', 'Cleanse twice'));
    await person.sees(GONE);
    await person.press('Escape');
    await person.sees('What you write is kept in this browser until you choose.');
    expect(nameOf(draft().present, 'cleanse')).toBe('Cleanse twice');
    await person.click('button', 'Choose');
    await person.click('button', 'Put it back as it is here');
    await person.sees('The house does not answer just now.');
    expect(nameOf(draft().present, 'cleanse')).toBe('Cleanse twice');
  });
});
