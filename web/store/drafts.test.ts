import { describe, expect, it } from 'vitest';
import type { Versioned } from '@bienestar/contract/api';
import type { Protocol } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import {
  confirmed,
  edited,
  opened,
  drafts,
  redone,
  refreshed,
  savingChanged,
  settled,
  undone,
  type DraftsState,
} from './drafts';

const base: Versioned<Protocol> = {
  id: asId('p'),
  name: 'One',
  summary: '',
  steps: [],
  layerGroups: [],
  choices: [],
  version: 3,
};
type Action = Parameters<typeof drafts>[1];
const play = (...actions: Action[]): DraftsState['byId'][string] => {
  const state = actions.reduce<DraftsState | undefined>(drafts, undefined);
  const draft = state?.byId.p;
  if (!draft) throw new Error('no draft');
  return draft;
};
const named = (name: string): Protocol => ({
  id: base.id,
  name,
  summary: '',
  steps: [],
  layerGroups: [],
  choices: [],
});
const edit = (protocol: Protocol, at: number, typedInto: string | undefined = 'name') =>
  edited({ id: 'p', protocol, typedInto, at });

describe('drafts of protocols', () => {
  const two = named('Two');
  const three = named('Three');

  it('undo the quick changes of one field as one, and others one by one', () => {
    const typed = [
      opened({ part: 'protocols', base }),
      edit(two, 0),
      edit(three, 500),
      edit(named('Four'), 5_000),
      edit(named('Five'), 5_100, 'summary'),
    ];
    expect(play(...typed).past.map((each) => each.name)).toEqual(['One', 'Three', 'Four']);
    const back = play(...typed, undone('p'), undone('p'), undone('p'), undone('p'));
    expect(back.present.name).toBe('One');
    expect(back.future.map((each) => each.name)).toEqual(['Three', 'Four', 'Five']);
    expect(play(...typed, undone('p'), redone('p')).present.name).toBe('Five');
  });

  it('undo what is pressed or chosen one by one, however quick', () => {
    const pressed = [two, three].map((protocol, at) => edited({ id: 'p', protocol, at }));
    expect(
      play(opened({ part: 'protocols', base }), ...pressed).past.map((each) => each.name),
    ).toEqual(['One', 'Two']);
  });

  it('are saved only when what was sent is what is there', () => {
    const saved = { ...base, name: 'Two', version: 4 };
    expect(
      play(opened({ part: 'protocols', base }), edit(two, 0), confirmed({ base: saved, sent: two }))
        .saving.state,
    ).toBe('saved');
    const further = play(
      opened({ part: 'protocols', base }),
      edit(two, 0),
      edit(three, 9_000),
      confirmed({ base: saved, sent: two }),
    );
    expect(further.saving.state).toBe('waiting');
    expect(further.base.version).toBe(4);
  });

  it('keep a conflict open while one goes on typing, and settle it as a step that can be undone', () => {
    const theirs = { ...base, name: 'Theirs', version: 8 };
    const conflict = savingChanged({ id: 'p', saving: { state: 'conflict', theirs } });
    const typing = play(
      opened({ part: 'protocols', base }),
      edit(two, 0),
      conflict,
      edit(three, 9_000),
    );
    expect(typing.saving.state).toBe('conflict');
    const after = play(
      opened({ part: 'protocols', base }),
      edit(two, 0),
      conflict,
      settled({ base: theirs, present: named('Theirs') }),
    );
    expect([after.saving.state, after.base.version, after.past.at(-1)?.name]).toEqual([
      'waiting',
      8,
      'Two',
    ]);
  });

  it('begin with what was typed and not saved, and can go back to what the house has', () => {
    const unsaved = { protocol: two, madeIn: 'gone', saving: { state: 'waiting' } } as const;
    const draft = play(opened({ part: 'protocols', base, unsaved }));
    expect([draft.present.name, draft.saving.state, draft.past[0]?.name]).toEqual([
      'Two',
      'waiting',
      'One',
    ]);
  });

  it('take over what somebody else saved while nothing was edited here', () => {
    const draft = play(
      opened({ part: 'protocols', base }),
      refreshed({ ...base, name: 'Newer', version: 9 }),
    );
    expect([draft.present.name, draft.base.version, draft.saving.state]).toEqual([
      'Newer',
      9,
      'saved',
    ]);
  });
});
