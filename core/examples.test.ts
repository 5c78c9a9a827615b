/// <reference types="vite/client" />
import { describe, expect, it } from 'vitest';

/* Every example in a docstring is run: `@example expression // value`, on one line. */

const sources = import.meta.glob<string>('./**/*.ts', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const modules = import.meta.glob<Record<string, unknown>>(['./**/*.ts', '!./**/*.test.ts']);
const EXAMPLE = /^ \* @example (.+?) \/\/ (.+)$/gm;

const examples = Object.entries(sources)
  .filter(([file]) => !file.endsWith('.test.ts'))
  .flatMap(([file, source]) =>
    [...source.matchAll(EXAMPLE)].map(([, code = '', value = '']) => ({ file, code, value })),
  );

/** What an expression comes to that knows what a file exports. */
function evaluated(code: string, known: Readonly<Record<string, unknown>>): unknown {
  // oxlint-disable-next-line typescript/no-implied-eval -- our own docstrings, in tests alone
  const run = new Function(...Object.keys(known), `return (${code});`) as (
    ...values: unknown[]
  ) => unknown;
  return run(...Object.values(known));
}

describe('the examples in docstrings', () => {
  it('are there', () => {
    expect(examples.length).toBeGreaterThan(15);
  });

  it.each(examples)('$file: $code', async ({ file, code, value }) => {
    const known = (await modules[file]?.()) ?? {};
    expect(evaluated(code, known)).toEqual(evaluated(value, {}));
  });
});
