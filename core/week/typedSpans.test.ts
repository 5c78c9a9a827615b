import fc from 'fast-check';
import { expect, it } from 'vitest';
import { pulled, spansText, typedClock, typedSpans } from './typedSpans';

it.each([
  ['10-14', [[600, 840]]],
  [
    '10-14, 15-19',
    [
      [600, 840],
      [900, 1140],
    ],
  ],
  [
    '15:00–19.30; 9h15 to 12',
    [
      [555, 720],
      [900, 1170],
    ],
  ],
  [
    '9 - 12 and 13 - 24',
    [
      [540, 720],
      [780, 1440],
    ],
  ],
  ['', []],
  ['closed', []],
])('reads %s', (text, spans) => {
  expect(typedSpans(text).spans).toEqual(spans.map(([from, to]) => ({ from, to })));
});

it.each([
  ['ten to two', /such as 10-14/],
  ['10', /such as 10-14/],
  ['14-10', /past midnight stands on the next day/],
  ['22-2', /past midnight/],
  ['10-25', /0:00 to 24:00/],
  ['10:75-12', /0:00 to 24:00/],
  ['10-14, 13-15', /overlap/],
])('says what is wrong with %s', (text, words) => {
  const typed = typedSpans(text);
  expect(typed.spans).toBeUndefined();
  expect(typed.fault).toMatch(words);
});

it('reads what it writes', () => {
  const spans = fc
    .uniqueArray(fc.integer({ min: 0, max: 1440 }), { minLength: 2, maxLength: 8 })
    .map((edges) => edges.toSorted((a, b) => a - b))
    .map((edges) =>
      edges.flatMap((from, at) =>
        at % 2 === 0 && edges[at + 1] ? [{ from, to: edges[at + 1]! }] : [],
      ),
    );
  fc.assert(
    fc.property(spans, (of) => {
      expect(typedSpans(spansText(of)).spans).toEqual(of);
    }),
  );
});

it('pulls an end along the grid, not past the other, and not into what is beside it', () => {
  const within = { before: 480, after: 1140, grid: 15 };
  expect(pulled({ from: 600, to: 840 }, 'to', 911, within)).toEqual({ from: 600, to: 915 });
  expect(pulled({ from: 600, to: 840 }, 'to', 300, within)).toEqual({ from: 600, to: 615 });
  expect(pulled({ from: 600, to: 840 }, 'from', 100, within)).toEqual({ from: 480, to: 840 });
  expect(pulled({ from: 600, to: 840 }, 'to', 2000, within)).toEqual({ from: 600, to: 1140 });
});

it.each([
  ['14:05', 845],
  ['9', 540],
  ['14.30', 870],
  ['24', undefined],
  ['soon', undefined],
])('reads the time %s', (text, minute) => {
  expect(typedClock(text)).toBe(minute);
});
