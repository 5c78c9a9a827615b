import { describe, expect, it } from 'vitest';
import type { CountRound } from '@bienestar/core/house/house';
import type { MaterialId } from '@bienestar/core/house/ids';
import type { CountHistory } from '@bienestar/core/restock/countReview';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';
import { readAlready } from '../../testing/readAlready';

/* What a count has found against what should be there. */

const person = eachAtTheApp();

const round = DEMO.counts.find(({ id }) => (id as string) === 'count-2');
if (!round) throw new Error('There is no such count.');
const [first, second] = round.lines;
if (!first || !second) throw new Error('Too little was counted.');
const nameOf = (id: MaterialId): string =>
  DEMO.materials.find((each) => each.id === id)?.name ?? '?';

/** Each line found as the ledger said, but for these. */
const history = (
  differences: Readonly<Record<string, number>> = {},
  gone: CountHistory['gone'] = [],
): CountHistory => ({
  counts: round.lines.map(({ entryId, materialId, at }) => ({
    entryId,
    materialId,
    at,
    difference: differences[materialId] ?? 0,
    takenBack: false,
  })),
  gone,
});

async function open(data?: CountHistory, of: CountRound = round as CountRound): Promise<void> {
  await person.openApp('/', async () => {
    const { ReviewView } = await import('./counts/ReviewView');
    return [{ path: '*', element: <ReviewView round={{ ...of, version: 1 }} /> }];
  });
  if (!data) return;
  await readAlready(person.store, 'countHistory', of.id, data);
  await person.element('table');
}

const rowOf = (id: MaterialId): string[] => {
  const row = person.all('tbody tr').find(({ textContent }) => textContent.startsWith(nameOf(id)));
  return [...(row?.children ?? [])].map(({ textContent }) => textContent);
};

describe('the review of a count', () => {
  it('says that it cannot be compared just now, and tries again', async () => {
    await open();
    await person.find('button', 'Try again');
    await person.sees('Comparing with the ledger did not work just now.');
  });

  it('has a line for each material that was counted, with no difference where there is none', async () => {
    await open(history());
    expect(person.all('tbody tr')).toHaveLength(round.lines.length);
    expect(rowOf(first.materialId)[3]).toBe('none');
    expect(rowOf(first.materialId)[4]).toBe('');
    await person.sees('€0.00');
    await person.sees(/counted .*, without seeing what should be there/);
  });

  it('tells what is missing and what is too much, each with what it is worth', async () => {
    await open(history({ [first.materialId]: -200, [second.materialId]: 50 }));
    const [, found, expected, difference, worth] = rowOf(first.materialId);
    const amountIn = (text = ''): number => Number(text.replaceAll(/[^\d.]/g, ''));
    expect(amountIn(expected) - amountIn(found)).toBeCloseTo(200, 1);
    expect(difference).toMatch(/^▼ .*200/);
    expect(worth).toMatch(/^−€|^-€/);
    expect(rowOf(second.materialId)[3]).toMatch(/^▲ \+50/);
    await person.sees('missing, €');
    await person.sees('too much');
  });

  it('says how much of what was used that is, and why it may be so', async () => {
    const until = first.at;
    await open(
      history({ [first.materialId]: -200 }, [
        { materialId: first.materialId, until, kind: 'use', quantity: 1_000, entries: 4 },
      ]),
    );
    expect(rowOf(first.materialId)[5]).toMatch(/20%/);
    expect(rowOf(second.materialId)[5]).toBe('–');
  });

  it.each([
    ['says what was found in the count before', false],
    ['says nothing of a count that was taken back', true],
  ])('%s', async (_what, takenBack) => {
    const data = history({ [first.materialId]: -200 });
    const earlier = {
      entryId: 'before' as never,
      materialId: first.materialId,
      at: '2026-10-21T18:10:00Z',
      difference: -120,
      takenBack,
    };
    await open({ ...data, counts: [...data.counts, earlier] });
    if (takenBack) await person.seesNot('before: ');
    else await person.sees('before: ');
  });

  it('goes on counting where it had ended', async () => {
    await open(history());
    await person.click('button', 'Go on counting');
    const { before, after } = await person.written<CountRound>('counts');
    expect(before.endedOn).toBe(round.endedOn);
    expect(after.endedOn).toBeUndefined();
  });
});
