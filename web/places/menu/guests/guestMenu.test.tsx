import { describe, expect, it } from 'vitest';
import type { GuestMenu } from '@bienestar/core/house/guest';
import { eachAtTheApp } from '../../../testing/eachAtTheApp';

const person = eachAtTheApp();
const open = async (): Promise<void> => {
  await person.openApp('/menu/guests');
};
const menu = () => person.written<GuestMenu>('menus');

describe('a menu for guests', () => {
  it('has its lines moved, within their section', async () => {
    await open();
    await person.click('button', 'Black-sand clay facial further down');
    const { before, after } = await menu();
    const [face, ...others] = after.sections;
    const [was, ...othersWere] = before.sections;
    expect(face?.lines.slice(0, 2)).toEqual(was?.lines.slice(0, 2).toReversed());
    expect(face?.lines.slice(2)).toEqual(was?.lines.slice(2));
    expect(others).toEqual(othersWere);
  });

  it('has no way further up for what stands first, nor further down for what stands last', async () => {
    await open();
    const first = await person.find('button', 'Black-sand clay facial further up');
    expect(first.matches(':disabled')).toBe(true);
    const last = await person.find('button', 'Copper firming, four visits further down');
    expect(last.matches(':disabled')).toBe(true);
  });

  it('loses a line, which can then be put on again', async () => {
    await open();
    await person.click('button', 'Leave Sheet-mask and light express out of Face');
    const { before, after } = await menu();
    expect(after.sections[0]?.lines).toHaveLength((before.sections[0]?.lines.length ?? 0) - 1);
    await person.seesNot('Leave Sheet-mask and light express out of Face');
    await person.choose('Put on Face', 'Sheet-mask and light express');
    await person.find('button', 'Leave Sheet-mask and light express out of Face');
  });

  it('has its sections moved, named and left out', async () => {
    await open();
    await person.click('button', 'Face further down');
    const { before, after } = await menu();
    expect(after.sections.map(({ title }) => title).slice(0, 2)).toEqual(
      before.sections
        .map(({ title }) => title)
        .slice(0, 2)
        .toReversed(),
    );
  });

  it('shows every line with the minutes and the price of today', async () => {
    await open();
    await person.sees(/Black-sand clay facial/);
    await person.sees(/€80/);
  });
});
