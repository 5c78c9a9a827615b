import { describe, expect, it } from 'vitest';
import { ownHouse, readHouse } from '../support/ownHouse';
import { eachAtAFreshHouse } from '../support/personInDocument';

const person = eachAtAFreshHouse();

const enter = (): Promise<void> => person.press('Enter');

/** Takes everything of some kinds out of the house. */
async function takeAway(...parts: readonly ('menus' | 'offers')[]): Promise<void> {
  const house = await readHouse();
  for (const part of parts) {
    for (const { id, version } of house[part]) {
      const address = `${ownHouse().url}/api/${part}/${id}?version=${version}`;
      await fetch(address, { method: 'DELETE' });
    }
  }
}

describe('what holds for the whole house', () => {
  it('adds a room and takes it away; a person who performs a service stays', async () => {
    await person.goTo('/house');
    await person.click('button', 'Add a room');
    await person.find('button', 'Remove New room');
    await person.click('button', 'Remove New room');
    await person.sees(/Full cost rises on \d+ services/);
    await person.click('button', 'Remove it');
    await person.waitFor(
      () => person.all('[aria-label="Remove New room"]').length === 0,
      'the room is gone',
    );
    await person.click('button', 'Remove Dacil');
    await person.sees('still used by: Pumice and oil body polish (service)');
    await person.click('button', 'Add a supplier');
    await person.find('button', 'Remove New supplier');
  });

  it('knows on which days a supplier delivers, and its least order', async () => {
    await person.goTo('/house');
    await person.click('checkbox', 'Mercado delivers on Sunday');
    await person.fill('least order', '200');
    await enter();
    await person.reload();
    const sunday = await person.find('checkbox', 'Mercado delivers on Sunday');
    expect((sunday as HTMLInputElement).checked).toBe(true);
    expect(await person.valueOf('least order')).toBe('200.00');
  });

  it('makes a safe copy, and brings it back after something daring', async () => {
    await person.goTo('/house');
    await person.click('button', 'Make a copy now');
    await person.sees('A safe copy is made.');
    await person.click('button', 'Add a room');
    await person.find('button', 'Remove New room');
    (await person.element('[aria-label^="Bring back the copy of"]')).click();
    await person.click('button', 'Bring it back');
    await person.sees('The house is as it was on');
    await person.waitFor(
      () => person.all('[aria-label="Remove New room"]').length === 0,
      'the room is gone',
    );
    await person.sees('before another house was opened');
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
    await person.goTo('/house');
    await person.choose('Time zone', other ?? '');
    await person.goTo('/restock');
    await person.sees(`${dayIn(other ?? '')}: `);
  });
});

describe('a service in hand', () => {
  it('is taken off the menu, with its protocol left as it is', async () => {
    await person.goTo('/menu/body-polish');
    await person.click('button', 'Remove this service');
    await person.sees(/still used by: Shore and sand \(offer\), Treatments \(menu\)/);
    await takeAway('menus', 'offers');
    await person.reload();
    await person.click('button', 'Remove this service');
    await person.waitFor(
      () => !document.body.textContent.includes('Pumice and oil body polish'),
      'the service is gone',
    );
    await person.click('link', 'Protocols');
    await person.sees('Pumice and oil body polish');
    await person.sees('not on the menu yet');
  });
});
