import 'fake-indexeddb/auto';
import { screen, within } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import type { Protocol, Room } from '@bienestar/core/house/house';
import { asId } from '@bienestar/core/house/ids';
import type { Change, QueuedWrite, WriteState } from '../../store/outbox/queuedWrite';
import { changeWords } from './waitingWords';
import { waitingOf } from './waitingOf';
import type * as sheet from './WaitingSheet';
import type * as kept from '../../store/store';
import { cleanup, render } from '../../testing/render';

afterEach(cleanup);

const room: Room = { id: asId('lava'), name: 'Lava', kind: 'dry' };
const protocol: Protocol = {
  id: asId('clay'),
  name: 'Clay facial',
  summary: '',
  steps: [],
  layerGroups: [],
  choices: [],
};
const fields: Change = { kind: 'edit', part: 'rooms', base: room, mine: { ...room, name: 'Duna' } };
const draft: Change = {
  kind: 'draft',
  part: 'protocols',
  base: { ...protocol, version: 1 },
  mine: protocol,
};
const used: Change = {
  kind: 'entry',
  entry: { kind: 'use', id: asId('e'), materialId: asId('clay'), quantity: 3 },
};

let number = 0;
function write(change: Change, state: WriteState, isHeld = true, name = 'Lava'): QueuedWrite {
  number += 1;
  return {
    id: `w${number}`,
    turn: number,
    window: 'here',
    madeIn: 'here',
    at: '2026-11-27T10:00:00Z',
    name,
    change,
    state,
    isHeld,
  };
}

describe('what waits to be saved', () => {
  it('is what nobody answered to, what was refused and what is to be chosen, not what is on its way', () => {
    const held = write(fields, { is: 'sent' });
    const refused = write(fields, { is: 'refused', message: 'No.' }, false);
    const clash = write(fields, { is: 'clash', theirs: { version: 2 } }, false);
    const underWay = write(fields, { is: 'sent' }, false);
    const typing = write(draft, { is: 'typing' }, false);
    expect(waitingOf([held, refused, clash, underWay, typing])).toEqual([held, refused, clash]);
  });

  it('is said by what was done', () => {
    expect([fields, draft, used].map(changeWords)).toEqual([
      'what was changed',
      'what was written',
      'what was used',
    ]);
  });
});

describe('the list of what waits', () => {
  let WaitingSheet: typeof sheet.WaitingSheet;
  let store: typeof kept.store;
  beforeAll(async () => {
    vi.stubGlobal('matchMedia', () => ({ matches: false }));
    ({ WaitingSheet } = await import('./WaitingSheet'));
    ({ store } = await import('../../store/store'));
  });

  const shown = (waiting: readonly QueuedWrite[]) =>
    render(
      <Provider store={store}>
        <MemoryRouter>
          <WaitingSheet waiting={waiting} onClose={() => undefined} />
        </MemoryRouter>
      </Provider>,
    );
  const lines = () => within(screen.getByRole('dialog')).getAllByRole('listitem');

  it('says of each what it is and how it stands', () => {
    shown([
      write(fields, { is: 'waiting' }),
      write(used, { is: 'refused', message: 'There are only 2 g.' }, true, 'Black-sand clay'),
      write(draft, { is: 'clash', theirs: { version: 2 } }, false, 'Clay facial'),
    ]);
    const [first, second, third] = lines().map(({ textContent }) => textContent);
    expect(first).toContain('Lava: what was changed');
    expect(second).toContain('▲ There are only 2 g.');
    expect(third).toContain('Changed by somebody else: open it and choose');
    expect(screen.getByRole('link').getAttribute('href')).toBe('/protocols/clay');
  });

  it('lets go of what was not sent or was refused, and of nothing that may have been done', () => {
    shown([
      write(fields, { is: 'waiting' }),
      write(fields, { is: 'sent' }),
      write(fields, { is: 'refused', message: 'No.' }),
      write(draft, { is: 'waiting' }),
    ]);
    const canLeave = lines().map((line) => within(line).queryByRole('button') !== null);
    expect(canLeave).toEqual([true, false, true, false]);
  });

  it('says so when nothing waits any more', async () => {
    shown([]);
    expect(screen.getByText('Everything is saved.')).toBeTruthy();
    await userEvent.keyboard('{Escape}');
  });
});
