import { flushSync } from 'react-dom';
import { screen, waitFor } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { useLayoutEffect, useState } from 'react';
import { afterEach, expect, it, vi } from 'vitest';
import { cleanup, render } from '../testing/render';
import { ReadField } from './ReadField';

afterEach(cleanup);

const user = userEvent.setup({ delay: null });
const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Passes' });
const fault = () => screen.queryByRole('alert')?.textContent;
const put = async (text: string): Promise<void> => {
  await user.clear(field());
  await user.type(field(), text);
};

/** Another window, which changes the number. */
const elsewhere = new EventTarget();
const change = (to: number): void => {
  flushSync(() => elsewhere.dispatchEvent(new CustomEvent('changed', { detail: to })));
};

/** A number, written with a cross behind. */
function Passes({ onCommit }: { readonly onCommit: (value: number) => string | undefined }) {
  const [value, setValue] = useState(2);
  useLayoutEffect(() => {
    const follow = (event: Event): void => setValue((event as CustomEvent<number>).detail);
    elsewhere.addEventListener('changed', follow);
    return () => elsewhere.removeEventListener('changed', follow);
  }, []);
  return (
    <ReadField
      label="Passes"
      value={value}
      written={(passes) => `${passes} ×`}
      read={(text) => {
        const passes = Number(text.replace('×', ''));
        return Number.isInteger(passes) ? { value: passes } : { fault: 'Write how often.' };
      }}
      onCommit={async (passes) => {
        const refused = onCommit(passes);
        if (refused === undefined) setValue(passes);
        return Promise.resolve(refused);
      }}
    />
  );
}

const shown = (onCommit: (value: number) => string | undefined = () => undefined) => {
  const taken = vi.fn(onCommit);
  render(<Passes onCommit={taken} />);
  return taken;
};

it('is taken once it is left, as it was read, and written as it is', async () => {
  const taken = shown();
  await put('03');
  expect(taken).not.toHaveBeenCalled();
  await user.tab();
  await waitFor(() => expect(field().value).toBe('3 ×'));
  await user.click(field());
  await user.tab();
  expect(taken.mock.calls).toEqual([[3]]);
});

it('is not taken where it says what is so already, in other words', async () => {
  const taken = shown();
  await put(' 2');
  await user.keyboard('{Enter}');
  expect([field().value, taken.mock.calls]).toEqual(['2 ×', []]);
});

it('keeps what says nothing, with the reason, until it is put back by Escape', async () => {
  const taken = shown();
  await put('often');
  await user.keyboard('{Enter}');
  expect(field().value).toBe('often');
  expect(fault()).toContain('Write how often.');
  await user.keyboard('{Escape}');
  expect([field().value, fault()]).toEqual(['2 ×', undefined]);
  expect(taken).not.toHaveBeenCalled();
});

it('does not lose what is typed to what is changed elsewhere meanwhile', async () => {
  const taken = shown();
  await put('5');
  change(4);
  expect(field().value).toBe('5');
  await user.tab();
  await waitFor(() => expect(field().value).toBe('5 ×'));
  expect(taken.mock.calls).toEqual([[5]]);
});

it('follows what is changed elsewhere while nothing is typed', async () => {
  shown();
  change(7);
  await waitFor(() => expect(field().value).toBe('7 ×'));
});

it('keeps what was refused, with the reason', async () => {
  shown(() => 'Not on this device.');
  await put('9');
  await user.keyboard('{Enter}');
  await waitFor(() => expect(fault()).toContain('Not on this device.'));
  expect(field().value).toBe('9 ×');
});
