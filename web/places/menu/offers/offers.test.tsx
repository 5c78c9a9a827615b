import { describe, expect, it } from 'vitest';
import type { Course, Package } from '@bienestar/core/house/offer';
import type { Offer } from '@bienestar/core/house/house';
import { eachAtTheApp } from '../../../testing/eachAtTheApp';

const person = eachAtTheApp();
const open = person.openApp;
const put = async (label: string, text: string): Promise<void> => {
  await person.fill(label, text);
  await person.press('Tab');
};
/** How an offer is, with all that waits to be sent. */
const offer = async <T extends Offer>(id: string): Promise<T> => {
  const { houseInHand } = await import('../../../store/house');
  const found = houseInHand(person.store.getState())?.offers.find((each) => each.id === id);
  if (!found) throw new Error(`There is no offer ${id}.`);
  return found as unknown as T;
};

describe('the price of an offer', () => {
  it('is the sum less what is let off, or its own, and goes back when its own is taken out', async () => {
    await open('/menu/offers/shore-and-sand');
    expect(await person.figure('Price')).toBe('€155.00');
    await put('Or a price of its own', '149');
    await expect.poll(() => person.figure('Price')).toBe('€149.00');
    await put('Or a price of its own', '');
    await expect.poll(() => person.figure('Price')).toBe('€155.00');
    expect((await offer<Package>('shore-and-sand')).ownMinor).toBeUndefined();
    await put('Or a price of its own', '140');
    await person.click('button', 'Back to the sum less what is let off');
    await expect.poll(() => person.figure('Price')).toBe('€155.00');
    /* Pressed before what was typed was answered, the field follows when it is. */
    await person.waitFor(
      async () => (await person.valueOf('Or a price of its own')) === '',
      'it is empty',
    );
  });

  it('follows what is let off', async () => {
    await open('/menu/offers/shore-and-sand');
    await put('Let off', '0');
    await expect.poll(() => person.figure('Price')).toBe('€175.00');
  });
});

describe('a course', () => {
  it('has more visits, and fewer, and says what one sale promises', async () => {
    await open('/menu/offers/copper-course');
    const before = (await offer<Course>('copper-course')).visits;
    await person.click('button', 'More visits');
    const more = (await offer<Course>('copper-course')).visits;
    expect(more).toHaveLength(before.length + 1);
    expect(more.slice(0, before.length)).toEqual(before);
    await person.click('button', 'Leave out 3 visits');
    expect((await offer<Course>('copper-course')).visits).toHaveLength(before.length);
  });

  it('has at least one visit: the last cannot be left out', async () => {
    await open('/menu/offers/copper-course');
    await person.click('button', 'Leave out 3 visits');
    const { visits } = await offer<Course>('copper-course');
    expect(visits).toHaveLength(1);
    expect(
      person.all('button[aria-label^="Leave out "]').every((each) => each.matches(':disabled')),
    ).toBe(true);
  });
});

describe('a package', () => {
  it('takes a service more, and says which phases are done once', async () => {
    await open('/menu/offers/shore-and-sand');
    const before = await offer<Package>('shore-and-sand');
    await person.click('button', 'Another service');
    const after = await offer<Package>('shore-and-sand');
    expect(after.serviceIds).toHaveLength(before.serviceIds.length + 1);
    await person.click('button', 'Leave out the service 3');
    expect((await offer<Package>('shore-and-sand')).serviceIds).toEqual(before.serviceIds);
  });

  it('does a phase once more or less when it is pressed', async () => {
    await open('/menu/offers/shore-and-sand');
    const { once } = await offer<Package>('shore-and-sand');
    await person.click('button', 'cleanse');
    const then = (await offer<Package>('shore-and-sand')).once;
    expect(new Set(then)).not.toEqual(new Set(once));
    await person.click('button', 'cleanse');
    expect(new Set((await offer<Package>('shore-and-sand')).once)).toEqual(new Set(once));
  });
});
