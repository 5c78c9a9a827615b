import { screen, waitFor } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it } from 'vitest';
import { NumberField } from './NumberField';
import { cleanup, render } from '../testing/render';

afterEach(cleanup);

const field = () => screen.getByRole<HTMLInputElement>('textbox', { name: 'Margin' });

function Margin({ refuse }: { readonly refuse?: string }) {
  const [value, setValue] = useState(30);
  return (
    <>
      <NumberField
        label="Margin"
        unit="%"
        commitOn="leaving"
        value={value}
        check={(number) => (number <= 95 ? undefined : 'At most 95.')}
        onCommit={(number) => {
          if (refuse !== undefined) return Promise.resolve(refuse);
          setValue(number);
        }}
      />
      <button type="button" onClick={() => setValue(50)}>
        Another window
      </button>
      <output>{value}</output>
    </>
  );
}

function Weight() {
  const [value, setValue] = useState(30);
  return (
    <>
      <NumberField label="Margin" commitOn="leaving" value={value} onCommit={setValue} />
      <output>{value}</output>
    </>
  );
}

describe('a field for a number', () => {
  it('takes a decimal comma or point when it is left or Enter is pressed, and not before', async () => {
    const person = userEvent.setup();
    render(<Margin />);
    await person.clear(field());
    await person.type(field(), '32,5');
    expect(screen.getByRole('status').textContent).toBe('30');
    await person.tab();
    expect(screen.getByRole('status').textContent).toBe('32.5');
    await person.clear(field());
    await person.type(field(), '33.5{Enter}');
    expect(screen.getByRole('status').textContent).toBe('33.5');
  });

  it.each([
    ['thirty', /Enter a number.*Still counted with 30\./],
    ['96', /At most 95\./],
  ])('keeps “%s” as it was typed, and says what is wrong with it', async (typed, words) => {
    const person = userEvent.setup();
    render(<Margin />);
    await person.clear(field());
    await person.type(field(), typed);
    await person.tab();
    expect(field().value).toBe(typed);
    expect(field().getAttribute('aria-invalid')).toBe('true');
    expect(screen.getByRole('alert').textContent).toMatch(words);
    const note = document.getElementById(field().getAttribute('aria-describedby') ?? '');
    expect(note?.contains(screen.getByRole('alert'))).toBe(true);
    expect(screen.getByRole('status').textContent).toBe('30');
  });

  it.each([
    ['1,500', '1500', '1,500'],
    ['1 500', '1500', '1,500'],
    ["1'500", '1500', '1,500'],
    ['1.500', '1.5', '1.5'],
    ['1.500,5', '1500.5', '1,500.5'],
    ['1 1/2', '1.5', '1.5'],
    ['½', '0.5', '0.5'],
  ])('reads “%s” as %s, and stands so when it is left', async (typed, value, stands) => {
    const person = userEvent.setup();
    render(<Weight />);
    await person.clear(field());
    await person.type(field(), typed);
    await person.tab();
    expect(screen.getByRole('status').textContent).toBe(value);
    /* Only once the house has taken it. */
    await waitFor(() => expect(field().value).toBe(stands));
  });

  it('keeps what the house refuses, with its words', async () => {
    const person = userEvent.setup();
    render(<Margin refuse="The database is full." />);
    await person.clear(field());
    await person.type(field(), '40{Enter}');
    expect((await screen.findByRole('alert')).textContent).toContain('The database is full.');
    expect(field().value).toBe('40');
  });

  it('is not taken away by a value that arrives while one types, and shows it otherwise', async () => {
    const person = userEvent.setup();
    render(<Margin />);
    await person.click(screen.getByRole('button', { name: 'Another window' }));
    expect(field().value).toBe('50');
    await person.clear(field());
    await person.type(field(), '4');
    screen.getByRole('button', { name: 'Another window' }).click();
    expect(field().value).toBe('4');
  });

  it('shows what is so, when it was changed back before what was typed was answered', async () => {
    const person = userEvent.setup();
    let answer: () => void = () => undefined;
    function Slow() {
      const [value, setValue] = useState<number | undefined>(30);
      return (
        <>
          <NumberField
            label="Margin"
            commitOn="leaving"
            value={value}
            onClear="needed"
            onCommit={(number) => {
              setValue(number);
              return new Promise((resolve) => (answer = () => resolve(undefined)));
            }}
          />
          <button type="button" onClick={() => setValue(30)}>
            Undo
          </button>
        </>
      );
    }
    render(<Slow />);
    await person.clear(field());
    await person.type(field(), '45');
    await person.click(screen.getByRole('button', { name: 'Undo' }));
    expect(field().value).toBe('45');
    answer();
    await waitFor(() => expect(field().value).toBe('30'));
  });
});
