import { beforeEach, describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const ID = 'layered-fruit-acid';

const own = () => person.store.getState().drafts.byId[ID]?.present.cautions;
const line = (): string =>
  person.all('button').find(({ textContent }) => /\d+ cautions?/.test(textContent))?.textContent ??
  '';
const countIn = (text: string): number => Number(/(\d+) caution/.exec(text)?.[1]);
const rows = (): HTMLElement[] => [...person.all('[role=dialog] ul li')];

beforeEach(async () => {
  await person.openApp(`/protocols/${ID}/acid`);
  await person.waitFor(() => line() !== '', 'cautions are counted');
  person
    .all('button')
    .find(({ textContent }) => textContent === line())
    ?.click();
  await person.sees('A usual caution can be taken off only with a written reason');
});

describe('the cautions of a protocol', () => {
  it('are drawn from what it uses, the gravest first, each with why and where from', () => {
    expect(rows()).toHaveLength(countIn(line()));
    expect(rows()[0]?.textContent).toMatch(/^■ /);
    expect(rows().some(({ textContent }) => /From .*\(.*\)/.test(textContent))).toBe(true);
  });

  it('are taken off only with a reason, which stays in sight, and come back', async () => {
    const before = countIn(line());
    const first = rows()[0];
    const name = first?.querySelector('strong')?.textContent ?? '';
    first?.querySelector<HTMLElement>(':scope > div:last-child button')?.click();
    const take = await person.find('button', 'Take it off');
    expect(take.matches(':disabled')).toBe(true);
    await person.fill(`Why ${name} is taken off`, '  ');
    expect(take.matches(':disabled')).toBe(true);
    await person.fill(`Why ${name} is taken off`, 'asked by the doctor of the house');
    await person.click('button', 'Take it off');
    await person.sees('Taken off by the house: asked by the doctor of the house');
    expect(own()?.removed).toEqual([
      { ruleId: expect.any(String) as string, reason: 'asked by the doctor of the house' },
    ]);
    await person.waitFor(() => countIn(line()) === before - 1, 'one less counts');
    expect(rows()).toHaveLength(before);
    const off = rows().find(({ textContent }) => textContent.includes('Taken off by the house'));
    off?.querySelector<HTMLElement>(':scope > div:last-child button')?.click();
    await person.seesNot('Taken off by the house');
    expect(own()?.removed).toEqual([]);
  });

  it('stay when taking off is left', async () => {
    rows()[0]?.querySelector<HTMLElement>(':scope > div:last-child button')?.click();
    await person.click('button', 'Leave it');
    await person.seesNot('Take it off');
    expect(own()?.removed ?? []).toEqual([]);
  });

  it('are those of the house, too, by their level', async () => {
    const before = rows().length;
    await person.click('button', 'Add a caution of the house');
    expect((await person.find('button', 'Add it')).matches(':disabled')).toBe(true);
    await person.choose('What it asks', 'Stop');
    await person.fill('A caution of the house', 'Salt of the sea on the skin');
    await person.fill('Why', 'The barrier is broken.');
    await person.click('button', 'Add it');
    await expect.poll(() => rows().length).toBe(before + 1);
    expect(own()?.added).toEqual([
      { level: 'stop', text: 'Salt of the sea on the skin', why: 'The barrier is broken.' },
    ]);
    const added = rows().find(({ textContent }) =>
      textContent.includes('Salt of the sea on the skin'),
    );
    added?.querySelector<HTMLElement>(':scope > div:last-child button')?.click();
    await expect.poll(() => own()?.added).toEqual([]);
  });
});
