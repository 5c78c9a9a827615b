import { createCalculator } from '@bienestar/core/figures/createCalculator';
import { menuEffect, type MenuEffect } from '@bienestar/core/figures/movedServices';
import type { House } from '@bienestar/core/house/house';
import { counted, money } from '../format/figures';
import { ask } from '../parts/ask';
import { selectFigures, selectHouse } from './house';
import type { RootState } from './store';

/** What is asked before a change, and what says yes to it. */
export interface MeantWords {
  readonly title: string;
  readonly yes: string;
}

/** What is asked before something is called otherwise. */
export function renamed(from: string, to: string): MeantWords & { readonly still: string } {
  return {
    title: `Call ${from} “${to}”?`,
    yes: 'Call it that',
    still: `It is still called ${from}.`,
  };
}

/**
 * Whether a change of the house is to be made: asked where it changes what services cost, with what it does.
 * @param change of the house as it is on this screen
 */
export async function isMeant(
  state: RootState,
  change: (house: House) => House,
  words: MeantWords,
): Promise<boolean> {
  const house = selectHouse(state);
  const before = selectFigures(state);
  if (!house || !before) return true;
  const after = change(house);
  const effect = menuEffect(after, before, createCalculator(1, 'services')(after));
  if (!effect) return true;
  return ask({ ...words, words: effectWords(effect, house.settings.currency) });
}

/** What a change does to the menu, in words. */
function effectWords(
  { uncounted, dearer, cheaper, mostMinor }: MenuEffect,
  currency: string,
): string {
  const up = dearer > 0 ? `rises on ${counted(dearer, 'service')}` : '';
  const down = cheaper > 0 ? `falls on ${counted(cheaper, 'service')}` : '';
  const ways = [up, down].filter((way) => way !== '').join(' and ');
  const moved =
    ways === '' ? '' : `Full cost ${ways}, by up to ${money(Math.abs(mostMinor), currency)}.`;
  const lost = uncounted > 0 ? `${counted(uncounted, 'service')} cannot be counted any more.` : '';
  return [lost, moved].filter((sentence) => sentence !== '').join(' ');
}
