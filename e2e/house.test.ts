import type { HouseSnapshot } from '@bienestar/contract/api';
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshHouse, leave, newPerson, ownHouse, type Person } from './support/person';

let person: Person;
beforeEach(async () => {
  await freshHouse();
  person = await newPerson();
});
afterEach(() => person.close());
afterAll(leave);

const enter = (): Promise<void> => person.page.keyboard.press('Enter');

/** Takes everything of some kinds out of the house. */
async function takeAway(...parts: readonly ('menus' | 'offers')[]): Promise<void> {
  const { url } = ownHouse();
  const house = (await (await fetch(`${url}/api/house`)).json()) as HouseSnapshot;
  for (const part of parts) {
    for (const { id, version } of house[part]) {
      await fetch(`${url}/api/${part}/${id}?version=${version}`, { method: 'DELETE' });
    }
  }
}

describe('what holds for the whole house', () => {
  it('moves every price: pay, occupancy, the way hands are charged', async () => {
    await person.goTo('/menu');
    await person.sees('€80.00');
    await person.click('link', 'House');
    await person.click('radio', 'the whole slot');
    await person.click('link', 'Menu');
    await person.sees('€105.00');
    await person.click('link', 'House');
    await person.click('radio', 'attended minutes');
    await person.fill('Planned occupancy', '20');
    await enter();
    await person.click('link', 'Menu');
    await person.sees('€105.00');
    await person.click('link', 'House');
    await person.fill('Planned occupancy', '0');
    await enter();
    await person.sees('Must be from 1 to 100 %.');
    expect(await person.valueOf('Planned occupancy')).toBe('0');
  });

  it('goes by the clocks of its own zone, on whatever machine', async () => {
    const dayIn = (timeZone: string): string =>
      new Intl.DateTimeFormat('en-US', { dateStyle: 'medium', timeZone }).format(new Date());
    await person.goTo('/restock');
    await person.sees(`${dayIn('Atlantic/Canary')}: `);
    /* Of the two ends of the world one always has another day. */
    const other = ['Pacific/Kiritimati', 'Pacific/Niue'].find(
      (each) => dayIn(each) !== dayIn('Atlantic/Canary'),
    );
    await person.moveTo('/house');
    await person.choose('Time zone', other ?? '');
    await person.moveTo('/restock');
    await person.sees(`${dayIn(other ?? '')}: `);
  });

  it('refuses fees that leave nothing of a price, in the menu where the price would stand', async () => {
    await person.goTo('/house');
    await person.fill('Commission on net', '70');
    await enter();
    await person.click('link', 'Menu');
    await person.sees('Margin, commission and card fee together take the whole price');
    await person.click('link', 'House');
    await person.fill('Commission on net', '10');
    await enter();
    await person.click('link', 'Menu');
    await person.sees('€80.00');
  });

  it('adds a room and takes it away; a person who performs a service stays', async () => {
    await person.goTo('/house');
    await person.click('button', 'Add a room');
    await person.find('button', 'Take out New room');
    await person.click('button', 'Take out New room');
    await person.waitFor(
      () => person.page.evaluate(() => !document.body.innerHTML.includes('Take out New room')),
      'the room is gone',
    );
    await person.click('button', 'Take out Dacil');
    await person.sees('still used by: Pumice and oil body polish (service)');
    await person.click('button', 'Add a supplier');
    await person.find('button', 'Take out New supplier');
  });

  it('knows on which days a supplier delivers, and its least order', async () => {
    await person.goTo('/house');
    await person.click('checkbox', 'Mercado delivers on Sunday');
    await person.fill('least order', '200');
    await enter();
    await person.page.reload();
    const sunday = await person.find('checkbox', 'Mercado delivers on Sunday');
    expect(await sunday.evaluate((box) => (box as HTMLInputElement).checked)).toBe(true);
    expect(await person.valueOf('least order')).toBe('200.00');
  });

  it('shows its name at the top as soon as it has another', async () => {
    await person.goTo('/house');
    const name = (await person.page.$$('input'))[0];
    await name?.click({ count: 3 });
    await person.page.keyboard.type('Casa <Otra>');
    await enter();
    await person.waitFor(
      () =>
        person.page.evaluate(
          () => document.querySelector('header p')?.textContent === 'Casa <Otra>',
        ),
      'the new name stands at the top',
    );
  });

  it('makes a safe copy, and brings it back after something daring', async () => {
    await person.goTo('/house');
    await person.click('button', 'Make a copy now');
    await person.sees('A safe copy is made.');
    await person.click('button', 'Add a room');
    await person.find('button', 'Take out New room');
    const [newest] = await person.page.$$('[aria-label^="Bring back the copy of"]');
    await newest?.click();
    await person.click('button', 'Bring it back');
    await person.sees('The house is as it was on');
    await person.waitFor(
      () => person.page.evaluate(() => !document.body.innerHTML.includes('Take out New room')),
      'the room is gone',
    );
    await person.sees('before another house was opened');
  });

  it('keeps the light that a person has chosen', async () => {
    await person.goTo('/menu');
    await person.click('button', 'Dim the light');
    await person.page.reload();
    await person.find('button', 'Turn up the light');
    expect(await person.page.evaluate(() => document.documentElement.dataset.theme)).toBe('dim');
  });
});

