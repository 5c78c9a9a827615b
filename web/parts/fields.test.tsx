import { screen } from '@testing-library/dom';
import userEvent from '@testing-library/user-event';
import { useState } from 'react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { PercentField } from './PercentField';
import { Segments } from './Segments';
import { TextField } from './TextField';
import { Toggles } from './Toggles';
import { TripleField } from './TripleField';
import { cleanup, render } from '../testing/render';

afterEach(cleanup);

const box = (name: string) => screen.getByRole<HTMLInputElement>('textbox', { name });

async function put(name: string, text: string): Promise<void> {
  const person = userEvent.setup();
  await person.clear(box(name));
  if (text !== '') await person.type(box(name), text);
}

describe('a field for text', () => {
  function Name({ onCommit }: { readonly onCommit: (text: string) => void }) {
    const [name, setName] = useState('Lava');
    const take = (text: string): void => {
      setName(text);
      onCommit(text);
    };
    return <TextField label="Name" needed commitOn="leaving" value={name} onCommit={take} />;
  }

  it('is taken once it is left, and once only', async () => {
    const taken = vi.fn<(text: string) => void>();
    render(<Name onCommit={taken} />);
    await put('Name', 'Duna');
    expect(taken).not.toHaveBeenCalled();
    await userEvent.tab();
    await userEvent.click(box('Name'));
    await userEvent.tab();
    expect(taken.mock.calls).toEqual([['Duna']]);
  });

  it('that is needed is not taken empty, and says so', async () => {
    const taken = vi.fn<(text: string) => void>();
    render(<Name onCommit={taken} />);
    await put('Name', '');
    await userEvent.tab();
    expect(screen.getByRole('alert').textContent).toContain('This is needed.');
    expect([box('Name').value, taken.mock.calls]).toEqual(['', []]);
  });
});

describe('a field for a share', () => {
  it.each([
    ['32.5', 0.325, undefined],
    ['0,1', 0.001, undefined],
    ['7 %', 0.07, undefined],
    ['101', undefined, /Must be from 0 to 100 %/],
    ['-1', undefined, /Must be from 0 to 100 %/],
  ])('takes %s as a share of 1, or says its limits', async (typed, share, words) => {
    const taken = vi.fn<(share: number) => void>();
    render(<PercentField label="Margin" value={0.3} onCommit={taken} />);
    expect(box('Margin').value).toBe('30');
    await put('Margin', typed);
    expect(taken.mock.lastCall?.[0]).toBe(share ?? (typed === '101' ? 0.1 : undefined));
    if (words) expect(screen.getByRole('alert').textContent).toMatch(words);
    else expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('a field for low, usual and high', () => {
  function Minutes({ onCommit }: { readonly onCommit: (minutes: readonly number[]) => void }) {
    const [values, setValues] = useState<readonly [number, number, number]>([3, 3, 3]);
    return (
      <TripleField
        legend="Minutes"
        labels={['least', 'usual', 'most']}
        values={values}
        unit="min"
        largest={1440}
        onCommit={(next) => {
          setValues(next);
          onCommit(next);
        }}
      />
    );
  }
  const three = () => screen.getAllByRole<HTMLInputElement>('textbox').map(({ value }) => value);

  it('is one figure while it is fixed, and a range of what is usual once that is asked for', async () => {
    const taken = vi.fn<(minutes: readonly number[]) => void>();
    render(<Minutes onCommit={taken} />);
    expect(three()).toEqual(['3']);
    const usual = screen.getByRole('textbox', { name: 'Minutes, usual' });
    await userEvent.clear(usual);
    await userEvent.type(usual, '5');
    expect([three(), taken.mock.lastCall?.[0]]).toEqual([['5'], [5, 5, 5]]);
    await userEvent.click(screen.getByRole('button', { name: 'Minutes: least and most' }));
    expect([three(), taken.mock.lastCall?.[0]]).toEqual([
      ['4', '5', '6'],
      [4, 5, 6],
    ]);
    const most = screen.getByRole('textbox', { name: 'Minutes, most' });
    await userEvent.clear(most);
    await userEvent.type(most, '8');
    await userEvent.clear(usual);
    await userEvent.type(usual, '7');
    expect(taken.mock.lastCall?.[0]).toEqual([4, 7, 8]);
  });

  it('keeps bounds that are out of order as they were typed, and counts with those before', async () => {
    const taken = vi.fn<(minutes: readonly number[]) => void>();
    render(<Minutes onCommit={taken} />);
    await userEvent.click(screen.getByRole('button', { name: 'Minutes: least and most' }));
    taken.mockClear();
    const least = screen.getByRole('textbox', { name: 'Minutes, least' });
    await userEvent.clear(least);
    await userEvent.type(least, '4');
    expect(screen.getByRole('alert').textContent).toMatch(/Still counted with/);
    expect([three(), taken.mock.calls]).toEqual([['4', '3', '3.6'], []]);
  });
});

describe('a choice in sight', () => {
  it('of one cannot be left without any', async () => {
    const chosen = vi.fn<(value: string) => void>();
    const options = [
      { value: 'dry', label: 'dry' },
      { value: 'wet', label: 'wet' },
    ];
    render(<Segments label="Kind" value="dry" options={options} onChoose={chosen} />);
    await userEvent.click(screen.getByRole('radio', { name: 'dry' }));
    expect(chosen).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole('radio', { name: 'wet' }));
    expect(chosen.mock.calls).toEqual([['wet']]);
  });

  it('of several takes on and takes off', async () => {
    const changed = vi.fn<(values: readonly string[]) => void>();
    const options = ['oily', 'dry', 'mature'].map((value) => ({ value, label: value }));
    render(<Toggles label="Skin" values={['dry']} options={options} onChange={changed} />);
    await userEvent.click(screen.getByRole('button', { name: 'oily' }));
    await userEvent.click(screen.getByRole('button', { name: 'dry' }));
    expect(changed.mock.calls).toEqual([[['dry', 'oily']], [[]]]);
  });
});
