import { describe, expect, it } from 'vitest';
import type { House } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* Panels of the house in which one thing goes along with another. */

const person = eachAtTheApp();

/** The house with all that waits to be sent. */
async function house(): Promise<House> {
  const { houseInHand } = await import('../../store/house');
  const found = houseInHand(person.store.getState());
  if (!found) throw new Error('There is no house.');
  return found;
}
const ione = async () => (await house()).people.find(({ name }) => name === 'Ione');
const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Tab');
};

describe('a grade of pay', () => {
  const open = async (): Promise<void> => {
    await person.openApp('/', async () => {
      const { GradesPanel } = await import('./GradesPanel');
      const { PeoplePanel } = await import('./PeoplePanel');
      const { UndoButtons } = await import('../../parts/UndoButtons');
      const element = (
        <>
          <UndoButtons />
          <GradesPanel />
          <PeoplePanel />
        </>
      );
      return [{ path: '/', element }];
    });
    await person.click('button', 'Add a grade');
    await put('Pay', '18');
    await person.choose('Grade of Ione', 'Grade 1');
    await person.waitFor(async () => (await ione())?.grade === 'Grade 1', 'she is of it');
  };

  it('has another name, and whoever is of it is paid by it still', async () => {
    await open();
    await put('Grade', 'Senior');
    await person.waitFor(async () => (await ione())?.grade === 'Senior', 'she goes along');
    expect((await house()).settings.grades).toMatchObject([
      { name: 'Senior', hourlyPayMinor: 1_800 },
    ]);
    await person.sees('1 person');
    await person.click('button', 'Undo the last change');
    await person.waitFor(async () => (await ione())?.grade === 'Grade 1', 'both go back');
    await person.waitFor(
      async () => (await house()).settings.grades?.[0]?.name === 'Grade 1',
      'its name goes back',
    );
  });

  it('is removed, and nobody is paid otherwise for that', async () => {
    await open();
    await person.click('button', 'Remove Grade 1');
    await person.waitFor(async () => (await ione())?.grade === undefined, 'it is gone');
    expect(await ione()).toMatchObject({ hourlyPayMinor: 1_800 });
    expect((await house()).settings.grades).toBeUndefined();
    await person.click('button', 'Undo the last change');
    await person.waitFor(async () => (await ione())?.grade === 'Grade 1', 'both come back');
    expect(await ione()).toMatchObject({ hourlyPayMinor: 1_600 });
  });
});

describe('rests between kinds of work', () => {
  const open = async (): Promise<void> => {
    await person.openApp('/', async () => {
      const { RestsPanel } = await import('./RestsPanel');
      return [{ path: '/', element: <RestsPanel /> }];
    });
    await person.click('button', '12 rests');
  };

  it('are the usual cautions until the house says otherwise', async () => {
    await open();
    await person.sees('acid');
    expect((await house()).settings.rests).toBeUndefined();
  });
});

describe('rules of the house', () => {
  const open = async (): Promise<void> => {
    await person.openApp('/', async () => {
      const { RulesPanel } = await import('./RulesPanel');
      return [{ path: '/', element: <RulesPanel /> }];
    });
    await person.find('button', 'Remove Rule 1');
  };
  const rules = async () => (await house()).settings.rules ?? [];

  it('are turned round, added and taken away, each by itself', async () => {
    await open();
    const [first, second] = await rules();
    await person.click('button', 'Remove Rule 1');
    expect(await rules()).toEqual([second]);
    await person.click('button', 'Add a rule');
    expect((await rules())[0]).toEqual(second);
    expect(await rules()).toHaveLength(2);
    expect((await rules())[1]?.id).not.toBe(first?.id);
  });

  it('keep the words after which they hold', async () => {
    await open();
    await put('Named, after', 'glycolic');
    expect((await rules())[0]?.after).toMatchObject({ words: 'glycolic' });
  });
});

describe('vessels filled to a mark', () => {
  const open = async (): Promise<void> => {
    await person.openApp('/', async () => {
      const { VesselsPanel } = await import('./VesselsPanel');
      return [{ path: '/', element: <VesselsPanel /> }];
    });
    await person.click('button', 'Bowls and cups filled to a mark');
  };
  const vessels = async () => (await house()).settings.vessels ?? [];

  it('are added by a name of their own each, changed and removed', async () => {
    await open();
    const before = (await vessels()).length;
    await person.click('button', 'A bowl or cup');
    await person.click('button', 'A bowl or cup');
    const names = (await vessels()).map(({ name }) => name);
    expect(names).toHaveLength(before + 2);
    expect(new Set(names).size).toBe(names.length);
    await put(`Vessel ${names.length}`, 'rinse bowl');
    expect((await vessels()).at(-1)?.name).toBe('rinse bowl');
    await person.click('button', 'Remove rinse bowl');
    expect((await vessels()).map(({ name }) => name)).toEqual(names.slice(0, -1));
  });
});
