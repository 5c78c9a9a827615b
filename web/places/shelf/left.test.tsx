import { describe, expect, it } from 'vitest';
import type { BoughtMaterial } from '@bienestar/core/house/house';
import { DEMO } from '../../testing/demoInBrowser';
import { eachAtTheApp } from '../../testing/eachAtTheApp';

/* What is left of a material, and what can happen to it, on a shelf that nobody answers. */

const person = eachAtTheApp();

const materialOf = (id: string): BoughtMaterial => {
  const found = DEMO.materials.find((each) => (each.id as string) === id);
  if (!found || found.kind === 'linen') throw new Error(id);
  return found;
};
async function open(id: string): Promise<void> {
  const material = materialOf(id);
  await person.openApp('/', async () => {
    const { LeftFacet } = await import('./LeftFacet');
    return [{ path: '*', element: <LeftFacet material={material} /> }];
  });
  await person.find('button', 'Used some');
}
const entry = (): object | undefined => {
  const [write] = person.store.getState().queue.writes;
  return write?.change.kind === 'entry' ? write.change.entry : undefined;
};
const becomes = (what: object): Promise<void> => expect.poll(entry).toMatchObject(what);
const nothingWaits = (): void => expect(person.store.getState().queue.writes).toEqual([]);

describe('something that was used', () => {
  it('needs how much, which is more than nothing', async () => {
    await open('cactus-serum');
    await person.click('button', 'Used some');
    await person.click('button', 'Enter the use');
    await person.sees('Enter how much was used.');
    await person.fill('How much', '0');
    await person.click('button', 'Enter the use');
    nothingWaits();
    await person.fill('How much', '2.5');
    await person.fill('Note', 'for the window');
    await person.click('button', 'Enter the use');
    await becomes({
      kind: 'use',
      materialId: 'cactus-serum',
      quantity: 2.5,
      note: 'for the window',
    });
  });

  it('is not entered when the sheet is closed, and stays typed until then', async () => {
    await open('cactus-serum');
    await person.click('button', 'Used some');
    await person.fill('How much', '3');
    await person.press('Escape');
    await person.seesNot('Used: ');
    nothingWaits();
    await person.click('button', 'Used some');
    expect(await person.valueOf('How much')).toBe('3');
  });
});

describe('a container', () => {
  it('is opened with one press, once', async () => {
    await open('cactus-serum');
    await person.click('button', 'Open one');
    await becomes({ kind: 'opening', materialId: 'cactus-serum' });
    expect(person.store.getState().queue.writes).toHaveLength(1);
  });

  it('of what does not change when it is open is not opened', async () => {
    await open('glove');
    expect(person.all('button').map(({ textContent }) => textContent)).not.toContain('Open one');
  });

  it('that is open is thrown away with what is in it, for a reason', async () => {
    await open('cactus-serum');
    await person.click('button', 'Throw away the open container of lot K43B');
    await person.sees('Throw away: ');
    await person.fill('How much', '');
    await person.click('button', 'Throw it away');
    nothingWaits();
    await person.fill('How much', '1.5');
    await person.choose('Why', 'spilled');
    await person.click('button', 'Throw it away');
    await becomes({
      kind: 'discard',
      lotId: 'cactus-serum-lot-1',
      containerId: 'demo-0178-1',
      quantity: 1.5,
      reason: 'spilled',
    });
  });

  it('that is sealed is thrown away whole', async () => {
    await open('cactus-serum');
    await person.click('button', 'Throw away sealed of lot F53B');
    await person.sees('There are 30 ml in it.');
    await person.click('button', 'Throw it away');
    await becomes({ kind: 'discard', lotId: 'cactus-serum-lot-2', quantity: 30 });
    expect(entry()).not.toHaveProperty('containerId');
  });
});

describe('a count', () => {
  it('is of what is filled in, lot by lot, with what the ledger says beside it', async () => {
    await open('cactus-serum');
    await person.click('button', 'Count or weigh');
    await person.click('button', 'Enter the count');
    await person.sees('Count at least one of them.');
    await person.sees('The ledger says 30 ml.');
    await person.fill('Sealed, lot F53B', '29');
    await person.fill('Open, lot K43B', '3');
    await person.fill('Open, lot K43B', '');
    await person.click('button', 'Enter the count');
    await becomes({
      kind: 'count',
      materialId: 'cactus-serum',
      found: [{ lotId: 'cactus-serum-lot-2', quantity: 29 }],
    });
  });

  it('is all together in one figure, nothing included', async () => {
    await open('cactus-serum');
    await person.click('button', 'Count or weigh');
    await person.click('radio', 'all together');
    await person.click('button', 'Enter the count');
    await person.sees('Enter what is there.');
    await person.fill('Everything that is there', '-1');
    await person.click('button', 'Enter the count');
    nothingWaits();
    await person.fill('Everything that is there', '0');
    await person.click('button', 'Enter the count');
    await becomes({ kind: 'total-count', materialId: 'cactus-serum', quantity: 0 });
  });

  it('is weighed through the empty container, by a weight that is typed where there is no scale', async () => {
    await open('cactus-serum');
    await person.click('button', 'Count or weigh');
    await person.click('button', 'Weigh it instead');
    const tare = await person.valueOf('Empty container with lid');
    if (tare === '') await person.fill('Empty container with lid', '40');
    await person.fill('Or type the weight', '45');
    await person.click('button', 'Take what I typed');
    await person.waitFor(
      async () => (await person.valueOf('Open, lot K43B')) !== '',
      'it is counted',
    );
    const counted = Number(await person.valueOf('Open, lot K43B'));
    expect(counted).toBeGreaterThan(0);
    await person.fill('Or type the weight', '1');
    await person.click('button', 'Take what I typed');
    expect(person.all('[role=alert]').map(({ textContent }) => textContent)).toHaveLength(1);
    expect(Number(await person.valueOf('Open, lot K43B'))).toBe(counted);
  });

  it('of pieces is not weighed', async () => {
    await open('glove');
    await person.click('button', 'Count or weigh');
    await person.sees('The ledger says');
    await person.seesNot('Weigh it instead');
  });
});

describe('what is left', () => {
  it('is said with what is sealed and open, and what runs out', async () => {
    await open('cactus-serum');
    const labels = person.all('[aria-label]').map((each) => each.getAttribute('aria-label') ?? '');
    expect(labels.some((label) => /^1 sealed, 1 open$/.test(label))).toBe(true);
    await person.sees(/Lasts \d+ days at the visits expected\.|No expected visit uses it\./);
    await person.sees('lot F53B, came');
    await person.sees('lot K43B, opened');
  });

  it('waits to be told what was entered while nobody answers', async () => {
    await open('cactus-serum');
    await person.click('button', 'Open one');
    await becomes({ kind: 'opening' });
    await person.sees('Kept in this browser, and not entered yet:');
  });
});
