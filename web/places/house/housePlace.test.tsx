import { within } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { Demand, Person } from '@bienestar/core/house/house';
import type { HouseSettings } from '@bienestar/core/house/settings';
import type { Supplier } from '@bienestar/core/house/supplier';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

const person = eachAtTheApp();
const open = person.openApp;

const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Enter');
};

const user = userEvent.setup({ delay: null });
const choosePart = async (name: string, of: HTMLElement): Promise<void> =>
  user.click(await within(of).findByRole('radio', { name }));
const putPart = async (name: string, text: string, of: HTMLElement): Promise<HTMLInputElement> => {
  const field = await within(of).findByRole<HTMLInputElement>('textbox', { name });
  await user.clear(field);
  if (text !== '') await user.paste(text);
  await user.keyboard('{Enter}');
  return field;
};

describe('what holds for the whole house', () => {
  it('moves every price: pay, occupancy, the way hands are charged', async () => {
    await open('/menu');
    await person.sees('€80.00');
    await person.goTo('/house');
    await person.click('radio', 'the whole slot');
    await person.goTo('/menu');
    await person.sees('€42.41');
    await person.goTo('/house');
    await person.click('radio', 'attended minutes');
    await put('Planned occupancy', '20');
    await person.goTo('/menu');
    await person.sees('€105.00');
  });

  it('refuses fees that leave nothing of a price, in the menu where the price would stand', async () => {
    await open('/house');
    await put('Commission on net', '70');
    await person.goTo('/menu');
    await person.sees('Margin, commission and card fee together take the whole price');
    await person.goTo('/house');
    await put('Commission on net', '10');
    await person.goTo('/menu');
    await person.sees('€80.00');
  });

  it('knows on which days a supplier delivers, and its least order', async () => {
    await open('/house');
    await person.click('checkbox', 'Mercado delivers on Sunday');
    const { before, after } = await person.written<Supplier>('suppliers');
    expect(before.deliveryDays ?? []).not.toContain(7);
    expect(after.deliveryDays).toEqual([...(before.deliveryDays ?? []), 7]);
  });

  it('shows its name at the top as soon as it has another', async () => {
    await open('/house');
    await person.sees('Casa Cenera');
    await put('Name', 'Casa <Otra>');
    await person.sees('Casa <Otra>');
    expect(document.querySelector('header p')?.textContent).toBe('Casa <Otra>');
  });

  it('asks ten questions, and says what the answers come to', async () => {
    await open('/house');
    await person.click('link', 'Set it up with ten questions');
    await person.sees('Question 1 of 10');
    for (let at = 1; at < 8; at += 1) await person.click('link', 'Next');
    await person.sees('How full do you plan to be?');
    await person.sees(/A minute of a room\s*€0\.0789/);
    await put('Planned occupancy', '50');
    await person.sees(/A minute of a room\s*€0\.1026/);
    await put('Planned occupancy', '0');
    await person.sees('Must be from 1 to 100 %.');
    await person.click('link', 'Next');
    await person.click('link', 'Next');
    await person.click('link', 'To the house');
    await person.find('heading', 'House');
  });
});

describe('how people are paid', () => {
  it('can be a mixture: for hours at guests, by the month, of the price; what was empty again is left out', async () => {
    await open('/house');
    await person.click('button', 'How Ione is paid');
    const ione = await person.find('group', 'How Ione is paid');
    await choosePart('hours at guests', ione);
    await putPart('Besides, by the month', '400', ione);
    await putPart('Besides, of the net price', '8', ione);
    const paid = (): Partial<Person>[] =>
      person.store
        .getState()
        .queue.writes.flatMap(({ change }) =>
          change.kind === 'edit' && change.part === 'people' ? [change.mine as Person] : [],
        );
    await vi.waitFor(() =>
      expect(paid().at(-1)).toMatchObject({
        paidWhenWorking: true,
        monthlyPayMinor: 40_000,
        shareOfPrice: 0.08,
      }),
    );
    await putPart('Besides, by the month', '', ione);
    await vi.waitFor(() => expect(paid().at(-1)?.monthlyPayMinor).toBeUndefined());
  });

  it('says at the field what cannot be, and keeps what was typed', async () => {
    await open('/house');
    await person.click('button', 'How Ione is paid');
    const ione = await person.find('group', 'How Ione is paid');
    const field = await putPart('Besides, of the net price', '101', ione);
    await person.sees('Must be from 0 to 100 %.');
    expect(field.value).toBe('101');
  });
});