describe('a measure on the shelf', () => {
  it('moves the protocols that are counted by it', async () => {
    await person.goTo('/protocols/black-sand-clay-facial/cleanse');
    await person.sees('takes 4.8 ml');
    await person.click('link', 'Shelf');
    await person.click('link', 'Prickly-pear cleansing milk');
    await person.click('link', 'Measured');
    await person.fill('ml per pump', '3.2');
    await enter();
    await person.click('link', 'Used');
    await person.click('link', 'Black-sand clay facial');
    await person.sees('takes 9.6 ml');
    expect(await person.valueOf('Step')).toBe('First cleanse');
  });

  it('that is taken away is missed in words where it was needed', async () => {
    await person.goTo('/shelf/mineral-sunscreen/measured');
    await person.fill('Density', '');
    await enter();
    await person.click('link', 'Menu');
    await person.sees('Mineral sunscreen is stated in g but kept in ml: give its density');
    await person.click('link', 'Restock');
    await person.click('link', 'When to order');
    await person.sees('give its density');
    await person.goTo('/protocols/black-sand-clay-facial/finish');
    await person.sees('needs a look');
    await person.sees('min slot');
  });

  it('can be an amount by eye with a name of the house', async () => {
    await person.goTo('/shelf/fennel-body-milk/measured');
    await person.click('button', 'Name an amount');
    await person.fill('Size of coin', '2,4');
    await enter();
    await person.waitFor(
      () =>
        person.page.evaluate(async () =>
          (await (await fetch('/api/materials/fennel-body-milk')).text()).includes('"usual":2.4'),
        ),
      'the size is kept',
    );
    await person.goTo('/protocols/pumice-body-polish/milk');
    await person.choose('Wild-fennel body milk, stated in', '× coin');
    await person.sees('takes 2.4 ml');
    await person.saved();
  });
});

describe('a service in hand', () => {
  it('follows its therapists, its visits and its kind of visit', async () => {
    await person.goTo('/menu/acid-returning');
    await person.sees('€100.00');
    await person.click('checkbox', 'Nerea');
    await person.sees('€95.00');
    await person.click('checkbox', 'Ione');
    await person.sees('Name at least one therapist who performs this service');
    await person.click('checkbox', 'Mateo');
    await person.sees('€90.00');
    await person.fill('Planned visits', '500');
    await enter();
    await person.click('link', 'Restock');
    await person.click('link', 'When to order');
    await person.click('radio', 'to order');
    await person.sees('Fruit-acid blend');
  });

  it('is taken off the menu, with its protocol left as it is', async () => {
    await person.goTo('/menu/body-polish');
    await person.click('button', 'Take it off the menu');
    await person.sees(/still used by: Shore and sand \(offer\), Treatments \(menu\)/);
    await takeAway('menus', 'offers');
    await person.goTo('/menu/body-polish');
    await person.click('button', 'Take it off the menu');
    await person.waitFor(
      () =>
        person.page.evaluate(() => !document.body.innerText.includes('Pumice and oil body polish')),
      'the service is gone',
    );
    await person.click('link', 'Protocols');
    await person.sees('Pumice and oil body polish');
    await person.sees('not on the menu yet');
  });
});
