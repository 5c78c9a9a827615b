import { describe, expect, it } from 'vitest';
import { deedWords, did, tookBack, togetherWith, undo, type Deed, type DoneDeed } from './undo';

const together = { id: 'paste', words: '2 materials were added.' };
const added = (name: string, with_?: Deed['together']): Deed => ({
  kind: 'addition',
  part: 'materials',
  name,
  value: { id: name },
  ...(with_ && { together: with_ }),
});

/** What stands in the list after these deeds. */
function after(...deeds: readonly Deed[]) {
  return deeds.reduce((state, deed) => undo(state, did(deed)), undo(undefined, { type: 'begin' }));
}

describe('what was done together', () => {
  const state = after(added('clay'), added('oil', together), added('gel', together), added('milk'));
  const named = (deeds: readonly DoneDeed[]) => deeds.map(({ name }) => name);

  it('is all that went in the same go, in its order, and nothing beside it', () => {
    expect(named(togetherWith(state.done[2]!, state.done))).toEqual(['oil', 'gel']);
    expect(named(togetherWith(state.done[3]!, state.done))).toEqual(['milk']);
  });

  it('is told in the words of the whole', () => {
    expect(deedWords(state.done[1]!)).toBe('2 materials were added');
    expect(deedWords(state.done[0]!)).toBe('clay was added');
  });

  it('is found again among what was taken back', () => {
    const back = [state.done[2]!, state.done[1]!].reduce(
      (so, { key }) => undo(so, tookBack(key)),
      state,
    );
    expect(named(back.done)).toEqual(['clay', 'milk']);
    expect(named(togetherWith(back.undone.at(-1)!, back.undone))).toEqual(['gel', 'oil']);
  });
});
