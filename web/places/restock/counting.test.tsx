import { describe, expect, it } from 'vitest';
import type { CountRound } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();

/** A count of the demo house alone, as if it were going on. */
const going = (changes: Partial<CountRound>) => async () => {
  const { CountingView } = await import('./counts/CountingView');
  const { useSnapshot } = await import('../../store/house');
  const Going = () => {
    const round = useSnapshot().counts.find(({ id }) => id === 'count-2');
    return round && <CountingView round={{ ...round, endedOn: undefined, ...changes }} />;
  };
  return [{ path: '*', element: <Going /> }];
};

const writes = () => person.store.getState().queue.writes.map(({ change }) => change);
const isDisabled = async (name: string): Promise<boolean> =>
  (await person.find('button', name)).matches(':disabled');
/** The label of the first field. */
const first = async (): Promise<string> => (await person.element('label')).textContent;

describe('a count that goes on', () => {
  it('hides what should be there, as it was begun', async () => {
    await person.openApp('/', going({ blind: true, lines: [] }));
    await person.sees('to count.');
    await person.seesNot('by the ledger');
  });

  it('shows it where it was begun so', async () => {
    await person.openApp('/', going({ blind: false, lines: [] }));
    await person.sees('by the ledger');
  });

  it('can be left while nothing is counted, and ended when something is', async () => {
    await person.openApp('/', going({ lines: [] }));
    await person.find('button', 'Leave it');
    expect(await isDisabled('End and see the differences')).toBe(true);
  });

  it('says how much of it is done, and asks for the differences', async () => {
    await person.openApp('/', going({}));
    await person.sees('Everything is counted.');
    await person.seesNot('Leave it');
    await person.click('button', 'End and see the differences');
    const { after } = await person.written<CountRound>('counts');
    expect(after.endedOn).toMatch(/^\d{4}-\d{2}-\d{2}$/);
  });

  it('enters what was found into the ledger and the count at once', async () => {
    await person.openApp('/', going({ lines: [] }));
    const label = await first();
    await person.fill(label, '3');
    await person.press('Enter');
    await person.waitFor(() => writes().length === 1, 'one count waits to be sent');
    expect(writes()).toEqual([
      expect.objectContaining({
        kind: 'count',
        roundId: 'count-2',
        line: expect.objectContaining({ found: 3 }) as object,
        entry: expect.objectContaining({ kind: 'total-count', quantity: 3 }) as object,
      }),
    ]);
  });

  it.each([
    ['-1', 'Must be at least 0.'],
    ['1000000001', 'Must be at most 1000000000.'],
    ['a few', 'number'],
  ])('does not take %s for a count, and keeps it in its field', async (typed, says) => {
    await person.openApp('/', going({ lines: [] }));
    const label = await first();
    await person.fill(label, typed);
    await person.press('Enter');
    await person.sees(says);
    expect(await person.valueOf(label)).toBe(typed);
    expect(writes()).toEqual([]);
  });

  it('goes lot by lot where somebody wants to know which is missing', async () => {
    await person.openApp('/', going({ lines: [] }));
    const name = (await first()).replace('Found of ', '');
    const button = person
      .all('button')
      .find(({ ariaLabel }) => ariaLabel?.startsWith('lot by lot') && ariaLabel.endsWith(name));
    await person.click('button', button?.ariaLabel ?? 'lot by lot');
    const dialog = await person.element('[role=dialog]');
    expect(dialog.textContent).toContain(name);
    await person.sees('all together');
  });
});

describe('a new count', () => {
  it('is of one place or of everything, and says how much stands there', async () => {
    await person.openApp('/restock/counts?place=Aljibe+shelf');
    expect(await person.text('combobox', 'Where')).toMatch(/^Aljibe shelf, \d+ materials$/);
    await person.choose('Where', 'everything');
    expect(await person.text('combobox', 'Where')).toBe('everything');
  });
});
