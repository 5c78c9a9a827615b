import { describe, expect, it } from 'vitest';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What workers work out of a week, and how it is shown. */

const person = eachAtTheApp();
const open = person.openApp;

/* A week of the demo house as it is written. */
const WEEK = 'week=2026-11-23';
const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Enter');
};
/** The cells of a line of a table, by its first words. */
const line = (words: string): readonly string[] =>
  person
    .all('tr')
    .filter(({ textContent }) => textContent.startsWith(words))
    .flatMap((row) => [...row.children].map(({ textContent }) => textContent));

describe('what the week carries', () => {
  it('says what gives out first, and shows what gives out before what does not', async () => {
    await open(`/week?${WEEK}`);
    await person.sees('48 visits as planned. They do not all fit: on Monday Face towel gives out');
    const [carries] = person.all('table');
    const all = [...(carries?.querySelectorAll('tbody tr') ?? [])].map(
      ({ textContent }) => textContent,
    );
    /* Below them stands each person alone. */
    const of = all.slice(
      0,
      all.findIndex((words) => words.startsWith('Each person')),
    );
    const firsts = of.map((words) =>
      Math.max(...[...words.matchAll(/(\d+)%/g)].map(([, share]) => Number(share))),
    );
    expect(firsts.length).toBeGreaterThan(8);
    expect(firsts[0]).toBeGreaterThan(100);
    expect(firsts).toEqual(firsts.toSorted((one, other) => other - one));
  });

  it('says of a line how its figures come about, and where they go', async () => {
    await open(`/week?${WEEK}`);
    await person.click('button', 'Rooms, dry: show its figures');
    await person.sees(/it carries [\d.]+ visits a week that come like these/);
    await person.press('Escape');
    await person.seesNot(/it carries [\d.]+ visits a week that come like these/);
  });

  it('is another by what is in the book, and as it was by the plan', async () => {
    await open(`/week?${WEEK}`);
    await person.sees('48 visits as planned');
    await person.click('radio', 'in the book');
    await person.sees(/visits? in the book/);
    await person.seesNot('48 visits as planned');
    await person.click('radio', 'as planned');
    await person.sees('48 visits as planned');
  });

  it('has other hours in a scenario, without a change to the house', async () => {
    await open(`/week?${WEEK}`);
    await person.sees('48 visits as planned');
    await person.choose('As in a scenario', 'Five more minutes to talk');
    await person.sees(/visits as planned/);
    expect(person.store.getState().queue.writes).toEqual([]);
  });
});

describe('what an hour is worth', () => {
  const BEST = /The visits that bring most bring €[\d,.]+ a week/;

  it('says of every service how many are best, and why not more', async () => {
    await open(`/week/worth?${WEEK}`);
    await person.sees(BEST);
    await person.sees(/guests ask for no more/);
    const clay = line('Black-sand clay facial');
    expect(clay.length).toBeGreaterThan(4);
  });

  it('brings no more when less is asked for, and says of what there is too little for more', async () => {
    await open(`/week/worth?${WEEK}`);
    await person.sees(BEST);
    const bring = (): number =>
      Number(
        /bring most bring €([\d,.]+) a week/
          .exec(document.body.textContent)?.[1]
          ?.replaceAll(',', '') ?? Number.NaN,
      );
    const before = bring();
    await put('At most, Fruit-acid renewal', '2');
    await person.waitFor(() => bring() < before, 'it brings less');
    await put('At least, Fruit-acid renewal', '3');
    await person.sees('The least must not be more than the most.');
    expect(await person.valueOf('At least, Fruit-acid renewal')).toBe('3');
  });

  it('takes over what is ticked into a scenario, and leaves the plan alone', async () => {
    await open(`/week/worth?${WEEK}`);
    await person.sees(BEST);
    const try_ = 'Try what is ticked as a scenario';
    expect((await person.find('button', try_)).matches(':disabled')).toBe(true);
    await person.click('checkbox', 'Take over Fruit-acid renewal');
    await person.waitFor(
      async () => !(await person.find('button', try_)).matches(':disabled'),
      'it can be tried',
    );
    const demand = person.store.getState().queue.writes.length;
    expect(demand).toBe(0);
  });
});

describe('two rooms, one pair of hands', () => {
  it('says how far apart two visits must begin, and what moves when one is pulled', async () => {
    await open(`/week/pairs?${WEEK}`);
    await person.sees('Which go together');
    await person.choose('First', 'Fine-needle renewal');
    await person.choose('Second, in the other room', 'Overnight tone corrector');
    await person.sees('70 min');
    await person.sees(/the same hands never meet/);
    const pull = await person.find('slider', 'Overnight tone corrector begins after');
    pull.focus();
    const before = pull.getAttribute('aria-valuenow');
    await person.press('ArrowLeft');
    await person.waitFor(() => pull.getAttribute('aria-valuenow') !== before, 'it begins earlier');
    await person.sees(/hands are wanted twice for \d+ min/);
  });

  it('is one visit after the other where somebody works alone', async () => {
    await open(`/week/pairs?${WEEK}`);
    await person.sees('Which go together');
    const first = () => person.all('tbody tr')[0]?.textContent;
    const helped = first();
    await person.click('radio', 'alone');
    await person.waitFor(() => first() !== helped, 'other pairs go together best');
    await person.click('radio', 'with an assistant');
    await person.waitFor(() => first() === helped, 'it is as before');
  });

  it('shows all pairs when they are asked for', async () => {
    await open(`/week/pairs?${WEEK}`);
    const lines = () => person.all('tbody tr').length;
    await person.waitFor(() => lines() > 0, 'the best pairs');
    const few = lines();
    await person.click('button', 'All 208 pairs');
    await person.waitFor(() => lines() === 208, 'all pairs');
    expect(few).toBeLessThan(208);
  });
});
