import { beforeEach, describe, expect, it, vi } from 'vitest';
import { eachAtTheApp } from '../testing/eachAtTheApp';

/* A worker whose program cannot be had, as when the house went away before it was fetched: nobody waits for ever. */

const person = eachAtTheApp();

/** From here on no worker can be had. */
function loseWorkers(): void {
  const { Worker: AnyWorker } = globalThis;
  vi.stubGlobal(
    'Worker',
    class extends AnyWorker {
      constructor() {
        super(new URL('file:///nowhere/lost.worker.ts'));
      }
    },
  );
}

describe('what cannot be worked out', () => {
  beforeEach(async () => {
    await person.openApp('/house');
    loseWorkers();
  });

  it.each([
    ['/restock/levels/copper-ampoule', 'The weeks ahead could not be worked out just now.'],
    ['/restock/risk', 'The curve could not be worked out just now.'],
    ['/menu/clay-facial/price', 'The range could not be worked out just now.'],
    ['/week', 'Counting the week did not work just now.'],
    ['/logbook', 'cannot be read just now'],
  ])('says so at %s', async (path, says) => {
    await person.goTo(path);
    await person.sees(says);
  });

  it('says so where the shelf is played through, and offers it again', async () => {
    await person.goTo('/restock/risk');
    await person.click('button', 'Play the shelf through');
    await person.sees('The shelf could not be worked out just now.');
    await person.find('button', 'Play the shelf through');
  });

  it('says so of a list, and does not go on reading', async () => {
    await person.goTo('/price-lists/atalaya');
    const cells = 'Article no.\tName\tPrice\nA-201\tFruit-acid blend\t57.20';
    await person.fill('Or paste the cells, with their headings', cells);
    await person.click('button', 'Read what I pasted');
    await person.sees('cannot be read.');
    expect(person.all('[role=progressbar], progress')).toHaveLength(0);
  });
});