describe('tax of what is bought', () => {
  it('is said once for the house, and moves what a pack costs', async () => {
    await open('/shelf/prickly-pear-milk/bought');
    await person.sees('True cost');
    const before = document.body.textContent;
    await person.goTo('/house');
    await choosePart('with tax', await person.find('radiogroup', 'Prices are typed'));
    const { after } = await person.written<HouseSettings>('settings');
    expect(after.purchaseTax).toMatchObject({ included: true, recovered: true });
    await person.goTo('/shelf/prickly-pear-milk/bought');
    await person.sees('True cost');
    expect(document.body.textContent).not.toBe(before);
  });

  it('of one supplier is its own', async () => {
    await open('/house');
    await choosePart('without tax', await person.find('radiogroup', 'Prices are typed: Mercado'));
    const { after } = await person.written<Supplier>('suppliers');
    expect(after.purchaseTax).toMatchObject({ included: false });
  });
});

describe('a supplier that is closed', () => {
  it('says from when to when, in order whichever is typed first', async () => {
    await open('/house');
    await person.click('button', 'Mercado is closed for a time');
    const { after } = await person.written<Supplier>('suppliers');
    const [time] = after.closed ?? [];
    expect(time && time.from < time.to).toBe(true);
  });
});

describe('a measure on the shelf', () => {
  it('moves the protocols that are counted by it', async () => {
    await open('/protocols/black-sand-clay-facial/cleanse');
    await person.sees('takes 4.8 ml');
    await person.goTo('/shelf/prickly-pear-milk/measured');
    await put('ml per pump', '3.2');
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.sees('takes 9.6 ml');
    expect(await person.valueOf('Step')).toBe('First cleanse');
  });

  it('that is taken away is missed in words where it was needed', async () => {
    await open('/shelf/mineral-sunscreen/measured');
    await put('Density', '');
    await person.goTo('/menu');
    await person.sees('Mineral sunscreen is stated in g but kept in ml: give its density');
    await person.goTo('/restock/levels');
    await person.sees('give its density');
    await person.goTo('/protocols/black-sand-clay-facial/finish');
    await person.sees('needs a look');
    await person.sees('min slot');
  });

  it('can be an amount by eye with a name of the house', async () => {
    await open('/shelf/fennel-body-milk/measured');
    await person.click('button', 'Name an amount');
    /* Nothing is kept before it has a size. */
    await person.find('group', 'A new amount');
    expect(document.querySelector('[role=group][aria-label=coin]')).toBeNull();
    await put('How much is “coin”', '2,4');
    await person.goTo('/protocols/pumice-body-polish/milk');
    await person.choose('Wild-fennel body milk, stated in', '× coin');
    await person.sees('takes 2.4 ml');
  });
});

describe('restocking', () => {
  it('says in weeks what levels by hand risk', async () => {
    await open('/restock/levels/couch-paper');
    await person.sees(/you would be without/);
    await person.click('button', 'How it is ordered');
    await put('Minimum', '5');
    await person.sees(/About one week in \d+ you would be without|nearly every week/);
    await person.click('radio', 'any day');
    await person.seesNot('you would be without');
  });

  it('has a season by service, which stays when its visits are planned anew', async () => {
    await open('/restock/demand');
    await person.click('button', 'Months and growth');
    await person.choose('Of', 'Black-sand clay facial');
    await put('Jan', '0,5');
    await person.goTo('/menu/clay-facial');
    await put('Planned visits', '12');
    const edits = person.store.getState().queue.writes.map(({ change }) => change);
    const planned = edits.flatMap((change) =>
      change.kind === 'edit' && change.part === 'demand' ? [change.mine as Demand] : [],
    );
    expect(planned.at(-1)).toMatchObject({ visitsPerWeek: 12 });
    expect(planned.at(-1)?.months?.[0]).toBe(0.5);
  });

  it('tells what harms most first, each with one thing to do', async () => {
    await open('/restock');
    await person.sees('to attend to');
    const titles = [...document.querySelectorAll('section h2')].map((each) => each.textContent);
    expect(titles[0]).toBe('Runs out before it can arrive');
  });
});

describe('numbers and dates', () => {
  it('are written and read the house’s way, wherever the house is opened', async () => {
    await open('/house');
    await person.choose('Numbers and dates as in', 'German (Germany): 1.234,50, 27.11.2026');
    await person.goTo('/menu');
    await person.sees('80,00');
    await person.goTo('/house');
    await person.fill('Rooms, fixed cost a month', '2.400');
    await person.press('Tab');
    await vi.waitFor(() => {
      const change = person.store.getState().queue.writes.at(-1)?.change;
      const settings = change?.kind === 'edit' ? (change.mine as HouseSettings) : undefined;
      expect(settings?.roomCost.fixedPerMonthMinor).toBe(240_000);
    });
  });
});
