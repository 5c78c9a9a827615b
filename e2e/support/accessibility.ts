import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Person } from './person';

const axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What an accessibility check finds on the screen as it is, or in a part of it; by one rule, or by all. */
export async function accessibilityFindings(
  { page }: Person,
  rule?: 'color-contrast',
  part = 'html',
): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(axe);
  const { violations } = await page.evaluate(
    (only, within) => {
      const checker = globalThis as unknown as {
        axe: { run: (within: string, options: object) => Promise<AxeResults> };
      };
      return checker.axe.run(within, {
        resultTypes: ['violations'],
        ...(only !== undefined && { runOnly: [only] }),
      });
    },
    rule,
    part,
  );
  return violations.flatMap((found) =>
    found.nodes.map(
      (node) => `${found.id}: ${node.html.slice(0, 160)} ${node.failureSummary ?? ''}`,
    ),
  );
}
